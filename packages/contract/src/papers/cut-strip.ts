import type { CutZone } from '@gold-peg/craft/procedure';
import { CHECK_LINE_MM, PAPERS, type Paper } from '../paper/index.js';
import type { StripRow } from './strip-rows.js';

/** A strip to lay along the headstock: true to scale, in millimetres. */
export interface CutStrip {
  heading: string;
  sub: string;
  rows: readonly StripRow[];
}

const MARGIN_MM = 12;
/** Where the axis of the post lies: left of it stands which string it is. */
const AXIS_MM = 42;
const HEAD_MM = 34;
const ROW_MM = 13;
const ZONE_FILL: Readonly<Record<CutZone['kind'], string>> = {
  scrap: '#b3402e',
  few: '#c98a2b',
  good: '#2c6b4f',
  many: '#c98a2b',
  'over-capacity': '#b3402e',
};

export interface Sheet {
  svg: string;
  widthMm: number;
  heightMm: number;
  /** Strings whose mark lies beyond the paper. */
  tooLong: readonly number[];
}

/** The strip on one sheet, upright, or across where a mark would not fit. User units of the SVG are millimetres. */
export function drawCutStrip({ heading, sub, rows }: CutStrip, paper: Paper): Sheet {
  const { widthMm: narrow, heightMm: tall } = PAPERS[paper];
  const longest = Math.max(...rows.map(({ cutMm }) => cutMm), CHECK_LINE_MM);
  const across = longest > narrow - AXIS_MM - MARGIN_MM;
  const [widthMm, heightMm] = across ? [tall, narrow] : [narrow, tall];
  const room = widthMm - AXIS_MM - MARGIN_MM;
  const body = [
    text(MARGIN_MM, 16, heading, 5.2, 'font-weight="bold"'),
    text(MARGIN_MM, 21.5, sub, 3.4),
    checkLine(),
    ...rows.map((row, index) => drawRow(row, HEAD_MM + 8 + index * ROW_MM, room)),
    text(MARGIN_MM, HEAD_MM + 14 + rows.length * ROW_MM, HOW_TO, 3.2),
    text(MARGIN_MM, HEAD_MM + 19 + rows.length * ROW_MM, LEGEND, 3.2),
  ];
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="${widthMm}mm" height="${heightMm}mm" viewBox="0 0 ${widthMm} ${heightMm}" font-family="Roboto, sans-serif">${body.join('')}</svg>`;
  return { svg, widthMm, heightMm, tooLong: rows.filter(({ cutMm }) => cutMm > room).map(({ number }) => number) };
}

const HOW_TO =
  'Print at 100 %. Lay a row along its string held just taut, 0 over the axis of the post (or the near face of a clamp), and cut at the bold mark.';

const LEGEND = 'From 0 on: red is scrap, ochre few turns, green good work, ochre many turns, red more than the post or screw can take.';

const checkLine = () =>
  line(AXIS_MM, 27.5, AXIS_MM + CHECK_LINE_MM, 27.5, 0.35, 'id="check"') +
  line(AXIS_MM, 26, AXIS_MM, 29, 0.25) +
  line(AXIS_MM + CHECK_LINE_MM, 26, AXIS_MM + CHECK_LINE_MM, 29, 0.25) +
  text(AXIS_MM + CHECK_LINE_MM + 3, 28.6, `${CHECK_LINE_MM} mm: check it`, 3.2);

function drawRow(row: StripRow, y: number, room: number): string {
  const x = (mm: number) => AXIS_MM + Math.min(room, Math.max(0, mm));
  const marks = Array.from({ length: Math.floor(Math.min(room, row.zones.at(-1)?.toMm ?? 0) + 1e-9) + 1 }, (_, mm) => {
    const height = mm % 10 === 0 ? 3.4 : mm % 5 === 0 ? 2.4 : 1.5;
    const label = mm % 10 === 0 ? text(x(mm), y + 6.6, String(mm), 2.4, 'text-anchor="middle"') : '';
    return line(x(mm), y, x(mm), y + height, 0.12) + label;
  });
  const zones = row.zones.map(
    ({ kind, fromMm, toMm }) =>
      `<rect x="${fixed(x(fromMm))}" y="${fixed(y - 2)}" width="${fixed(x(toMm) - x(fromMm))}" height="2" fill="${ZONE_FILL[kind]}"/>`,
  );
  const turns = row.held === 'post' ? `${row.turns} turns` : 'clamp';
  return [
    text(MARGIN_MM, y + 1.4, `${row.number}  ${row.note}`, 4.4, 'font-weight="bold"'),
    text(MARGIN_MM, y + 5.4, `${row.gauge} · ${turns}`, 2.7),
    ...zones,
    ...marks,
    ...(row.bendMm === null || row.bendMm > room
      ? []
      : [
          line(x(row.bendMm), y - 3.4, x(row.bendMm), y + 4.6, 0.4, `stroke-dasharray="1 0.7" data-bend="${row.number}"`),
          text(x(row.bendMm) - 0.6, y - 3.9, `bend ${row.bendMm.toFixed(0)}`, 2.8, 'text-anchor="end"'),
        ]),
    row.cutMm < 0 || row.cutMm > room
      ? text(x(room) - 2, y - 2.6, `cut at ${row.cutMm.toFixed(0)} mm: not on this paper`, 2.8, 'text-anchor="end"')
      : line(x(row.cutMm), y - 3.4, x(row.cutMm), y + 4.6, 0.7, `data-cut="${row.number}"`) +
        text(x(row.cutMm), y - 3.9, `cut ${row.cutMm.toFixed(0)}`, 2.8, 'text-anchor="middle" font-weight="bold"'),
  ].join('');
}

const fixed = (mm: number) => mm.toFixed(3);

const line = (x1: number, y1: number, x2: number, y2: number, width: number, more = '') =>
  `<line x1="${fixed(x1)}" y1="${fixed(y1)}" x2="${fixed(x2)}" y2="${fixed(y2)}" stroke="#000" stroke-width="${width}" ${more}/>`;

const text = (x: number, y: number, words: string, size: number, more = '') =>
  `<text x="${fixed(x)}" y="${fixed(y)}" font-size="${size}" ${more}>${escape(words)}</text>`;

const escape = (words: string) => words.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;');
