import type { GaugeAnswer, GaugeProblem, GaugeQuestion } from '@gold-peg/craft/gauges';
import type { Outcome } from '@gold-peg/craft/outcome';
import { Injectable } from '@angular/core';
import { Observable } from 'rxjs';

export type SolverNews =
  { kind: 'progress'; share: number } | { kind: 'answer'; outcome: Outcome<GaugeAnswer[], GaugeProblem> } | { kind: 'failed' };

/** Asks the solver in a worker of its own. Whoever stops listening cancels it: the worker ends at once. */
@Injectable({ providedIn: 'root' })
export class GaugeSolver {
  solve(question: GaugeQuestion): Observable<SolverNews> {
    return new Observable<SolverNews>((subscriber) => {
      const worker = new Worker(new URL('./gauge-solver.worker', import.meta.url), { type: 'module' });
      worker.onmessage = ({ data }: MessageEvent<SolverNews>) => {
        subscriber.next(data);
        if (data.kind === 'answer') subscriber.complete();
      };
      worker.onerror = (event) => {
        event.preventDefault();
        subscriber.next({ kind: 'failed' });
        subscriber.complete();
      };
      worker.postMessage(question);
      return () => worker.terminate();
    });
  }
}
