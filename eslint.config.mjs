import reactHooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

export default tseslint.config(
  {
    ignores: [
      '**/*.generated.ts',
      '**/dist/',
      '**/node_modules/',
      '.demo/',
      '.test/',
      'test-results/',
      '**/*.mjs',
      '**/*.cjs',
    ],
  },
  ...tseslint.configs.strictTypeChecked,
  {
    languageOptions: {
      parserOptions: {
        project: ['*/tsconfig.json', 'tsconfig.tests.json', 'tsconfig.configs.json'],
        tsconfigRootDir: import.meta.dirname,
      },
    },
    rules: {
      '@typescript-eslint/consistent-type-imports': ['error', { fixStyle: 'inline-type-imports' }],
      '@typescript-eslint/no-confusing-void-expression': 'off',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/restrict-template-expressions': ['error', { allowNumber: true }],
      // Plain SQL answers are typed by the one who asks.
      '@typescript-eslint/no-unnecessary-type-parameters': 'off',
      'no-console': 'error',
    },
  },
  {
    files: ['web/src/**'],
    plugins: { 'react-hooks': reactHooks },
    rules: { 'react-hooks/rules-of-hooks': 'error', 'react-hooks/exhaustive-deps': 'error' },
  },
  {
    files: ['*/test/**', 'e2e/**'],
    rules: { '@typescript-eslint/no-unsafe-assignment': 'off', '@typescript-eslint/require-await': 'off' },
  },
);
