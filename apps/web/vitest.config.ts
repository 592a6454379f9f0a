import { defineConfig } from 'vitest/config';

export default defineConfig({
  // the browser build of uuid: under the test runner the one for Node would be taken
  resolve: { alias: [{ find: /^uuid$/, replacement: new URL('../../node_modules/uuid/dist/index.js', import.meta.url).pathname }] },
  // a busy machine takes its time over IndexedDB
  test: { testTimeout: 20_000, browser: { screenshotFailures: false } },
});
