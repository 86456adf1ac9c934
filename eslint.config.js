import js from '@eslint/js';
import prettier from 'eslint-config-prettier';
import vue from 'eslint-plugin-vue';
import globals from 'globals';
import ts from 'typescript-eslint';

export default ts.config(
  { ignores: ['**/dist/**', '**/node_modules/**', '.roskel/**', '.shots/**', 'test-results/**', '.dependency-cruiser.cjs'] },
  js.configs.recommended,
  ...ts.configs.strict,
  ...vue.configs['flat/recommended'],
  prettier,
  {
    languageOptions: { globals: { ...globals.node } },
    rules: {
      '@typescript-eslint/no-non-null-assertion': 'off', // noUncheckedIndexedAccess makes proven indices look unproven
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      'vue/multi-word-component-names': 'off',
    },
  },
  {
    files: ['web/**/*.{ts,vue}'],
    languageOptions: { globals: { ...globals.browser }, parserOptions: { parser: ts.parser } },
    rules: { 'vue/require-default-prop': 'off' },
  },
  {
    // The science knows no clock, no chance but a draw handed in, and no machine.
    files: ['core/src/**/*.ts'],
    // The engine behind the solver's interface times itself, so that a question can keep to its seconds.
    ignores: ['core/src/solve/highs.ts'],
    rules: {
      'no-restricted-globals': ['error', 'window', 'document', 'process', 'fetch', 'setTimeout', 'performance'],
      'no-restricted-properties': [
        'error',
        { object: 'Math', property: 'random', message: 'Chance comes in as a Draw.' },
        { object: 'Date', property: 'now', message: 'Today comes in as a parameter.' },
      ],
    },
  },
);
