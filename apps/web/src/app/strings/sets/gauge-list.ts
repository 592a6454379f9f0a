import { printGauge, type TableString } from '@gold-peg/craft/strings';

export type ReadGauges = { ok: true; strings: TableString[] } | { ok: false; says: string };

/** Reads `10 13 17 26w 36w 46w`: plain gauges from one line, those with a w from another. */
export function readGauges(text: string, smoothLine: string, woundLine: string, table: readonly TableString[]): ReadGauges {
  const words = text
    .trim()
    .split(/[\s,]+/)
    .filter(Boolean);
  if (words.length === 0)
    return { ok: false, says: 'Gauges must be listed from string 1 on, in thousandths of an inch: 10 13 17 26w 36w 46w.' };
  const strings: TableString[] = [];
  for (const word of words) {
    const read = /^\.?(\d{1,3}(?:\.5)?)(w?)$/.exec(word);
    if (read === null) return { ok: false, says: `“${word}” must be a gauge in thousandths of an inch, with a w where it is wound.` };
    const [, thousandths = '', wound = ''] = read;
    const line = wound === 'w' ? woundLine : smoothLine;
    const [whole = '', half = ''] = thousandths.split('.');
    const gauge = `.${whole.padStart(3, '0')}${half}`;
    const found = table.find(
      (string) => string.lineId === line && printGauge(string.gauge) === gauge && (string.construction === 'wound') === (wound === 'w'),
    );
    if (found === undefined)
      return { ok: false, says: `“${word}” is not in the line it should come from: pick another line, or add it to the table.` };
    strings.push(found);
  }
  return { ok: true, strings };
}
