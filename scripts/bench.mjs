// npm run bench: one JSON line per figure, each with the baseline it was measured against in the same run. Machines are shared: read the ratios.
import { benchArranging } from './bench/arranging.mjs';
import { benchAtLarge } from './bench/at-large.mjs';
import { benchAtSize } from './bench/at-size.mjs';
import { benchFinding } from './bench/finding.mjs';
import { benchInference } from './bench/inference.mjs';
import { benchNoPlugins } from './bench/no-plugins.mjs';
import { benchRules } from './bench/ruling.mjs';
import { benchServing } from './bench/serving.mjs';
import { benchScans } from './bench/scans.mjs';
import { benchWithFiles } from './bench/with-files.mjs';
import { benchTwoComputers } from './bench/two-computers.mjs';
import { checkNode, needBuild, needPackages } from './lib/prepare.mjs';
import { endWith } from './lib/run.mjs';

try {
  checkNode();
  await needPackages();
  await needBuild();
  await benchScans();
  await benchServing();
  await benchInference();
  await benchArranging();
  await benchRules();
  await benchFinding();
  await benchAtLarge();
  await benchWithFiles();
  await benchAtSize();
  await benchNoPlugins();
  await benchTwoComputers();
} catch (error) {
  endWith(error);
}
