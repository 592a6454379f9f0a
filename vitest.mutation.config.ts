import { defineConfig } from 'vitest/config';

/** Specs of the core alone, those of one room or of all (`*`), for mutation testing (scripts/mutate.ts). */
export default defineConfig({
  test: { isolate: false, testTimeout: 60_000, include: [`packages/craft/src/${process.env['SPECS'] ?? '*'}/**/*.spec.ts`] },
});
