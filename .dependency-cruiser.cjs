// Which folder may import from which: each list stands in order, and a folder imports only what stands before it in its list.
const core = [
  'terms',
  'say',
  'piece',
  'ring',
  'notation',
  'base',
  'rounds',
  'flat',
  'yarn',
  'hands',
  'alike',
  'document',
  'record',
  'edits',
  'stack',
  'plan',
  'fit',
  'procedure',
  'print',
  'forecast',
  'work',
  'propose',
  'log',
  'practice',
  'evidence',
  'chart',
];
const app = [
  'storage',
  'look',
  'hem',
  'workers',
  'drawing',
  'controls',
  'sections',
  'piece',
  'base',
  'rounds',
  'yarn',
  'pattern',
  'work',
  'practice',
  'log',
  'propose',
  'carry',
  'hands',
  'shelf',
  'start',
  'thread',
  'stitches',
  'offline',
];

const upward = (root, folders) =>
  folders.slice(0, -1).map((folder, i) => ({
    name: `${root}-${folder}-imports-only-what-stands-before-it`,
    severity: 'error',
    from: { path: `^${root}/${folder}/`, pathNot: '\\.test\\.tsx?$' },
    to: { path: `^${root}/(${folders.slice(i + 1).join('|')})/` },
  }));

/** Every folder stands in a list, else nothing would be said of it. */
const listed = (root, folders) => ({
  name: `${root}-has-only-folders-that-are-listed`,
  severity: 'error',
  from: {},
  to: { path: `^${root}/[^/]+/`, pathNot: `^${root}/(${[...folders, 'testing'].join('|')})/` },
});

module.exports = {
  forbidden: [
    // CSV, zip, schemas and color spaces are no part of the craft: libraries that need neither page nor process.
    {
      name: 'core-imports-only-itself',
      severity: 'error',
      from: { path: '^core/', pathNot: '\\.test\\.ts$' },
      to: {
        pathNot:
          '^core/|^node_modules/(papaparse|fflate|convert|@sinclair/typebox|ajv|culori|@types/(papaparse|culori))/',
      },
    },
    {
      // It must not share the printer's mistakes.
      name: 'the-literal-maker-knows-the-craft-alone',
      severity: 'error',
      from: { path: '^core/testing/literal/', pathNot: '/compare\\.ts$' },
      to: { pathNot: '^core/(terms|piece|ring|testing/literal)/' },
    },
    {
      name: 'no-circles',
      severity: 'error',
      from: {},
      to: { circular: true },
    },
    {
      name: 'server-cli-and-bench-know-no-screens',
      severity: 'error',
      from: { path: '^(server|cli|bench)/' },
      to: { path: '^app/' },
    },
    {
      name: 'drawings-need-no-page',
      severity: 'error',
      from: { path: '^drawing/', pathNot: '\\.test\\.ts$' },
      to: { pathNot: '^(drawing|core)/|^node_modules/(@types/)?(d3-color|d3-interpolate|flatbush)/' },
    },
    {
      name: 'app-knows-no-server',
      severity: 'error',
      from: { path: '^app/' },
      to: { path: '^(server|cli)/' },
    },
    ...upward('core', core),
    ...upward('app', app),
    listed('core', core),
    listed('app', app),
    {
      name: 'only-tests-and-benches-import-what-is-for-tests',
      severity: 'error',
      from: { path: '^(core|app|drawing|server|cli)/', pathNot: '\\.test\\.tsx?$|/testing/' },
      to: { path: '/testing/' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.base.json' },
    enhancedResolveOptions: {
      extensions: ['.ts', '.tsx', '.js', '.json', '.css'],
      conditionNames: ['import', 'require', 'node', 'default', 'types'],
      exportsFields: ['exports'],
    },
  },
};
