import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Visitor } from './questions.js';
import { watchMemory } from './resident.js';

const MB = 1024 ** 2;

/** The whole log as CSV: how much, how long, and by how much the server grew meanwhile. */
export async function exportOfLog({ address, headers }: Visitor, serverPid: number): Promise<string> {
  const began = performance.now();
  const { before, most, result } = await watchMemory(serverPid, async () => {
    const response = await fetch(`${address}/api/log.csv`, { headers });
    let bytes = 0;
    for await (const chunk of response.body as unknown as AsyncIterable<Uint8Array>) bytes += chunk.length;
    return bytes;
  });
  const seconds = (performance.now() - began) / 1000;
  return `The whole log as CSV: ${(result / MB).toFixed(0)} MB in ${seconds.toFixed(0)} s; the server held ${before.toFixed(0)} MB before and ${most.toFixed(0)} MB at most`;
}

/** The whole house as an archive, by a process that may hold no more than so much of it. */
export function archiveOfAll(root: string, databaseUrl: string, heapMb: number): string {
  const folder = mkdtempSync(join(tmpdir(), 'gold-peg-large-'));
  const file = join(folder, 'house.json');
  try {
    const began = performance.now();
    const main = join(root, 'apps/server/dist/main.js');
    execFileSync(process.execPath, [`--max-old-space-size=${heapMb}`, main, 'backup', file], {
      env: { ...process.env, DATABASE_URL: databaseUrl },
    });
    const seconds = (performance.now() - began) / 1000;
    return `The whole house as an archive, written and read again: ${(statSync(file).size / MB).toFixed(0)} MB in ${seconds.toFixed(0)} s, within a heap of ${heapMb} MB`;
  } finally {
    rmSync(folder, { recursive: true });
  }
}
