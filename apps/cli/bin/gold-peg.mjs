#!/usr/bin/env node
// Runs the compiled command line; compiles it first where that has not been done yet.
import { spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';
import { fileURLToPath } from 'node:url';

const compiled = new URL('../dist/main.js', import.meta.url);
if (!existsSync(compiled)) {
  const project = fileURLToPath(new URL('../tsconfig.build.json', import.meta.url));
  const compiler = fileURLToPath(new URL('../../../node_modules/typescript/bin/tsc', import.meta.url));
  const { status } = spawnSync(process.execPath, [compiler, '-b', project], { stdio: ['ignore', 2, 2] });
  if (status !== 0) process.exit(1);
}
await import(compiled);
