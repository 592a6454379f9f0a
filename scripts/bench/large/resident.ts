import { readFileSync } from 'node:fs';

const EVERY_MS = 200;

/** Memory of a process that is resident, MB. */
const residentOf = (pid: number): number => Number(/VmRSS:\s+(\d+) kB/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))?.[1] ?? 0) / 1024;

/** Time of all cores that was worked, and that was taken away by other machines on the same iron, in ticks. */
function coreTimes(): { worked: number; stolen: number } {
  const [user = 0, nice = 0, system = 0, , , irq = 0, soft = 0, stolen = 0] = (readFileSync('/proc/stat', 'utf8').split('\n')[0] ?? '')
    .split(/\s+/)
    .slice(1)
    .map(Number);
  return { worked: user + nice + system + irq + soft, stolen };
}

export interface Watched<T> {
  /** What it held before, and at most, MB. */
  before: number;
  most: number;
  /** Of the time that was asked for, what others took, as a share. */
  stolen: number;
  result: T;
}

/** Looks at the memory of a process while something is done, and at how much of the machine was there for it. */
export async function watchMemory<T>(pid: number, work: () => Promise<T>): Promise<Watched<T>> {
  const [before, from] = [residentOf(pid), coreTimes()];
  let most = before;
  const looking = setInterval(() => (most = Math.max(most, residentOf(pid))), EVERY_MS);
  try {
    const result = await work();
    const to = coreTimes();
    const stolen = to.stolen - from.stolen;
    return { result, before, most, stolen: stolen / Math.max(1, stolen + to.worked - from.worked) };
  } finally {
    clearInterval(looking);
  }
}
