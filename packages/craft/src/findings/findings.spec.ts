import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { instrumentOf } from '../archetypes/index.js';
import { WOODS } from '../instrument/index.js';
import {
  advise,
  clampCount,
  compareFindings,
  FINDING_KINDS,
  FINDINGS,
  findable,
  MEASURE_KINDS,
  measureOf,
  placeOf,
  placesToNote,
  SEVERITIES,
} from './index.js';
import type { Finding, FindingKind, Severity } from './index.js';

const found = (what: FindingKind, severity: Severity = 'watch', string: number | null = null, fret: number | null = null): Finding => ({
  what,
  severity,
  string,
  fret,
  wood: null,
});

describe('advice about a finding', () => {
  it('sends frets, slots and lifting bridges to a repairer, and all that has wires to an electrician', () => {
    expect(advise(found('groove', 'now')).refer).toBe('repairer');
    expect(advise(found('fret-lifts')).refer).toBe('repairer');
    expect(advise(found('bridge-lifts')).refer).toBe('repairer');
    expect(advise(found('slot-binds', 'soon')).refer).toBe('repairer');
    expect(advise(found('crackles')).refer).toBe('electrician');
    expect(advise(found('dead')).says).toContain('unplug');
  });

  it('leaves to the bench what is bench work: a shallow groove, a loose screw, a dry board, a worn pin', () => {
    for (const what of ['groove', 'screw-loose', 'board-dry', 'pin-worn', 'rattle'] as const) expect(advise(found(what)).refer).toBeNull();
    for (const what of ['screw-loose', 'board-dry', 'pin-worn', 'string-worn'] as const)
      expect(advise(found(what, 'now')).refer).toBeNull();
  });

  it('never sends a graver finding home that it would refer when it was lighter', () => {
    for (const what of FINDING_KINDS) {
      const referred = SEVERITIES.map((severity) => advise(found(what, severity)).refer !== null);
      expect(referred).toEqual([...referred].sort());
    }
  });

  it('gives oil by the wood: little to ebony, none to lacquered maple', () => {
    const dry = (wood: Finding['wood']) => advise({ ...found('board-dry'), wood });
    expect(dry('ebony').says).toContain('needs little');
    expect(dry('ebony').oil).toBe(true);
    expect(dry('maple-lacquered').says).toContain('no oil at all');
    expect(WOODS.filter((wood) => !dry(wood).oil)).toEqual(['maple-lacquered', 'composite']);
    expect(dry(null).oil).toBe(false);
    expect(advise({ ...found('groove'), wood: 'ebony' }).oil).toBe(false);
  });

  it('looks for pins only where there are pins, and for a lifting bridge only where one is glued', () => {
    const pinned = instrumentOf('acoustic-large');
    const electric = instrumentOf('electric-split');
    expect(findable(pinned, 'pin-worn')).toBe(true);
    expect(findable(electric, 'pin-worn')).toBe(false);
    expect(findable(pinned, 'bridge-lifts')).toBe(true);
    expect(findable(electric, 'bridge-lifts')).toBe(false);
    expect(
      FINDING_KINDS.filter((kind) => FINDINGS[kind].part !== 'pin').every((kind) => kind === 'bridge-lifts' || findable(electric, kind)),
    ).toBe(true);
  });
});

describe('findings against last time', () => {
  it('tell what is new, worse, the same, better, and gone', () => {
    const before = [found('groove', 'watch', 2, 3), found('groove', 'soon', 1, 2), found('board-dry', 'soon'), found('rattle')];
    const now = [found('groove', 'soon', 2, 3), found('groove', 'soon', 1, 2), found('board-dry', 'watch'), found('crack')];
    expect(compareFindings(now, before).map(({ finding, course }) => `${placeOf(finding).trim()} ${course}`)).toEqual([
      'groove 2 3 worse',
      'groove 1 2 same',
      'board-dry better',
      'crack new',
      'rattle gone',
    ]);
  });

  const anyFindings = fc
    .array(
      fc.record({
        what: fc.constantFrom(...FINDING_KINDS),
        severity: fc.constantFrom(...SEVERITIES),
        string: fc.integer({ min: 1, max: 6 }),
      }),
    )
    .map((list) => [
      ...new Map(list.map((each) => [`${each.what} ${each.string}`, { ...found(each.what, each.severity), string: each.string }])).values(),
    ]);

  it('name every finding of either time once, and turn round when the times do', () => {
    const mirrored = { new: 'gone', gone: 'new', worse: 'better', better: 'worse', same: 'same' } as const;
    fc.assert(
      fc.property(anyFindings, anyFindings, (now, before) => {
        const told = compareFindings(now, before);
        const places = told.map(({ finding }) => placeOf(finding));
        expect(new Set(places).size).toBe(places.length);
        expect(new Set(places)).toEqual(new Set([...now, ...before].map(placeOf)));
        const back = new Map(compareFindings(before, now).map(({ finding, course }) => [placeOf(finding), course]));
        for (const { finding, course } of told) expect(back.get(placeOf(finding))).toBe(mirrored[course]);
      }),
    );
  });
});

describe('what is measured', () => {
  it('has a range that its typical values lie in', () => {
    const typical = { relief: 0.2, 'action-treble': 1.8, 'action-bass': 2.3, 'slot-width': 0.6, 'saddle-height': 10, 'bridge-level': 3 };
    for (const [kind, value] of Object.entries(typical)) {
      const [from, to] = measureOf(kind as keyof typeof typical).range;
      expect(value).toBeGreaterThan(from);
      expect(value).toBeLessThan(to);
    }
    expect(MEASURE_KINDS.filter((kind) => measureOf(kind).perString)).toEqual(['slot-width', 'saddle-height']);
  });

  it('is the place of a loose bridge and the level of a floating one before strings come off, and nothing at a fixed one', () => {
    expect(placesToNote(instrumentOf('mandolin'))).toEqual(['bridge-place-treble', 'bridge-place-bass']);
    expect(placesToNote(instrumentOf('electric-double-locking'))).toEqual(['bridge-level']);
    expect(placesToNote(instrumentOf('acoustic-large'))).toEqual([]);
  });

  it('counts a clamp for each pair of strings of a locking nut: three for six, four for seven', () => {
    const six = instrumentOf('electric-double-locking');
    expect(clampCount(six)).toBe(3);
    expect(clampCount({ ...six, strings: [...six.strings, ...six.strings.slice(0, 1)] })).toBe(4);
    expect(clampCount(instrumentOf('acoustic-large'))).toBe(0);
  });
});
