import { defineConfig } from 'drizzle-kit';

export default defineConfig({
  dialect: 'postgresql',
  schema: './src/lib/server/platform/db/schema/index.ts',
  out: './drizzle',
});
