/** What a question took, ms, and how much came back. */
export interface Measured {
  p50: number;
  p95: number;
  bytes: number;
}

/** Asks a question again and again, each time another of its kind; the first few warm caches and are left out. */
export async function measure(ask: (nth: number) => Promise<number>, times = 60): Promise<Measured> {
  const taken: number[] = [];
  let bytes = 0;
  for (let nth = -5; nth < times; nth++) {
    const began = performance.now();
    bytes = await ask(Math.abs(nth));
    if (nth >= 0) taken.push(performance.now() - began);
  }
  taken.sort((a, b) => a - b);
  const at = (share: number) => taken[Math.floor(share * (taken.length - 1))] ?? 0;
  return { p50: at(0.5), p95: at(0.95), bytes };
}
