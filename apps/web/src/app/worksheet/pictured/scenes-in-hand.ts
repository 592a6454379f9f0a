import { anchorScenes, type AnchorScenes } from '../../anchor';
import { tieWay } from '@gold-peg/craft/bench-run';
import { twoHoles } from '@gold-peg/craft/instrument';
import type { WorksheetDesk } from '../desk';

/** The drawings of the bridge for the string in hand; null while nothing is open. */
export function scenesInHand(desk: WorksheetDesk): AnchorScenes | null {
  const [instrument, lane, run] = [desk.instrument(), desk.lanes()[desk.lane()], desk.run()];
  if (instrument === null || lane === undefined || run === null) return null;
  const at = run.order.indexOf(lane.index);
  return anchorScenes(instrument.bridge.anchor, {
    count: instrument.strings.length,
    index: lane.index,
    soft: lane.texture === 'nylon',
    wound: lane.texture === 'wound',
    twoHoles: twoHoles(instrument, lane.index),
    last: run.order.at(-1) === lane.index,
    tie: tieWay(lane.texture === 'wound', desk.choices()),
    tailUp: (run.order[at + 1] ?? run.order[at - 1] ?? 0) < lane.index,
    cover: instrument.bridge.cover,
  });
}
