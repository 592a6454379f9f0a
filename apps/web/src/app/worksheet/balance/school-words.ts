import type { SchoolsCompared, SchoolWork } from '@gold-peg/craft/balance';
import { BRIDGE_WORK } from '@gold-peg/craft/constants';
import { toDegrees } from '@gold-peg/craft/units';
import { sayClaw, signed } from '../../bridge';

/** One way home: what it takes on this bridge, its steps and what can go wrong. */
export interface SchoolRow {
  id: string;
  name: string;
  /** Null where it does not come to an end. */
  pegs: string | null;
  claw: string;
  minutes: string;
  steps: string;
  risk: string;
}

/** Less than that no screw is turned by. */
const LEAST_TURN = 1 / 16;

const between = (low: number, high: number): string => {
  const [from, to] = [Math.round(low), Math.round(high)];
  return from === to ? `${from}` : `${from} to ${to}`;
};
const times = (count: number): string => (count === 0 ? '–' : count === 1 ? 'once' : `${count} times`);

function work({ pegs, claw, minutes, home }: SchoolWork): Pick<SchoolRow, 'pegs' | 'claw' | 'minutes'> {
  if (!home) return { pegs: `over ${pegs.low}`, claw: times(claw), minutes: `over ${Math.round(minutes.low)} min` };
  return { pegs: between(pegs.low, pegs.high), claw: times(claw), minutes: `${between(minutes.low, minutes.high)} min` };
}

/** The ways home on this bridge, in words. `newtons`: says a pull; `order`: the numbers of the strings as they are set. */
export function schoolRows(
  { byMarks, byEar, blocked, springs, bend, clawAlone }: SchoolsCompared,
  { order, newtons }: { order: readonly number[]; newtons: (pull: number) => string },
): SchoolRow[] {
  const strings = order.join(' ');
  const rows: SchoolRow[] = [
    {
      id: 'marks',
      name: 'to the marks, and again',
      ...work(byMarks),
      steps: `Hear all, set ${strings} to their marks, hear all again: what came of it says what the springs are, and the second pass ends.`,
      risk: 'Strings stand beside their notes until the end; no mark is past what its string bears.',
    },
    {
      id: 'ear',
      name: 'one string after another',
      ...work(byEar),
      steps: `Tune ${strings} to their notes, round and round; level the claw whenever all are in tune, and round again.`,
      risk: 'Each string is drawn up again and again: thin ones wear at saddle and nut.',
    },
  ];
  if (blocked !== null)
    rows.push({
      id: 'block',
      name: 'block it level',
      ...work(blocked),
      steps: `Claw ${sayClaw(blocked.turnsIn)}, until the springs hold the block: ${newtons(blocked.most)} while strings are slack, ${newtons(blocked.tuned)} once they are up. Tune ${strings} as on a fixed bridge. Claw ${sayClaw(-blocked.turnsOut)}, by sixteenths, until it falls free: a sixteenth beside it is ${blocked.besides.toFixed(1)} ¢.`,
      risk: 'A block that jumps out lets all strings go slack at once, and the arm strike: seat it square, keep fingers out.',
    });
  for (const { count, holds, bend: then } of springs) {
    const name = `${count} ${count === 1 ? 'spring' : 'springs'}`;
    const bends = `A whole-tone bend of string 3 then draws another down by ${Math.abs(then).toFixed(0)} ¢, now by ${Math.abs(bend).toFixed(0)}.`;
    rows.push(
      holds === null
        ? { id: name, name, pegs: null, claw: '–', minutes: '–', steps: 'They cannot hold these strings wherever the claw is.', risk: '' }
        : {
            id: name,
            name,
            ...work(holds),
            steps: `Let the strings down, hook ${count} in, claw ${sayClaw(holds.turns)}; then to the marks. ${bends}`,
            risk: 'A spring under pull flies when it leaves its hook: let the strings down first, eye protection on.',
          },
    );
  }
  rows.push(byClaw(clawAlone));
  return rows;
}

function byClaw({ turns, leaves, tilt }: SchoolsCompared['clawAlone']): SchoolRow {
  const name = { id: 'claw', name: 'by the claw alone', pegs: '0' };
  if (Math.abs(turns) < LEAST_TURN)
    return { ...name, claw: '–', minutes: '–', steps: 'It stands where it serves these strings best: turning it helps none.', risk: '' };
  return {
    ...name,
    claw: 'once',
    minutes: `${BRIDGE_WORK.claw.value} min`,
    steps: `Claw ${sayClaw(turns)}, no peg: all strings move together. The worst is left ${leaves.toFixed(0)} ¢ off, the bridge at ${signed(toDegrees(tilt))}°.`,
    risk: 'Tilt, action and intonation go with it: for a whole tuning that is a little off, not for one string.',
  };
}
