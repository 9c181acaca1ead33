import type { ScanView } from '@clever-drawer/contract/responses';
import type { ItemId } from '@clever-drawer/core/ids';
import { useArrangement } from '../arrangement/arrangement-query';
import type { WindowState } from '../arrangement/window-state';
import { useRuled } from '../arrangement/rules/use-ruled';
import { useCatalogue, type Catalogue } from '../catalogue/queries';
import { useChosen } from '../catalogue/chosen-catalogue';
import { useComputer } from '../lib/use-computer';

/** How many of the plugins that a scan met for the first time are in a drawer by its rule: "31 of 35 filed by rules". Nothing where no drawer has one. */
export function FiledByRules({ scan }: { scan: ScanView }) {
  const computer = useComputer();
  const catalogue = useCatalogue(computer.id).data;
  const arranged = useArrangement(computer.id).data;
  if (catalogue === undefined || arranged === undefined) return null;
  return <Counted scan={scan} workedOut={catalogue} arranged={arranged} />;
}

function Counted({
  scan,
  workedOut,
  arranged: { state },
}: {
  scan: ScanView;
  workedOut: Catalogue;
  arranged: WindowState;
}) {
  const catalogue = useChosen(workedOut, state);
  const ruled = useRuled(catalogue, state);
  const clever = [...state.drawer.values()].filter(({ rule }) => rule !== null);
  const met = catalogue.plugins.filter((one) => one.found && one.aside === null && one.arrivedAt >= scan.startedAt);
  if (clever.length === 0 || met.length === 0 || !ruled.isAnswered) return null;
  const taken = new Set<ItemId>(clever.flatMap(({ id }) => ruled.taken(id)));
  const filed = met.filter(({ id }) => taken.has(id)).length;
  return (
    <span role="status">
      {filed} of {met.length} new {met.length === 1 ? 'plugin' : 'plugins'} filed by rules.{' '}
    </span>
  );
}
