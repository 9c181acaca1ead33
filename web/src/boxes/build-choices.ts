import { asidesOf } from '@clever-drawer/core/chests/asides';
import type { Arrangement } from '@clever-drawer/core/chests/arrangement';
import { asideLabel } from '@clever-drawer/core/chests/rows/aside';
import { buildInWords } from '../catalogue/build-words';
import type { ChosenItem } from '../catalogue/chosen-catalogue';
import type { Pickable } from '../parts/pick-list';

/** The builds that are there, each with its file name; with the whole path where that alone tells two of them apart. */
export function buildChoices(builds: ChosenItem['builds'], state: Arrangement): Pickable[] {
  const found = builds.filter((build) => build.found);
  const wordsOf = (build: (typeof found)[number]): string => `${buildInWords(build)} ${fileName(build.path)}`;
  return found.map((build) => {
    const aside = asidesOf(state).get(build.id);
    const isAlone = found.every((one) => one === build || wordsOf(one) !== wordsOf(build));
    const file = isAlone ? fileName(build.path) : build.path;
    const note = aside === undefined ? file : `set aside: ${asideLabel(aside.reason)} · ${file}`;
    return { key: build.id, label: buildInWords(build), note };
  });
}

const fileName = (path: string): string => path.split(/[\\/]/).at(-1) ?? path;
