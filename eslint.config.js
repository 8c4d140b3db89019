import js from '@eslint/js';
import globals from 'globals';
import jsxA11y from 'eslint-plugin-jsx-a11y';
import reactHooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

export default tseslint.config(
  { ignores: ['dist', 'node_modules', 'test-results', 'playwright-report', 'data/**'] },
  js.configs.recommended,
  {
    files: ['**/*.{ts,tsx}'],
    extends: [...tseslint.configs.recommendedTypeChecked],
    languageOptions: { parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname } },
    rules: {
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/no-misused-promises': ['error', { checksVoidReturn: { attributes: false } }],
      '@typescript-eslint/require-await': 'off',
      // Props and store actions are functions without a `this`.
      '@typescript-eslint/unbound-method': 'off',
    },
  },
  {
    files: ['**/*.test.{ts,tsx}', 'e2e/**/*.ts'],
    rules: {
      // A Playwright fixture that needs no other takes an empty pattern.
      'no-empty-pattern': 'off',
      '@typescript-eslint/no-unsafe-assignment': 'off',
      '@typescript-eslint/no-unsafe-member-access': 'off',
      '@typescript-eslint/no-unsafe-argument': 'off',
      '@typescript-eslint/no-unsafe-return': 'off',
      '@typescript-eslint/no-unsafe-call': 'off',
    },
  },
  {
    files: ['web/**/*.{ts,tsx}'],
    plugins: { 'react-hooks': reactHooks, ...jsxA11y.flatConfigs.recommended.plugins },
    languageOptions: { globals: globals.browser },
    rules: {
      ...reactHooks.configs.recommended.rules,
      ...jsxA11y.flatConfigs.recommended.rules,
      'jsx-a11y/no-autofocus': 'off',
    },
  },
  {
    files: ['scripts/**/*.mjs', '*.cjs', '*.js'],
    languageOptions: { globals: { ...globals.node, fetch: 'readonly' } },
    rules: { 'no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }] },
  },
  // What they hand to a page runs in its browser.
  { files: ['scripts/bench/*.mjs'], languageOptions: { globals: globals.browser } },
  {
    files: ['web/**/*.tsx'],
    ignores: ['web/**/*.test.tsx', 'web/testing/**'],
    rules: {
      // What stands on a screen is said by its key, from the `en.ts` beside it: a second language is a file.
      'no-restricted-syntax': [
        'error',
        { selector: 'JSXText[value=/[a-zA-Z]{2,}/]', message: 'Say it by a key of the en.ts beside it.' },
        {
          selector:
            'JSXAttribute[name.name=/^(label|title|hint|caption|placeholder|aria-label|aria-valuetext|yes|no|over|words|alt)$/] > Literal[value=/[a-zA-Z]{2,}/]',
          message: 'Say it by a key of the en.ts beside it.',
        },
        {
          selector: 'JSXAttribute TemplateElement[value.raw=/[a-z] [a-z]{2,}/]',
          message: 'Say it by a key of the en.ts beside it.',
        },
      ],
    },
  },
);
