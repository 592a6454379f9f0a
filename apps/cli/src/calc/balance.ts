import type { Answer, Question } from '@gold-peg/contract/calc';
import {
  armRange,
  calibrateSprings,
  coupling,
  levelClaw,
  levelRests,
  onePass,
  restsFrom,
  settle,
  type BridgeTrial,
  type ClawProblem,
  type FloatingBridge,
  type RestLengths,
} from '@gold-peg/craft/balance';
import { BRIDGE_READINGS, FLOATING } from '@gold-peg/craft/constants';
import { done, refused, type Outcome } from '@gold-peg/craft/outcome';
import {
  cents,
  CONCERT_A4,
  frequencyOf,
  fromDegrees,
  fromMillimetres,
  hertz,
  kilogramsPerMetre,
  newtons,
  radians,
  toDegrees,
  toMillimetres,
  type Metres,
} from '@gold-peg/craft/units';
import type { Fault } from './fault.js';

type Asked = Question<'balance'>;

export function answerBalance(asked: Asked): Outcome<Answer<'balance'>, Fault> {
  const bridge = bridgeOf(asked);
  const { clawMm } = asked.springs;
  if (asked.want === 'calibrate') return answerCalibrate(asked, bridge, clawMm === 'level' ? null : fromMillimetres(clawMm));
  if (clawMm !== 'level' && asked.want !== 'claw') return answerAt(asked, asked.want, bridge, fromMillimetres(clawMm));
  const level = levelClaw(bridge);
  if (!level.ok) return refused(sayClaw(level.problem));
  return asked.want === 'claw' ? done(sayTravel(toMillimetres(level.value), clawMm)) : answerAt(asked, asked.want, bridge, level.value);
}

/** What is asked of a bridge whose claw stands somewhere. */
function answerAt(
  asked: Asked,
  want: Exclude<Asked['want'], 'claw' | 'calibrate'>,
  bridge: FloatingBridge,
  claw: Metres,
): Outcome<Answer<'balance'>, Fault> {
  const { angle, rests } = presentOf(asked, bridge, claw);
  switch (want) {
    case 'equilibrium': {
      const { frequencies, pulls, ...balance } = settle(bridge, claw, rests, angle);
      return done({
        angleDeg: toDegrees(balance.angle),
        contact: balance.contact,
        stable: balance.stable,
        cents: frequencies.map((frequency, index) => {
          const wanted = bridge.strings[index]?.pitch ?? 0;
          return frequency === null || frequency === 0 ? null : 1200 * Math.log2(frequency / wanted);
        }),
        pullN: frequencies.map((frequency, index) => (frequency === null ? null : (pulls[index] ?? null))),
      });
    }
    case 'coupling': {
      const matrix = coupling(bridge, claw, rests);
      return matrix === null
        ? refused({ field: 'springs', says: 'must leave a balance: the bridge lies on a stop, or tips over when it is touched' })
        : done({ coupling: matrix });
    }
    case 'range': {
      const { strings, slackFirst } = armRange(bridge, claw, rests);
      const range = strings.flatMap((of, string) =>
        of === null
          ? []
          : [{ string, downSemitones: of.down, upSemitones: of.up, slackDeg: of.slackAt === null ? null : toDegrees(of.slackAt) }],
      );
      return done({ range, slackFirst });
    }
    case 'onePass':
      return done({
        steps: onePass(bridge, claw, rests, asked.order ?? bridge.strings.map((_, index) => index)).map((step) => ({
          string: step.string,
          targetCents: step.target,
          targetHz: step.frequency,
          angleDeg: toDegrees(step.angle),
          pullN: step.pull,
          reservePercent: step.reserve === null ? null : 100 * step.reserve,
        })),
      });
  }
}

/** What was read of strings is as it was read; the others are as they are said to be now, in tune where nothing is said. */
function answerCalibrate(asked: Asked, bridge: FloatingBridge, claw: Metres | null): Outcome<Answer<'balance'>, Fault> {
  const trials = (asked.readings ?? []).map(({ string, fromHz, toHz, others }): BridgeTrial => {
    const read = new Map(others.map((other) => [other.string, other]));
    return {
      before: asked.strings.map(({ nowHz }, index) => {
        const from = index === string ? fromHz : read.get(index)?.fromHz;
        if (from !== undefined) return hertz(from);
        return nowHz === null ? null : hertz(nowHz ?? bridge.strings[index]?.pitch ?? Number.NaN);
      }),
      change: [{ string, sounds: hertz(toHz) }],
      after: asked.strings.map((_, index) => {
        const to = read.get(index)?.toHz;
        return to === undefined ? null : hertz(to);
      }),
    };
  });
  const pitch = cents(asked.readingCents ?? BRIDGE_READINGS.pitch.value);
  const learned = calibrateSprings(bridge, claw === null ? null : { at: claw }, trials, {
    pitch,
    tilt: fromDegrees(BRIDGE_READINGS.tilt.value),
  });
  if (learned === null) return refused({ field: 'springs.count', says: 'must be less: so many springs would tear these strings back' });
  const { rate, initial } = learned;
  return done({
    rateNPerMm: { low: rate.low / 1000, likely: rate.likely / 1000, high: rate.high / 1000 },
    initialN: initial,
  });
}

function bridgeOf({ strings, springs, stops, a4Hz }: Asked): FloatingBridge {
  const mm = fromMillimetres;
  const a4 = a4Hz === undefined ? CONCERT_A4 : hertz(a4Hz);
  return {
    strings: strings.map((string) => ({
      stiffness: newtons(string.stiffnessN),
      restDensity: kilogramsPerMetre(string.linearDensityKgPerM),
      massBand: 0,
      scaleLength: mm(string.scaleMm),
      extra: mm(string.extraMm),
      saddleHeight: mm(string.saddleHeightMm),
      saddleOffset: mm(string.saddleOffsetMm),
      pitch: string.note === undefined ? hertz(string.frequencyHz ?? Number.NaN) : frequencyOf(string.note, a4),
      breakingLoad: string.breakingLoadN === undefined ? null : newtons(string.breakingLoadN),
    })),
    springs: {
      count: springs.count,
      rate: springs.rateNPerMm * 1000,
      initial: newtons(springs.initialN),
      free: mm(springs.freeMm),
      arm: mm(springs.armMm),
    },
    stops: { back: fromDegrees(stops.backDeg), forward: fromDegrees(stops.forwardDeg) },
  };
}

/** As it is heard; in tune on a level bridge where nothing is said of that. */
function presentOf({ strings }: Asked, bridge: FloatingBridge, claw: Metres): { angle: ReturnType<typeof radians>; rests: RestLengths } {
  if (strings.every(({ nowHz }) => nowHz === undefined)) return { angle: radians(0), rests: levelRests(bridge) };
  return restsFrom(
    bridge,
    claw,
    strings.map(({ nowHz }) => (nowHz == null ? null : hertz(nowHz))),
  );
}

function sayTravel(levelMm: number, clawMm: number | 'level') {
  const travel = clawMm === 'level' ? null : levelMm - clawMm;
  return { clawMm: levelMm, clawTravelMm: travel, clawTurns: travel === null ? null : travel / FLOATING.screwLead.value };
}

const sayClaw = ({ needed, initial }: ClawProblem): Fault => ({
  field: 'springs.count',
  says: `must be less: each spring would pull ${needed.toFixed(1)} N, and its coils open at ${initial.toFixed(1)} N`,
});
