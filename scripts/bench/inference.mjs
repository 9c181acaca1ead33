// What the name alone tells: the declared classes of the LV2 plugins at hand are hidden, inferred from the name, and compared.
import { existsSync } from 'node:fs';
import { homedir } from 'node:os';
import { join } from 'node:path';
import { load, tell } from './measure.mjs';

const FOLDERS = [
  ...(process.env.LV2_PATH ?? '').split(':'),
  join(homedir(), '.lv2'),
  '/usr/local/lib/lv2',
  '/usr/lib/lv2',
];

export async function benchInference() {
  const { runScan } = await load('scan/dist/run-scan.js');
  const { workOutKind } = await load('core/dist/catalogue/kind.js');
  const { familyOf } = await load('core/dist/catalogue/type-tree.js');
  const { unknownFacts } = await load('core/dist/facts/build-facts.js');
  const { builds } = await runScan(FOLDERS.filter((folder) => folder !== '' && existsSync(folder)));
  let [declaring, committed, right] = [0, 0, 0];
  for (const build of builds.filter((one) => one.format === 'LV2')) {
    const onlyClass = { ...unknownFacts('LV2', build.path, ''), declaredTypes: build.declaredTypes };
    const declared = workOutKind('', [onlyClass]).types;
    // "Utility" is said of everything that has no class of its own: it names no kind that a name could be held to.
    if (declared.every((type) => type === 'utility')) continue;
    declaring++;
    const [inferred] = workOutKind(build.name, [unknownFacts('LV2', build.path, build.name)]).types;
    if (inferred === undefined) continue;
    committed++;
    // A class may name no more than the family: within it the narrower word is no mistake.
    if (declared.some((type) => familyOf(type) === familyOf(inferred))) right++;
  }
  if (declaring === 0) {
    process.stderr.write('No LV2 plugin at hand declares a class: nothing to hold the names to.\n');
    return;
  }
  const of = `of ${declaring} LV2 plugins at hand that declare a type`;
  tell(`type from the name alone, precise, ${of}`, committed === 0 ? 0 : right / committed, 'aim', 0.9, 'share');
  tell(`type from the name alone, covered, ${of}`, committed / declaring, 'aim', 0.6, 'share');
}
