import js from '@eslint/js';
import globals from 'globals';
import reactHooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

export default tseslint.config(
  { ignores: ['**/dist/**', '.zubric/**', 'test-results/**'] },
  js.configs.recommended,
  ...tseslint.configs.strict,
  {
    rules: {
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/consistent-type-imports': 'error',
      'no-console': 'error',
      eqeqeq: 'error',
      'max-lines': ['error', { max: 300, skipBlankLines: true, skipComments: true }],
    },
  },
  {
    files: ['packages/web/src/**/*.{ts,tsx}'],
    languageOptions: { globals: globals.browser },
    ...reactHooks.configs.flat['recommended-latest'],
  },
  {
    files: ['scripts/**', 'packages/cli/**', 'packages/server/**', 'e2e/**', '*.config.*', '*.cjs'],
    languageOptions: { globals: globals.node },
  },
  {
    // A test's story may be longer than a function's.
    files: ['packages/**', 'scripts/**', 'faults/**'],
    ignores: ['**/*.test.{ts,tsx}'],
    rules: { 'max-lines-per-function': ['error', { max: 80 }] },
  },
  { files: ['*.cjs'], languageOptions: { globals: globals.commonjs } },
  { files: ['scripts/**', 'packages/cli/**'], rules: { 'no-console': 'off' } },
);
