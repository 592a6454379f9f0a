import { Injectable } from '@angular/core';
import type { HeardSoFar } from '@gold-peg/craft/pitch';
import { Observable } from 'rxjs';
import { BROKE_OFF, SoundFault } from './sound-source';

export type OfTake = ({ kind: 'heard' } & HeardSoFar) | { kind: 'refused'; says: string } | { kind: 'over' };

/** Hears takes that were recorded, WAV files of any depth, in a worker of its own. */
@Injectable({ providedIn: 'root' })
export class Takes {
  /** What is heard in it, ever more until all of it was heard. Fails with a `SoundFault` where it is no sound that can be read; whoever leaves ends the worker. */
  hear(file: Blob): Observable<HeardSoFar> {
    return new Observable<HeardSoFar>((subscriber) => {
      const worker = new Worker(new URL('./take.worker', import.meta.url), { type: 'module' });
      const fail = (says: string) => subscriber.error(new SoundFault(says));
      worker.onerror = () => fail(BROKE_OFF);
      worker.onmessage = ({ data }: MessageEvent<OfTake>) => {
        if (data.kind === 'heard') subscriber.next(data);
        else if (data.kind === 'refused') fail(`The file ${data.says}.`);
        else subscriber.complete();
      };
      file.arrayBuffer().then(
        (bytes) => worker.postMessage(bytes, [bytes]),
        () => fail('The file cannot be read: choose it again.'),
      );
      return () => worker.terminate();
    });
  }
}
