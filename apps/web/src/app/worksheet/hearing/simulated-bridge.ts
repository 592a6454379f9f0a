import { computed, inject, Injectable, InjectionToken } from '@angular/core';
import {
  backEdge,
  bridgeNow,
  bridgeUnder,
  happeningsOf,
  levelClaw,
  levelRests,
  pullOf,
  restsFrom,
  screwLead,
  speaking,
  type FloatingBridge,
} from '@gold-peg/craft/balance';
import { FLOATING } from '@gold-peg/craft/constants';
import {
  atSaddle,
  bridgeUnderNow,
  chanceFrom,
  handStrength,
  longerBy,
  pullOfSimulated,
  type SimulatedString,
  type PullAt,
  type StringState,
} from '@gold-peg/craft/simulated';
import { hertz, metres, newtons, radians, type Metres, type Radians } from '@gold-peg/craft/units';
import type { OnBridgeEvent } from '@gold-peg/craft/worksheet';
import { WorksheetDesk } from '../desk';
import { standsAt } from './stands-at';

/** Seed of what is simulated, so that specs meet the same strings again. */
export const SEED = new InjectionToken<number>('seed of the simulated instrument', { providedIn: 'root', factory: () => Date.now() });

/** How far springs of simulated instruments lie from the usual ones, as the spread of a logarithm. */
const SPREAD = { rate: 0.3, initial: 0.4 };
/** So far a button is turned before the bridge finds its rest again, and where nothing moves. */
const AT_ONCE = { moving: 1 / 30, fixed: 100 };

type StringOf = (lane: number) => { of: SimulatedString; state: StringState } | null;

/** The bridge of the simulated instrument, with springs that nobody was told of. On one that does not move every string is as long as ever. */
@Injectable()
export class SimulatedBridge {
  private readonly desk = inject(WorksheetDesk);
  private readonly seed = inject(SEED);
  private angle: Radians = radians(0);
  private seen: string | null = null;

  /** Springs are those of the instrument, whoever asks and however often. */
  private readonly springs = computed(() => {
    const chance = chanceFrom(this.seed + 1);
    const hooked = this.desk.sheet().onBridge.findLast((event) => event.kind === 'springs-hooked')?.payload.count;
    return {
      count: hooked ?? this.desk.file()?.passport.current?.springs?.count ?? FLOATING.springs.value,
      rate: 1000 * FLOATING.springRate.value * handStrength(chance, SPREAD.rate),
      initial: newtons(FLOATING.springInitial.value * handStrength(chance, SPREAD.initial)),
    };
  });
  private readonly bridge = computed(() => this.under(this.desk.instrument(), this.desk.strings()));
  private readonly old = computed(() => this.under(this.desk.asItCame(), this.desk.oldStrings() ?? []));
  private readonly claw = computed(() => this.clawAfter(this.desk.sheet().onBridge));

  /** Turns of a button after which the bridge has to be let find its rest. */
  turnsAtOnce = (): number => (this.bridge() === null ? AT_ONCE.fixed : AT_ONCE.moving);

  longer = (lane: number): Metres => {
    const bridge = this.bridge();
    return bridge === null ? metres(0) : longerBy(bridge, lane, this.angle);
  };

  atSaddle = (lane: number, of: SimulatedString): SimulatedString => atSaddle(of, this.longer(lane));

  /** Finds where it lies before anything is done to it, and again where the log did something: strings as far as the log knows them. */
  isSeen(stringOf: StringOf): void {
    const bridge = this.bridge();
    const claw = this.claw();
    if (bridge === null || claw === null) return;
    const done = `${this.desk.file()?.job.id} ${claw} ${bridge.springs.count}`;
    if (this.seen === done) return;
    const first = this.seen === null;
    this.seen = done;
    if (first) this.angle = this.asLogged()?.angle ?? radians(0);
    this.comesToRest(stringOf);
  }

  /** Lets it find its rest under the strings as they are; a block holds it level. */
  comesToRest(stringOf: StringOf): void {
    const [bridge, claw] = [this.bridge(), this.claw()];
    if (bridge === null || claw === null) return;
    const strings = bridge.strings.map((_, lane) => {
      const string = stringOf(lane);
      return string === null ? this.oldOn(lane) : pullOfSimulated(string.of, string.state);
    });
    this.angle = this.desk.sheet().blocked ? radians(0) : bridgeUnderNow(bridge, claw, strings, this.angle);
  }

  /** It was level as it came, and the claw was turned as the log says. */
  private clawAfter(events: readonly OnBridgeEvent[]): Metres | null {
    const level = levelClawOf(this.old() ?? this.bridge());
    const turned = events.flatMap((event) => (event.kind === 'claw-turned' ? [event.payload] : []));
    const turns = turned.reduce((sum, { bassTurns, trebleTurns }) => sum + (bassTurns + trebleTurns) / 2, 0);
    return level === null ? null : metres(level + turns * screwLead);
  }

  /** Where it lies, and how each string sounds now, cents from its note, after all that the log tells; null for one that is off or not up yet. */
  private readonly asLogged = computed(() => {
    const [bridge, claw, sheet] = [this.bridge(), this.clawAfter([]), this.desk.sheet()];
    if (bridge === null || claw === null) return null;
    const cents = bridge.strings.map((_, lane) => {
      const where = { together: this.desk.comesUpTogether(), inJob: this.desk.inJob()[lane] !== false };
      return standsAt({ ...sheet, onBridge: [] }, lane, where);
    });
    const heard = bridge.strings.map(({ pitch }, lane) => {
      const off = cents[lane] ?? null;
      return off === null ? null : hertz(pitch * 2 ** (off / 1200));
    });
    if (sheet.blocked) return { angle: radians(0), off: cents };
    const events = sheet.onBridge.filter(({ kind }) => kind !== 'measured');
    const happenings = happeningsOf(bridge, events, { lead: screwLead, edge: backEdge, levelMm: null });
    return bridgeNow(bridge, claw, happenings, restsFrom(bridge, claw, heard).rests);
  });

  /** How a string sounds, cents from its note, as far as the log knows; null where it does not, or nothing moves here. */
  standsAt = (lane: number): number | null => {
    const off = this.asLogged()?.off[lane] ?? null;
    return off !== null && Number.isFinite(off) ? off : null;
  };

  /** A string that came with the instrument and is still on it pulls as it did; null where it is off. */
  private oldOn(lane: number): PullAt | null {
    const [old, sheet] = [this.old(), this.desk.sheet()];
    const [string, rest] = [old?.strings[lane], old === null ? undefined : levelRests(old)[lane]];
    if (string === undefined || rest === undefined || (sheet.done.strip[lane] ?? null) !== null) return null;
    return (longer) => pullOf(string, metres(speaking(string, radians(0)).length + longer), rest);
  }

  private under(instrument: ReturnType<WorksheetDesk['instrument']>, strings: ReturnType<WorksheetDesk['strings']>) {
    return instrument === null ? null : bridgeUnder(instrument, strings, this.springs());
  }
}

function levelClawOf(bridge: FloatingBridge | null): Metres | null {
  if (bridge === null) return null;
  const level = levelClaw(bridge);
  return level.ok ? level.value : bridge.springs.free;
}
