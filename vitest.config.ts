import { defineConfig } from 'vitest/config';

const source = (path: string) => new URL(path, import.meta.url).pathname;
const alias = [
  { find: /^@gold-peg\/craft\/(.*)$/, replacement: source('./packages/craft/src/$1/index.ts') },
  { find: /^@gold-peg\/contract\/(.*)$/, replacement: source('./packages/contract/src/$1/index.ts') },
];

export default defineConfig({
  test: {
    maxWorkers: '100%',
    projects: [
      // how fast it is is for the bench to say: a slow machine is no fault of the product
      { resolve: { alias }, test: { name: 'craft', isolate: false, include: ['packages/craft/src/**/*.spec.ts'], testTimeout: 60_000 } },
      {
        resolve: { alias },
        test: { name: 'contract', isolate: false, include: ['packages/contract/src/**/*.spec.ts'], testTimeout: 60_000 },
      },
      { resolve: { alias }, test: { name: 'cli', include: ['apps/cli/src/**/*.spec.ts'], testTimeout: 30_000 } },
      { resolve: { alias }, test: { name: 'scripts', include: ['scripts/**/*.spec.ts'], testTimeout: 60_000 } },
      {
        resolve: { alias },
        test: {
          name: 'server',
          isolate: false,
          include: ['apps/server/src/**/*.spec.ts'],
          globalSetup: ['apps/server/src/testing/cluster.ts'],
          testTimeout: 30_000,
          hookTimeout: 60_000,
        },
      },
    ],
  },
});
