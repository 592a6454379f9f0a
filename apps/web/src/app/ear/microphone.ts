import { Injectable } from '@angular/core';
import { Observable } from 'rxjs';
import { SoundFault, type SoundBlock, type SoundSource } from './sound-source';

/** A tablet that only looks for noise leaves nothing of a string that fades. */
const AS_IT_IS = { echoCancellation: false, noiseSuppression: false, autoGainControl: false, channelCount: 1 };
/** Silence to the last digit, for so long, is no quiet room. */
const DEAD_SECONDS = 4;

const OTHERWISE = 'Choose the simulated instrument, or type what your own tuner reads.';
/** What a browser says when it gives no microphone. */
const REFUSALS: Readonly<Record<string, string>> = {
  NotAllowedError: 'The microphone was refused: allow it for this page in the browser, then press ‘microphone’ again.',
  NotFoundError: `There is no microphone on this device. ${OTHERWISE}`,
  NotReadableError: 'The microphone is taken by another program: close that, then press ‘microphone’ again.',
};

@Injectable({ providedIn: 'root' })
export class Microphone implements SoundSource {
  readonly kind = 'microphone';

  listen(): Observable<SoundBlock> {
    return new Observable<SoundBlock>((subscriber) => {
      const fail = (says: string) => subscriber.error(new SoundFault(says));
      let open: Opened | null = null;
      let left = false;
      openMicrophone({
        heard: (block) => subscriber.next(block),
        fail,
      })
        .then((opened) => {
          open = opened;
          if (left) close(opened);
        })
        .catch((error: unknown) => fail(error instanceof SoundFault ? error.message : refusalOf(error)));
      return () => {
        left = true;
        if (open !== null) close(open);
      };
    });
  }
}

interface Opened {
  stream: MediaStream;
  context: AudioContext;
}

interface Told {
  heard: (block: SoundBlock) => void;
  fail: (says: string) => void;
}

async function openMicrophone({ heard, fail }: Told): Promise<Opened> {
  // a page that does not come over a safe line has no such thing at all
  const devices = (navigator as Partial<Navigator>).mediaDevices;
  if (devices === undefined) throw new SoundFault(`This page may not use a microphone over an unsafe line. ${OTHERWISE}`);
  const stream = await devices.getUserMedia({ audio: AS_IT_IS });
  const context = new AudioContext();
  try {
    await context.audioWorklet.addModule('/capture.worklet.js');
  } catch (error) {
    close({ stream, context });
    throw error;
  }
  const capture = new AudioWorkletNode(context, 'capture', { numberOfOutputs: 0 });
  let silent = 0;
  capture.port.onmessage = ({ data }: MessageEvent<Float32Array<ArrayBuffer>>) => {
    silent = data.every((sample) => sample === 0) ? silent + data.length / context.sampleRate : 0;
    if (silent > DEAD_SECONDS) fail(`The microphone sends nothing but silence: look at its switch. ${OTHERWISE}`);
    else heard({ samples: data, sampleRate: context.sampleRate });
  };
  stream
    .getAudioTracks()
    .forEach((track) => (track.onended = () => fail('The microphone was unplugged: plug it in, then press ‘microphone’ again.')));
  context.onstatechange = () => {
    if (context.state === 'suspended') context.resume().catch(() => fail('The browser put the sound to sleep: press ‘microphone’ again.'));
  };
  context.createMediaStreamSource(stream).connect(capture);
  return { stream, context };
}

function close({ stream, context }: Opened): void {
  for (const track of stream.getTracks()) {
    track.onended = null;
    track.stop();
  }
  context.onstatechange = null;
  void context.close();
}

const refusalOf = (error: unknown): string =>
  (error instanceof DOMException ? REFUSALS[error.name] : undefined) ?? `The microphone cannot be opened. ${OTHERWISE}`;
