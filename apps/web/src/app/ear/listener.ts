import { Injectable } from '@angular/core';
import type { Moment } from '@gold-peg/craft/pitch';
import type { Hertz } from '@gold-peg/craft/units';
import { Observable } from 'rxjs';
import { BROKE_OFF, SoundFault, type SoundBlock, type SoundSource } from './sound-source';

export type ToEar = ({ kind: 'sound' } & SoundBlock) | { kind: 'expect'; hertz: number | null };

/** Listens to a source in a worker of its own. Whoever stops listening ends worker and source. */
@Injectable({ providedIn: 'root' })
export class Listener {
  listen(source: SoundSource, expected: Observable<Hertz | null>): Observable<Moment> {
    return new Observable<Moment>((subscriber) => {
      const worker = new Worker(new URL('./ear.worker', import.meta.url), { type: 'module' });
      worker.onmessage = ({ data }: MessageEvent<Moment>) => subscriber.next(data);
      worker.onerror = () => subscriber.error(new SoundFault(BROKE_OFF));
      const tell = (message: ToEar, transfer: Transferable[] = []) => worker.postMessage(message, transfer);
      const hears = source.listen().subscribe({
        next: (block) => tell({ kind: 'sound', ...block }, [block.samples.buffer]),
        error: (error: unknown) => subscriber.error(error),
      });
      const expects = expected.subscribe((hertz) => tell({ kind: 'expect', hertz }));
      return () => {
        hears.unsubscribe();
        expects.unsubscribe();
        worker.terminate();
      };
    });
  }
}
