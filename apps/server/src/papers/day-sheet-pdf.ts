import { DateTime } from 'luxon';
import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces.js';
import type { Day } from '@gold-peg/contract/day';
import { readTold, type Told } from '../day/index.js';
import type { StreamHandler } from '../handling/index.js';
import { makePdf, sendPdf } from './pdf.js';

/** The day of everybody at the bench on paper: A4, what is left of it in the order of time. */
export const daySheetPdf: StreamHandler<'daySheetPdf'> = async ({ store, now }, response) => {
  const { day, told } = await readTold(store, now);
  sendPdf(response, 'gold-peg-day.pdf', await makePdf(daySheetDocument(day, told)));
};

const HEAD = ['from', 'min', 'passport', 'instrument', 'what', 'promised', 'done'];

export function daySheetDocument({ hours: { zone }, people, origin, now, toOrder }: Day, told: readonly Told[]): TDocumentDefinitions {
  const clock = (at: Date) => DateTime.fromJSDate(at, { zone });
  const today = clock(new Date(Date.parse(origin) + now * 60_000));
  const todays = told.filter(({ at }) => clock(at).hasSame(today, 'day'));
  const rowOf = ({ at, minutes, job, what }: Told): string[] => [
    clock(at).toFormat('H:mm'),
    String(minutes),
    String(job.passport).padStart(4, '0'),
    `${job.name}${job.ownerName === null ? '' : `, ${job.ownerName}`}`,
    what,
    job.promisedAt === null ? 'no hurry' : clock(new Date(job.promisedAt)).toFormat('ccc H:mm'),
    '',
  ];
  return {
    pageSize: 'A4',
    pageMargins: [40, 44, 40, 44],
    defaultStyle: { fontSize: 10 },
    footer: (page, of) => ({
      text: `${today.toFormat('d LLLL yyyy, H:mm')} · ${page} of ${of}`,
      alignment: 'right',
      margin: [40, 12],
      fontSize: 8,
    }),
    content: [
      { text: today.toFormat('cccc d LLLL'), fontSize: 20, bold: true },
      { text: `What is left of the day, as planned at ${today.toFormat('H:mm')}.`, margin: [0, 2, 0, 6] },
      ...people.flatMap(({ name }) => benchOf(name, todays.filter(({ person }) => person === name).map(rowOf))),
      ...(toOrder.length === 0
        ? []
        : [
            {
              text: `To order today: ${toOrder.map(({ amount, name }) => `${amount} × ${name}`).join(', ')}`,
              margin: [0, 12, 0, 0],
            } as Content,
          ]),
    ],
  };
}

const benchOf = (name: string, rows: readonly string[][]): Content[] => [
  { text: name, fontSize: 13, bold: true, margin: [0, 10, 0, 3] },
  rows.length === 0
    ? 'Nothing is planned.'
    : {
        layout: 'lightHorizontalLines',
        table: {
          headerRows: 1,
          widths: [34, 26, 48, '*', 66, 60, 30],
          body: [HEAD.map((text) => ({ text, bold: true, fontSize: 8.5 })), ...rows.map((row) => [...row])],
        },
      },
];
