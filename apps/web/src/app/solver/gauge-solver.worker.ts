import { solveGauges, type GaugeQuestion } from '@gold-peg/craft/gauges';
import type { SolverNews } from './gauge-solver';

/** Progress is told this often at most: more would only fill the line. */
const TELL_EVERY_MS = 30;

addEventListener('message', ({ data }: MessageEvent<GaugeQuestion>) => {
  let told = 0;
  const outcome = solveGauges(data, (share) => {
    const now = performance.now();
    if (now - told < TELL_EVERY_MS) return;
    told = now;
    postMessage({ kind: 'progress', share } satisfies SolverNews);
  });
  postMessage({ kind: 'answer', outcome } satisfies SolverNews);
});
