// A large folder of invented LV2 bundles: a synth, an effect or a meter each, with sixteen controls, as the formats' documents describe them.
import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

const CONTROLS = 16;
const PREFIXES = `@prefix lv2: <http://lv2plug.in/ns/lv2core#> .
@prefix doap: <http://usefulinc.com/ns/doap#> .
@prefix foaf: <http://xmlns.com/foaf/0.1/> .
@prefix rdfs: <http://www.w3.org/2000/01/rdf-schema#> .
@prefix units: <http://lv2plug.in/ns/extensions/units#> .
`;
const KINDS = ['ReverbPlugin', 'CompressorPlugin', 'DelayPlugin', 'EQPlugin', 'AnalyserPlugin'];
// The header of an ELF file for x86-64 without anything behind it (System V ABI: 64 bytes).
const BINARY = Buffer.concat([Buffer.from('7f454c4602010100000000000000000003003e00', 'hex'), Buffer.alloc(44)]);

/** Writes `count` bundles below a folder. */
export function writeBundles(folder, count) {
  for (let index = 0; index < count; index++) {
    const bundle = join(folder, `p${index}.lv2`);
    const uri = `https://plugins.example/bench/p${index}`;
    mkdirSync(bundle, { recursive: true });
    writeFileSync(
      join(bundle, 'manifest.ttl'),
      `${PREFIXES}<${uri}> a lv2:Plugin ; lv2:binary <p.so> ; rdfs:seeAlso <p.ttl> .\n`,
    );
    writeFileSync(join(bundle, 'p.ttl'), describe(uri, index));
    writeFileSync(join(bundle, 'p.so'), BINARY);
  }
}

function describe(uri, index) {
  const sound = (kind, at) =>
    `[ a lv2:${kind}Port , lv2:AudioPort ; lv2:index ${at} ; lv2:symbol "${kind}" ; lv2:name "${kind}" ]`;
  const control = (_, at) =>
    `[ a lv2:InputPort , lv2:ControlPort ; lv2:index ${at + 2} ; lv2:symbol "c${at}" ; lv2:name "Control ${at}" ; lv2:default 0.5 ; lv2:minimum 0.0 ; lv2:maximum 1.0 ; units:unit units:db ]`;
  const ports = [sound('Input', 0), sound('Output', 1), ...Array.from({ length: CONTROLS }, control)];
  return `${PREFIXES}<${uri}> a lv2:Plugin , lv2:${KINDS[index % KINDS.length]} ;
  doap:name "Plate ${index}" ; doap:maintainer [ foaf:name "Tollgate Sound" ] ;
  lv2:minorVersion 2 ; lv2:microVersion 4 ; rdfs:comment "A plate in a barn." ;
  lv2:port ${ports.join(' ,\n    ')} .\n`;
}
