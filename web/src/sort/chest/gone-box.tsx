import { useQuery } from '@tanstack/react-query';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import { goneInChest, type GoneInDrawer } from '@clever-drawer/core/chests/gone-in-chest';
import type { Chest } from '@clever-drawer/core/chests/rows/chest';
import type { ChosenCatalogue } from '../../catalogue/chosen-catalogue';
import { fullNameOf } from '../../catalogue/item-names';
import { call } from '../../lib/api';
import { counted } from '../../lib/counted';
import { useComputer } from '../../lib/use-computer';
import { Failed, Loading } from '../../parts/empty-note';
import { FormBox } from '../../parts/form-box';
import styles from './chest.module.css';

interface Props {
  readonly state: Arrangement;
  readonly catalogue: ChosenCatalogue;
  readonly chest: Chest;
  readonly done: (gone: readonly GoneInDrawer[]) => void;
  readonly close: () => void;
}

const LISTED = 20;

/** What a chest holds that no computer of the studio has any more, to be taken out of its drawers. */
export function GoneBox({ state, catalogue, chest, done, close }: Props) {
  const computer = useComputer();
  const found = useQuery({
    queryKey: ['found-nowhere', computer.id],
    queryFn: () => call('GET /computers/{computer}/found-nowhere', { path: { computer: computer.id } }),
    // Asked anew each time: another computer may have been scanned since.
    gcTime: 0,
  });
  const gone = found.data === undefined ? null : goneInChest(state, chest.id, new Set(found.data));
  const names = (gone ?? []).flatMap(({ drawerId, itemIds }) =>
    itemIds.map((id) => {
      const item = catalogue.byId.get(id);
      return {
        key: `${drawerId} ${id}`,
        name: item === undefined ? id : fullNameOf(item),
        drawer: state.drawer.get(drawerId)?.name ?? '',
      };
    }),
  );
  return (
    <FormBox
      title={`In ${chest.name}, and on no computer`}
      act="Take out"
      canAct={names.length > 0}
      submit={() => gone !== null && done(gone)}
      close={close}
    >
      {found.isError ? (
        <Failed error={found.error} again={() => void found.refetch()} />
      ) : gone === null ? (
        <Loading what="what no computer has" />
      ) : names.length === 0 ? (
        <p>Everything in its drawers was found on a computer of the studio.</p>
      ) : (
        <>
          <p>
            {counted(names.length, 'place')} in {counted(gone.length, 'drawer')}. What is on a disk that was not
            connected at the last scan counts as not found, too.
          </p>
          <ul className={styles.goneNames}>
            {names.slice(0, LISTED).map(({ key, name, drawer }) => (
              <li key={key}>
                <bdi>{name}</bdi> <span className="quiet">in {drawer}</span>
              </li>
            ))}
            {names.length > LISTED && <li className="quiet">and {names.length - LISTED} more</li>}
          </ul>
        </>
      )}
    </FormBox>
  );
}
