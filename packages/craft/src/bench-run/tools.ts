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
  'hex-keys': 'hex keys for the clamps',
  screwdriver: 'screwdriver for the claw and for pegs',
  'small-hex': 'hex key for the ball pocket',
  eraser: 'eraser under the bridge',
  pencil: 'pencil',
} as const;
export type ToolKind = keyof typeof TOOLS;
