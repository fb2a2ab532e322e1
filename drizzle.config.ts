import { defineConfig } from 'drizzle-kit';

export default defineConfig({
  dialect: 'postgresql',
  schema: ['./data/schema.ts', './data/accounts-schema.ts'],
  out: './data/migrations',
  strict: true,
});
