import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { answer } from './index.js';

type Numbers = Record<string, number>;
function answered(topic: Parameters<typeof answer>[0], asked: object): Numbers {
  const reply = answer(topic, asked);
  if (!reply.ok) throw new Error(reply.problem.detail);
  return reply.answer as Numbers;
}
function refusedField(topic: Parameters<typeof answer>[0], asked: unknown): string {
  const reply = answer(topic, asked);
  return reply.ok ? 'answered' : (reply.problem.fields?.[0]?.field ?? '');
}

const plain = { family: 'electric', construction: 'plain', gaugeIn: 0.01, scaleMm: 647.7, note: 'E4' };
const slack = {
  postDiameterMm: 6,
  stringDiameterMm: 0.254,
  nutToPostMm: 60,
  pathMm: 770,
  strain: 0.007,
  creep: 0,
  postStyle: 'through',
  stubMm: 3,
  scaleMm: 650,
};
const nut = {
  headstockDeg: 14,
  faceDropMm: 4,
  alongMm: 90,
  sidewaysMm: 20,
  holeHeightMm: 9.5,
  postDiameterMm: 6,
  stringDiameterMm: 0.81,
  turns: 2.5,
  flank: 'inside',
};

describe('string', () => {
  it('answers pull in newtons and pounds, with its band, reserve and breaking pitch', () => {
    const reply = answered('string', plain);
    expect(reply['pullLbf']).toBeCloseTo(16.2, 1);
    expect((reply['pullN'] ?? 0) / (reply['pullLbf'] ?? 1)).toBeCloseTo(4.44822, 4);
    expect(reply['bandPercent']).toBe(0.5);
    expect(reply['reservePercent']).toBeCloseTo(100 * (1 - (reply['pullN'] ?? 0) / (reply['breakingLoadN'] ?? 1)), 9);
    expect(reply['strain']).toBeCloseTo((reply['pullN'] ?? 0) / (reply['stiffnessN'] ?? 1), 12);
  });

  it('takes a frequency for a note and a reference for the pitch', () => {
    const { note: _note, ...open } = plain;
    expect(answered('string', { ...open, frequencyHz: 329.6275569 })['pullN']).toBeCloseTo(answered('string', plain)['pullN'] ?? 0, 5);
    const low = answered('string', { ...plain, a4Hz: 415 })['pullN'] ?? 0;
    expect(low / (answered('string', plain)['pullN'] ?? 1)).toBeCloseTo((415 / 440) ** 2, 9);
  });

  it('uses a weighed mass as given', () => {
    expect(answered('string', { ...plain, linearDensityKgPerM: 0.0005 })['linearDensityKgPerM']).toBe(0.0005);
  });

  it.each([
    ['gaugeIn', { gaugeIn: 0.46 }],
    ['scaleMm', { scaleMm: 6 }],
    ['note', { note: 'H2' }],
    ['note', { frequencyHz: 330 }],
    ['family', { family: 'harp' }],
    ['construction', { coreIn: 0.005 }],
    ['coreIn', { construction: 'wound', gaugeIn: 0.046, coreIn: 0.046 }],
    ['coreIn', { family: 'classical', construction: 'wound', gaugeIn: 0.02 }],
    ['a4Hz', { a4Hz: 500 }],
    ['gauge', { gauge: 1 }],
  ])('refuses a wrong %s', (field, change) => {
    expect(refusedField('string', { ...plain, ...change })).toBe(field);
  });
});

describe('winding', () => {
  const core = { shape: 'round', diameterMm: 0.4, densityKgPerM3: 7850 };

  it('adds layers outward', () => {
    const layers = [
      { type: 'round', wireMm: 0.2, densityKgPerM3: 7900 },
      { type: 'ground', wireMm: 0.3, groundMm: 0.1, densityKgPerM3: 7900 },
      { type: 'flat', thicknessMm: 0.1, widthMm: 0.5, densityKgPerM3: 7900 },
    ];
    expect(answered('winding', { core, layers })['outerMm']).toBeCloseTo(0.4 + 0.4 + 0.4 + 0.2, 12);
  });

  it('says which layer is impossible', () => {
    const layers = [{ type: 'flat', thicknessMm: 0.05, widthMm: 3, densityKgPerM3: 7900 }];
    expect(refusedField('winding', { core, layers })).toBe('layers.0');
    const told = refusedField('winding', { core, layers: [{ type: 'ground', wireMm: 0.3, groundMm: 0.3, densityKgPerM3: 7900 }] });
    expect(told).toBe('layers.0.groundMm');
  });
});

describe('slack', () => {
  it('solves turns, slack and cut from each other to 1e-9', () => {
    const style = fc.constantFrom({ postStyle: 'through' }, { postStyle: 'slotted', holeDepthMm: 12 });
    fc.assert(
      fc.property(style, fc.double({ min: 0.2, max: 8, noNaN: true }), (post, turns) => {
        const there = answered('slack', { ...slack, ...post, turns });
        for (const known of ['slackMm', 'cutBeyondPostMm'] as const) {
          const back = answered('slack', { ...slack, ...post, [known]: there[known] });
          for (const field of ['turns', 'slackMm', 'cutBeyondPostMm', 'rotationTurns'])
            expect(Math.abs((back[field] ?? 9) - (there[field] ?? 0))).toBeLessThan(1e-9);
        }
      }),
    );
  });

  it('answers a slack below zero where stretch alone makes more turns, and no fret for it', () => {
    const reply = answered('slack', { ...slack, strain: 0.09, creep: 0.03, turns: 1 });
    expect(reply['slackMm']).toBeLessThan(0);
    expect(reply['fret']).toBeNull();
  });

  it.each([
    ['turns', {}],
    ['turns', { turns: 2, slackMm: 40 }],
    ['holeDepthMm', { turns: 2, postStyle: 'slotted' }],
    ['slackMm', { slackMm: -60 }],
    ['cutBeyondPostMm', { cutBeyondPostMm: -30 }],
    ['nutToPostMm', { turns: 2, nutToPostMm: 4 }],
    ['stringDiameterMm', { turns: 2, stringDiameterMm: 0 }],
  ])('refuses where %s cannot be', (field, change) => {
    expect(refusedField('slack', { ...slack, ...change })).toBe(field);
  });
});

describe('nut', () => {
  it('tells apart a string that lifts, a tree not touched, and an angle out of reach', () => {
    const flat = { ...nut, headstockDeg: 0, faceDropMm: 5, sidewaysMm: 0, turns: 0 };
    expect(answered('nut', flat)['lifts']).toBe(true);
    expect(answered('nut', { ...nut, tree: { distanceMm: 40, dropMm: 2 } })['treeTouched']).toBe(false);
    expect(answered('nut', { ...flat, tree: { distanceMm: 40, dropMm: 3 } })['treeTouched']).toBe(true);
    expect(answered('nut', { ...flat, wantedDeg: 20 })['turnsForWanted']).toBeNull();
    expect(answered('nut', { ...nut, wantedDeg: 6 })['turnsForWanted']).toBe(0);
  });

  it('breaks by the wanted angle with the turns it names', () => {
    const turns = answered('nut', { ...nut, wantedDeg: 13 })['turnsForWanted'] ?? 0;
    expect(answered('nut', { ...nut, turns })['verticalDeg']).toBeCloseTo(13, 9);
  });

  it('presses with T sin v, only where a pull is given', () => {
    const reply = answered('nut', { ...nut, pullN: 80 });
    expect(reply['downforceN']).toBeCloseTo(80 * Math.sin(((reply['verticalDeg'] ?? 0) * Math.PI) / 180), 9);
    expect(answered('nut', nut)).not.toHaveProperty('downforceN');
  });

  it('refuses more turns above the hole than there are', () => expect(refusedField('nut', { ...nut, turnsAbove: 3 })).toBe('turnsAbove'));
});

describe('settle', () => {
  it('says whether a string stretches or slips; null is a round that never comes', () => {
    const reply = answer('settle', { dropsCents: [40, 20, 10, 5], toleranceCents: 2 });
    expect(reply).toMatchObject({ ok: true, answer: { verdict: 'settling', roundsLeft: { likely: 2 } } });
    const never = answer('settle', { dropsCents: [46, 26, 16, 11, 8.5, 7.25, 6.6, 6.3, 6.2, 6.1], toleranceCents: 2 });
    expect(never).toMatchObject({ ok: true, answer: { roundsLeft: { likely: null } } });
  });

  it.each([
    ['dropsCents.1', { dropsCents: [5, 2000] }],
    ['dropsCents', { dropsCents: new Array<number>(31).fill(4) }],
    ['toleranceCents', { toleranceCents: 0 }],
  ])('refuses a wrong %s', (field, change) => {
    expect(refusedField('settle', { dropsCents: [20, 10], toleranceCents: 2, ...change })).toBe(field);
  });
});

describe('drift', () => {
  const asked = { readings: [{ hours: 0.5, cents: -20, retuned: true }], limitCents: 5, holdCents: 5, holdHours: 2 };

  it('says when to tune again, on the clock of the readings', () => {
    const reply = answer('drift', asked);
    expect(reply.ok && (reply.answer as { nextRetuneHours: { likely: number } }).nextRetuneHours.likely).toBeGreaterThan(0.5);
  });

  it.each([
    ['readings', { readings: [] }],
    ['readings.0.hours', { readings: [{ hours: 0, cents: -20, retuned: true }] }],
    ['readings.1.hours', { readings: [...asked.readings, ...asked.readings] }],
    ['holdHours', { holdHours: 0 }],
  ])('refuses wrong %s', (field, change) => {
    expect(refusedField('drift', { ...asked, ...change })).toBe(field);
  });
});

describe('balance', () => {
  const string = { stiffnessN: 20000, linearDensityKgPerM: 0.002, scaleMm: 648, extraMm: 60, saddleHeightMm: 10, saddleOffsetMm: 0, note: 'D3' }; // prettier-ignore
  const springs = { count: 1, rateNPerMm: 1, initialN: 5, freeMm: 55, armMm: 40, clawMm: 'level' };
  const asked = { strings: [string], springs, stops: { backDeg: -9, forwardDeg: 20 }, want: 'claw' };
  // one string of 72.4 N at D3 = 146.83 Hz, ten millimetres up, against one spring forty down: 18.06 N, 13.06 mm beyond its 55
  const pull = 0.002 * (2 * 0.648 * 146.83) ** 2;

  it('says where the claw levels the bridge, and how many turns that is', () => {
    const level = 55 + pull / 4 - 5;
    expect(answered('balance', asked)['clawMm']).toBeCloseTo(level, 0);
    const turned = answered('balance', { ...asked, springs: { ...springs, clawMm: 60 } });
    expect(turned['clawTravelMm']).toBeCloseTo((turned['clawMm'] ?? 0) - 60, 9);
    expect(turned['clawTurns']).toBeCloseTo((turned['clawTravelMm'] ?? 0) / 1.7, 9);
  });

  it('reads a bridge from what is heard; null is off', () => {
    const off = { ...string, note: 'A3', nowHz: null };
    const reply = answer('balance', {
      ...asked,
      want: 'equilibrium',
      springs: { ...springs, clawMm: 68 },
      strings: [{ ...string, nowHz: 146.83 }, off],
    });
    expect(reply).toMatchObject({
      ok: true,
      answer: { contact: 'none', stable: true, cents: [expect.closeTo(0, 1), null], pullN: [expect.closeTo(pull, 0), null] },
    });
  });

  it('gives the coupling, and the steps of one pass', () => {
    expect(answer('balance', { ...asked, want: 'coupling' })).toEqual({ ok: true, answer: { coupling: [[1]] } });
    const steps = answer('balance', { ...asked, want: 'onePass', order: [0] });
    expect(steps).toMatchObject({ ok: true, answer: { steps: [{ string: 0, targetCents: expect.closeTo(0, 4) as number, reservePercent: null }] } }); // prettier-ignore
  });

  // two alike strings: with one a tone down both turn the bridge by the same moment, so its springs show in how far the other rises
  it('learns springs from how far another string rises: soft ones let it rise more', () => {
    const two = { ...asked, strings: [string, string], springs: { ...springs, count: 2 }, want: 'calibrate' };
    const rate = (toHz: number) => {
      const readings = [{ string: 0, fromHz: 146.83, toHz: 130.81, others: [{ string: 1, fromHz: 146.83, toHz }] }];
      return answered('balance', { ...two, readings })['rateNPerMm'] as unknown as { low: number; likely: number; high: number };
    };
    const [stiff, soft] = [rate(149), rate(152)];
    expect(soft.high).toBeLessThan(stiff.likely);
    for (const { low, likely, high } of [stiff, soft]) expect([low, likely, high]).toEqual([low, likely, high].sort((a, b) => a - b));
  });

  it('says how far the arm goes: from its note up to the back stop, and down to where it is slack', () => {
    expect(answer('balance', { ...asked, want: 'range' })).toMatchObject({
      ok: true,
      answer: { range: [{ string: 0, downSemitones: null, upSemitones: expect.any(Number) as number }], slackFirst: 0 },
    });
  });

  it.each([
    ['readings', { want: 'calibrate' }],
    [
      'readings.0',
      { want: 'calibrate', readings: [{ string: 0, fromHz: 147, toHz: 131, others: [{ string: 0, fromHz: 147, toHz: 148 }] }] },
    ],
    ['strings', { strings: [{ ...string, nowHz: 100 }, string] }],
    ['strings.0.note', { strings: [{ ...string, frequencyHz: 100 }] }],
    ['order', { want: 'onePass', order: [0, 0] }],
    ['order', { want: 'onePass', order: [3] }],
    ['springs.count', { springs: { ...springs, count: 8, initialN: 20 } }],
    ['springs.armMm', { springs: { ...springs, armMm: 4 } }],
  ])('refuses wrong %s', (field, change) => {
    expect(refusedField('balance', { ...asked, ...change })).toBe(field);
  });
});
