import { computed, inject, Injectable, signal } from '@angular/core';
import {
  chanceFrom,
  clamped,
  fineTuned,
  handStrength,
  holdOf,
  rested,
  soundOf,
  stretched,
  turned,
  wound,
  type SimulatedString,
  type Standing,
  type StringState,
} from '@gold-peg/craft/simulated';
import { ROUNDS } from '@gold-peg/craft/constants';
import { pitchOf } from '@gold-peg/craft/instrument';
import { hertz, type Hertz } from '@gold-peg/craft/units';
import { interval, map, Observable } from 'rxjs';
import type { SoundBlock, SoundSource } from '../../ear';
import { WorksheetDesk } from '../desk';
import { SEED, SimulatedBridge } from './simulated-bridge';
import { roundsOf, standsAt } from './stands-at';

const HOUR_MS = 3_600_000;
const RATE = 48_000;
const BLOCK = 2048;
const SECONDS = 2.5;
/** Blocks that are sent at once at most. */
const MOST_BEHIND = 12;
/** What a quiet room sounds like. */
const HISS = 0.0004;
const LOUD = 0.3;

interface OnIt {
  of: SimulatedString;
  state: StringState;
  /** When it was as `state` says, ms. */
  at: number;
}

/** An instrument that is simulated: the strings of this job as they were wound, each of which can be plucked, stretched and turned. */
@Injectable()
export class SimulatedInstrument implements SoundSource {
  readonly kind = 'simulated';
  private readonly desk = inject(WorksheetDesk);
  private readonly chance = chanceFrom(inject(SEED));
  private readonly bridge = inject(SimulatedBridge);
  /** By lane, each with the winding that it came from. */
  private readonly strings = new Map<string, OnIt>();
  private readonly broken = signal<ReadonlySet<string>>(new Set());
  private sounds: { next: (count: number) => Float32Array; left: number } | null = null;

  listen(): Observable<SoundBlock> {
    return new Observable<SoundBlock>((subscriber) => {
      this.bridge.isSeen((lane) => this.stringAt(lane));
      const began = performance.now();
      let sent = 0;
      const due = interval((1000 * BLOCK) / RATE).pipe(map(() => Math.floor(((performance.now() - began) * RATE) / 1000 / BLOCK)));
      return due.subscribe((blocks) => {
        sent = Math.max(sent, blocks - MOST_BEHIND); // a tab that slept does not catch up with all it missed
        for (; sent < blocks; sent++) subscriber.next({ samples: this.nextBlock(), sampleRate: RATE });
      });
    });
  }

  /** Turns the button of a string, up above zero, and lets it sound; behind a clamped nut its fine tuner. */
  turn(lane: number, turns: number): void {
    if (this.nutIsShut()) return this.change(lane, ({ of, state }) => fineTuned(of, state, turns));
    const steps = Math.max(1, Math.ceil(Math.abs(turns) / this.bridge.turnsAtOnce()));
    for (let step = 1; step <= steps; step++) this.change(lane, ({ of, state }) => turned(of, state, turns / steps), step === steps);
  }

  /** Pulls a string by hand, and lets it sound. */
  stretch(lane: number): void {
    this.change(lane, ({ of, state }) => stretched(of, state, handStrength(this.chance, ROUNDS.hand.value)));
  }

  pluck(lane: number): void {
    this.change(lane, ({ state }) => state);
  }

  /** Whether there is nothing on this post yet; strings that are no part of the job stay on. */
  isOff = (lane: number): boolean => this.desk.inJob()[lane] !== false && (this.desk.sheet().done.wind[lane] ?? null) === null;

  /** Whether the string that is on it broke. */
  isBroken = (lane: number): boolean => this.broken().has(this.keyOf(lane));

  /** A lane with the winding of its string: another one is another string. */
  private keyOf = (lane: number): string => `${lane} ${this.desk.sheet().done.wind[lane]?.id ?? ''}`;

  readonly nutIsShut = computed(() => this.clampedLast()?.payload.shut === true);
  private readonly clampedLast = computed(() => this.desk.sheet().onBridge.findLast((event) => event.kind === 'nut-clamped') ?? null);
  private shutSeen: string | null = null;

  /** Pads drag strings along as their clamps are shut: once, and not again on a page that meets what was heard since. */
  private dragByPads(): void {
    const event = this.clampedLast();
    if (event === null || event.id === this.shutSeen) return;
    this.shutSeen = event.id;
    if (!event.payload.shut || this.desk.sheet().onBridge.at(-1)?.id !== event.id) return;
    for (const [key, string] of this.strings) this.strings.set(key, { ...string, state: clamped(string.of, string.state, this.chance) });
  }

  private change(lane: number, work: (string: OnIt) => StringState, sounds = true): void {
    this.bridge.isSeen((each) => this.stringAt(each));
    this.dragByPads();
    const string = this.stringAt(lane);
    if (string === null) return;
    const now = Date.now();
    const of = this.bridge.atSaddle(lane, string.of);
    string.state = work({ of, state: rested(of, string.state, (now - string.at) / HOUR_MS), at: now });
    string.at = now;
    if (string.state.broken) this.broken.update((known) => new Set(known).add(this.keyOf(lane)));
    this.bridge.comesToRest((each) => this.stringAt(each));
    if (sounds) this.soundsAt(lane, string);
  }

  /** The hand that plucks damps what sounded; the other strings ring along. */
  private soundsAt(lane: number, string: OnIt): void {
    const standing = (at: number, { of, state }: OnIt): Standing => ({ of: this.bridge.atSaddle(at, of), state });
    const others = this.desk.lanes().flatMap((_, other) => {
      const beside = other === lane ? null : this.stringAt(other);
      return beside === null ? [] : [standing(other, beside)];
    });
    const plucked = standing(lane, string);
    this.sounds = { next: soundOf(plucked.of, plucked.state, RATE, this.chance, others), left: SECONDS * RATE };
  }

  /** The string of a lane, strung up when it is first asked for; anew once another was wound on. */
  private stringAt(lane: number): OnIt | null {
    const plan = this.desk.plans()[lane] ?? null;
    const { string, place } = this.desk.lanes()[lane] ?? { string: null };
    const instrument = this.desk.instrument();
    if (plan === null || string === null || instrument === null || place === undefined) return null;
    if (this.isOff(lane)) return null;
    const key = this.keyOf(lane);
    const known = this.strings.get(key);
    if (known !== undefined) return known;
    const holds = holdOf(plan, this.desk.sheet().counted[lane]?.payload.turns ?? null);
    const borne = this.borneBy(lane, pitchOf(instrument, place));
    const longer = this.bridge.longer(lane);
    const strung = { plan, string, scale: place.scaleLength, gearRatio: instrument.gearRatio, holds, borne, longer };
    const fresh = { ...wound(strung, this.chance), at: Date.now() };
    this.strings.set(key, fresh);
    return fresh;
  }

  /** As the log knows it: a page that is opened again meets the same instrument. */
  private borneBy(lane: number, note: Hertz) {
    const sheet = this.desk.sheet();
    const where = { together: this.desk.comesUpTogether(), inJob: this.desk.inJob()[lane] !== false };
    // what is read at Settle comes after the bridge, and stands there
    const settled = (sheet.pitches[lane]?.length ?? 0) > 0;
    const cents = (settled ? null : this.bridge.standsAt(lane)) ?? standsAt(sheet, lane, where);
    return cents === null ? null : { pitch: hertz(note * 2 ** (cents / 1200)), rounds: roundsOf(sheet, lane) };
  }

  private nextBlock(): Float32Array<ArrayBuffer> {
    const block = Float32Array.from({ length: BLOCK }, () => HISS * (2 * this.chance() - 1));
    if (this.sounds === null) return block;
    const sound = this.sounds.next(BLOCK);
    this.sounds.left -= BLOCK;
    if (this.sounds.left <= 0) this.sounds = null;
    return block.map((hiss, index) => hiss + LOUD * (sound[index] ?? 0));
  }
}
