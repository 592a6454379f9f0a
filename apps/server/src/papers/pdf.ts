import { createRequire } from 'node:module';
import type { Response } from 'express';
import type * as Pdfmake from 'pdfmake';
import type { TDocumentDefinitions } from 'pdfmake/interfaces.js';

const load = createRequire(import.meta.url);
const pdfmake = load('pdfmake') as typeof Pdfmake;
pdfmake.setFonts(load('pdfmake/fonts/Roboto.js') as Parameters<typeof pdfmake.setFonts>[0]);
// a paper of ours asks for nothing but its own fonts
pdfmake.setUrlAccessPolicy(() => false);
(pdfmake as unknown as { setLocalAccessPolicy(allow: (path: string) => boolean): void }).setLocalAccessPolicy((path) =>
  path.endsWith('.ttf'),
);

export const makePdf = (document: TDocumentDefinitions): Promise<Buffer> => pdfmake.createPdf(document).getBuffer();

export function sendPdf(response: Response, name: string, pdf: Buffer): void {
  response.type('application/pdf').setHeader('content-disposition', `inline; filename="${name}"`);
  response.send(pdf);
}

const POINTS_PER_MM = 72 / 25.4;
export const points = (mm: number) => mm * POINTS_PER_MM;
