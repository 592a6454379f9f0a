import { describe, expect, it } from 'vitest';
import type { StockItem } from '@gold-peg/contract/stock';
import { fromTableString } from '@gold-peg/contract/strings';
import { compareOn } from '@gold-peg/craft/gauges';
import { setsFor, STRINGS } from '@gold-peg/craft/strings';
import { strungKind } from '@gold-peg/craft/tuning';
import { CONCERT_A4, hertz, newtons } from '@gold-peg/craft/units';
import { stringingOf } from '../solver/wish-form';
import { readGauges } from './sets/gauge-list';
import { linesToOrder } from '../shelf/to-order';
import { sayMove, sayOrder, shelfRow } from './shelf/shelf-rows';
import { found, shownString } from './table/string-rows';
import { acrossChart, pitchChart } from './workbench/pull-charts';

describe('a list of gauges', () => {
  const read = (text: string) => readGauges(text, 'electric-plain', 'electric-nickel', STRINGS);

  it('is read from string 1 on, wound ones from the other line', () => {
    for (const text of ['10 13 17 26w 36w 46w', '.010, .013, .017, .026w .036w .046w']) {
      const list = read(text);
      expect(list.ok && list.strings.map(({ id }) => id)).toEqual([
        'electric-plain-10',
        'electric-plain-13',
        'electric-plain-17',
        'electric-nickel-26',
        'electric-nickel-36',
        'electric-nickel-46',
      ]);
    }
    expect(read('9.5')).toMatchObject({ ok: true, strings: [{ id: 'electric-plain-9_5' }] });
  });

  it.each([
    ['', /must be listed from string 1 on/],
    ['10 ten', /“ten” must be a gauge/],
    ['10 27w', /“27w” is not in the line/],
    ['46', /“46” is not in the line/],
  ])('%s is refused with a sentence', (text, says) => {
    const list = read(text);
    expect(list.ok ? '' : list.says).toMatch(says);
  });
});

describe('rows of the table', () => {
  const rows = STRINGS.map((string) => shownString({ ...fromTableString(string), version: 1 }, string.lineId));

  it('say mass and breaking load, and how far the mass is good', () => {
    const row = rows.find((each) => each.row.id === 'electric-plain-10');
    // 7820 kg/m³ on 0.05067 mm²; 2697 MPa on the same
    expect(row).toMatchObject({ gauge: '.010', made: 'plain', mass: '0.396', band: '±0.5 %', breaks: '137' });
  });

  it('are found by every word, in any order', () => {
    expect(found(rows, 'bass', 'flat .105').map((each) => each.row.id)).toEqual(['bass-flat-105']);
    expect(found(rows, 'all', 'silk .047').length).toBe(1);
    expect(found(rows, 'mandolin', '').every(({ row }) => row.family === 'mandolin')).toBe(true);
    expect(found(rows, 'all', 'no such thing')).toEqual([]);
  });
});

describe('the shelf', () => {
  const item = (more: Partial<StockItem>): StockItem => ({
    kind: 'set',
    id: 'a',
    onHand: 4,
    reserved: 1,
    onOrder: 0,
    reorderAt: 2,
    reorderTo: 6,
    shelf: '',
    countedAt: '',
    ...more,
  });

  it('runs low by what is free, not by what lies there', () => {
    const names = new Map([['set a', { name: 'A', line: 'l' }]]);
    expect(shelfRow(item({}), names)).toMatchObject({ name: 'A', free: 3, low: false });
    expect(shelfRow(item({ reserved: 3 }), names)).toMatchObject({ free: 1, low: true });
  });

  it('orders up to the mark, counting what is on its way, and nothing twice', () => {
    expect(linesToOrder([item({ onHand: 1, reserved: 1 })])).toEqual([{ kind: 'set', id: 'a', amount: 6 }]);
    expect(linesToOrder([item({ onHand: 1, reserved: 0, onOrder: 5 })])).toEqual([]);
    expect(linesToOrder([item({ onHand: 2, reserved: 0 })])).toEqual([]);
  });

  it('tells its story in words', () => {
    const move = { kind: 'string', id: 'a', amount: 5, at: '', why: null, jobId: null, instrument: null } as const;
    expect(sayMove({ ...move, what: 'delivered' })).toBe('delivered 5 of');
    expect(sayMove({ ...move, what: 'scrapped', why: 'cut-too-short' })).toBe('lost, cut too short');
    const order = { id: 'o', supplier: 'the boat', reference: 'r', placedAt: '', promisedAt: '2026-05-26T09:05:00Z', deliveredAt: null, lines: [] }; // prettier-ignore
    expect(sayOrder(order, Date.parse('2026-05-26T09:01:30Z'))).toBe('on the way, in about 4 min');
    expect(sayOrder(order, Date.parse('2026-05-26T09:06:00Z'))).toBe('due now');
    expect(sayOrder({ ...order, deliveredAt: '2026-05-26T09:05:01Z' }, 0)).toBe('came, from the boat');
  });
});

describe('charts', () => {
  const strung = strungKind('electric-in-line');
  const stringing = stringingOf(strung, setsFor('electric', 6)[3]?.strings ?? []);
  const row = stringing === null ? undefined : compareOn(stringing, null).strings[0];

  it('put more pull higher, and strings from left to right', () => {
    const { lines } = acrossChart([{ name: 'a', pulls: [newtons(60), newtons(80)] }], (pull) => pull);
    const [first, second] = lines[0]?.points ?? [];
    expect(second?.y).toBeLessThan(first?.y ?? 0);
    expect(second?.x).toBeGreaterThan(first?.x ?? 999);
  });

  it('end where the string breaks, and say the same in words: an octave down is a quarter of the pull', () => {
    if (row === undefined) throw new Error('no string');
    const chart = pitchChart(row, CONCERT_A4, (pull) => pull, 'N');
    expect(chart.safe).toBeGreaterThan(chart.now.x);
    expect(chart.breaks).toBeGreaterThan(chart.safe);
    const pull = (note: string) => Number.parseFloat(chart.rows.find((each) => each.note === note)?.pull ?? '');
    expect(pull('E3') * 4).toBeCloseTo(pull('E4'), -1);
    expect(Math.abs(pull('E4') - row.after.load.pull)).toBeLessThan(0.5);
  });

  it('keep the pitch on the chart where the string breaks before it is reached', () => {
    if (stringing === null) throw new Error('no set');
    const high = { ...strung, seats: strung.seats.map((seat) => ({ ...seat, pitch: hertz(seat.pitch * 2) })) };
    const broken = compareOn({ ...stringing, strung: high }, null).strings[0];
    if (broken === undefined) throw new Error('no string');
    const chart = pitchChart(broken, CONCERT_A4, (pull) => pull, 'N');
    expect(chart.now.x).toBeGreaterThan(chart.breaks);
    expect(chart.now.x).toBeLessThan(420);
    expect(chart.now.y).toBeGreaterThanOrEqual(0);
  });
});
