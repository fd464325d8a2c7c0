import js from '@eslint/js';
import vue from 'eslint-plugin-vue';
import globals from 'globals';
import ts from 'typescript-eslint';
import noOutsideKeys from './lint/noOutsideKeys.js';

export default ts.config(
  { ignores: ['**/node_modules/**', '**/dist/**', 'data/**', 'server/migrations/**', 'docs/**'] },
  js.configs.recommended,
  ...ts.configs.recommended,
  ...vue.configs['flat/essential'],
  { files: ['**/*.vue'], languageOptions: { parserOptions: { parser: ts.parser } } },
  {
    languageOptions: { globals: { ...globals.node, ...globals.browser } },
    rules: {
      'max-lines': ['error', { max: 320, skipBlankLines: true, skipComments: true }],
      'no-console': ['error', { allow: ['error', 'log'] }],
      'no-eval': 'error',
      'no-undef': 'off',
      'vue/multi-word-component-names': 'off',
      'vue/no-v-html': 'error',
      '@typescript-eslint/no-unused-vars': [
        'error',
        { argsIgnorePattern: '^_', varsIgnorePattern: '^_', ignoreRestSiblings: true },
      ],
      '@typescript-eslint/no-unused-expressions': ['error', { allowShortCircuit: true, allowTernary: true }],
    },
  },
  {
    files: ['{core,sheets,contract,server,channels,cli}/src/**/*.ts'],
    languageOptions: { parserOptions: { projectService: true } },
    plugins: { own: { rules: { 'no-outside-keys': noOutsideKeys } } },
    rules: { 'own/no-outside-keys': 'error' },
  },
  { files: ['**/*.cjs'], rules: { '@typescript-eslint/no-require-imports': 'off' } },
  // Pages carry their template and style beside the code, tests many small cases, the demo its goods.
  {
    files: ['**/*.vue', '**/*.test.ts', 'demo/src/goods.ts', 'core/test/everyFinding.ts'],
    rules: { 'max-lines': ['error', { max: 520, skipBlankLines: true, skipComments: true }] },
  },
);
