// The walls of the house: imports go one way, between packages and within core.
const STEPS = ['facts', 'identity', 'catalogue', 'search', 'rules', 'chests', 'menu', 'exchange'];
const below = (names) => `^core/src/(${names.join('|')})/`;

/** core, then contract and scan on it, then web and server; demo stands on core's readers in tests only. */
const MAY = {
  core: ['core'],
  contract: ['core', 'contract'],
  scan: ['core', 'scan'],
  server: ['core', 'contract', 'scan', 'server'],
  web: ['core', 'contract', 'web'],
  demo: ['core', 'demo'],
};

module.exports = {
  forbidden: [
    {
      name: 'no-cycles',
      severity: 'error',
      from: {},
      to: { circular: true, viaOnly: { dependencyTypesNot: ['type-only'] } },
    },
    {
      name: 'no-unresolved',
      severity: 'error',
      from: { path: '^(core|contract|scan|server|web|demo)/src' },
      to: { couldNotResolve: true },
    },
    {
      name: 'core-is-pure',
      comment: 'core knows no interface, no server and no disk',
      severity: 'error',
      from: { path: '^core/src' },
      to: { dependencyTypes: ['core'] },
    },
    {
      name: 'core-is-pure-of-frameworks',
      severity: 'error',
      from: { path: '^core/src' },
      to: { path: 'node_modules/(react|react-dom|express|typeorm|pg|yup)/' },
    },
    ...Object.entries(MAY).map(([name, allowed]) => ({
      name: `${name}-imports-only-${allowed.join('-')}`,
      severity: 'error',
      from: { path: `^${name}/src` },
      to: { path: `^(core|contract|scan|server|web|demo)/`, pathNot: `^(${allowed.join('|')})/` },
    })),
    ...STEPS.slice(0, -1).map((step, index) => ({
      name: `core-${step}-knows-only-earlier-steps`,
      severity: 'error',
      from: { path: `^core/src/${step}/` },
      to: { path: below(STEPS.slice(index + 1)) },
    })),
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '(/dist/|/test/)' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.walls.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['development', 'import', 'types', 'default'],
    },
  },
};
