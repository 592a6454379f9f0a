import type { StockList } from '@gold-peg/contract/stock';
import type { StringTableFile } from '@gold-peg/contract/strings';
import { printGauge, type Mark } from '@gold-peg/craft/strings';
import { fromMillimetres } from '@gold-peg/craft/units';
import { houseTime } from '../server/house-zone';
import { linesToOrder } from '../shelf/to-order';

const WHEN = houseTime({ weekday: 'short', day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' });
const pieces = (lines: readonly { amount: number }[]): number => lines.reduce((sum, { amount }) => sum + amount, 0);

/** Whom the house orders from: what is on its way and when the next of it is due, and what runs low with nothing coming for it. */
export function sayOrders({ supplier, orders, items }: StockList): { supplier: string; coming: string; low: string } {
  const coming = orders.filter(({ deliveredAt }) => deliveredAt === null).sort((a, b) => a.promisedAt.localeCompare(b.promisedAt));
  const [next] = coming;
  const [under, toOrder] = [pieces(coming.flatMap(({ lines }) => lines)), linesToOrder(items)];
  return {
    supplier,
    coming:
      next === undefined ? 'nothing on its way' : `${under} pieces on their way, the next due ${WHEN.format(new Date(next.promisedAt))}`,
    low: toOrder.length === 0 ? 'nothing runs low' : `${toOrder.length} run low: ${pieces(toOrder)} pieces would fill the shelf up`,
  };
}

export interface ShownLine {
  id: string;
  name: string;
  gauges: string;
  /** From the thinnest string on. */
  marks: readonly Mark[];
}

/** The lines of the table, from which gauge to which, and the marks that their ends bear; those that have some first. */
export function shownLines({ lines, strings }: Pick<StringTableFile, 'lines' | 'strings'>): ShownLine[] {
  const shown = lines.map(({ id, name }) => {
    const own = strings.filter(({ lineId }) => lineId === id).sort((a, b) => a.gaugeMm - b.gaugeMm);
    const [thinnest, thickest] = [own[0], own.at(-1)];
    const from = thinnest === undefined ? '' : `, ${print(thinnest)} to ${thickest === undefined ? '' : print(thickest)} in`;
    const marks = [...new Set(own.flatMap(({ mark }) => mark ?? []))];
    return { id, name, gauges: `${own.length} strings${from}`, marks };
  });
  return [...shown.filter(({ marks }) => marks.length > 0), ...shown.filter(({ marks }) => marks.length === 0)];
}

const print = ({ gaugeMm }: { gaugeMm: number }): string => printGauge(fromMillimetres(gaugeMm));
