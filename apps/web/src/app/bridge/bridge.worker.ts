import { compareSchools, foresee, learnSprings, spreadOfBridge } from '@gold-peg/craft/balance';
import { BRIDGE_READINGS } from '@gold-peg/craft/constants';
import { chanceFrom } from '@gold-peg/craft/simulated';
import { cents, fromDegrees } from '@gold-peg/craft/units';
import type { BridgeQuestion, BridgeReply } from './bridge-solver';

const DRAWS = 2000;
/** Bands of what it bears and does want fewer. */
const SPREAD_DRAWS = 500;
/** The same question has the same answer. */
const SEED = 1;
const ERRORS = { pitch: cents(BRIDGE_READINGS.pitch.value), tilt: fromDegrees(BRIDGE_READINGS.tilt.value) };

function answer(question: BridgeQuestion): BridgeReply {
  if (question.kind === 'learn') {
    const { bridge, claw, trials, before } = question;
    return { kind: 'learned', springs: learnSprings(bridge, claw, trials, ERRORS, before) };
  }
  if (question.kind === 'schools') {
    const { now, rate, order, tolerance } = question;
    return { kind: 'compared', schools: compareSchools(now, rate, { order, tolerance }) };
  }
  const measured = new Set(question.measured);
  if (question.kind === 'spread')
    return { kind: 'spread', spread: spreadOfBridge({ ...question, measured, draws: SPREAD_DRAWS }, chanceFrom(SEED)) };
  return { kind: 'foreseen', foreseen: foresee({ ...question, measured, draws: DRAWS }, chanceFrom(SEED)) };
}

addEventListener('message', ({ data }: MessageEvent<BridgeQuestion>) => postMessage(answer(data)));
