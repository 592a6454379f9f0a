import { describe, expect, it } from 'vitest';
import { readHand } from './hand-readings';

describe('a hand from three readings', () => {
  it('is the middle one, with how far they lie apart', () => expect(readHand([86, 90, 88])).toEqual({ kind: 'read', mm: 88, spreadMm: 4 }));

  it('waits for three, and asks again where they do not agree', () => {
    expect(readHand([86, null, 88])).toEqual({ kind: 'missing', count: 2 });
    expect(readHand([18, 18, 28])).toEqual({ kind: 'apart', spreadMm: 10 });
  });
});
