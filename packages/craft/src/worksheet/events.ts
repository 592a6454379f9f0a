import type { Finding, GaugeTool, MeasureKind, PadLies } from '../findings/index.js';
import type { Family } from '../string-kinds/index.js';
import type { ToolKind } from '../tools/index.js';
import type { LoggedString } from './logged-string.js';
import type { ArmWay, ScrapReason, StringEventKind } from '../stages/index.js';

/** A tuning as the log keeps it, string 1 first. */
export interface LoggedTuning {
  a4Hz: number;
  notes: { note: string; frequencyHz: number | null }[];
}

/** What was wound on one post. `slackMm` may be negative: nylon that needed none. */
export interface WoundPayload {
  turns: number;
  slackMm: number;
  cutBeyondPostMm: number;
  nutDeg: number | null;
}

/** Turns that were counted on a post, and what the plan had taken for granted: evidence about the post and the hand. */
export interface CountedPayload {
  turns: number;
  slackMm: number;
  stretchMm: number;
  postDiameterMm: number;
  stringDiameterMm: number;
  nutToPostMm: number;
  /** What these turns come to on this post: the slack that was left, and the break over the nut. Left out by older counts. */
  lies?: { slackMm: number; nutDeg: number | null } | undefined;
}

/** A tool that lies ready, or is taken from the list again; with the size it has where sizes matter. */
export interface ToolLaid {
  tool: ToolKind;
  there: boolean;
  sizeMm: number | null;
}

/** What was read on a new string, against what it is to be. */
export interface GaugeRead {
  readMm: number;
  plannedMm: number;
  by: 'caliper' | 'typed';
}

/** Where a string stood as it was brought up, from its note; negative below it. */
export interface HeardAt {
  cents: number;
  /** How sure the ear was, 0 to 1; null where somebody typed it. */
  sure: number | null;
  by: 'microphone' | 'simulated' | 'recording' | 'typed';
}

/** Where a string stood on a bridge that moves, cents from its note: it was only heard, or its peg was turned and it was left there. */
export interface OnBridge {
  cents: number;
  /** Where it was to be left, so that all are in tune once the others are; left out where it was only heard. */
  aimCents?: number | undefined;
  /** Where its pass leaves all, cents from their notes; left out where that is none. */
  towardCents?: number | undefined;
  /** Turns by which the claw goes in after its pass; left out where it stays. */
  clawTurns?: number | undefined;
  /** How sure the ear was, 0 to 1; null where somebody typed it. */
  sure: number | null;
  by: HeardAt['by'];
}

/** What an instrument said of its own springs: four times in five within the bands. */
export interface SpringsLearnedPayload {
  count: number;
  rateNPerMm: { low: number; likely: number; high: number };
  initialN: { low: number; likely: number; high: number };
  /** Trials it rests on, those of jobs before among them. */
  trials: number;
}

/** How far a string was off its pitch, and after what. */
export interface PitchRead {
  /** Below zero where it was flat. */
  cents: number;
  /** After a round of stretching, or after it was left alone. */
  after: 'stretch' | 'rest';
  /** Whether it was brought back to pitch then. */
  retuned: boolean;
  by: 'typed' | 'heard';
}

/** A number taken from the instrument. `string` is given where each string has its own. */
export interface Measured {
  what: MeasureKind;
  valueMm: number;
  string?: number | undefined;
  by?: GaugeTool | undefined;
}

/** What was chosen for a job. The set and tuning may be none of the tables': then only what is written here counts. */
export interface SetChosen {
  name: string;
  family: Family;
  strings: LoggedString[];
  setId?: string | null | undefined;
  tuning?: LoggedTuning | undefined;
  /** String numbers that this job is about, ascending; all where it is left out. The others of `strings` stay on as they are. */
  only?: number[] | undefined;
}

interface Head {
  /** UUID v7 made by the device: it orders the log by when things happened, and makes sending twice harmless. */
  id: string;
  version: 1;
  jobId: string;
  instrumentId: string;
  personId: string;
  deviceId: string;
  /** The device's clock, ISO 8601. */
  at: string;
}

interface StringHead extends Head {
  /** String number, 1 at the high side. */
  string: number;
}

type Tick<K extends StringEventKind> = K extends 'wound' ? never : StringHead & { kind: K; payload: Record<string, never> };

/** What happens at the bench, past tense, never edited. */
export type BenchEvent =
  | (Head & { kind: 'set-chosen'; payload: SetChosen })
  /** The strings that were chosen hang under their pull, to do most of their moving before they are on. */
  | (Head & { kind: 'set-hung'; payload: Record<string, never> })
  | Tick<StringEventKind>
  | (StringHead & { kind: 'wound'; payload: WoundPayload })
  | (StringHead & { kind: 'turns-counted'; payload: CountedPayload })
  /** It bears pull for the first time: at pitch and lightly stretched before the next comes off, or a whole tone under where several were off. */
  | (StringHead & { kind: 'tensioned'; payload: Record<string, never> })
  | (StringHead & { kind: 'scrapped'; payload: { why: ScrapReason } })
  | (Head & { kind: 'bridge-blocked'; payload: { blocked: boolean } })
  | (Head & { kind: 'noted'; payload: { text: string } })
  | (Head & { kind: 'measured'; payload: Measured })
  | (Head & { kind: 'found'; payload: Finding & { text: string } })
  | (Head & { kind: 'pads-noted'; payload: { clamp: number; lies: PadLies } })
  | (Head & { kind: 'tool-laid'; payload: ToolLaid })
  | (Head & { kind: 'reference-read'; payload: { a4Hz: number } })
  | (StringHead & { kind: 'gauge-read'; payload: GaugeRead })
  | (StringHead & { kind: 'heard'; payload: HeardAt })
  | (StringHead & { kind: 'heard-on-bridge'; payload: OnBridge })
  | (StringHead & { kind: 'set-on-bridge'; payload: OnBridge })
  /** Turns of each screw of the claw, in above zero. */
  | (Head & { kind: 'claw-turned'; payload: { bassTurns: number; trebleTurns: number } })
  | (Head & { kind: 'springs-hooked'; payload: { count: number } })
  /** The fine tuners of a locking bridge stand at the middle of their travel. */
  | (Head & { kind: 'fine-tuners-at-mid'; payload: Record<string, never> })
  | (Head & { kind: 'nut-clamped'; payload: { shut: boolean } })
  /** A few full dives of the arm, or pulls up: what is heard next says how it returned. */
  | (Head & { kind: 'arm-moved'; payload: { way: ArmWay } })
  | (Head & { kind: 'springs-learned'; payload: SpringsLearnedPayload })
  | (StringHead & { kind: 'pitch-read'; payload: PitchRead })
  /** It slipped: it was slackened, seen to where it is held, and brought up again. */
  | (StringHead & { kind: 'seated-again'; payload: Record<string, never> })
  | (Head & { kind: 'paused'; payload: Record<string, never> })
  | (Head & { kind: 'resumed'; payload: Record<string, never> })
  /** Something that is known to a newer version only, kept as it came: it counts for nothing here, and is told. */
  | (Head & { kind: 'from-newer'; payload: { kind: string; event: unknown } })
  | (Head & { kind: 'undone'; payload: { eventId: string } })
  | (Head & { kind: 'handed-over'; payload: { remark: string } });

export type BenchEventKind = BenchEvent['kind'];
export type EventOf<K extends BenchEventKind> = Extract<BenchEvent, { kind: K }>;
