import type { Answer, Question } from '@gold-peg/contract/calc';
import {
  coupling,
  levelClaw,
  levelRests,
  onePass,
  restsFrom,
  settle,
  type ClawProblem,
  type FloatingBridge,
  type RestLengths,
} from '@gold-peg/craft/balance';
import { FLOATING } from '@gold-peg/craft/constants';
import { done, refused, type Outcome } from '@gold-peg/craft/outcome';
import {
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
  if (clawMm !== 'level' && asked.want !== 'claw') return answerAt(asked, asked.want, bridge, fromMillimetres(clawMm));
  const level = levelClaw(bridge);
  if (!level.ok) return refused(sayClaw(level.problem));
  return asked.want === 'claw' ? done(sayTravel(toMillimetres(level.value), clawMm)) : answerAt(asked, asked.want, bridge, level.value);
}

/** What is asked of a bridge whose claw stands somewhere. */
function answerAt(
  asked: Asked,
  want: Exclude<Asked['want'], 'claw'>,
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

function bridgeOf({ strings, springs, stops, a4Hz }: Asked): FloatingBridge {
  const mm = fromMillimetres;
  const a4 = a4Hz === undefined ? CONCERT_A4 : hertz(a4Hz);
  return {
    strings: strings.map((string) => ({
      stiffness: newtons(string.stiffnessN),
      restDensity: kilogramsPerMetre(string.linearDensityKgPerM),
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
