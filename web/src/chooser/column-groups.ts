import { onlyShown } from '@clever-drawer/core/chests/level';
import type { Option, OptionGroup } from './options';
import type { Offer } from './use-offer';

/** The drawers of the chest as columns of what fits. */
export const columnGroups = (offer: Offer): OptionGroup[] =>
  onlyShown([...offer.trays, ...offer.drawers], (drawer) => drawer.plugins.length > 0).map((drawer) => ({
    heading: drawer.name,
    divider: drawer.divider,
    sign: drawer.sign,
    part: 'drawer' as const,
    options: drawer.lines.flatMap((line): Option[] =>
      'divider' in line
        ? []
        : [
            {
              key: `${drawer.id} ${line.plugin.id}`,
              item: line.plugin,
              name: line.name,
              buildId: line.buildId ?? null,
              buildWords: line.buildWords ?? null,
              part: 'drawer',
              digit: null,
            },
          ],
    ),
  }));

/** The option at the same height of the column beside. */
export function toColumn(groups: readonly OptionGroup[], at: number, by: 1 | -1): number {
  let from = 0;
  const starts = groups.map((group) => {
    const start = from;
    from += group.options.length;
    return start;
  });
  const own = starts.findLastIndex((start) => start <= at);
  const to = Math.min(Math.max(own + by, 0), groups.length - 1);
  const height = at - (starts[own] ?? 0);
  return (starts[to] ?? 0) + Math.min(height, (groups[to]?.options.length ?? 1) - 1);
}
