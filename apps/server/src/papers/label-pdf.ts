import { DateTime } from 'luxon';
import type { TDocumentDefinitions } from 'pdfmake/interfaces.js';
import type { Passport } from '@gold-peg/contract/register';
import { readDay } from '../day/index.js';
import type { StreamHandler } from '../handling/index.js';
import { readPassport } from '../register/index.js';
import { numberOf } from './card-pdf.js';
import { makePdf, points, sendPdf } from './pdf.js';

/** A label as printers of labels hold it, mm. */
const LABEL = { widthMm: 89, heightMm: 36 };

/** What is stuck on a case: whose it is, what is on it, and where its passport is found. */
export const labelPdf: StreamHandler<'labelPdf'> = async ({ store, params, request }, response) => {
  const passport = await readPassport(store, params.id);
  const address = `${request.protocol}://${request.get('host') ?? ''}/p/${numberOf(passport)}`;
  sendPdf(
    response,
    `gold-peg-label-${numberOf(passport)}.pdf`,
    await makePdf(labelDocument(passport, address, (await readDay(store)).hours.zone)),
  );
};

/** `zone`: of the house, by whose clock days are told. */
export function labelDocument(passport: Passport, address: string, zone: string): TDocumentDefinitions {
  const { name, ownerName, currentSet, fittedAt } = passport;
  const since = fittedAt === null ? '' : `, since ${DateTime.fromISO(fittedAt, { zone, locale: 'en-GB' }).toFormat('d LLL yyyy')}`;
  return {
    pageSize: { width: points(LABEL.widthMm), height: points(LABEL.heightMm) },
    pageMargins: [8, 7, 8, 4],
    defaultStyle: { fontSize: 8.5 },
    content: {
      columnGap: 8,
      columns: [
        {
          width: '*',
          stack: [
            { text: numberOf(passport), fontSize: 20, bold: true },
            { text: name, fontSize: 11, bold: true },
            { text: ownerName ?? '', margin: [0, 2, 0, 2] },
            { text: currentSet === null ? '' : `${currentSet}${since}`, fontSize: 7.5 },
          ],
        },
        { width: 84, qr: address, fit: 82 },
      ],
    },
  };
}
