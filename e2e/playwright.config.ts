import { readdirSync } from 'node:fs';
import { defineConfig } from '@playwright/test';
import { chromiumPath } from '../scripts/debian.js';

/**
 * A project for each file, since a project gets a worker of its own, and with it a workshop that no other file has been in. Those that take longest begin: every
 * instrument, every screen, and a simulated bench that works by the clock.
 */
const LONG = /^(every|simulated)-/;
const files = readdirSync(import.meta.dirname)
  .filter((name) => name.endsWith('.spec.ts'))
  .sort((one, other) => Number(LONG.test(other)) - Number(LONG.test(one)));

export default defineConfig({
  testDir: '.',
  globalSetup: './pattern.ts',
  projects: files.map((testMatch) => ({ name: testMatch.replace('.spec.ts', ''), testMatch })),
  workers: 3, // each with a workshop of its own; one more than cores: pages wait for their server, and servers for their database
  // how fast it is is for the bench to say: a slow machine is no fault of the product
  timeout: 120_000,
  expect: { timeout: 20_000 },
  reporter: process.env['PLAYWRIGHT_JSON_OUTPUT_NAME'] === undefined ? 'list' : [['list'], ['json']],
  use: {
    viewport: { width: 1280, height: 800 },
    serviceWorkers: 'block', // it fetches the whole program for each page anew; allowed where a page is opened with the server away
    launchOptions: {
      executablePath: chromiumPath(),
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
  },
});
