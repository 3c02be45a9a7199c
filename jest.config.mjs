const swc = (decorators, tsx = false) => [
  '<rootDir>/../../scripts/jest-transform.mjs',
  {
    jsc: {
      target: 'es2022',
      parser: { syntax: 'typescript', decorators, tsx },
      keepClassNames: true,
      transform: {
        ...(decorators && { legacyDecorator: true, decoratorMetadata: true, useDefineForClassFields: false }),
        ...(tsx && { react: { runtime: 'automatic' } }),
      },
    },
    module: { type: 'es6' },
  },
];

const endings = ['ts', 'tsx', 'js', 'mjs', 'json', 'node'];

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
    project('web', 'apps/web', true, {
      moduleFileExtensions: endings,
      setupFiles: ['<rootDir>/src/words/english.testkit.ts'],
      extensionsToTreatAsEsm: ['.ts', '.tsx'],
      transform: {
        '^.+\\.tsx$': swc(true, true),
        '^.+\\.ts$': swc(true),
        '/packages/core/dist/.+\\.js$': swc(false),
      },
    }),
    // Components, in a browser that is made up.
    project('web-ui', 'apps/web', true, {
      moduleFileExtensions: endings,
      testEnvironment: 'jsdom',
      extensionsToTreatAsEsm: ['.ts', '.tsx'],
      testMatch: ['<rootDir>/src/**/*.test.tsx'],
      setupFiles: ['<rootDir>/src/words/english.testkit.ts', '<rootDir>/src/ui/browser.testkit.ts'],
      // Workers are made by the bundler: a test puts in what the core answers.
      moduleNameMapper: { '^(\\.{1,2}/.*)\\.js$': '$1' },
      transform: {
        '^.+\\.tsx$': swc(true, true),
        '^.+\\.ts$': swc(true),
        '/packages/core/dist/.+\\.js$': swc(false),
      },
    }),
    // The start script: plain Node.js, as it is.
    { displayName: 'scripts', rootDir: 'scripts', testMatch: ['<rootDir>/**/*.test.mjs'], transform: {} },
  ],
};
