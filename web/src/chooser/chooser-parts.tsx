import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import { asideLabel } from '@clever-drawer/core/chests/rows/aside';
import type { BuildId } from '@clever-drawer/core/ids';
import { buildInWords } from '../catalogue/build-words';
import type { ChosenCatalogue, ChosenItem } from '../catalogue/chosen-catalogue';
import { absenceOf } from '../catalogue/presence';
import { PickBox } from '../parts/pick-box';
import type { Pickable } from '../parts/pick-list';

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

/** The builds that are there, each with its file name; with the whole path where that alone tells two of them apart. */
function buildChoices(builds: ChosenItem['builds'], state: Arrangement): Pickable[] {
  const found = builds.filter((build) => build.found);
  const wordsOf = (build: (typeof found)[number]): string => `${buildInWords(build)} ${fileName(build.path)}`;
  return found.map((build) => {
    const aside = state.aside.get(build.id);
    const isAlone = found.every((one) => one === build || wordsOf(one) !== wordsOf(build));
    const file = isAlone ? fileName(build.path) : build.path;
    const note = aside === undefined ? file : `set aside: ${asideLabel(aside.reason)} · ${file}`;
    return { key: build.id, label: buildInWords(build), note };
  });
}

const fileName = (path: string): string => path.split(/[\\/]/).at(-1) ?? path;
