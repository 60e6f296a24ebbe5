import js from '@eslint/js';
import hooks from 'eslint-plugin-react-hooks';
import ts from 'typescript-eslint';

export default ts.config(
  { ignores: ['dist', '.astro', '.data', '.test', 'node_modules', '**/*.astro', '*.cjs'] },
  js.configs.recommended,
  { files: ['*.config.*'], languageOptions: { globals: { process: 'readonly' } } },
  ...ts.configs.strict,
  {
    files: ['**/*.{ts,tsx}'],
    rules: {
      '@typescript-eslint/no-non-null-assertion': 'off',
      '@typescript-eslint/no-explicit-any': 'error',
      'max-lines': ['error', { max: 420 }],
      'no-restricted-exports': ['error', { restrictDefaultExports: { direct: true } }],
    },
  },
  {
    files: ['src/islands/**/*.{ts,tsx}'],
    plugins: { 'react-hooks': hooks },
    rules: { 'react-hooks/rules-of-hooks': 'error', 'react-hooks/exhaustive-deps': 'error' },
  },
  {
    files: ['src/core/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: { 'no-restricted-globals': ['error', 'window', 'document', 'process', 'Date', 'fetch', 'setTimeout'] },
  },
  { files: ['*.config.{ts,js,mjs}', 'types/**'], rules: { 'no-restricted-exports': 'off' } },
);
