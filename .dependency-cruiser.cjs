// The walls of the house: imports go one way, between packages and within core.
const STEPS = ['facts', 'identity', 'catalogue', 'search', 'rules', 'chests', 'menu', 'exchange'];
const below = (names) => `^core/src/(${names.join('|')})/`;

/** core, then contract and scan on it, then web and server; demo writes the report of its second computer with scan. */
const MAY = {
  core: ['core'],
  contract: ['core', 'contract'],
  scan: ['core', 'scan'],
  server: ['core', 'contract', 'scan', 'server'],
  web: ['core', 'contract', 'web'],
  demo: ['core', 'scan', 'demo'],
};

/** The rooms of the page that places share, and the places themselves: a place imports rooms, never another place. */
const PLACES = ['intake', 'sort', 'load', 'keep', 'pick'];
/** What each room may import besides itself. */
const ROOM_MAY = {
  lib: [],
  catalogue: ['lib'],
  arrangement: ['lib', 'catalogue'],
  keys: ['lib'],
  parts: ['lib', 'keys', 'catalogue'],
  boxes: ['lib', 'keys', 'catalogue', 'arrangement', 'parts'],
  chooser: ['lib', 'keys', 'catalogue', 'arrangement', 'parts', 'boxes'],
  frame: ['lib', 'keys', 'catalogue', 'arrangement', 'parts'],
};

module.exports = {
  forbidden: [
    {
      name: 'no-cycles',
      severity: 'error',
      from: {},
      comment: 'circles of types alone count too: each knot of files is read as one file',
      to: { circular: true },
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
    ...PLACES.map((place) => ({
      name: `web-${place}-imports-no-other-place`,
      severity: 'error',
      from: { path: `^web/src/${place}/` },
      to: { path: `^web/src/(${PLACES.filter((one) => one !== place).join('|')})/` },
    })),
    ...Object.entries(ROOM_MAY).map(([room, may]) => ({
      name: `web-${room}-imports-only-the-rooms-below-it`,
      severity: 'error',
      from: { path: `^web/src/${room}/` },
      to: { path: '^web/src/', pathNot: `^web/src/(${[room, ...may].join('|')})/` },
    })),
    ...STEPS.slice(0, -1).map((step, index) => ({
      name: `core-${step}-knows-only-earlier-steps`,
      severity: 'error',
      from: { path: `^core/src/${step}/` },
      to: { path: below(STEPS.slice(index + 1)) },
    })),
  ],
  // The page as a whole lays the rooms together: app.tsx and main.tsx stand outside of them.
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
