import { computed, Injectable, linkedSignal, signal } from '@angular/core';
import { ARCHETYPES } from '@gold-peg/craft/archetypes';
import {
  after,
  begun,
  centsOff,
  isFinished,
  layOut,
  soundsNow,
  worthOf,
  type Act,
  type OnBench,
  type OnPost,
  type Restring,
} from '@gold-peg/craft/restring';
import type { Direction } from '@gold-peg/craft/instrument';
import { keepRestring, recallRestring } from './kept-acts';

/** How a pitch is told: by the tuner, by ear alone, or by how far the string gives under a finger. */
export type Tells = 'tuner' | 'ear' | 'touch';

/** Where a pitch was while its peg was turned, Hz, by the turns of its button. */
export interface Traced {
  turns: number;
  pitch: number;
}

const FIRST = 'acoustic-parlour';
const LARGEST_SEED = 9999;
const MOST_TRACED = 60;
/** Nothing of how far it has to be lifted is given away. */
const LIFT_BEGINS_MM = 30;

/** Kinds whose strings go round posts. */
export const KINDS = ARCHETYPES.filter(({ id }) => layOut(id, 1) !== null).map(({ id, name }) => ({ id, name }));

/** The restring on the simulated bench: what was done so far, kept on this device, and done again from the beginning when the page is opened anew. */
@Injectable()
export class SimulatedBench {
  private readonly acts = signal<readonly Act[]>([]);
  readonly restring = signal<Restring>(laidOut(FIRST, anySeed()));
  readonly now = signal<OnBench>(begun(this.restring()));
  readonly inHand = signal(0);
  readonly tells = signal<Tells>('tuner');
  readonly traced = signal<readonly Traced[]>([]);
  /** Whether anything was done: a change of the instrument then asks first. */
  readonly isBegun = computed(() => this.acts().length > 0);
  readonly worth = computed(() => worthOf(this.restring(), this.now()));
  readonly isFinished = computed(() => isFinished(this.restring(), this.now()));
  readonly cents = computed(() => this.restring().strings.map((_, index) => centsOff(this.restring(), this.now(), index)));
  readonly sounds = computed(() => this.restring().strings.map((_, index) => soundsNow(this.restring(), this.now(), index)));
  /** As a string is threaded: how far it is lifted in its middle, and which way it is to be wound. Each string begins anew. */
  readonly liftMm = linkedSignal<unknown, number>({ source: () => [this.inHand(), this.on().at], computation: () => LIFT_BEGINS_MM });
  readonly direction = linkedSignal<unknown, Direction | null>({ source: () => [this.inHand(), this.on().at], computation: () => null });

  readonly on = computed<OnPost>(() => this.now().strings[this.inHand()] ?? { at: 'off' });
  readonly to = computed(() => {
    const to = this.restring().strings[this.inHand()];
    if (to === undefined) throw new RangeError(`no string ${this.inHand()}`);
    return to;
  });

  constructor() {
    const kept = recallRestring();
    const restring = kept === null ? null : layOut(kept.kind, kept.seed);
    if (kept !== null && restring !== null) this.again(restring, kept.acts);
  }

  begin(kind: string, seed = anySeed()): void {
    this.again(laidOut(kind, seed), []);
    this.keep();
  }

  take(index: number): void {
    if (index < 0 || index >= this.restring().strings.length) return;
    this.inHand.set(index);
    this.traced.set([]);
  }

  do(act: Act): void {
    const now = after(this.restring(), this.now(), act);
    if (now === this.now()) return;
    this.now.set(now);
    this.acts.update((acts) => [...acts, act]);
    if (act.do === 'turn' || act.do === 'fine') this.trace();
    this.keep();
  }

  private again(restring: Restring, acts: readonly Act[]): void {
    this.restring.set(restring);
    this.now.set(acts.reduce((now, act) => after(restring, now, act), begun(restring)));
    this.acts.set(acts);
    this.take(0);
  }

  private trace(): void {
    const on = this.on();
    const pitch = this.sounds()[this.inHand()] ?? 0;
    if (pitch === 0 || (on.at !== 'old' && on.at !== 'wound')) return;
    this.traced.update((traced) => [...traced, { turns: on.state.button, pitch }].slice(-MOST_TRACED));
  }

  private keep(): void {
    const { kind, seed } = this.restring();
    keepRestring({ kind, seed, acts: [...this.acts()] });
  }
}

function laidOut(kind: string, seed: number): Restring {
  const restring = layOut(kind, seed);
  if (restring === null) throw new RangeError(`${kind} cannot be laid out`);
  return restring;
}

const anySeed = () => 1 + Math.floor(Math.random() * LARGEST_SEED);
