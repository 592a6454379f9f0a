import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fromMillimetres, kilogramsPerCubicMetre, metres } from '../units/index.js';
import { layersOf } from './layers.js';
import type { StringSpec } from './string-spec.js';
import { FINISHES } from '../string-kinds/index.js';
import { windString } from './winding.js';

const spec = (more: Partial<StringSpec>): StringSpec => ({ family: 'bass', construction: 'wound', gauge: fromMillimetres(2), ...more });

describe('layers over a core', () => {
  it('fill the room up to the gauge, whatever the finish and however many', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...FINISHES),
        fc.integer({ min: 1, max: 5 }),
        fc.boolean(),
        fc.double({ min: 0.1, max: 1, noNaN: true }),
        (finish, layers, silk, roomMm) => {
          const core = { shape: 'round' as const, diameter: fromMillimetres(1), density: kilogramsPerCubicMetre(7850) };
          const wound = windString(core, layersOf(spec({ finish, layers, silk }), fromMillimetres(roomMm), 'nickelPlatedSteel'));
          if (!wound.ok) throw new Error(wound.problem.kind);
          expect(wound.value.outerDiameter * 1000).toBeCloseTo(1 + 2 * roomMm, 9);
        },
      ),
    );
  });

  it('end with a ribbon where the string is flat wound, and with a ground wire where it is half-round', () => {
    const last = (more: Partial<StringSpec>) => layersOf(spec(more), metres(0.0005), 'stainless430').at(-1)?.type;
    expect(last({})).toBe('round');
    expect(last({ finish: 'flat', layers: 3 })).toBe('flat');
    expect(last({ finish: 'half-round', layers: 2 })).toBe('ground');
  });

  it('lay silk under the wire: light, and two fifths of the room', () => {
    const [first, second] = layersOf(spec({ silk: true }), metres(0.001), 'silverPlatedCopper');
    if (first?.type !== 'round' || second?.type !== 'round') throw new Error('two round layers');
    expect(first.wire).toBeCloseTo(0.0004, 12);
    expect(first.density).toBeLessThan(second.density / 8);
  });
});
