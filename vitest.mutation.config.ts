import { defineConfig } from 'vitest/config';

/** Specs of the core alone, for mutation testing (stryker.config.json). */
export default defineConfig({ test: { include: ['packages/craft/src/**/*.spec.ts'] } });
