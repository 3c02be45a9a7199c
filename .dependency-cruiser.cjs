// The arrow rule of docs/architecture.md: core <- contracts <- server, web; e2e knows only URLs.
const outside = (from, path) => ({
  name: `${from}-arrow`,
  severity: 'error',
  from: { path: `^${from}/` },
  to: { path },
});

module.exports = {
  forbidden: [
    { name: 'no-circular', severity: 'error', from: {}, to: { circular: true } },
    outside('packages/core', '^(packages/contracts|apps|e2e)/'),
    outside('packages/contracts', '^(apps|e2e)/'),
    outside('apps/server', '^(apps/web|e2e)/'),
    outside('apps/web', '^(apps/server|e2e)/'),
    outside('e2e', '^(apps|packages)/'),
    {
      name: 'core-rooms-by-their-face',
      comment: 'Inside the core a folder imports another folder through its index.ts only.',
      severity: 'error',
      from: { path: '^packages/core/src/([^/]+)/', pathNot: '\\.test\\.ts$' },
      to: { path: '^packages/core/src/([^/]+)/(?!index\\.ts$)', pathNot: '^packages/core/src/$1/' },
    },
    {
      name: 'core-is-pure',
      comment: 'The computation has no I/O: no Node built-ins in shipped core code.',
      severity: 'error',
      from: { path: '^packages/core/src/', pathNot: '\\.(test|testkit)\\.ts$' },
      to: { dependencyTypes: ['core'] },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '(^|/)(dist|node_modules)/' },
    tsConfig: { fileName: 'tsconfig.base.json' },
    tsPreCompilationDeps: true,
    enhancedResolveOptions: { extensions: ['.ts', '.tsx', '.js', '.mjs', '.cjs'] },
  },
};
