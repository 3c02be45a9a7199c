// Folders of the server and of the web know one another one way only. Tests may look anywhere, so they are left out.
const { options } = require('./.dependency-cruiser.cjs');

module.exports = {
  forbidden: [
    {
      name: 'no-folder-circles',
      severity: 'error',
      scope: 'folder',
      from: { path: '^apps/' },
      to: { circular: true },
    },
  ],
  options: { ...options, exclude: { path: '(^|/)(dist|node_modules)/|[.](test|testkit)[.]tsx?$' } },
};
