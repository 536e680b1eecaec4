import js from '@eslint/js';
import hooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

export default tseslint.config(
  { ignores: ['dist', 'node_modules', '**/*.generated.*', 'test-results', 'playwright-report'] },
  js.configs.recommended,
  ...tseslint.configs.strict,
  ...tseslint.configs.stylistic,
  {
    files: ['**/*.ts', '**/*.tsx'],
    extends: [tseslint.configs.recommendedTypeCheckedOnly],
    languageOptions: {
      parserOptions: { project: 'tsconfig.lint.json', tsconfigRootDir: import.meta.dirname },
    },
  },
  {
    rules: {
      '@typescript-eslint/consistent-type-imports': 'error',
      // The compiler asks at every index (noUncheckedIndexedAccess); “!” says that it lies within, and no more.
      '@typescript-eslint/no-non-null-assertion': 'off',
      '@typescript-eslint/unified-signatures': 'off',
      // What is taken out of a record need not be used.
      '@typescript-eslint/no-unused-vars': ['error', { ignoreRestSiblings: true }],
      '@typescript-eslint/prefer-for-of': 'off',
    },
  },
  {
    // Stand-ins take the place of methods of the browser.
    files: ['**/*.test.{ts,tsx}', '**/testing/**', 'e2e/**'],
    rules: { '@typescript-eslint/unbound-method': 'off' },
  },
  {
    files: ['core/**/*.ts', 'drawing/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-globals': [
        'error',
        ...[
          'document',
          'window',
          'navigator',
          'localStorage',
          'process',
          'performance',
          'setTimeout',
          'fetch',
        ].map((name) => ({
          name,
          message: 'The core has no clock, no page and no process; take it as a parameter.',
        })),
      ],
      'no-restricted-properties': [
        'error',
        { object: 'Math', property: 'random', message: 'Randomness comes in as a parameter.' },
        { object: 'Date', property: 'now', message: 'The clock comes in as a parameter.' },
      ],
    },
  },
  {
    files: ['{core,drawing,app,cli,server}/**/*.{ts,tsx}'],
    ignores: ['**/*.test.{ts,tsx}', '**/testing/**'],
    rules: {
      'no-restricted-syntax': [
        'error',
        {
          selector: 'TSNonNullExpression > :not(MemberExpression[computed=true])',
          message: 'Say what holds: held(value, because).',
        },
      ],
    },
  },
  {
    files: ['app/**/*.{ts,tsx}'],
    ignores: ['**/*.test.{ts,tsx}', '**/testing/**'],
    plugins: { 'react-hooks': hooks },
    rules: { ...hooks.configs.recommended.rules },
  },
  {
    files: ['app/public/*.js'],
    languageOptions: {
      globals: { self: 'readonly', caches: 'readonly', Response: 'readonly', URL: 'readonly' },
    },
  },
  {
    files: ['**/*.mjs', '**/*.cjs'],
    languageOptions: {
      globals: {
        globalThis: 'writable',
        process: 'readonly',
        console: 'readonly',
        URL: 'readonly',
        module: 'writable',
      },
    },
  },
);
