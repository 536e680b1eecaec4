import js from '@eslint/js';
import hooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

export default tseslint.config(
  { ignores: ['dist', 'node_modules', '**/*.generated.*', 'test-results', 'playwright-report'] },
  js.configs.recommended,
  ...tseslint.configs.strict,
  ...tseslint.configs.stylistic,
  {
    rules: {
      '@typescript-eslint/consistent-type-imports': 'error',
      // Index access is checked by the compiler (noUncheckedIndexedAccess); “!” marks where an invariant holds.
      '@typescript-eslint/no-non-null-assertion': 'off',
      '@typescript-eslint/unified-signatures': 'off',
      // What is taken out of a record need not be used.
      '@typescript-eslint/no-unused-vars': ['error', { ignoreRestSiblings: true }],
      '@typescript-eslint/prefer-for-of': 'off',
    },
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
    // What goes on by itself is waited for, or said to be left alone.
    files: ['**/*.ts', '**/*.tsx'],
    languageOptions: {
      parserOptions: {
        project: ['core/tsconfig.test.json', 'drawing/tsconfig.json', 'app/tsconfig.json', 'tsconfig.json'],
        tsconfigRootDir: import.meta.dirname,
      },
    },
    rules: {
      '@typescript-eslint/no-floating-promises': 'error',
      '@typescript-eslint/no-misused-promises': 'error',
      '@typescript-eslint/await-thenable': 'error',
    },
  },
  {
    files: ['app/**/*.{ts,tsx}'],
    plugins: { 'react-hooks': hooks },
    rules: { ...hooks.configs.recommended.rules },
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
