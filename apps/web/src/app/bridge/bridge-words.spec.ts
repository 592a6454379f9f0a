import { instrumentOf } from '@gold-peg/craft/archetypes';
import { bridgeUnder, usualSprings } from '@gold-peg/craft/balance';
import { setsFor, stringProperties } from '@gold-peg/craft/strings';
import { fromDegrees } from '@gold-peg/craft/units';
import { describe, expect, it } from 'vitest';
import { spanFor } from './span';
import { coil, edgeSpot, hookSpot, largerFor, saddleSpot, scaleOf } from './bridge-shape';
import { sayNarrows, sayObstacle, sayScrews, sayToMiddle, signed } from '.';
import { list, plusMinus, sayClaw, sayEighths, sayMark, sayMarkForClaw } from './bridge-words';

describe('screws of the claw', () => {
  it('do the same, or each its own', () => {
    expect(sayScrews({ bass: 1.25, treble: 1.25 })).toBe('each screw of the claw 1¼ turns in');
    expect(sayScrews({ bass: 0.5, treble: 0 })).toBe('bass screw of the claw ½ turn in, treble screw left');
    expect(sayScrews({ bass: 0.25, treble: -0.25 })).toBe('bass screw of the claw ¼ turn in, treble screw ¼ turn out');
  });
});

describe('what stands in the way of a balance', () => {
  const instrument = instrumentOf('electric-in-line-locking');
  const strings = (setsFor('electric', 6)[1]?.strings ?? []).map((spec) => {
    const known = stringProperties(spec);
    return known.ok ? known.value : null;
  });
  const at = (degrees: number, { count = 3, back = -4 } = {}) => {
    const bridge = bridgeUnder(instrument, strings, { ...usualSprings, count });
    if (bridge === null) throw new Error('it moves');
    return sayObstacle({
      bridge: { ...bridge, stops: { back: fromDegrees(back), forward: fromDegrees(25) } },
      angle: fromDegrees(degrees),
    });
  };

  it('a stop, which and the way on; nothing where it floats, or rests on the body by design', () => {
    expect(at(25)).toContain('toward the neck: claw in, or one more spring');
    expect(at(-4)).toContain('claw out, or one spring less');
    expect(at(3)).toBeNull();
    expect(at(0, { back: 0 })).toBeNull();
  });

  it('springs that are too few', () => expect(at(3, { count: 1 })).toContain('the claw would meet the wall'));
});

describe('words at a bridge', () => {
  it('turn a screw by eighths', () => {
    expect([0.124, 0.5, 1, 1.26, 3.63].map(sayEighths)).toEqual(['⅛', '½', '1', '1¼', '3⅝']);
    expect([sayClaw(1.25), sayClaw(-0.5), sayClaw(1)]).toEqual(['1¼ turns in', '½ turn out', '1 turn in']);
  });

  it('say a mark with what brings the string home from it', () => {
    expect(sayMark('A2', { target: 40.06, toward: 0 }, [4, 3])).toBe('Tune to A2 +40.1 ¢ now: it comes down to 0 when 4 and 3 are up.');
    expect(sayMark('A2', { target: -12, toward: 0 }, [1])).toBe('Tune to A2 −12.0 ¢ now: it comes up to 0 when 1 is down.');
    expect(sayMark('E4', { target: 0, toward: 0 }, [])).toBe('Tune to E4: it is the last, and all are home.');
    expect(sayMark('E4', { target: 0.01, toward: 0 }, [2])).toContain('what follows does not move it');
    expect(sayMark('G3', { target: -150, toward: -100 }, [2])).toContain('leaves all at −100 ¢, the next brings them home');
    expect(sayMarkForClaw('E2', -224.7)).toContain('the claw, turned in afterwards, brings it to 0');
  });

  it('say whose fine tuners go to the middle: those of the strings that the job is about', () => {
    expect(sayToMiddle(null)).toContain('every fine tuner');
    expect(sayToMiddle([2])).toMatch(/^the fine tuner of string 3 to the middle of its travel.*; the others stay as they are$/);
    expect(sayToMiddle([1, 2])).toContain('the fine tuners of string 2 and 3 to the middle of their travel');
  });

  it('say what would be worth knowing, signs that all stand alike, and lists', () => {
    const told = sayNarrows({ what: 'trial', leaves: 6.4 as never });
    expect(told).toBe('Known best by a trial: lower one string, hear the others: then about ±6 ¢.');
    expect(sayNarrows(null)).toBe('');
    expect([signed(-4.04), signed(0.01), signed(12.34, 0)]).toEqual(['−4.0', '0.0', '+12']);
    expect([list([1]), list([1, 2]), list([1, 2, 3])]).toEqual(['1', '1 and 2', '1, 2 and 3']);
  });
});

describe('how far a number may be off', () => {
  const band = { low: 90, likely: 99, high: 115 };

  it('is the longer way to an end of its band, and nothing where that rounds to none or the band is of another state', () => {
    expect([plusMinus(band, 99), plusMinus(band, 99.06, 1)]).toEqual(['±16', '±15.9']);
    expect([plusMinus(null, 99), plusMinus(band, 80), plusMinus({ low: 98.9, likely: 99, high: 99.1 }, 99)]).toEqual(['', '', '']);
  });
});

describe('the scale of lanes', () => {
  it('is the narrowest that holds all that is shown', () => {
    expect(spanFor([0, -30, null])).toEqual({ span: 120, ticks: [-100, -50, 50, 100] });
    expect(spanFor([-244.7, 80]).span).toBe(320);
    expect(spanFor([-1203]).ticks).toEqual([-1200, -600, 600, 1200]);
    expect(spanFor([-Infinity, 10]).span).toBe(120);
  });
});

describe('the picture of the bridge', () => {
  const scale = scaleOf(480, 300, 97, 1);

  it('is to scale: the saddle 10.5 mm over the edge, hooks 40 mm under it, the back edge 45 mm behind', () => {
    const [saddle, hook, edge] = [saddleSpot(scale, 0), hookSpot(scale, 0), edgeSpot(scale, 0)];
    expect((scale.edge.y - saddle.y) / scale.px).toBeCloseTo(10.5, 9);
    expect((hook.y - scale.edge.y) / scale.px).toBeCloseTo(40, 9);
    expect((edge.x - scale.edge.x) / scale.px).toBeCloseTo(45, 9);
    expect(edge.x).toBeLessThan(480);
    expect(hook.y).toBeLessThan(300);
  });

  it('raises its back edge and takes saddles toward the nut as it tips forward', () => {
    expect(edgeSpot(scale, 0.1).y).toBeLessThan(edgeSpot(scale, 0).y);
    expect(saddleSpot(scale, 0.1).x).toBeLessThan(saddleSpot(scale, 0).x);
    expect(hookSpot(scale, 0.1).x).toBeGreaterThan(hookSpot(scale, 0).x);
  });

  it('draws small tilts larger, and a large one as it is', () => {
    const degrees = (value: number) => (value * Math.PI) / 180;
    expect([largerFor([0.01]), largerFor([degrees(5)]), largerFor([degrees(-9), 0])]).toEqual([5, 2, 1]);
  });

  it('hooks a spring in at both ends', () => {
    const path = coil({ x: 10, y: 20 }, { x: 110, y: 20 });
    expect(path.startsWith('M10.0 20.0')).toBe(true);
    expect(path.endsWith('L110.0 20.0')).toBe(true);
  });
});
