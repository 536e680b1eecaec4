// Which folder may import from which. Inside the core the arrows point from later folders to earlier ones.
const layers = [
  'terms',
  'piece',
  'ring',
  'notation',
  'base',
  'rounds',
  'flat',
  'yarn',
  'document',
  'edits',
  'stack',
  'fit',
];

const upward = layers.slice(0, -1).map((layer, i) => ({
  name: `core-${layer}-imports-only-what-stands-below`,
  severity: 'error',
  from: { path: `^core/${layer}/`, pathNot: '\\.test\\.ts$' },
  to: { path: `^core/(${layers.slice(i + 1).join('|')}|words|chart|journal)/|^core/plan\\.ts$` },
}));

module.exports = {
  forbidden: [
    // CSV and zip are no part of the craft: two small libraries that need neither page nor process.
    {
      name: 'core-imports-only-itself',
      severity: 'error',
      from: { path: '^core/', pathNot: '\\.test\\.ts$' },
      to: { pathNot: '^core/|^node_modules/(papaparse|fflate)/', dependencyTypesNot: ['type-only'] },
    },
    {
      name: 'no-circles',
      severity: 'error',
      from: {},
      to: { circular: true, viaOnly: { dependencyTypesNot: ['type-only'] } },
    },
    {
      name: 'server-and-cli-know-no-screens',
      severity: 'error',
      from: { path: '^(server|cli)/' },
      to: { path: '^app/', pathNot: '^app/drawing/scene/' },
    },
    {
      name: 'scenes-need-no-page',
      severity: 'error',
      from: { path: '^app/drawing/scene/', pathNot: '\\.test\\.ts$' },
      to: { path: '^app/', pathNot: '^app/drawing/scene/' },
    },
    {
      name: 'app-knows-no-server',
      severity: 'error',
      from: { path: '^app/' },
      to: { path: '^(server|cli)/' },
    },
    ...upward,
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.base.json' },
    enhancedResolveOptions: { extensions: ['.ts', '.tsx', '.js', '.json', '.css'] },
  },
};
