import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import type { BuildId } from '@clever-drawer/core/ids';
import { buildChoices } from '../boxes/build-choices';
import type { ChosenCatalogue, ChosenItem } from '../catalogue/chosen-catalogue';
import { absenceOf } from '../catalogue/presence';
import { PickBox } from '../parts/pick-box';

interface Props {
  /** A chain, or what has builds. */
  readonly item: ChosenItem;
  readonly catalogue: ChosenCatalogue;
  readonly state: Arrangement;
  /** Loads some plugins of the chain in their order, or the item as a certain build. */
  readonly take: (items: readonly ChosenItem[], buildId: BuildId | null) => void;
  readonly close: () => void;
}

/** Asks for the build of a plugin to load, or for the plugins of a chain. */
export function ChooserParts({ item, catalogue, state, take, close }: Props) {
  if (item.chain !== undefined) {
    const parts = item.chain.flatMap((id) => catalogue.byId.get(id) ?? []);
    return (
      <PickBox
        title={`Load some plugins of ${item.name}`}
        what="plugin"
        several
        choices={parts.map((part, at) => ({
          key: String(at),
          label: part.name,
          note: absenceOf(part) ?? part.vendor ?? '',
        }))}
        done={(keys) =>
          take(
            keys.flatMap((key) => parts[Number(key)] ?? []),
            null,
          )
        }
        close={close}
      />
    );
  }
  return (
    <PickBox
      title={`Load a build of ${item.name}`}
      what="build"
      several={false}
      choices={buildChoices(item.builds, state)}
      done={([key]) => {
        const build = item.builds.find((one) => one.id === key);
        if (build !== undefined) take([item], build.id);
      }}
      close={close}
    />
  );
}
