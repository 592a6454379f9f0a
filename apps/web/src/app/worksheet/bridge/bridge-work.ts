import { computed, effect, inject, Injectable, untracked } from '@angular/core';
import { screwLead, type BridgeStep } from '@gold-peg/craft/balance';
import type { OnBridge } from '@gold-peg/craft/worksheet';
import type { ArmWay } from '@gold-peg/craft/stages';
import { WorksheetDesk } from '../desk';
import { BridgeDesk } from './bridge-desk';

/** How a reading came. */
export type Read = Pick<OnBridge, 'sure' | 'by'>;
const BY_HAND: Read = { sure: null, by: 'typed' };

/** Where a string is lowered to, to learn what its bridge does: about a tone, cents. */
export const TONE_DOWN = { aim: -200, from: -260, to: -120 };
/** A screw is turned by eighths. */
const EIGHTHS = 8;
/** Said while what was heard last is reckoned. */
export const RECKONS = 'All heard. What it says of the springs is being reckoned.';

/** What is done at a bridge that moves, taken down. */
@Injectable()
export class BridgeWork {
  private readonly desk = inject(WorksheetDesk);
  private readonly bridge = inject(BridgeDesk);

  /** What is next, with the string that is lowered to learn from: the lowest, which moves the bridge most. */
  readonly step = computed<BridgeStep | { kind: 'lower'; string: number } | { kind: 'reckon' } | null>(() => {
    const next = this.bridge.next();
    const lowest = this.desk.lanes().length - 1;
    return this.bridge.learning() && next !== null && next.kind !== 'read' ? { kind: 'lower', string: lowest } : next;
  });
  /** The string that is next, zero-based; null where it is none. */
  readonly string = computed<number | null>(() => {
    const step = this.step();
    if (step?.kind === 'set' || step?.kind === 'block') return step.step.string;
    if (step?.kind === 'lower') return step.string;
    return step?.kind === 'read' ? (this.bridge.order().find((string) => step.strings.includes(string)) ?? null) : null;
  });
  /** Turns that the screws of the claw want, by eighths; null where it stands right. */
  readonly screws = computed(() => {
    const [step, skew] = [this.step(), this.bridge.skewTurns()];
    const eighths = (turns: number) => Math.round(turns * EIGHTHS) / EIGHTHS;
    return step?.kind === 'claw' ? { bass: eighths(step.turns + skew), treble: eighths(step.turns - skew) } : null;
  });

  constructor() {
    // what these trials say of the springs stays with the instrument
    effect(() => {
      const [springs, before] = [this.bridge.springs(), this.bridge.before()];
      if (springs === null || springs.count === 0 || this.desk.closed()) return;
      untracked(() => void this.keepSprings(springs, before?.trials ?? 0));
    });
    effect(() => {
      const string = this.string();
      if (string === null || this.desk.stage() !== 'balance') return;
      untracked(() => this.desk.lane.set(string));
    });
  }

  /** What Space does here, where it is no tick: returns what was done, in words, or null where there was nothing to do. */
  async act(): Promise<string | null> {
    const step = this.step();
    if (step === null || this.desk.closed()) return null;
    switch (step.kind) {
      case 'claw':
        return this.turnClaw(this.screws()?.bass ?? 0, this.screws()?.treble ?? 0);
      case 'set':
        await this.setTo(step, step.step.target, BY_HAND);
        return `String ${step.step.string + 1} set`;
      case 'lower':
        await this.lower(TONE_DOWN.aim, BY_HAND);
        return `String ${step.string + 1} lowered`;
      case 'mid':
        await this.desk.happens({ kind: 'fine-tuners-at-mid', payload: {} });
        return 'Fine tuners at mid travel';
      case 'clamp':
      case 'unclamp':
        await this.desk.happens({ kind: 'nut-clamped', payload: { shut: step.kind === 'clamp' } });
        return step.kind === 'clamp' ? 'Nut clamped' : 'Nut opened';
      case 'read': {
        const others = this.bridge.order().filter((string) => step.strings.includes(string));
        const following = others[others.indexOf(this.desk.lane()) + 1] ?? others[0];
        if (following !== undefined) this.desk.lane.set(following);
        return null;
      }
      case 'reckon':
        return RECKONS;
      case 'block':
      case 'done':
        return null;
    }
  }

  async turnClaw(bassTurns: number, trebleTurns: number): Promise<string> {
    await this.desk.happens({ kind: 'claw-turned', payload: { bassTurns, trebleTurns } });
    return 'Claw turned';
  }

  hook(count: number): Promise<void> {
    return this.desk.happens({ kind: 'springs-hooked', payload: { count } });
  }

  /** The arm was moved to its stop a few times: what is heard next says how all came back. */
  moveArm(way: ArmWay): Promise<void> {
    return this.desk.happens({ kind: 'arm-moved', payload: { way } });
  }

  /** A string was heard or read, `cents` from its note: what follows from it depends on what is next. */
  async hear(lane: number, cents: number, read: Read): Promise<void> {
    const step = this.step();
    if (step === null || this.desk.closed()) return;
    this.bridge.tried.set([]);
    if (step.kind === 'lower' && lane === step.string)
      return cents >= TONE_DOWN.from && cents <= TONE_DOWN.to ? this.lower(cents, read) : undefined;
    if (step.kind === 'set' && lane === step.step.string) {
      const aimCents = round(step.step.target);
      // on its way there it is followed, and not taken down
      if (Math.abs(cents - aimCents) > this.bridge.tolerance()) return;
      return this.setTo(step, cents, read);
    }
    return this.take('heard-on-bridge', lane, { cents, ...read });
  }

  private setTo({ step, leaves }: Extract<BridgeStep, { kind: 'set' }>, cents: number, read: Read): Promise<void> {
    const { toward, travel } = leaves;
    const beside = toward === 0 ? {} : { towardCents: toward };
    const after = travel === 0 ? {} : { clawTurns: travel / screwLead };
    return this.take('set-on-bridge', step.string, { cents, aimCents: step.target, ...beside, ...after, ...read });
  }

  private async lower(cents: number, read: Read): Promise<void> {
    this.bridge.learning.set(false);
    await this.take('set-on-bridge', this.desk.lanes().length - 1, { cents, ...read });
  }

  private async take(kind: 'heard-on-bridge' | 'set-on-bridge', lane: number, { cents, aimCents, ...read }: OnBridge): Promise<void> {
    const aim = aimCents === undefined ? {} : { aimCents: round(aimCents) };
    await this.desk.happens({ kind, string: lane + 1, payload: { cents: round(cents), ...aim, ...read } });
    // whoever plucks the same string once more meets the one that is next after it all the same
    const next = this.string();
    if (next !== null) this.desk.lane.set(next);
  }

  private async keepSprings({ rate, initial, count }: NonNullable<ReturnType<BridgeDesk['springs']>>, before: number): Promise<void> {
    const trials = before + count;
    const bridge = this.bridge.now()?.bridge;
    if (bridge === undefined || (this.desk.sheet().springs?.payload.trials ?? 0) >= trials) return;
    const perMm = { low: rate.low / 1000, likely: rate.likely / 1000, high: rate.high / 1000 };
    await this.desk.happens({
      kind: 'springs-learned',
      payload: { count: bridge.springs.count, rateNPerMm: perMm, initialN: initial, trials },
    });
  }
}

const round = (cents: number): number => Math.round(10 * cents) / 10;
