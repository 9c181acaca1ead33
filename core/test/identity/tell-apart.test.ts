import type { PluginId } from '../../src/ids';
import { tellApart, type NamedPlugin } from '../../src/identity/tell-apart';

const plugin = (
  id: string,
  name: string,
  vendor: string | null,
  format = 'LV2',
  outputs: number | null = 2,
): NamedPlugin => ({
  id: id as PluginId,
  name,
  vendor,
  builds: [{ format, outputs, path: `/plugins/${id}.so` }],
});
const apart = (...plugins: NamedPlugin[]) => Object.fromEntries(tellApart(plugins));

it('one name stays as it is; of several the vendor tells them apart', () => {
  expect(
    apart(
      plugin('a', 'Compressor', 'Tollgate Sound'),
      plugin('b', 'compressor', 'Lintel'),
      plugin('c', 'Compressor', null),
      plugin('d', 'Vestry Plate', 'Lintel'),
    ),
  ).toEqual({ a: 'Tollgate Sound', b: 'Lintel', c: 'vendor unknown' });
});

it('of one vendor the channels do, else the format, else the file', () => {
  expect(apart(plugin('a', 'Gate', 'Lintel', 'LV2', 1), plugin('b', 'Gate', 'Lintel', 'LV2', 2))).toEqual({
    a: 'Lintel, mono',
    b: 'Lintel, stereo',
  });
  expect(apart(plugin('a', 'Gate', 'Lintel', 'LV2'), plugin('b', 'Gate', 'Lintel', 'CLAP'))).toEqual({
    a: 'Lintel, LV2',
    b: 'Lintel, CLAP',
  });
  expect(apart(plugin('a', 'Gate', 'Lintel'), plugin('b', 'Gate', 'Lintel'))).toEqual({
    a: 'Lintel, stereo, LV2, a.so',
    b: 'Lintel, stereo, LV2, b.so',
  });
});
