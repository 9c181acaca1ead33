const swc = {
  swcrc: false,
  jsc: {
    target: 'es2022',
    parser: { syntax: 'typescript', decorators: true },
    transform: { legacyDecorator: true, decoratorMetadata: true, useDefineForClassFields: false },
    keepClassNames: true,
  },
  module: { type: 'es6' },
  sourceMaps: 'inline',
};

const project = (name, more = {}) => ({
  displayName: name,
  rootDir: `./${name}`,
  testEnvironment: 'node',
  extensionsToTreatAsEsm: ['.ts'],
  transform: { '^.+\\.ts$': ['@swc/jest', swc] },
  // The packages' sources are tested, not what was built from them.
  moduleNameMapper: {
    '^@clever-drawer/([^/]+)/(.*)$': '<rootDir>/../$1/src/$2.ts',
    '^(\\.{1,2}/.*)\\.js$': '$1',
  },
  testMatch: ['<rootDir>/test/**/*.test.ts'],
  ...more,
});

/** One project for each package. */
export default {
  projects: [project('core'), project('contract'), project('scan'), project('demo'), project('server'), project('web')],
  testTimeout: 120_000,
};
