import tailwindcss from '@tailwindcss/vite';
import { sveltekit } from '@sveltejs/kit/vite';
import { defineConfig } from 'vite';
import { usedPackages } from './usedPackages.ts';

/** As many entries of the build use a module before it comes with the file that all pages fetch. */
const PAGES_THAT_SHARE = 14;

export default defineConfig({
  plugins: [tailwindcss(), sveltekit(), usedPackages('app')],
  worker: { format: 'es', plugins: () => [usedPackages('worker')] },
  build: {
    chunkSizeWarningLimit: 900,
    rolldownOptions: {
      // Its modules only make components and their looks, which it does not say: all of them would come with each page.
      treeshake: { moduleSideEffects: [{ test: /node_modules\/flowbite-svelte\//, sideEffects: false }] },
      output: {
        // What many pages share comes in one file: a page asked for fifty small ones before its first row was there.
        codeSplitting: { groups: [{ name: 'everywhere', minShareCount: PAGES_THAT_SHARE }] },
      },
    },
  },
});
