import type { AnchorKind } from '../instrument/index.js';

/** What lies on the bench, in the words of a list. */
export const TOOLS = {
  winder: 'winder',
  cutters: 'flush cutters',
  tuner: 'tuner, its reference checked',
  'neck-rest': 'neck rest',
  cloth: 'soft cloth',
  eyes: 'eye protection',
  caliper: 'caliper, zeroed',
  rule: 'steel rule',
  bin: 'bin with a lid for offcuts',
  'pin-lever': 'notched lever for pins',
  'padded-pliers': 'padded pliers',
  'masking-tape': 'masking tape',
  block: 'block to hold the bridge level',
  'hex-keys': 'hex key for the clamps',
  screwdriver: 'screwdriver for the claw and for pegs',
  'small-hex': 'hex key for the ball pocket',
  eraser: 'eraser under the bridge',
  pencil: 'pencil',
  straightedge: 'straightedge and feeler gauges',
} as const;
export type ToolKind = keyof typeof TOOLS;
export const TOOL_KINDS = Object.keys(TOOLS) as ToolKind[];

/** A size that a tool of this job must have, mm, and why. */
export interface ToolSize {
  /** Where one starts when this instrument has told nothing yet. */
  typical: number;
  choices: readonly number[];
  says: string;
}

const HEX_SIZES = [1.5, 2, 2.5, 3, 4];
const TRY_IT = 'try it before you turn: a key that is a size too small rounds the screw';

/** The size that matters of a tool at an anchor; null where any will do. Hardware differs: what was noted at the instrument wins over what is typical. */
export function toolSize(tool: ToolKind, anchor: AnchorKind): ToolSize | null {
  if (tool === 'hex-keys') return { typical: 3, choices: HEX_SIZES, says: TRY_IT };
  if (tool === 'small-hex') return { typical: 2.5, choices: HEX_SIZES, says: TRY_IT };
  if (tool === 'block')
    return {
      typical: anchor === 'double-locking' ? 12 : 10,
      choices: [],
      says: 'thick as the gap between the block and the wall of its cavity while the bridge is level: a thinner one lets it fall back',
    };
  return null;
}
