import { describe, expect, it } from 'vitest';
import { ARCHETYPES, instrumentOf } from '@gold-peg/craft/archetypes';
import { windString } from '@gold-peg/craft/procedure';
import { setsFor, stringProperties } from '@gold-peg/craft/strings';
import { toMillimetres } from '@gold-peg/craft/units';
import { CHECK_LINE_MM, PAPER_KINDS, PAPERS } from '../paper/index.js';
import { drawCutStrip, stripRows } from './index.js';

function rowsOf(id: string) {
  const instrument = instrumentOf(id);
  const strings = (setsFor(instrument.family, instrument.strings.length)[0]?.strings ?? []).map((spec) => {
    const properties = stringProperties(spec);
    return properties.ok ? properties.value : null;
  });
  const plans = strings.map((string, index) => (string === null ? null : windString({ instrument, index, string })));
  return { plans, rows: stripRows(instrument, strings, plans) };
}
const numberIn = (svg: string, pattern: RegExp) => Number(pattern.exec(svg)?.[1]);

describe('the cut strip', () => {
  it.each(ARCHETYPES.map(({ id }) => id))('%s: bears every mark where its plan says, in millimetres from one axis', (id) => {
    const { plans, rows } = rowsOf(id);
    expect(rows.length).toBe(instrumentOf(id).strings.length);
    for (const paper of PAPER_KINDS) {
      const { svg, widthMm, heightMm, tooLong } = drawCutStrip({ heading: 'A strip', sub: '', rows }, paper);
      expect([widthMm, heightMm].sort((a, b) => a - b)).toEqual([PAPERS[paper].widthMm, PAPERS[paper].heightMm].sort((a, b) => a - b));
      expect(svg).toContain(`viewBox="0 0 ${widthMm} ${heightMm}"`);
      const axis = numberIn(svg, /<line x1="([\d.]+)"[^>]*id="check"/);
      expect(numberIn(svg, /x2="([\d.]+)"[^>]*id="check"/) - axis).toBeCloseTo(CHECK_LINE_MM, 9);
      rows.forEach(({ number }, index) => {
        const plan = plans[index];
        if (plan === null || plan === undefined || plan.cut < 0 || tooLong.includes(number)) return;
        const mark = numberIn(svg, new RegExp(`<line x1="([\\d.]+)"[^>]*data-cut="${number}"`));
        expect(mark - axis).toBeCloseTo(toMillimetres(plan.cut), 2);
        // a slotted post has a second mark: the bend, short of the cut by the depth of its hole
        const depth = instrumentOf(id).strings[index]?.post.holeDepth ?? 0;
        const bend = numberIn(svg, new RegExp(`<line x1="([\\d.]+)"[^>]*data-bend="${number}"`));
        if (instrumentOf(id).strings[index]?.post.style === 'slotted') expect(mark - bend).toBeCloseTo(toMillimetres(depth as never), 2);
        else expect(bend).toBeNaN();
      });
    }
  });

  it('turns the paper where a bass string would not fit, and keeps every row on it', () => {
    const upright = drawCutStrip({ heading: '', sub: '', rows: rowsOf('acoustic-parlour').rows }, 'a4');
    const across = drawCutStrip({ heading: '', sub: '', rows: rowsOf('bass-in-line').rows }, 'a4');
    expect([upright.widthMm, across.widthMm]).toEqual([210, 297]);
    for (const id of ['acoustic-twelve', 'bass-six', 'bass-in-line']) {
      const sheet = drawCutStrip({ heading: '', sub: '', rows: rowsOf(id).rows }, 'letter');
      const lowest = Math.max(...[...sheet.svg.matchAll(/ y="([\d.]+)"/g)].map(([, y]) => Number(y)));
      expect(lowest).toBeLessThan(sheet.heightMm);
    }
  });

  it('says which marks lie beyond the paper, and keeps the signs of a name from becoming markup', () => {
    const [row] = rowsOf('acoustic-parlour').rows;
    if (row === undefined) throw new Error('no row');
    const sheet = drawCutStrip({ heading: 'Salt <& Wire>', sub: '', rows: [{ ...row, cutMm: 400 }] }, 'a4');
    expect(sheet.tooLong).toEqual([1]);
    expect(sheet.svg).toContain('cut at 400 mm: not on this paper');
    expect(sheet.svg).toContain('Salt &lt;&amp; Wire&gt;');
  });
});
