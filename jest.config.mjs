const swc = (decorators) => [
  '<rootDir>/../../scripts/jest-transform.mjs',
  {
    jsc: {
      target: 'es2022',
      parser: { syntax: 'typescript', decorators },
      keepClassNames: true,
      transform: decorators
        ? { legacyDecorator: true, decoratorMetadata: true, useDefineForClassFields: false }
        : {},
    },
    module: { type: 'es6' },
  },
];

const project = (name, dir, decorators, extra = {}) => ({
  displayName: name,
  rootDir: dir,
  testEnvironment: 'node',
  extensionsToTreatAsEsm: ['.ts'],
  moduleNameMapper: { '^(\\.{1,2}/.*)\\.js$': '$1' },
  testMatch: ['<rootDir>/src/**/*.test.ts'],
  // The compiled core too, for its numerics: see scripts/jest-transform.mjs.
  transform: { '^.+\\.ts$': swc(decorators), '/packages/core/dist/.+\\.js$': swc(false) },
  ...extra,
});

export default {
  projects: [
    project('core', 'packages/core', false),
    project('contracts', 'packages/contracts', true),
    project('server', 'apps/server', true),
    // The web's sources import each other without an ending, as its bundler resolves them.
    project('web', 'apps/web', true, { moduleFileExtensions: ['ts', 'tsx', 'js', 'mjs', 'json', 'node'] }),
  ],
};
