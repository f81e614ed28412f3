import ts from '@typescript-eslint/parser';
import prettier from 'eslint-config-prettier';
import svelte from 'eslint-plugin-svelte';
import svelteConfig from './app/svelte.config.js';

/** What is particular to Svelte. All else, also in the scripts of components, is held by oxlint, which is far quicker. */
export default [
  { ignores: ['**/node_modules/', '**/dist/', '**/build/', '**/.svelte-kit/', '.kelbrin/'] },
  ...svelte.configs.recommended,
  prettier,
  ...svelte.configs.prettier,
  {
    files: ['**/*.svelte', '**/*.svelte.ts'],
    languageOptions: { parserOptions: { parser: ts, extraFileExtensions: ['.svelte'], svelteConfig } },
    rules: {
      'max-lines': ['error', { max: 300 }],
      // Kelbrin is served from the top of its address, so plain paths are right.
      'svelte/no-navigation-without-resolve': 'off',
    },
  },
];
