import { readFileSync } from 'node:fs';

const EVERY_MS = 200;

/** Memory of a process that is resident, MB. */
const residentOf = (pid: number): number => Number(/VmRSS:\s+(\d+) kB/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))?.[1] ?? 0) / 1024;

/** Looks at the memory of a process while something is done: what it held before, and at most. */
export async function watchMemory<T>(pid: number, work: () => Promise<T>): Promise<{ before: number; most: number; result: T }> {
  const before = residentOf(pid);
  let most = before;
  const looking = setInterval(() => (most = Math.max(most, residentOf(pid))), EVERY_MS);
  try {
    return { result: await work(), before, most };
  } finally {
    clearInterval(looking);
  }
}
