import Modal from 'react-bootstrap/Modal';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import type { ItemId } from '@clever-drawer/core/ids';
import type { Condition } from '@clever-drawer/core/rules/condition';
import { conditionInWords } from '@clever-drawer/core/rules/in-words';
import { useProposed, useRuled } from '../../arrangement/rules/use-ruled';
import type { ChosenCatalogue } from '../../catalogue/chosen-catalogue';
import { PickBox } from '../../parts/pick-box';
import { drawerNames } from '../drawer/drawer-names';

interface Props {
  readonly title: string;
  readonly examples: readonly ItemId[];
  readonly state: Arrangement;
  readonly catalogue: ChosenCatalogue;
  readonly done: (condition: Condition) => void;
  readonly close: () => void;
}

const MAX_NAMED = 3;

/** Rules that some plugins have in common, the shortest first, each with what it would take besides and which of them it would not take. */
export function ExamplesBox({ title, examples, state, catalogue, done, close }: Props) {
  const ruled = useRuled(catalogue, state);
  const proposed = useProposed(examples, ruled.isAnswered);
  const drawers = drawerNames(state);
  const named = (ids: readonly ItemId[]): string =>
    ids
      .slice(0, MAX_NAMED)
      .map((id) => catalogue.byId.get(id)?.name ?? '')
      .join(', ') + (ids.length > MAX_NAMED ? ' …' : '');
  // They come in a moment; a box that is another one then would take the keyboard from it.
  if (proposed === null) return null;
  if (proposed.length === 0)
    return (
      <Modal show onHide={close} aria-labelledby="examples-title">
        <Modal.Header closeButton closeLabel="Close">
          <Modal.Title id="examples-title">{title}</Modal.Title>
        </Modal.Header>
        <Modal.Body>
          No short rule says what they have in common. Select some that are more alike, or write a rule by words.
        </Modal.Body>
      </Modal>
    );
  return (
    <PickBox
      title={title}
      what="rule"
      several={false}
      close={close}
      choices={proposed.map(({ condition, adds, lacks }, at) => ({
        key: String(at),
        label: conditionInWords(condition, drawers),
        note: [
          lacks.length === 0 ? 'takes them all' : `lacks ${String(lacks.length)}: ${named(lacks)}`,
          adds.length === 0 ? 'and nothing else' : `adds ${String(adds.length)}: ${named(adds)}`,
        ].join(', '),
      }))}
      done={([key]) => {
        const chosen = proposed[Number(key)];
        if (chosen !== undefined) done(chosen.condition);
      }}
    />
  );
}
