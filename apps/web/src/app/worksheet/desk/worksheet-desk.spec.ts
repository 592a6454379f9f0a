import { TestBed } from '@angular/core/testing';
import { afterEach, describe, expect, it } from 'vitest';
import { DEFAULT_PREFERENCES } from '@gold-peg/contract/people';
import type { PastSetup } from '@gold-peg/contract/register';
import type { Stage } from '@gold-peg/craft/stages';
import { STRINGS, type TableString } from '@gold-peg/craft/strings';
import { hertz, metres } from '@gold-peg/craft/units';
import type { BenchEvent, SetChosen } from '@gold-peg/craft/worksheet';
import { Session } from '../../session/session';
import { jobId, person, setOf, setupWith, WorksheetBench } from '../../testing/worksheet-bench';
import type { WorksheetDesk } from './worksheet-desk';

const nines = setOf('electric-nickel-9-11-16-24w-32w-42w');
const tens = setOf('electric-nickel-10-13-17-26w-36w-46w');
const single = (id: string) => STRINGS.find((string) => string.id === id) as TableString;

/** Away from the server: the desk works from what the device keeps. */
describe('the desk of a worksheet', () => {
  let bench: WorksheetBench;
  let desk: WorksheetDesk;

  afterEach(() => bench.close());

  async function open(current: PastSetup | null, events: BenchEvent[] = []): Promise<void> {
    bench = await WorksheetBench.open({ current, events });
    desk = bench.desk;
  }
  /** At a stage of a job whose set is chosen. */
  async function begin(stage: Stage): Promise<void> {
    await open(setupWith(nines));
    await desk.choose();
    goTo(stage);
  }
  function goTo(stage: Stage): void {
    desk.stage.set(stage);
    TestBed.tick();
  }
  const logged = () => bench.logged;
  const chosen = (): SetChosen => {
    const event = logged().findLast(({ kind }) => kind === 'set-chosen');
    if (event?.kind !== 'set-chosen') throw new Error('nothing was chosen');
    return event.payload;
  };

  it('opens from the device while the server is away, with the set that is on it laid out again', async () => {
    await open(setupWith(nines));
    expect(desk.file()?.job.id).toBe(jobId);
    expect(desk.candidate()?.id).toBe(nines.id);
    expect(desk.lanes().map(({ letter }) => letter)).toEqual(['E', 'B', 'G', 'D', 'A', 'E']);
    expect(desk.oldStrings()?.every((string) => string !== null)).toBe(true);
  });

  it('logs the set with its rows of the table, so that the shelf knows what was opened', async () => {
    await open(setupWith(nines));
    desk.laidOut.candidateId.set(tens.id);
    await desk.choose();
    expect(chosen().setId).toBe(tens.id);
    expect(chosen().strings.map(({ stringId }) => stringId)).toEqual(tens.strings.map(({ id }) => id));
    expect(desk.laidOut.isChosen(tens)).toBe(true);
    expect(desk.laidOut.isChosen(nines)).toBe(false);
  });

  it('keeps a set with a single in it as what it is, though another set bears its name', async () => {
    await open(setupWith(nines));
    const strings = tens.strings.with(2, single('electric-plain-18'));
    desk.laidOut.ownSet.set({ set: { id: 'own', lineId: null, name: tens.name, family: 'electric', strings }, from: tens });
    desk.laidOut.candidateId.set('own');
    await desk.choose();
    expect(chosen()).toMatchObject({ name: tens.name, setId: tens.id });
    desk.laidOut.ownSet.set(null);
    desk.laidOut.candidateId.set(null);
    // as after a reload: only the log knows
    expect(desk.candidate()?.strings[2]?.id).toBe('electric-plain-18');
    expect(desk.laidOut.isChosen(tens)).toBe(false);
    await desk.choose();
    expect(chosen().strings[2]?.stringId).toBe('electric-plain-18');
    expect(chosen().setId).toBe(tens.id);
  });

  it('tunes the job, not the past: old strings stay in the tuning they came with', async () => {
    const tuning = { a4Hz: 440, notes: ['D4', 'A3', 'F3', 'C3', 'G2', 'D2'].map((note) => ({ note, frequencyHz: null })) };
    await open(setupWith(nines, { tuning }));
    expect(desk.asItCame()?.strings[0]?.note).toBe('D4');
    desk.laidOut.triedTuning.set({ a4: hertz(432), notes: ['E4', 'B3', 'G3', 'D3', 'A2', 'E2'].map((note) => ({ note, frequency: null })) }); // prettier-ignore
    expect(desk.instrument()?.strings[0]?.note).toBe('E4');
    expect(desk.asItCame()?.strings[0]?.note).toBe('D4');
    await desk.choose();
    expect(chosen().tuning).toMatchObject({ a4Hz: 432, notes: [{ note: 'E4', frequencyHz: null }, {}, {}, {}, {}, {}] });
    desk.laidOut.triedTuning.set(null);
    desk.stage.set('wind');
    expect(desk.instrument()?.a4).toBe(432);
  });

  it('begins a lane again with another string when one is lost', async () => {
    await begin('anchor');
    desk.lane.set(0);
    await desk.markDone();
    expect(desk.sheet().done.anchor[0]).not.toBeNull();
    desk.lane.set(0);
    await desk.scrap('kinked');
    expect(desk.sheet().done.anchor[0]).toBeNull();
    expect(desk.sheet().scrapped.map(({ string, payload }) => [string, payload.why])).toEqual([[1, 'kinked']]);
    expect(logged().at(-1)).toMatchObject({ kind: 'scrapped', string: 1, personId: person.id });
  });

  it('goes on to the next string, and leaves in hand what somebody picked meanwhile', async () => {
    await begin('ready');
    desk.lane.set(5);
    await desk.markDone();
    expect(desk.lane()).toBe(4);
    const marking = desk.markDone();
    desk.lane.set(1);
    await marking;
    expect(desk.sheet().done.ready[4]).not.toBeNull();
    expect(desk.lane()).toBe(1);
  });

  it('follows the run: after a string is off it is looked over, anchored and wound, and taking back goes the same way', async () => {
    await begin('strip');
    expect(desk.lane()).toBe(5);
    expect(await desk.markDone()).toBe('look-over');
    goTo('look-over');
    expect(desk.lane()).toBe(5);
    expect(await desk.takeBack()).toBe('strip');
    expect(desk.sheet().done.strip[5]).toBeNull();
    desk.stage.set('strip');
    expect(await desk.takeBack()).toBeNull();
  });

  it('lies as the instrument does: string 1 nearest with the headstock to the right', async () => {
    await open(setupWith(nines));
    expect(desk.inView([1, 2, 3])).toEqual([1, 2, 3]);
    TestBed.inject(Session).person.set({ ...person, preferences: { ...DEFAULT_PREFERENCES, turned: true } });
    expect(desk.inView([1, 2, 3])).toEqual([3, 2, 1]);
  });

  it('winds by the ways in force, and learns from the turns that were counted', async () => {
    await begin('wind');
    const planned = () => desk.plans()[0];
    expect(planned()).toMatchObject({ kind: 'post', methods: { turns: 3, turnsFrom: 'built-in' } });
    TestBed.inject(Session).person.set({ ...person, preferences: { ...DEFAULT_PREFERENCES, methods: { turns: { 'thin-plain': 2 } } } });
    expect(planned()).toMatchObject({ methods: { turns: 2, turnsFrom: 'technician' } });
    desk.lane.set(0);
    await desk.markDone();
    desk.lane.set(0);
    expect(desk.winding.postThicker().count).toBe(0);
    await desk.count(1.5); // fewer than planned: the post is thicker than noted, or less slack was left than meant
    expect(desk.winding.postThicker()).toMatchObject({ count: 1 });
    expect(desk.winding.postThicker().value).toBeGreaterThan(0);
    expect(desk.leaves().value).toBeLessThan(1);
    expect(desk.winding.evidence()).toMatchObject([{ string: 1, turns: 1.5, personName: 'you' }]);
    const learned = desk.leaves();
    await desk.happens({ kind: 'noted', payload: { text: 'buzzes at the first fret' } });
    expect(desk.leaves()).toBe(learned); // nothing was reckoned anew: the counts are the same
    expect(await desk.takeBack()).toBe('wind');
    expect(desk.winding.evidence()).toEqual([]);
  });

  it('lets all strings off a floating bridge only once a block holds it', async () => {
    bench = await WorksheetBench.open({ kind: 'electric-in-line-locking', current: setupWith(nines) }); // its vibrato floats
    desk = bench.desk;
    TestBed.inject(Session).person.set({ ...person, preferences: { ...DEFAULT_PREFERENCES, methods: { stripping: 'all-off' } } });
    expect(desk.run()?.schools.stripping).toMatchObject({ value: 'one-at-a-time', forced: 'floating-bridge', overruled: 'all-off' });
    await desk.block(true);
    expect(desk.run()?.schools.stripping).toMatchObject({ value: 'all-off', forced: null });
  });

  it('takes nothing where nothing is laid out, or the job is handed over, and says so', async () => {
    await open(setupWith(nines));
    expect(await desk.choose()).toBe(true);
    await desk.handOver('');
    expect(await desk.choose()).toBe(false);
    expect(logged().map(({ kind }) => kind)).toEqual(['set-chosen', 'handed-over']);
  });

  it('knows a set of an older log by its name', async () => {
    const payload: SetChosen = {
      name: tens.name,
      family: 'electric',
      strings: tens.strings.map((string) => ({ construction: string.construction, gaugeMm: string.gauge * 1000 })),
    };
    const event: BenchEvent = {
      id: '01900000-0000-7000-8000-0000000000e1',
      version: 1,
      jobId,
      instrumentId: jobId,
      personId: person.id,
      deviceId: person.id,
      at: '2026-05-26T08:30:00Z',
      kind: 'set-chosen',
      payload,
    };
    await open(setupWith(nines), [event]);
    expect(desk.candidate()?.id).toBe(tens.id);
    expect(desk.laidOut.isChosen(tens)).toBe(true);
    desk.stage.set('wind');
    expect(desk.strings()[0]?.gauge).toBeCloseTo(0.000254, 9);
  });

  it('keeps a tried mark with its string until it is wound or put back, through other lanes and another set', async () => {
    await open(setupWith(nines));
    goTo('wind');
    desk.lane.set(0);
    desk.winding.tryCut(metres(0.1));
    desk.lane.set(3);
    expect(desk.winding.triedCut()).toBeNull();
    await desk.choose();
    desk.lane.set(0);
    expect(desk.winding.triedCut()).toBeCloseTo(0.1, 9);
    expect(desk.plans()[0]?.cut).toBeCloseTo(0.1, 9);
    await desk.markDone();
    expect(logged().at(-1)).toMatchObject({ kind: 'wound', string: 1, payload: { cutBeyondPostMm: expect.closeTo(100, 6) as number } });
    // what was wound is shown from then on, and not what the ways would do
    expect(desk.plans()[0]?.cut).toBeCloseTo(0.1, 6);
    expect(desk.winding.asWound()[0]?.cut).toBeCloseTo(0.1, 9);
    desk.lane.set(0);
    expect(desk.winding.triedCut()).toBeNull();
  });

  it('winds no string from a mark that its post cannot take: a metre of it', async () => {
    await begin('wind');
    desk.lane.set(5);
    desk.winding.tryCut(metres(1));
    expect(desk.winding.overfills(5)).toBe(true);
    const before = logged().length;
    expect(await desk.markDone()).toBeNull();
    expect(logged().length).toBe(before);
    desk.winding.tryCut(desk.winding.house()[5]?.cut ?? null); // the house's own fits
    expect(desk.winding.overfills(5)).toBe(false);
    await desk.markDone();
    expect(logged().at(-1)).toMatchObject({ kind: 'wound', string: 6 });
  });

  it('shows lane, log and passport alike what turns that were counted come to', async () => {
    await begin('wind');
    desk.lane.set(0);
    await desk.markDone();
    desk.lane.set(0);
    const planned = desk.winding.asWound()[0];
    await desk.count(2);
    const counted = desk.winding.asWound()[0];
    expect(counted).toMatchObject({ turns: 2, counted: true });
    // three were planned: a turn of .009 on a post of 6.3 mm is 20.5 mm
    expect(((planned?.slack ?? 0) - (counted?.slack ?? 0)) * 1000).toBeCloseTo(20.5, 0);
    const count = logged().findLast(({ kind }) => kind === 'turns-counted');
    expect(count).toMatchObject({ payload: { lies: { slackMm: expect.closeTo((counted?.slack ?? 0) * 1000, 6) as number } } });
  });

  it('keeps the string in hand that somebody took out of order, from stage to stage', async () => {
    await begin('strip');
    desk.lane.set(3);
    for (const next of ['look-over', 'anchor', 'wind', 'bring-up'] as const) {
      const stage = await desk.markDone();
      expect(stage).toBe(next);
      goTo(next);
      expect(desk.lane()).toBe(3);
    }
    expect(await desk.markDone()).toBe('strip'); // up to pitch: now the order in force
    expect(desk.lane()).toBe(5);
  });

  it('leads a lost string to Ready, and ticks nothing for one that is not there', async () => {
    await begin('wind');
    desk.lane.set(2);
    await desk.markDone();
    desk.lane.set(2);
    expect(await desk.scrap('broke')).toBe('ready');
    goTo('settle');
    desk.lane.set(2);
    expect(desk.heldUp()).toBe('not-laid-out');
    expect(await desk.markDone()).toBeNull();
    expect(desk.inOneGo().map(({ string }) => string)).not.toContain(2);
    goTo('ready');
    desk.lane.set(2);
    expect(await desk.markDone()).toBe('anchor');
  });

  it('makes a job of one string, with what stays on as the passport has it', async () => {
    await open(setupWith(tens));
    desk.laidOut.candidateId.set(nines.id);
    desk.laidOut.togglePick(0);
    expect(desk.laidOut.only()).toEqual([0]);
    expect(desk.strings().map((string) => Math.round((string?.gauge ?? 0) * 39370))).toEqual([9, 13, 17, 26, 36, 46]);
    await desk.choose();
    expect(chosen()).toMatchObject({ only: [1], setId: null, strings: [{ gaugeMm: expect.closeTo(0.2286, 6) as number }, {}, {}, {}, {}, {}] }); // prettier-ignore
    expect(chosen().strings[1]?.stringId).toBe(tens.strings[1]?.id);
    expect(desk.run()?.order).toEqual([0]);
    expect(desk.laidOut.isTaken()).toBe(true);
    // out of an opened set instead, and two of them; none left is all again
    desk.laidOut.takeFrom('set');
    desk.laidOut.togglePick(1);
    expect(desk.laidOut.isTaken()).toBe(false);
    await desk.choose();
    expect(chosen()).toMatchObject({ only: [1, 2], setId: nines.id });
    desk.laidOut.togglePick(0);
    desk.laidOut.togglePick(1);
    expect(desk.laidOut.only()).toBeNull();
  });
});
