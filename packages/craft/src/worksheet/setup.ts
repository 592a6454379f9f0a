import type { Finding, PadLies } from '../findings/index.js';
import type { ToolKind } from '../tools/index.js';
import type { LoggedTuning, Measured, SpringsLearnedPayload } from './events.js';
import type { ScrapReason } from '../stages/index.js';
import type { LoggedString } from './logged-string.js';
import { asItCame, type Worksheet } from './fold.js';
import { dropsOf } from './pitches.js';
import { stageTimes } from './stage-times.js';

/** A finished job as an instrument's passport remembers it. */
export interface Setup {
  setName: string;
  /** Where only some strings were replaced: which, and by what. `setName` is then what the others are of. */
  only?: { strings: number[]; name: string } | undefined;
  strings: SetupString[];
  tuning?: LoggedTuning | undefined;
  scrapped?: { string: number; why: ScrapReason }[] | undefined;
  fittedAt: string;
  remark: string;
  /** Attended, all stages together; left out where nothing is known of it. */
  minutes?: number | undefined;
  notes: string[];
  /** `asItCame`: with the strings that were on it before. */
  measurements: (Measured & { asItCame?: boolean | undefined })[];
  findings?: (Finding & { text: string })[] | undefined;
  /** Numbers of the strings that were looked over, where those are not all that it was about. */
  looked?: number[] | undefined;
  pads?: { clamp: number; lies: PadLies }[] | undefined;
  /** What its springs were found to be. */
  springs?: SpringsLearnedPayload | undefined;
  /** Sizes that proved right for this instrument. */
  sizes?: { tool: ToolKind; sizeMm: number }[] | undefined;
}

export interface SetupString extends LoggedString {
  string: number;
  /** As counted, or as planned where nobody counted. */
  turns: number | null;
  slackMm: number | null;
  /** What each round of stretching cost, cents; left out where nobody read it. */
  dropsCents?: number[] | undefined;
  /** When it was fitted, and of what set, where that was in an earlier job than the others. */
  fittedAt?: string | undefined;
  setName?: string | undefined;
}

/**
 * What a handed-over worksheet leaves in the passport; null while it is still on the bench or nothing was chosen. Strings that were no part of the job stay as
 * `before`, the setup that was on the instrument, has them; where nothing is known of them they are left out.
 */
export function setupOf(sheet: Worksheet, before: Setup | null = null): Setup | null {
  if (sheet.handedOver === null || sheet.chosen === null) return null;
  const { name, strings, tuning, only } = sheet.chosen.payload;
  return {
    setName: only === undefined ? name : (before?.setName ?? name),
    ...(only !== undefined && { only: { strings: only, name } }),
    tuning: tuning ?? (only === undefined ? undefined : before?.tuning),
    scrapped: sheet.scrapped.map(({ string, payload }) => ({ string, why: payload.why })),
    fittedAt: sheet.handedOver.at,
    remark: sheet.handedOver.payload.remark,
    ...minutesOf(sheet),
    notes: sheet.notes.map(({ payload }) => payload.text),
    measurements: sheet.measurements.map((event) => ({ ...event.payload, ...(asItCame(sheet, event) && { asItCame: true }) })),
    findings: sheet.findings.map(({ payload }) => payload),
    ...lookedOver(sheet),
    ...springsOf(sheet, before),
    pads: sheet.pads.map(({ payload }) => payload),
    sizes: Object.values(sheet.tools).flatMap(({ payload: { tool, sizeMm } }) => (sizeMm === null ? [] : [{ tool, sizeMm }])),
    strings: strings.flatMap((string, index) => (sheet.inJob[index] === false ? asBefore(before, index) : [fitted(sheet, string, index)])),
  };
}

/** Strings of the job that were looked over; left out where that is all of them. */
export function lookedOver({ done, inJob }: Pick<Worksheet, 'done' | 'inJob'>): Pick<Setup, 'looked'> {
  const looked = done['look-over'].flatMap((event, index) => (event === null ? [] : [index + 1]));
  return looked.length < inJob.filter(Boolean).length ? { looked } : {};
}

/** To the tenth of a minute. */
function minutesOf(sheet: Worksheet): Pick<Setup, 'minutes'> {
  const minutes = stageTimes(sheet).reduce((sum, { ms }) => sum + ms, 0) / 60_000;
  return minutes > 0 ? { minutes: Math.round(10 * minutes) / 10 } : {};
}

/** Springs stay as they were found until they are found otherwise, or others are hooked in. */
function springsOf(sheet: Worksheet, before: Setup | null): Pick<Setup, 'springs'> {
  const hooked = sheet.onBridge.findLast((event) => event.kind === 'springs-hooked');
  const known = sheet.springs?.payload ?? before?.springs;
  if (known === undefined) return {};
  return { springs: hooked === undefined || sheet.springs !== null ? known : { ...known, count: hooked.payload.count } };
}

function fitted(sheet: Worksheet, string: LoggedString, index: number): SetupString {
  const count = sheet.counted[index]?.payload;
  const drops = dropsOf(sheet, index);
  return {
    ...string,
    string: index + 1,
    turns: count?.turns ?? sheet.wound[index]?.payload.turns ?? null,
    slackMm: count?.lies?.slackMm ?? sheet.wound[index]?.payload.slackMm ?? null,
    ...(drops.length > 0 && { dropsCents: drops }),
  };
}

function asBefore(before: Setup | null, index: number): SetupString[] {
  const string = before?.strings.find(({ string: number }) => number === index + 1);
  if (before === null || string === undefined) return [];
  return [{ ...string, fittedAt: string.fittedAt ?? before.fittedAt, setName: string.setName ?? before.only?.name ?? before.setName }];
}
