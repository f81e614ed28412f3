import js from '@eslint/js';
import prettier from 'eslint-config-prettier';
import svelte from 'eslint-plugin-svelte';
import globals from 'globals';
import ts from 'typescript-eslint';
import svelteConfig from './app/svelte.config.js';

export default ts.config(
  { ignores: ['**/node_modules/', '**/dist/', '**/build/', '**/.svelte-kit/', '.kelbrin/', 'app/drizzle/'] },
  js.configs.recommended,
  ...ts.configs.strict,
  ...svelte.configs.recommended,
  prettier,
  ...svelte.configs.prettier,
  {
    languageOptions: { globals: { ...globals.node, ...globals.browser } },
    rules: {
      // TypeScript itself knows which names there are, and which nobody uses.
      'no-undef': 'off',
      '@typescript-eslint/no-unused-vars': 'off',
      // Typed arrays and looked-up neighbours are full of indices that are known to exist.
      '@typescript-eslint/no-non-null-assertion': 'off',
      'max-lines': ['error', { max: 400 }],
      'no-console': ['error', { allow: ['error', 'log', 'table'] }],
    },
  },
  {
    files: ['core/src/**'],
    rules: { 'no-console': 'error' },
  },
  {
    files: ['app/src/**', 'core/src/**'],
    rules: { 'max-lines': ['error', { max: 300 }] },
  },
  {
    files: ['app/src/**'],
    ignores: ['app/src/lib/ui/enhance.ts'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          name: '$app/forms',
          importNames: ['enhance'],
          message: 'It takes the focus from whoever types; use the one of $lib/ui/enhance.',
        },
      ],
    },
  },
  {
    files: ['**/*.svelte', '**/*.svelte.ts'],
    languageOptions: {
      parserOptions: { parser: ts.parser, extraFileExtensions: ['.svelte'], svelteConfig },
    },
    rules: {
      // Kelbrin is served from the top of its address, so plain paths are right.
      'svelte/no-navigation-without-resolve': 'off',
    },
  },
);
