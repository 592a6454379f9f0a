import { describe, expect, it } from 'vitest';
import { solveGauges } from '@gold-peg/craft/gauges';
import { SETS, setsFor, STRINGS } from '@gold-peg/craft/strings';
import { strungKind } from '@gold-peg/craft/tuning';
import { answerRow, sayNoAnswer } from './answer-rows';
import { firstWish, questionOf, referenceOn, stringingOf, type Bench } from './wish-form';

const strung = strungKind('electric-in-line');
const tens = setsFor('electric', 6).find(({ name }) => name === '.010–.046 nickel-plated steel');
const bench = (more: Partial<Bench> = {}): Bench => ({
  strung,
  old: stringingOf(strung, tens?.strings ?? []),
  strings: STRINGS,
  sets: SETS,
  shelf: null,
  ...more,
});
function best(bench: Bench, change: Partial<ReturnType<typeof firstWish>> = {}) {
  const question = questionOf({ ...firstWish(bench), ...change }, bench);
  const outcome = question === null ? null : solveGauges(question);
  if (outcome?.ok !== true) throw new Error('no answer');
  return outcome.value;
}

describe('a wish', () => {
  it('begins with the old pull, wound where the old strings are', () => {
    const first = firstWish(bench());
    expect(first.kind).toBe('old-pull');
    expect(first.kinds).toEqual(['smooth', 'smooth', 'smooth', 'wound', 'wound', 'wound']);
    expect(best(bench())[0]?.set?.id).toBe(tens?.id);
    expect(firstWish(bench({ old: null })).kind).toBe('equal-pull');
  });

  it('asks nothing while something it needs is missing', () => {
    expect(questionOf({ ...firstWish(bench()), kind: 'old-pull' }, bench({ old: null }))).toBeNull();
    expect(questionOf({ ...firstWish(bench()), from: 'shelf' }, bench())).toBeNull();
    expect(questionOf({ ...firstWish(bench()), kind: 'feel', feelNeck: 'electric-split', feelSet: null }, bench())).toBeNull();
    expect(referenceOn('bass-in-line', tens)).toBeNull();
  });

  it('finds heavier strings for the feel of the same set on a shorter neck: none, but lighter on a longer one', () => {
    const [felt] = best(bench(), { kind: 'feel', feelNeck: 'electric-split', feelSet: tens?.id ?? null });
    // 648 against 628 mm: the same gauge pulls 6 % more, so that some string has to be thinner
    const thickness = (strings: readonly { gauge: number }[]) => strings.reduce((sum, { gauge }) => sum + gauge, 0);
    expect(thickness(felt?.strings ?? [])).toBeLessThan(thickness(tens?.strings ?? []));
  });

  it('shares a total as the old set shares it, or evenly', () => {
    const shared = best(bench(), { kind: 'total', totalN: 400, sharedAsOld: true })[0];
    const even = best(bench(), { kind: 'total', totalN: 400, sharedAsOld: false })[0];
    expect(shared?.strings.map(({ id }) => id)).not.toEqual(even?.strings.map(({ id }) => id));
  });
});

describe('an answer', () => {
  it('names its set, and each string that has to be a single', () => {
    const answers = best(bench(), { mostSingles: 1 });
    expect(answerRow(answers[0] as never, null).source).toBe('the set .010–.046 nickel-plated steel');
    const other = answers.map((answer) => answerRow(answer, null)).find(({ answer }) => answer.singles === 1);
    expect(other?.source).toMatch(/^the set .*, and string \d as a single$/);
    expect(other?.cells.filter(({ single }) => single).length).toBe(1);
  });

  it('draws what is missed to its own side, and words for a string that is left free', () => {
    const [row] = best(bench(), { kind: 'equal-pull', pullN: 70, weights: [0, 1, 1, 1, 1, 1] }).map((answer) => answerRow(answer, null));
    expect(row?.cells[0]?.miss).toBe('free');
    for (const { miss, left, width } of row?.cells.slice(1) ?? []) {
      if (miss.startsWith('+')) expect(left).toBe(50);
      if (miss.startsWith('−')) expect(left + width).toBeCloseTo(50, 9);
    }
  });

  it('says what each wound string is wound with where they are not all alike, and only there', () => {
    const rows = best(bench(), { kind: 'equal-pull', pullN: null, mixed: true }).map((answer) => answerRow(answer, null));
    for (const { name, cells } of rows) {
      const made = cells.filter(({ texture }) => texture === 'wound').map((cell) => cell.made);
      expect(new Set(made).size > 1).toBe(name.includes('mixed windings'));
      expect(cells.filter(({ texture }) => texture === 'plain').every((cell) => cell.made === '')).toBe(true);
    }
    expect(rows.some(({ name }) => name.includes('mixed windings'))).toBe(true);
  });

  it('says why there is none, and what to change', () => {
    expect(sayNoAnswer({ kind: 'no-string', seat: 1, listed: 12 }, strung.seats)).toContain('B3 in lane 2');
    expect(sayNoAnswer({ kind: 'no-string', seat: 0, listed: 0 }, strung.seats)).toContain('none is listed');
    expect(sayNoAnswer({ kind: 'nothing-in-stock' }, strung.seats)).toContain('order what is missing');
    expect(sayNoAnswer({ kind: 'no-set' }, strung.seats)).toContain('allow one more');
  });
});
