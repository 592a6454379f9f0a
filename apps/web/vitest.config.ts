import { defineConfig } from 'vitest/config';

export default defineConfig({
  // the browser build of uuid: under the test runner the one for Node would be taken
  resolve: { alias: [{ find: /^uuid$/, replacement: new URL('../../node_modules/uuid/dist/index.js', import.meta.url).pathname }] },
  test: { browser: { screenshotFailures: false } },
});
