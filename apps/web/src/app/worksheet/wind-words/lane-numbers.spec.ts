import { TestBed } from '@angular/core/testing';
import { beforeEach, describe, expect, it } from 'vitest';
import { DEFAULT_PREFERENCES, type Preferences } from '@gold-peg/contract/people';
import { windString } from '@gold-peg/craft/procedure';
import { metres } from '@gold-peg/craft/units';
import { Measures, say } from '../../preferences/measures';
import { kindPicture } from '../../build';
import { Session } from '../../session/session';
import { sayLeft, SCHOOLS } from '../../preferences/slack-words';
import { measureReason } from '../why/measure-reason';
import type { AsWound } from '../desk/wind-plans';
import { laneNumbers } from './lane-rows';
import { liveFacts } from '../wind/live-facts';

const benchOf = (id: string, index: number, longer = 0) => {
  const { instrument, lanes, plans } = kindPicture(id, 300);
  const [lane, plan] = [lanes[index], plans[index]];
  if (lane?.string == null || plan == null) throw new Error('no lane');
  const tried = windString({ instrument, index, string: lane.string, cut: metres(plan.cut + longer) });
  if (tried === null) throw new Error('no plan');
  return { lane, plan: longer === 0 ? plan : tried };
};

describe('numbers of a lane at Wind', () => {
  let measures: Measures;
  const prefer = (change: Partial<Preferences>) =>
    TestBed.inject(Session).person.set({
      id: 'p',
      name: 'P',
      role: 'owner',
      version: 1,
      preferences: { ...DEFAULT_PREFERENCES, ...change },
    });
  const numbers = (id: string, index: number, leaves = 1, wound: AsWound | null = null) => {
    const { lane, plan } = benchOf(id, index);
    return laneNumbers(lane, { plan, wound, measures, leaves });
  };

  beforeEach(() => {
    measures = TestBed.inject(Measures);
  });

  it('say afterwards what was left: a clamp has no turns and an arc of slack, a soft string that was pulled tight no length', () => {
    const left = (turns: number | null, slackMm: number | null, clamped = false) =>
      sayLeft({ turns, slack: slackMm === null ? null : metres(slackMm / 1000), clamped }, measures);
    expect(left(2.5, 55)).toEqual({ turns: '2½', slack: '55 mm' });
    expect(left(3, -4)).toEqual({ turns: '3', slack: 'pulled tight' });
    expect(left(0, 1.5, true)).toEqual({ turns: '–', slack: '1.5 mm' });
    expect(left(null, null)).toEqual({ turns: '–', slack: '–' });
  });

  it('say slack in the school of the person, and less of it to a hand that leaves too much', () => {
    const fret = (text: string) => Number(text.replace('fret ', ''));
    expect(numbers('acoustic-parlour', 0).measure).toMatch(/^fret 1\.\d$/);
    expect(fret(numbers('acoustic-parlour', 0, 1.2).measure)).toBeLessThan(fret(numbers('acoustic-parlour', 0).measure));
    prefer({ slackMeasure: 'posts' });
    expect(numbers('acoustic-parlour', 0).measure).toMatch(/^1\.\d posts$/); // two posts follow its own
    expect(numbers('acoustic-parlour', 2).measure).toMatch(/^end \+ \d+ mm$/); // none follows
    prefer({ slackMeasure: 'finger', hand: { fistMm: 90, fingerMm: 20, spacerMm: 50 } });
    expect(numbers('acoustic-parlour', 0).measure).toBe('3 fingers'); // 59 mm of slack
    prefer({ slackMeasure: 'turns-first' });
    expect(numbers('acoustic-parlour', 0).measure).toMatch(/by hand$/);
  });

  it('ask for no slack where a post is locked straight or stretch makes the turns', () => {
    expect(numbers('electric-seven', 0).measure).toBe('straight');
    expect(numbers('ukulele-concert', 0).slack?.band).toMatch(/^± about \d+[05]$/);
    expect(numbers('ukulele-baritone', 2)).toMatchObject({ measure: 'pull tight', slack: { value: '', unit: 'pull tight' } });
  });

  it('give the reason of each measure with a sum that comes out at it', () => {
    const { lane, plan } = benchOf('acoustic-parlour', 0);
    if (plan.kind !== 'post') throw new Error('no post');
    const slack = plan.slack * 1000;
    const why = (slackMeasure: Preferences['slackMeasure']) => {
      prefer({ slackMeasure, hand: { fistMm: 90, fingerMm: 20, spacerMm: 50 } });
      return measureReason(lane, plan, measures, 1);
    };
    expect(why('finger').from).toContain('20 mm');
    expect(why('posts').value).toBe(`${(plan.cut / (plan.postSpacing ?? 1)).toFixed(1)} posts`);
    expect(why('fist').from).toContain('a fist of 90 mm');
    // 632 (1 − 2^(−1/12)) = 35.5 mm to the first fret
    expect(why('pull-back').from).toContain('fret 1 lies 35.5 mm');
    expect(measureReason(lane, plan, measures, 1.1).from).toContain(`${(slack / 1.1).toFixed(1)} mm are meant`);
    for (const school of ['spacer', 'past-post', 'turns-first'] as const) expect(why(school).rule).toBe(SCHOOLS[school].does);
  });

  it('show what was wound in place of what was planned, and what was counted above all', () => {
    const wound: AsWound = { turns: 2.75, slack: metres(0.041), cut: metres(0.052), nutDeg: 7.3, counted: true };
    expect(numbers('acoustic-parlour', 0)).toMatchObject({ turns: '3', counted: false });
    expect(numbers('acoustic-parlour', 0, 1, wound)).toMatchObject({
      turns: '2¾',
      counted: true,
      slack: { value: '41', band: '' },
      cut: { value: '52' },
      angle: '7.3°',
    });
  });

  it('tell the turns of a locking post as the picture does, to the tenth', () => {
    const { turns } = numbers('electric-seven', 0);
    expect(turns).toMatch(/^0\.[1-5]$/);
  });

  it('show for a clamp its arc and what is left of the screw', () => {
    // a string of 648 mm with 1.5 mm of slack lifts by half of √(649.5² − 648²) = 22 mm
    expect(numbers('electric-headless', 0)).toMatchObject({ turns: '–', measure: 'arc 22 mm', cut: { past: 'clamp' } });
    expect(numbers('electric-headless', 0).angle).toMatch(/^\d+ left$/);
  });
});

describe('what a mark gives, live', () => {
  const facts = (id: string, index: number, longer = 0) => {
    const measures = TestBed.inject(Measures);
    const { plan } = benchOf(id, index, longer);
    return Object.fromEntries(liveFacts(plan, (length, digits) => say(measures.length(length, digits))).map((fact) => [fact.label, fact]));
  };

  it('is turns, angle, room to tune and the offcut', () => {
    expect(Object.keys(facts('acoustic-parlour', 0))).toEqual(['turns', 'over the nut', 'tunes down', 'tunes up', 'offcut']);
    expect(facts('acoustic-parlour', 0)['tunes down']?.value).toBe('until slack');
    expect(Number(facts('acoustic-parlour', 0, 0.02)['turns']?.value)).toBeCloseTo(4, 0); // a turn of 6 mm is 20 mm
  });

  it('counts for a lock what the post turns, never less than nothing', () => {
    const locked = facts('electric-seven', 6)['post turns']?.value;
    expect(Number(locked)).toBeGreaterThan(0);
    expect(Number(locked)).toBeLessThan(0.5);
  });

  it('warns where the screw runs out and where the wind gives too little room', () => {
    expect(facts('electric-headless', 0, 0.02)['left of it']?.low).toBe(true);
    expect(facts('classical', 5, -0.025)['tunes down']).toMatchObject({ low: false });
    expect(facts('classical', 0, -0.028)['tunes down']?.value).toMatch(/semitones$/);
  });
});
