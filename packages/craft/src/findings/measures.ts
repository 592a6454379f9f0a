import { floats, type Instrument } from '../instrument/index.js';

/** What is measured with. */
export const GAUGES = {
  'feeler-gauge': 'straightedge and feeler gauge',
  'string-rule': 'string height rule',
  caliper: 'caliper',
  'depth-gauge': 'depth gauge',
  'steel-rule': 'steel rule',
} as const;
export type GaugeTool = keyof typeof GAUGES;
export const GAUGE_TOOLS = Object.keys(GAUGES) as GaugeTool[];

interface Measure {
  name: string;
  how: string;
  tool: GaugeTool;
  /** What it can be, mm: outside it is a slip of the hand. */
  range: readonly [from: number, to: number];
  perString: boolean;
}

const measure = (name: string, how: string, tool: GaugeTool, range: Measure['range'], perString = false): Measure => ({
  name,
  how,
  tool,
  range,
  perString,
});

/** What is measured of an instrument while it is on the bench. */
export const MEASURES = {
  relief: measure('relief', 'string down at fret 1 and at the body: the gap half way', 'feeler-gauge', [-1, 3]),
  'action-treble': measure('action at 12, treble', 'top of fret 12 to the underside of string 1', 'string-rule', [0.3, 8]),
  'action-bass': measure('action at 12, bass', 'top of fret 12 to the underside of the lowest string', 'string-rule', [0.3, 10]),
  'slot-width': measure('nut slot', 'the thickest feeler that slides through', 'feeler-gauge', [0.15, 5], true),
  'saddle-height': measure('saddle height', 'top of the body to the underside of the string', 'depth-gauge', [0.5, 40], true),
  'bridge-place-treble': measure('bridge, treble side', 'fret 12 to the top of the saddle, along string 1', 'steel-rule', [100, 700]),
  'bridge-place-bass': measure('bridge, bass side', 'fret 12 to the top of the saddle, along the lowest string', 'steel-rule', [100, 700]),
  'bridge-level': measure('bridge level', 'body to the underside of the bridge’s back edge', 'depth-gauge', [-5, 15]),
  'bridge-level-treble': measure('bridge level, treble side', 'the same at the treble end of its back edge', 'depth-gauge', [-5, 15]),
} as const satisfies Record<string, Measure>;
export type MeasureKind = keyof typeof MEASURES;
export const MEASURE_KINDS = Object.keys(MEASURES) as MeasureKind[];
export const measureOf = (kind: MeasureKind): Measure => MEASURES[kind];

/** What has to be noted before the strings of this instrument come off, so that it can be put back. */
export function placesToNote({ bridge }: Pick<Instrument, 'bridge'>): MeasureKind[] {
  if (bridge.anchor === 'hooked-tailpiece') return ['bridge-place-treble', 'bridge-place-bass'];
  return floats(bridge) ? ['bridge-level'] : [];
}

/** Which way the pad of a clamp lies. */
export const PAD_LIES = ['along', 'across'] as const;
export type PadLies = (typeof PAD_LIES)[number];

/** How many clamps a locking nut has: one for each pair of strings; none elsewhere. */
export const clampCount = ({ bridge, strings }: Pick<Instrument, 'bridge' | 'strings'>): number =>
  bridge.anchor === 'double-locking' ? Math.ceil(strings.length / 2) : 0;
