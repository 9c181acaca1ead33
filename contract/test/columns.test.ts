/** The catalogue column by column says the same as plugin by plugin. */
import fc from 'fast-check';
import { fromColumns, toColumns } from '../src/columns';
import { catalogueColumns, type BuildView, type CatalogueView, type PluginView } from '../src/responses';

const text = fc.string({ maxLength: 8 });
const build = fc.record({
  id: text,
  key: text,
  format: fc.constantFrom('VST3', 'CLAP', 'LV2'),
  architectures: fc.subarray(['x86-64', 'arm64']),
  version: fc.option(text),
  path: text,
  found: fc.boolean(),
  failed: fc.boolean(),
  pictures: fc.nat(3),
  outputs: fc.option(fc.nat(8)),
  sidechain: fc.boolean(),
}) as unknown as fc.Arbitrary<BuildView>;
const plugin = fc.record({
  id: text,
  name: text,
  vendor: fc.option(text),
  role: fc.option(fc.constantFrom('audio-effect', 'instrument')),
  roleGrade: fc.constantFrom('declared', 'likely'),
  types: fc.subarray(['reverb', 'delay', 'eq']),
  typeGrade: fc.constantFrom('declared', 'likely'),
  contradictions: fc.array(text, { maxLength: 2 }),
  found: fc.boolean(),
  arrivedAt: text,
  arrivedWithFolder: fc.boolean(),
  loads: fc.nat(),
  lastLoad: fc.constantFrom(null, '2026-11-20T10:00:00.000Z'),
  calledToo: fc.array(text, { maxLength: 2 }),
  builds: fc.array(build, { maxLength: 3 }),
}) as unknown as fc.Arbitrary<PluginView>;

it('goes there and back without a loss, and is what the interface promises', () => {
  fc.assert(
    fc.property(fc.array(plugin, { maxLength: 12 }), (plugins) => {
      const view: CatalogueView = { epoch: 'e', revision: 7, firstArrival: null, plugins };
      const columns = toColumns(view);
      expect(catalogueColumns.isValidSync(columns, { strict: true })).toBe(true);
      expect(fromColumns(JSON.parse(JSON.stringify(columns)) as typeof columns)).toEqual(view);
    }),
    { seed: 20261126 },
  );
});

it('no builds go astray between plugins that have none, one and two', () => {
  const named = (id: string, ...builds: string[]) =>
    ({ id, builds: builds.map((one) => ({ id: one })) }) as unknown as PluginView;
  const view = {
    epoch: 'e',
    revision: 1,
    firstArrival: null,
    plugins: [named('a'), named('b', 'b1'), named('c', 'c1', 'c2'), named('d')],
  };
  expect(toColumns(view).plugins.buildCounts).toEqual([0, 1, 2, 0]);
  expect(fromColumns(toColumns(view)).plugins.map((one) => one.builds.map((own) => own.id))).toEqual([
    [],
    ['b1'],
    ['c1', 'c2'],
    [],
  ]);
});
