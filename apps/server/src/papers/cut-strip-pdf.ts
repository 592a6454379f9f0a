import type { TDocumentDefinitions } from 'pdfmake/interfaces.js';
import { PAPERS, type Paper } from '@gold-peg/contract/paper';
import { drawCutStrip, type CutStrip } from '@gold-peg/contract/papers';
import { TIGHT } from '@gold-peg/craft/methods';
import { toMillimetres } from '@gold-peg/craft/units';
import { Refusal, signedIn, type StreamHandler } from '../handling/index.js';
import { openWorksheet } from '../jobs/index.js';
import { makePdf, points, sendPdf } from './pdf.js';
import { stripOfJob } from './strip-of-job.js';

/** Cut marks of a job on paper, true to scale, with a table of its windings for those who work from paper. */
export const cutStripPdf: StreamHandler<'cutStripPdf'> = async (asked, response) => {
  const person = signedIn(asked);
  const strip = stripOfJob(await openWorksheet(asked.store, asked.params.id, person.id), person);
  if (strip === null) throw new Refusal('invalid', 'No set is chosen for this job yet: a cut mark needs a string.', { fields: [] });
  sendPdf(response, 'gold-peg-cut-strip.pdf', await makePdf(cutStripDocument(strip, asked.query.paper)));
};

const TABLE_HEAD = ['string', 'note', 'gauge', 'turns', 'turn it', 'slack, mm', 'cut past post, mm', 'nut angle', 'turns counted'];
const TABLE_MARGIN = 40;

export function cutStripDocument(strip: CutStrip, paper: Paper): TDocumentDefinitions {
  const sheet = drawCutStrip(strip, paper);
  const { widthMm, heightMm } = PAPERS[paper];
  return {
    pageSize: { width: points(sheet.widthMm), height: points(sheet.heightMm) },
    pageMargins: 0,
    defaultStyle: { fontSize: 10 },
    content: [
      { svg: sheet.svg, width: points(sheet.widthMm), height: points(sheet.heightMm), absolutePosition: { x: 0, y: 0 } },
      {
        text: strip.heading,
        fontSize: 16,
        bold: true,
        margin: [TABLE_MARGIN, TABLE_MARGIN, TABLE_MARGIN, 2],
        pageBreak: 'before',
        ...(sheet.widthMm === widthMm && sheet.heightMm === heightMm ? {} : { pageOrientation: 'portrait' as const }),
      },
      { text: strip.sub, margin: [TABLE_MARGIN, 0, TABLE_MARGIN, 10] },
      {
        margin: [TABLE_MARGIN, 0, TABLE_MARGIN, 0],
        layout: 'lightHorizontalLines',
        table: {
          headerRows: 1,
          widths: [32, 32, 44, 36, 64, 46, 50, 44, '*'],
          body: [
            TABLE_HEAD.map((text) => ({ text, bold: true, fontSize: 8.5 })),
            ...strip.rows.map((row) => [
              String(row.number),
              row.note,
              row.gauge,
              row.turns,
              row.direction,
              row.slackMm < toMillimetres(TIGHT) ? 'pull tight' : row.slackMm.toFixed(0),
              row.cutMm.toFixed(0),
              row.nutDeg === null ? '–' : `${row.nutDeg.toFixed(1)}°`,
              '',
            ]),
          ],
        },
      },
    ],
  };
}
