import js from '@eslint/js';
import angular from 'angular-eslint';
import tseslint from 'typescript-eslint';

/** Arrows between our packages run one way only: craft ← contract ← server, web, command line. */
const noImportsOf = (...packages) => ({
  'no-restricted-imports': [
    'error',
    {
      patterns: packages.map((name) => ({ group: [name], message: 'arrows run one way only: web, server, cli → contract → craft' })),
    },
  ],
});

export default tseslint.config(
  { ignores: ['**/dist/', '**/.angular/', '.data/', '**/node_modules/', '**/test-results/', '**/playwright-report/'] },
  js.configs.recommended,
  ...tseslint.configs.recommended,
  {
    files: ['**/*.ts'],
    // what wants to know types is asked of a linter that reads them in an eighth of the time (.oxlintrc.json)
    rules: {
      '@typescript-eslint/consistent-type-imports': 'error',
      '@typescript-eslint/no-unused-vars': ['error', { varsIgnorePattern: '^_', argsIgnorePattern: '^_', ignoreRestSiblings: true }],
      'no-restricted-syntax': [
        'error',
        {
          selector: "ImportDeclaration[source.value='zod'] > ImportSpecifier",
          message: "write import * as z from 'zod': the other form bundles every locale",
        },
      ],
      eqeqeq: ['error', 'always', { null: 'ignore' }],
    },
  },
  { files: ['**/*.mjs'], languageOptions: { globals: { process: 'readonly', console: 'readonly', URL: 'readonly' } } },
  { files: ['packages/craft/src/**/*.ts'], rules: noImportsOf('@gold-peg/*', 'node:*', '../../../*') },
  { files: ['packages/contract/src/**/*.ts'], rules: noImportsOf('@gold-peg/server*', '@gold-peg/web*', '@gold-peg/cli*', 'node:*') },
  { files: ['apps/server/src/**/*.ts'], rules: noImportsOf('@gold-peg/web*', '@gold-peg/cli*') },
  { files: ['apps/cli/src/**/*.ts'], rules: noImportsOf('@gold-peg/web*', '@gold-peg/server*') },
  {
    files: ['apps/web/src/**/*.ts'],
    extends: [...angular.configs.tsRecommended],
    processor: angular.processInlineTemplates,
    rules: {
      ...noImportsOf('@gold-peg/server*', '@gold-peg/cli*', 'node:*'),
      '@angular-eslint/component-class-suffix': 'off',
      '@angular-eslint/directive-class-suffix': 'off',
      '@angular-eslint/prefer-on-push-component-change-detection': 'error',
    },
  },
  { files: ['apps/web/src/**/*.html'], extends: [...angular.configs.templateRecommended, ...angular.configs.templateAccessibility] },
);
