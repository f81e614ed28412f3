import tailwindcss from '@tailwindcss/vite';
import { sveltekit } from '@sveltejs/kit/vite';
import { defineConfig } from 'vite';
import { usedPackages } from './usedPackages.ts';

export default defineConfig({
  plugins: [tailwindcss(), sveltekit(), usedPackages('app')],
  worker: { format: 'es', plugins: () => [usedPackages('worker')] },
  build: { chunkSizeWarningLimit: 900 },
});
