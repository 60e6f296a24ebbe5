import js from '@eslint/js';
import regexp from 'eslint-plugin-regexp';
import hooks from 'eslint-plugin-react-hooks';
import ts from 'typescript-eslint';
import { ownProperty } from './scripts/lint/own-property.js';

export default ts.config(
  { ignores: ['dist', '.astro', '.data', '.test', 'node_modules', '**/*.astro', '*.cjs'] },
  js.configs.recommended,
  {
    files: ['*.config.*', '**/*.mjs'],
    languageOptions: {
      globals: {
        process: 'readonly',
        console: 'readonly',
        setTimeout: 'readonly',
        setInterval: 'readonly',
        URL: 'readonly',
      },
    },
  },
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
    files: ['src/**/*.{ts,tsx}'],
    ignores: ['**/*.test.ts', 'src/core/testing/**', 'src/core/model/own.ts'],
    languageOptions: { parserOptions: { projectService: true } },
    plugins: { dendrotax: { rules: { 'own-property': ownProperty } } },
    rules: { 'dendrotax/own-property': 'error' },
  },
  {
    // What people paste may be as long as it likes: no pattern over it costs more than its length.
    files: ['src/**/*.{ts,tsx}'],
    ignores: ['**/*.test.ts'],
    plugins: { regexp },
    rules: {
      'regexp/no-super-linear-backtracking': ['error', { report: 'potential' }],
      'regexp/no-super-linear-move': ['error', { report: 'potential', ignoreSticky: true }],
    },
  },
  {
    files: ['src/core/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: { 'no-restricted-globals': ['error', 'window', 'document', 'process', 'Date', 'fetch', 'setTimeout'] },
  },
  { files: ['*.config.{ts,js,mjs}', 'types/**'], rules: { 'no-restricted-exports': 'off' } },
);
