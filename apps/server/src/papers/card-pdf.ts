import { DateTime } from 'luxon';
import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces.js';
import { PAPERS, type Paper } from '@gold-peg/contract/paper';
import {
  cardScale,
  drawHead,
  drawMoves,
  drawNeck,
  handOverCard,
  letterOf,
  sayOff,
  type CardMeasure,
  type HandOverCard,
} from '@gold-peg/contract/papers';
import { toKilogramsForce, newtons } from '@gold-peg/craft/units';
import { readDay } from '../day/index.js';
import { Refusal, signedIn, type StreamHandler } from '../handling/index.js';
import { openWorksheet } from '../jobs/index.js';
import { makePdf, points, sendPdf } from './pdf.js';

const BRASS = '#855a08';
const SOFT = '#5c554c';
const MARGIN = 40;
const DATE = 'd LLLL yyyy';
const WEEKDAY = 'cccc d LLL';
const TIME = 'HH:mm';
/** A moment by the clock of the house, whatever clock the server keeps. */
type Clock = (at: string | number) => DateTime;
/** Places of the drawings, points. */
const HEAD_WIDTH = 170;
const HEAD_HEIGHT = 150;
const NECK_WIDTH = 180;
/** More findings than these have no room on one page: the passport has them all. */
const MOST_FOUND = 5;

/** What goes home with an instrument: what was fitted and how, what to do with it, and when to come back. */
export const cardPdf: StreamHandler<'cardPdf'> = async (asked, response) => {
  const person = signedIn(asked);
  const card = handOverCard(await openWorksheet(asked.store, asked.params.id, person.id), person.preferences.methods, asked.now.getTime());
  if (card === null) throw new Refusal('invalid', 'No set is chosen for this job yet: a card tells what was fitted.', { fields: [] });
  const address = `${asked.request.protocol}://${asked.request.get('host') ?? ''}/p/${numberOf(card)}`;
  const { zone } = (await readDay(asked.store)).hours;
  sendPdf(response, `gold-peg-card-${numberOf(card)}.pdf`, await makePdf(cardDocument(card, { address, paper: asked.query.paper, zone })));
};

export const numberOf = ({ passport }: Pick<HandOverCard, 'passport'>): string => String(passport).padStart(4, '0');

/** One page. `address`: where its passport is found; `zone`: of the house, whose clock it tells. */
export function cardDocument(
  card: HandOverCard,
  { address, paper, zone }: { address: string; paper: Paper; zone: string },
): TDocumentDefinitions {
  const clock: Clock = (at) => DateTime.fromMillis(new Date(at).getTime(), { zone, locale: 'en-GB' });
  const { widthMm, heightMm } = PAPERS[paper];
  const width = points(widthMm) - 2 * MARGIN;
  return {
    info: { title: `${card.name}, passport ${numberOf(card)}` },
    pageSize: { width: points(widthMm), height: points(heightMm) },
    pageMargins: [MARGIN, 34, MARGIN, 26],
    defaultStyle: { fontSize: 10.5 },
    styles: { h: { fontSize: 13, bold: true, margin: [0, 8, 0, 3] }, soft: { color: SOFT } },
    content: [
      { text: card.name, fontSize: 22, bold: true },
      { text: headOf(card, clock), style: 'soft', margin: [0, 1, 0, 4] },
      rule(width),
      { text: [{ text: 'What is on it   ', style: 'h' }, { text: `${card.set}, tuned ${card.tuning}` }], margin: [0, 6, 0, 2] },
      {
        columns: [{ width: HEAD_WIDTH, svg: drawHead(card.instrument, card.strings), fit: [HEAD_WIDTH, HEAD_HEIGHT] }, stringTable(card)],
        columnGap: 14,
      },
      howOf(card),
      ...measuresOf(card, width),
      ...tuneOf(card, width, clock),
      ...foundOf(card),
      ...(card.remark === '' ? [] : [{ text: card.remark, italics: true, margin: [0, 6, 0, 0] as [number, number, number, number] }]),
      rule(width, 8),
      backBy(card, address, clock),
    ],
  };
}

const rule = (width: number, above = 0): Content => ({
  canvas: [{ type: 'line', x1: 0, y1: 0, x2: width, y2: 0, lineWidth: 1 }],
  margin: [0, above, 0, 2],
});

const headOf = ({ owner, at, by, passport }: HandOverCard, clock: Clock): string =>
  [
    owner === null ? null : `for ${owner}`,
    `passport ${numberOf({ passport })}`,
    `restrung ${clock(at).toFormat(`cccc ${DATE}`)}${by === '' ? '' : ` by ${by}`}`,
  ]
    .filter((part) => part !== null)
    .join(' · ');

const stringTable = ({ strings }: HandOverCard): Content => {
  const small = strings.length > 8;
  const head = ['string', 'note', 'gauge', '', 'turns', 'pull, N'].map((text) => ({ text, color: SOFT, fontSize: 9 }));
  const rows = strings.map(({ number, note, gauge, kind, turns, pull, stays }) => [
    { text: String(number), bold: true },
    { text: note, bold: true },
    { text: gauge, bold: true },
    { text: kind, color: SOFT },
    turns,
    { text: pull === null ? '–' : pull.toFixed(0), alignment: 'right' as const, ...(stays && { color: SOFT }) },
  ]);
  return {
    fontSize: small ? 9 : 11,
    layout: {
      hLineWidth: () => 0.4,
      vLineWidth: () => 0,
      hLineColor: () => '#c9bda6',
      paddingTop: () => (small ? 0.5 : 2.5),
      paddingBottom: () => (small ? 0.5 : 2.5),
    },
    table: { headerRows: 1, widths: [30, 34, 44, 52, '*', 44], body: [head, ...rows] },
  };
};

function howOf(card: HandOverCard): Content {
  const { anchor, trimmed, pull, pullBefore, pullBand } = card;
  const kgf = pull === null ? '' : `${toKilogramsForce(newtons(pull)).toFixed(1)} kgf, ±${pullBand.toFixed(0)} %`;
  return {
    columns: [
      {
        text: `At the bridge: ${anchor}; ${sayOff(card)}. ${trimmed ? 'Tails are cut.' : 'Tails are still to be cut: mind their ends.'}`,
        width: '*',
      },
      {
        width: 220,
        alignment: 'right',
        text:
          pull === null
            ? 'pull not known'
            : [
                { text: `together ${pull.toFixed(0)} N\n`, bold: true, fontSize: 13, color: BRASS },
                { text: `${kgf}${pullBefore === null ? '' : `; before: ${pullBefore.toFixed(0)} N`}`, style: 'soft', fontSize: 9 },
              ],
      },
    ],
    margin: [0, 5, 0, 4],
  };
}

function measuresOf({ measures }: HandOverCard, width: number): Content[] {
  if (measures.length === 0) return [];
  const each = (width - 24 * (measures.length - 1)) / measures.length;
  return [
    rule(width),
    { text: 'Before and after', style: 'h' },
    {
      columnGap: 24,
      columns: measures.map((measure) => ({
        width: each,
        stack: [{ text: measure.name }, { svg: scaleSvg(measure, each), width: each }, { text: say(measure), bold: true }],
      })),
    },
  ];
}

function say({ before, after }: CardMeasure): string {
  if (after === null) return `${before?.toFixed(2) ?? '–'} mm as it came`;
  return before === null ? `${after.toFixed(2)} mm` : `${before.toFixed(2)} to ${after.toFixed(2)} mm`;
}

/** A ring for how it came, a triangle for how it goes home, on a scale with its ticks. */
function scaleSvg(measure: CardMeasure, width: number): string {
  const { from, to } = cardScale(measure);
  const x = (mm: number) => 6 + ((width - 12) * (mm - from)) / (to - from);
  const ticks = Array.from({ length: 11 }, (_, nth) => from + ((to - from) * nth) / 10);
  const marks = ticks.map((mm, nth) => `<path d="M${x(mm).toFixed(1)} 20v${nth % 5 === 0 ? -8 : -4}"/>`).join('');
  const ring = measure.before === null ? '' : `<circle cx="${x(measure.before).toFixed(1)}" cy="7" r="4" fill="#fff"/>`;
  const gone = measure.after === null ? '' : `<path d="M${x(measure.after).toFixed(1)} 12l-5 -9h10z" fill="${BRASS}" stroke="${BRASS}"/>`;
  return `<svg viewBox="0 0 ${width.toFixed(0)} 24" xmlns="http://www.w3.org/2000/svg"><g stroke="#1f1a17" fill="none"><path d="M6 20H${(width - 6).toFixed(1)}"/>${marks}${ring}${gone}</g></svg>`;
}

function tuneOf({ retunes, soft, at, moves }: HandOverCard, width: number, clock: Clock): Content[] {
  const home = Date.parse(at);
  const times = retunes?.times.filter((time) => time > home) ?? [];
  const holds = retunes?.holdsFrom ?? null;
  const steady = holds !== null && holds <= home;
  if (!soft || steady)
    return [
      { text: 'Tune it again', style: 'h' },
      { text: 'After the first hour of playing, and the next day: new strings give a little.' },
    ];
  const days = new Map<string, string[]>();
  for (const time of times) {
    const day = clock(time).toFormat(WEEKDAY);
    days.set(day, [...(days.get(day) ?? []), clock(time).toFormat(TIME)]);
  }
  const judged = Math.max(holds ?? 0, ...times);
  const until = holds === null ? 'for three days' : `do not judge them before ${clock(judged).toFormat(`${WEEKDAY}, ${TIME}`)}`;
  return [
    { text: 'Tune it at these hours', style: 'h' },
    ...(moves === null ? [] : [{ svg: drawMoves(moves, width, clock(home).zone.name), width }]),
    {
      columnGap: 14,
      columns: [...days].map(([day, hours]) => ({ width: 'auto', stack: [{ text: day, bold: true }, { text: hours.join(', ') }] })),
    },
    {
      text: `Strings ${retunes?.strings.join(', ') ?? ''} go on moving: ${until}. Tune from below.`,
      margin: [0, 3, 0, 0],
    },
  ];
}

function foundOf({ findings, strings }: HandOverCard): Content[] {
  if (findings.length === 0) return [];
  const more = findings.length - MOST_FOUND;
  return [
    { text: 'What was found', style: 'h' },
    {
      columnGap: 14,
      columns: [
        {
          width: NECK_WIDTH,
          svg: drawNeck(
            findings.slice(0, MOST_FOUND).map(({ finding }) => finding),
            strings.length,
            NECK_WIDTH,
          ),
        },
        {
          width: '*',
          stack: findings.slice(0, MOST_FOUND).map(({ name, advice, refer }, index): Content => ({
            text: [{ text: `${letterOf(index)}  ${capital(name)}: `, bold: true }, advice, refer ? ' Work for a qualified repairer.' : ''],
            margin: [0, 0, 0, 2],
          })),
        },
      ],
    },
    ...(more > 0 ? [{ text: `and ${more} more in its passport.` }] : []),
  ];
}

const capital = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);

function backBy(card: HandOverCard, address: string, clock: Clock): Content {
  const { due, soft } = card;
  const played = due?.weeklyHours == null ? '' : `, at ${due.weeklyHours} h of playing a week`;
  return {
    columns: [
      {
        width: '*',
        stack: [
          ...(due === null
            ? []
            : [
                { text: 'Back by', style: 'h' },
                { text: clock(due.wear.due.likely).toFormat(DATE), fontSize: 20, bold: true, color: BRASS },
                {
                  text: `likely worn between ${clock(due.wear.due.low).toFormat(DATE)} and ${clock(due.wear.due.high).toFormat(DATE)}${played}; string ${due.string} first.`,
                },
              ]),
          {
            text: 'Cut ends stay sharp: look before you reach into the case. Wiped after playing, strings last longer. Never tune past the note.',
            margin: [0, 6, 0, 0],
          },
          ...(soft ? [] : [{ text: 'A string that goes flat by itself after a week: bring it back.' }]),
        ],
      },
      {
        width: 150,
        stack: [
          { qr: address, fit: 84, alignment: 'right' },
          { text: `its passport: ${address.replace(/^https?:\/\//, '')}`, fontSize: 7.5, alignment: 'right', margin: [0, 3, 0, 0] },
        ],
      },
    ],
    columnGap: 20,
  };
}
