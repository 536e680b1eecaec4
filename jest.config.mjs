export default {
  testEnvironment: 'node',
  testTimeout: 30_000,
  maxWorkers: '100%',
  roots: ['<rootDir>/core', '<rootDir>/drawing', '<rootDir>/cli', '<rootDir>/app', '<rootDir>/server'],
  testMatch: ['**/*.test.ts', '**/*.test.tsx'],
  extensionsToTreatAsEsm: ['.ts', '.tsx'],
  setupFiles: ['<rootDir>/scripts/test-page.mjs'],
  moduleNameMapper: {
    '\\.css$': '<rootDir>/app/testing/styles.ts',
    // The library as one file: its thousand modules would be read anew for every file of tests.
    '^antd$': '<rootDir>/node_modules/antd/dist/antd.min.js',
  },
  transform: {
    '\\.tsx?$': [
      '<rootDir>/scripts/test-transform.mjs',
      {
        jsc: {
          parser: { syntax: 'typescript', tsx: true },
          target: 'es2022',
          transform: { react: { runtime: 'automatic' } },
        },
        module: { type: 'es6' },
      },
    ],
  },
};
