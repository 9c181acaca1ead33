/** One whole place of each format, as the demo's writers make them: what the fuzzer damages. */
import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { audioComponent, classId, infoPlist, moduleInfo } from '../../demo/dist/files/bundles.js';
import { lv2Files } from '../../demo/dist/files/lv2.js';
import { machOFile } from '../../demo/dist/files/mach-o.js';
import { peFile } from '../../demo/dist/files/pe.js';
import { studioPlugins } from '../../demo/dist/studio.js';

const ELF = '../../node_modules/@koromix/koffi-linux-x64/linux_x64/koffi.node';

/** Seeds by name: the name of the place, and its files by their path inside ('' for a place that is a file). */
export function seeds() {
  const [plugin] = studioPlugins();
  const wish = { name: plugin.name, vendor: plugin.vendor.name, version: '1.2.3' };
  const bundle = (binary, components) =>
    infoPlist({ identifier: 'example.toy', program: 'toy', name: plugin.name, version: '1.2.3', binary }, components);
  const text = (files) =>
    Object.fromEntries(Object.entries(files).map(([name, own]) => [name, new TextEncoder().encode(own)]));
  const presets = [
    { name: 'Wide', bank: null },
    { name: 'Narrow', bank: 'Close' },
  ];
  const mac = machOFile(['x86-64', 'arm64']);
  const pe = peFile({
    machine: 'x86-64',
    exports: ['GetPluginFactory', 'VSTPluginMain', 'clap_entry', 'main'],
    version: { ProductName: plugin.name, CompanyName: plugin.vendor.name, ProductVersion: '1.2.3' },
  });
  // A real shared object of a package that is there; cut to what the reader looks at first where it is large.
  let elf = null;
  try {
    elf = new Uint8Array(readFileSync(fileURLToPath(new URL(ELF, import.meta.url))));
  } catch {
    // Another system has another file; the other seeds do.
  }
  const all = {
    lv2: {
      name: 'toy.lv2',
      files: { ...text(lv2Files([{ plugin, uri: 'urn:toy', ...wish, channels: 2, presets }])), 'plugin.dylib': mac },
    },
    'vst3 bundle': {
      name: 'Toy.vst3',
      files: {
        'Contents/Info.plist': bundle(false),
        'Contents/MacOS/toy': mac,
        'Contents/Resources/moduleinfo.json': new TextEncoder().encode(
          moduleInfo(plugin, { ...wish, categories: ['Fx', 'Reverb'] }),
        ),
      },
    },
    'au bundle, binary list': {
      name: 'Toy.component',
      files: { 'Contents/Info.plist': bundle(true, [audioComponent(plugin, wish)]), 'Contents/MacOS/toy': mac },
    },
    'au bundle, XML list': {
      name: 'Toy.component',
      files: { 'Contents/Info.plist': bundle(false, [audioComponent(plugin, wish)]), 'Contents/MacOS/toy': mac },
    },
    'vst2 bundle': { name: 'Toy.vst', files: { 'Contents/Info.plist': bundle(true), 'Contents/MacOS/toy': mac } },
    'mach-o': { name: 'toy.dylib', files: { '': mac } },
    pe: { name: 'toy.dll', files: { '': pe } },
    'pe in one file': { name: 'toy.vst3', files: { '': pe } },
    vstpreset: {
      name: 'Wide.vstpreset',
      files: { '': new TextEncoder().encode(`VST3\u0001\0\0\0${classId(plugin)}`) },
    },
    aupreset: {
      name: 'Wide.aupreset',
      files: {
        '': infoPlist({ identifier: 'x', program: 'x', name: 'Wide', version: '1', binary: true }, [
          audioComponent(plugin, wish),
        ]),
      },
    },
  };
  return elf === null ? all : { ...all, elf: { name: 'toy.so', files: { '': elf } } };
}
