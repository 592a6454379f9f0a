import type { FaultAtPost } from '@gold-peg/craft/exercises';
import { toMillimetres } from '@gold-peg/craft/units';

/** The middle of the post, and where its hole is. */
const [MIDDLE, HOLE_Y] = [300, 96];
const PX_PER_MM = 12;
/** How far the turns stand out at either side, and between them. */
const [OUT, APART] = [5, 2];

interface Line {
  x1: number;
  y1: number;
  x2: number;
  y2: number;
}

export interface PostFaults {
  left: number;
  width: number;
  holeY: number;
  thick: number;
  turns: readonly Line[];
  /** Drawn over the others; null where none crosses. */
  crossing: Line | null;
  tail: Line | null;
  leaves: Line;
}

/** A post from the side: its turns down from the hole, or up where they were wound so, the tail behind it, the string to the right. */
export function layOutFault({
  plan,
  turns,
  tail,
  crosses,
  truth,
}: Pick<FaultAtPost, 'plan' | 'turns' | 'tail' | 'crosses' | 'truth'>): PostFaults {
  const width = toMillimetres(plan.geometry.postDiameter) * PX_PER_MM;
  const thick = Math.max(3, toMillimetres(plan.geometry.stringDiameter) * PX_PER_MM);
  const left = MIDDLE - width / 2;
  const way = truth === 'upward' ? -1 : 1;
  const row = (at: number) => HOLE_Y + way * (at + 1) * (thick + APART);
  const count = Math.ceil(turns);
  const all = Array.from({ length: count }, (_, at): Line => {
    const share = Math.min(1, turns - at);
    return { x1: left - OUT, y1: row(at), x2: left - OUT + share * (width + 2 * OUT), y2: row(at) + way * 2 };
  });
  const last = row(Math.max(0, count - 1));
  return {
    ...{ left, width, holeY: HOLE_Y, thick },
    turns: all.filter((_, at) => at !== crosses),
    crossing: crosses === null ? null : { x1: left - OUT, y1: row(crosses), x2: left + width + OUT, y2: row(crosses - 1) - thick },
    tail: tail === 0 ? null : { x1: left - toMillimetres(tail) * PX_PER_MM, y1: HOLE_Y - 8, x2: left + 2, y2: HOLE_Y },
    leaves: { x1: left + width + OUT, y1: last + way * 2, x2: 760, y2: last + way * 2 + (truth === 'upward' ? 60 : 12) },
  };
}
