import { existsSync } from 'node:fs';
import { mkdir, rename, rm, symlink, writeFile } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import { audioComponent, infoPlist, moduleInfo, subCategories, classId } from './files/bundles.js';
import { lv2Files } from './files/lv2.js';
import { facePng } from './files/png.js';
import { machOFile, type MacProcessor } from './files/mach-o.js';
import { peFile } from './files/pe.js';
import { otherFiles } from './other-files.js';
import { presetsOf } from './presets.js';
import { roleOf, studioPlugins, type DemoPlugin } from './studio.js';

/** The plugin folders of the two made-up computers, below the folder that holds both. */
export const MAC_FOLDERS = ['Components', 'VST3', 'VST', 'CLAP', 'LV2'].map(
  (name) => `music-room-mac/Library/Audio/Plug-Ins/${name}`,
);
export const WINDOWS_FOLDERS = ['Common Files/VST3', 'VSTPlugins', 'Common Files/CLAP'].map(
  (name) => `puppet-wagon-windows/Program Files/${name}`,
);

type Files = Map<string, string | Uint8Array>;

/** Writes both made-up computers, unless they are there already. A half-written one from an interrupted start is never left in place. */
export async function layOutComputers(folder: string): Promise<void> {
  if (existsSync(folder)) return;
  const draft = `${folder}.new`;
  await rm(draft, { recursive: true, force: true });
  for (const [path, content] of allFiles()) {
    const file = join(draft, path);
    await mkdir(dirname(file), { recursive: true });
    await writeFile(file, content);
  }
  for (const [path, target] of links()) {
    const link = join(draft, path);
    await mkdir(dirname(link), { recursive: true });
    await symlink(target, link);
  }
  await rename(draft, folder);
}

/** Every file of both computers, by its path below the folder. */
export function allFiles(): Files {
  const files: Files = new Map();
  const plugins = studioPlugins();
  for (const plugin of plugins) {
    for (const format of plugin.mac) MAC_WRITERS[format](files, plugin);
    if (plugin.windows.includes('VST3')) windowsVst3(files, plugin);
    if (plugin.windows.includes('VST2')) windowsVst2(files, plugin);
    if (plugin.windows.includes('CLAP')) windowsClap(files, plugin);
  }
  addMesses(files, plugins);
  for (const path of otherFiles()) files.set(path, '');
  return files;
}

/** Shortcuts that somebody made to plugins that stand elsewhere: where each lies, and where it leads from there. */
const links = (): [string, string][] =>
  studioPlugins()
    .filter((plugin) => plugin.mac.includes('VST3'))
    .slice(0, 3)
    .map(({ name }) => [`${VST3}/For the band/${name}.vst3`, `../${name}.vst3`]);

const [COMPONENTS = '', VST3 = '', VST = '', CLAP = '', LV2 = ''] = MAC_FOLDERS;
const [WIN_VST3 = '', WIN_VST2 = '', WIN_CLAP = ''] = WINDOWS_FOLDERS;

const versionOf = ({ number }: DemoPlugin): string =>
  `${String(1 + (number % 3))}.${String(number % 7)}.${String(number % 4)}`;
const slug = (text: string): string =>
  text
    .normalize('NFKD')
    .replace(/[^\p{L}\p{N}]+/gu, '')
    .toLowerCase();
const bundleId = (plugin: DemoPlugin): string => `example.${plugin.vendor.code.toLowerCase()}.${slug(plugin.name)}`;

/** One vendor, several hands: every fifth build spells it in another way. */
function spelling({ vendor, number }: DemoPlugin, turn: number): string {
  const other = vendor.spellings?.[(number + turn) % (vendor.spellings.length || 1)];
  return (number + turn) % 5 === 0 && other !== undefined ? other : vendor.name;
}

/** Intel, ARM, universal, and what is left of 32 bits. */
function processors({ number }: DemoPlugin, format: string): readonly MacProcessor[] {
  if (format === 'VST2' && number % 3 === 0) return ['x86'];
  return number % 4 === 0 ? ['x86-64'] : number % 4 === 1 ? ['arm64'] : ['x86-64', 'arm64'];
}

function macBundle(
  files: Files,
  plugin: DemoPlugin,
  wish: { folder: string; end: string; format: string; name?: string; components?: Parameters<typeof infoPlist>[1] },
): string {
  const name = wish.name ?? plugin.name;
  const bundle = `${wish.folder}/${name}.${wish.end}`;
  const program = slug(name) || 'plugin';
  const plist = infoPlist(
    { identifier: bundleId(plugin), program, name, version: versionOf(plugin), binary: plugin.number % 2 === 1 },
    wish.components,
  );
  files.set(`${bundle}/Contents/Info.plist`, plist);
  files.set(`${bundle}/Contents/MacOS/${program}`, machOFile(processors(plugin, wish.format)));
  return bundle;
}

const MAC_WRITERS = {
  AU: (files: Files, plugin: DemoPlugin): void => {
    const wish = { name: plugin.name, vendor: spelling(plugin, 1), version: versionOf(plugin) };
    macBundle(files, plugin, {
      folder: COMPONENTS,
      end: 'component',
      format: 'AU',
      components: [audioComponent(plugin, wish)],
    });
  },
  VST3: (files: Files, plugin: DemoPlugin): void => {
    const bundle = macBundle(files, plugin, { folder: VST3, end: 'vst3', format: 'VST3' });
    // Two in three bring a picture of themselves.
    if (plugin.number % 3 !== 1) {
      const file = `${bundle}/Contents/Resources/Snapshots/${classId(plugin)}_snapshot.png`;
      files.set(file, facePng(Math.floor(plugin.number / 11), plugin.number));
    }
    // Every ninth has no moduleinfo at all, others forget their categories or name a wrong one.
    if (plugin.number % 9 === 4) return;
    const slip =
      plugin.number % 8 === 3
        ? 'missing'
        : roleOf(plugin.kind) === 'instrument' && plugin.number % 10 === 2
          ? 'wrong'
          : 'none';
    const wish = {
      name: plugin.name,
      vendor: spelling(plugin, 2),
      version: versionOf(plugin),
      categories: subCategories(plugin, slip),
    };
    files.set(`${bundle}/Contents/Resources/moduleinfo.json`, moduleInfo(plugin, wish));
  },
  VST2: (files: Files, plugin: DemoPlugin): void => {
    const name = plugin.number % 6 === 0 ? plugin.name.replace(/ /g, '') : plugin.name;
    macBundle(files, plugin, { folder: VST, end: 'vst', format: 'VST2', name });
  },
  CLAP: (files: Files, plugin: DemoPlugin): void => {
    macBundle(files, plugin, { folder: CLAP, end: 'clap', format: 'CLAP' });
  },
  LV2: (files: Files, plugin: DemoPlugin): void => {
    const bundle = `${LV2}/${slug(plugin.name)}.lv2`;
    const uri = `https://plugins.example/${plugin.vendor.code.toLowerCase()}/${slug(plugin.name)}`;
    const wish = {
      plugin,
      vendor: spelling(plugin, 3),
      presets: presetsOf(plugin),
      names: OTHER_NAMES[plugin.number % 16] ?? {},
    };
    const bothWays =
      roleOf(plugin.kind) === 'audio-effect' && !MANY_CHANNELS.has(plugin.kind) && plugin.number % 3 === 0;
    const described = bothWays
      ? lv2Files([
          { ...wish, uri: `${uri}#mono`, name: `${plugin.name} (Mono)`, channels: 1, names: {} },
          { ...wish, uri: `${uri}#stereo`, name: `${plugin.name} (Stereo)`, channels: 2, names: {} },
        ])
      : lv2Files([{ ...wish, uri, name: plugin.name, channels: 2 }]);
    for (const [file, text] of Object.entries(described)) files.set(`${bundle}/${file}`, text);
    files.set(`${bundle}/plugin.dylib`, machOFile(processors(plugin, 'LV2')));
  },
};

/** Kinds that have no mono and stereo builds. */
const MANY_CHANNELS = new Set(['surround', 'ambisonics', 'stereo-imager', 'panner']);

const OTHER_NAMES: Readonly<Record<number, Record<string, string>>> = {
  2: { de: 'Die Laterne', fr: 'La Lanterne' },
  7: { ar: 'صدى الكهف', ja: '洞窟のこだま' },
  11: { cs: 'Žluťoučký kůň', el: 'Το φανάρι' },
};

function windowsFile(plugin: DemoPlugin, machine: 'x86-64' | 'x86', entry: string): Uint8Array {
  // Every seventh maker forgets the version resource: the file name is all there is.
  const version: Record<string, string> =
    plugin.number % 7 === 6
      ? {}
      : { CompanyName: spelling(plugin, 4), ProductName: plugin.name, ProductVersion: versionOf(plugin) };
  return peFile({ machine, exports: [entry], version });
}

function windowsVst3(files: Files, plugin: DemoPlugin): void {
  const binary = windowsFile(plugin, 'x86-64', 'GetPluginFactory');
  if (plugin.number % 4 === 0) {
    files.set(`${WIN_VST3}/${plugin.name}.vst3`, binary);
    return;
  }
  const contents = `${WIN_VST3}/${plugin.vendor.name}/${plugin.name}.vst3/Contents`;
  files.set(`${contents}/x86_64-win/${plugin.name}.vst3`, binary);
  const wish = {
    name: plugin.name,
    vendor: spelling(plugin, 5),
    version: versionOf(plugin),
    categories: subCategories(plugin, 'none'),
  };
  files.set(`${contents}/Resources/moduleinfo.json`, moduleInfo(plugin, wish));
  for (const { name, bank } of presetsOf(plugin)) {
    const folder = `${WIN_VST3}/Presets/${plugin.vendor.name}/${plugin.name}${bank === null ? '' : `/${bank}`}`;
    files.set(`${folder}/${name}.vstpreset`, `VST3\u0001\0\0\0${classId(plugin)}`);
  }
}

function windowsVst2(files: Files, plugin: DemoPlugin): void {
  files.set(`${WIN_VST2}/${plugin.vendor.name}/${plugin.name}.dll`, windowsFile(plugin, 'x86-64', 'VSTPluginMain'));
  if (plugin.number % 3 === 0)
    files.set(`${WIN_VST2}/32 bit/${plugin.name} x86.dll`, windowsFile(plugin, 'x86', 'main'));
}

function windowsClap(files: Files, plugin: DemoPlugin): void {
  files.set(`${WIN_CLAP}/${plugin.name}.clap`, windowsFile(plugin, 'x86-64', 'clap_entry'));
}

/** What every studio has too: broken bundles, demos, presets on their own, a helper library that is no plugin, a name that runs the other way. */
function addMesses(files: Files, plugins: readonly DemoPlugin[]): void {
  const [first, second, third] = plugins;
  if (first === undefined || second === undefined || third === undefined) return;
  const broken = lv2Files([
    {
      plugin: first,
      uri: 'https://plugins.example/half-copied',
      name: 'Half Copied',
      vendor: 'Rookery Lane DSP',
      channels: 2,
      presets: [],
    },
  ]);
  files.set(`${LV2}/half-copied.lv2/manifest.ttl`, broken['manifest.ttl'] ?? '');
  files.set(`${LV2}/half-copied.lv2/plugin.ttl`, (broken['plugin.ttl'] ?? '').slice(0, 700));
  files.set(`${LV2}/half-copied.lv2/plugin.dylib`, machOFile(['arm64']));
  files.set(`${VST3}/Gutted Gable.vst3/Contents/MacOS/guttedgable`, new Uint8Array(0));
  files.set(`${WIN_VST2}/Brindlewick/Emptied Ewer.dll`, new Uint8Array(0));
  files.set(`${VST}/drawing-helpers.dylib`, machOFile(['arm64']));
  files.set(`${CLAP}/._${first.name}.clap`, 'left by another disk');
  files.set(`${WIN_VST2}/helpers.dll`, peFile({ machine: 'x86-64', exports: ['HelpWithDrawing'] }));
  for (const [number, name] of ['Sawdust Ballroom Demo', 'Lamplight Choir Demo'].entries()) {
    const vendor = (number === 0 ? third : first).vendor;
    const plugin: DemoPlugin = {
      number: 900 + number,
      name,
      vendor,
      kind: number === 0 ? 'reverb' : 'voice',
      mac: [],
      windows: [],
    };
    MAC_WRITERS.VST3(files, plugin);
    windowsVst3(files, plugin);
  }
  for (const [index, name] of ['صدى الكهف', 'Glühwürmchen 🐛 Delay', 'Φανάρι Chorus'].entries()) {
    MAC_WRITERS.AU(files, {
      number: 910 + index,
      name,
      vendor: first.vendor,
      kind: index === 2 ? 'chorus' : 'delay',
      mac: [],
      windows: [],
    });
  }
  const withPresets = plugins.find((plugin) => plugin.mac.includes('LV2') && plugin.vendor.code === 'Rook');
  if (withPresets === undefined) return;
  const uri = `https://plugins.example/rook/${slug(withPresets.name)}`;
  const extra = ['Narrator', 'Giant', 'Goose'].map(
    (label) => `<urn:puppet-wagon:${label}> a pset:Preset ;\n  lv2:appliesTo <${uri}> ;\n  rdfs:label "${label}" .\n`,
  );
  const prefixes =
    '@prefix lv2: <http://lv2plug.in/ns/lv2core#> .\n@prefix rdfs: <http://www.w3.org/2000/01/rdf-schema#> .\n@prefix pset: <http://lv2plug.in/ns/ext/presets#> .\n';
  files.set(`${LV2}/puppet-voices-presets.lv2/manifest.ttl`, prefixes + extra.join('\n'));
}
