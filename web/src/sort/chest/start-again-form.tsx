import { useState } from 'react';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import type { ChestBasis } from '@clever-drawer/core/chests/chest-groups';
import { chestsOf, drawersOfChest, entriesIn } from '@clever-drawer/core/chests/look-up';
import { drawersLookingAt } from '@clever-drawer/core/chests/rule-sources';
import type { Chest } from '@clever-drawer/core/chests/rows/chest';
import type { ChosenCatalogue } from '../../catalogue/chosen-catalogue';
import { counted } from '../../lib/counted';
import { FormBox } from '../../parts/form-box';
import { ChestBeginning } from './chest-beginning';
import { ChestPreview } from './chest-preview';
import { BASES, FIRST_WORK_OUT, isBasis, workedOut, type WorkedOut, type WorkOut } from './new-chest';
import styles from './chest.module.css';

interface Props {
  readonly state: Arrangement;
  readonly catalogue: ChosenCatalogue;
  readonly chest: Chest;
  readonly done: (wish: WorkedOut) => void;
  readonly close: () => void;
}

/** How the drawers of a chest are worked out anew, with a look at what that would give and at what goes. */
export function StartAgainForm({ state, catalogue, chest, done, close }: Props) {
  const [by, setBy] = useState<ChestBasis>('type');
  const [workOut, setWorkOut] = useState<WorkOut>(FIRST_WORK_OUT);
  const others = chestsOf(state).filter((one) => one.id !== chest.id);
  const start = workedOut(by, workOut, others);
  const drawers = drawersOfChest(state, chest.id);
  const looking = drawersLookingAt(state, new Set(drawers.map(({ id }) => id)));
  const places = drawers.reduce((sum, { id }) => sum + entriesIn(state, id).length, 0);
  return (
    <FormBox
      title={`Start the chest ${chest.name} again`}
      act="Start again"
      size="lg"
      className={styles.chestForm}
      submit={() => done(start)}
      close={close}
    >
      <ChestBeginning
        chests={others}
        beginnings={BASES}
        beginning={by}
        setBeginning={(beginning) => isBasis(beginning) && setBy(beginning)}
        source=""
        setSource={() => undefined}
        workOut={workOut}
        setWorkOut={setWorkOut}
      />
      <div>
        <p>
          {drawers.length === 0
            ? 'It has no drawers yet.'
            : `${counted(drawers.length, 'drawer')} with ${counted(places, 'place')} filled by hand ${drawers.length === 1 ? 'goes' : 'go'}: their names, order, dividers and rules too.`}{' '}
          The chest keeps its name and purpose. One step back brings all of it back.
        </p>
        {looking.length > 0 && (
          <p>
            {counted(looking.length, 'rule')} in other chests {looking.length === 1 ? 'looks' : 'look'} at them, and
            will find nothing there any more: {looking.map(({ name }) => name).join(', ')}.
          </p>
        )}
        <ChestPreview state={state} catalogue={catalogue} start={start} />
      </div>
    </FormBox>
  );
}
