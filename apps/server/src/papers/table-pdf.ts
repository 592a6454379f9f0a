import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces.js';
import { asTableString, type StringTableFile } from '@gold-peg/contract/strings';
import { printGauge, stringProperties, type TableString } from '@gold-peg/craft/strings';
import { toMillimetres } from '@gold-peg/craft/units';
import type { StreamHandler } from '../handling/index.js';
import { readStringTable } from '../strings/index.js';
import { makePdf, sendPdf } from './pdf.js';

/** The strings table on paper: A4, one block for each line. */
export const stringTablePdf: StreamHandler<'stringTablePdf'> = async ({ store }, response) =>
  sendPdf(response, 'gold-peg-strings.pdf', await makePdf(tableDocument(await readStringTable(store))));

const HEAD = ['gauge', 'mm', 'id', 'mass, g/m', 'breaks at, N', 'end', 'mark'];

export function tableDocument({ lines, strings }: StringTableFile): TDocumentDefinitions {
  const table = strings.map(asTableString);
  return {
    pageSize: 'A4',
    pageMargins: [40, 44, 40, 44],
    defaultStyle: { fontSize: 8.5 },
    footer: (page, of) => ({ text: `Strings table · ${page} of ${of}`, alignment: 'right', margin: [40, 12], fontSize: 8 }),
    content: [
      { text: 'Strings table', fontSize: 18, bold: true },
      {
        text: `${table.length} strings in ${lines.length} lines. Mass and breaking load are computed from the gauge; * was weighed.`,
        margin: [0, 2, 0, 8],
      },
      ...lines.flatMap(({ id, name, family }) =>
        blockOf(
          `${name}, ${family}`,
          table.filter(({ lineId }) => lineId === id),
        ),
      ),
    ],
  };
}

function blockOf(heading: string, strings: readonly TableString[]): Content[] {
  if (strings.length === 0) return [];
  return [
    { text: heading, fontSize: 11, bold: true, margin: [0, 8, 0, 3] },
    {
      layout: 'lightHorizontalLines',
      table: {
        headerRows: 1,
        widths: [40, 45, '*', 60, 65, 50, 45],
        body: [HEAD.map((text) => ({ text, bold: true })), ...strings.map(cellsOf)],
      },
    },
  ];
}

function cellsOf(string: TableString): string[] {
  const properties = stringProperties(string);
  const computed = properties.ok
    ? [
        `${(1000 * properties.value.linearDensity).toFixed(3)}${string.weighed === null ? '' : ' *'}`,
        properties.value.breakingLoad.toFixed(0),
      ]
    : ['–', '–'];
  return [
    `${printGauge(string.gauge)}${string.construction === 'wound' ? ' w' : ''}`,
    toMillimetres(string.gauge).toFixed(3),
    string.id,
    ...computed,
    string.end,
    string.mark ?? '',
  ];
}
