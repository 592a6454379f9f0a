import { describe, expect, it } from 'vitest';
import { judgeRounds, type Band } from '@gold-peg/craft/settle';
import { cents } from '@gold-peg/craft/units';
import { placesOfSlip, sayDrift, sayRounds, saySettling } from './settle-words';

const say = (...drops: number[]) => saySettling(drops, judgeRounds({ drops: drops.map(cents), tolerance: cents(2) }));

describe('what rounds say', () => {
  it('how many more, between what, and what the next should cost', () => {
    expect(say(40, 20, 10, 5).short).toBe('lost 5 ¢ · 2 more rounds');
    const told = say(40, 20, 10, 5).long;
    expect(told).toMatch(/^It stretches: 2 more rounds.* until one costs no more than 2 ¢\. The next round should cost 2\.\d ¢/);
  });

  it('that it is settled, or slips, or has to be looked at, with what to do', () => {
    expect(say(32, 8, 2, 0.5)).toMatchObject({ short: 'lost 0.5 ¢ · ✓ settled', settled: true, wrong: false });
    expect(say(19, 22, 18, 21, 20)).toMatchObject({ short: 'lost 20 ¢ · ✗ slipping', wrong: true });
    expect(say(19, 22, 18, 21, 20).long).toContain('Look at anchor, kink and clamp');
    expect(say(46, 26, 16, 11, 8.5, 7.25, 6.6, 6.3, 6.2, 6.1).long).toContain('goes on losing more than 2 ¢');
  });

  it('that two readings are too few, and that a sharp string is stretched, never slackened', () => {
    expect(say(20, 20).short).toBe('lost 20 ¢ · too early to say');
    expect(say(-6).short).toContain('6 ¢ sharp');
    expect(say(-6).long).toContain('never slacken to pitch');
  });

  it('in short for the passport', () => {
    expect([sayRounds([]), sayRounds([3]), sayRounds([40, 12, 1.5])]).toEqual(['–', '1 round, last 3 ¢', '3 rounds, last 1.5 ¢']);
  });
});

describe('what rounds say of strings that creep, and where one slips', () => {
  const judged = (...drops: number[]) => judgeRounds({ drops: drops.map(cents), tolerance: cents(2) });

  it('tells slip by the first rounds, and then leaves them to the clock', () => {
    expect(saySettling([90, 70, 30], judged(90, 70, 30), { soft: true })).toMatchObject({
      short: 'lost 30 ¢ · no slip: now the clock',
      wrong: false,
    });
    expect(saySettling([90, 70, 30], judged(90, 70, 30), { soft: true }).long).not.toMatch(/more rounds/);
    expect(saySettling([40, 41, 39, 42], judged(40, 41, 39, 42), { soft: true }).wrong).toBe(true);
  });

  it('names the peg first where it is held by friction', () => {
    const held = placesOfSlip('friction', 'knot-in-slot');
    expect(saySettling([40, 41, 39, 42], judged(40, 41, 39, 42), { held }).long).toContain('Look at its peg first');
    expect(placesOfSlip('roller', 'tie-block')).toMatch(/^the tie: .* edge, then the crossing on its roller$/);
    expect(placesOfSlip('through', 'pins')).toBe('the kink at its post, then the ball under its pin');
    expect(placesOfSlip(undefined, 'pins')).toBe('anchor, kink and clamp');
  });
});

describe('what drift says', () => {
  const noon = new Date(2026, 8, 1, 12).getTime();
  const band = (likely: number, low = likely, high = likely): Band => ({ low, likely, high });

  it('the hour to tune again and the one from which it holds, with the day where it is another', () => {
    const found = sayDrift({ nextRetune: band(1, 0.75, 1.5), holdsFrom: band(13) }, noon, noon);
    expect(found).toBe('Tune again about 13:00 (12:45 to 13:30): by then it is 5 ¢ off. It holds within 5 ¢ for 2 h from about Wed 01:00.');
  });

  it('the day of the month where a weekday would not say which', () => {
    const { low, likely, high } = { low: 24 * 5, likely: 24 * 8, high: 24 * 40 };
    const said = sayDrift({ nextRetune: band(likely, low, high), holdsFrom: band(1) }, noon, noon);
    expect(said).toContain('Tune again about 9 Sept (Sun 12:00 to 11 Oct)');
  });

  it('that it is due, that it holds, and what never comes', () => {
    const answer = sayDrift({ nextRetune: band(1), holdsFrom: band(1) }, noon, noon + 2 * 3_600_000);
    expect(answer).toBe('Tune it now. Tuned now, it holds within 5 ¢ for 2 h.');
    const never = sayDrift({ nextRetune: band(Number.POSITIVE_INFINITY), holdsFrom: band(Number.POSITIVE_INFINITY) }, noon, noon);
    expect(never).toContain('hardly move 5 ¢');
    expect(never).toContain('will not hold');
    const result = sayDrift({ nextRetune: band(1, 0.5, Number.POSITIVE_INFINITY), holdsFrom: band(1) }, noon, noon);
    expect(result).toContain('(12:30 at least, perhaps never)');
  });
});
