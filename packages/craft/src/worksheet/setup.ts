import type { Finding, PadLies } from '../findings/index.js';
import type { ToolKind } from '../tools/index.js';
import type { LoggedTuning, Measured, ScrapReason } from './events.js';
import type { LoggedString } from './logged-string.js';
import type { Worksheet } from './fold.js';
import { dropsOf } from './pitches.js';

/** A finished job as an instrument's passport remembers it. */
export interface Setup {
  setName: string;
  strings: SetupString[];
  tuning?: LoggedTuning | undefined;
  scrapped?: { string: number; why: ScrapReason }[] | undefined;
  fittedAt: string;
  remark: string;
  notes: string[];
  measurements: Measured[];
  findings?: (Finding & { text: string })[] | undefined;
  pads?: { clamp: number; lies: PadLies }[] | undefined;
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
}

/** What a handed-over worksheet leaves in the passport; null while it is still on the bench or nothing was chosen. */
export function setupOf(sheet: Worksheet): Setup | null {
  if (sheet.handedOver === null || sheet.chosen === null) return null;
  return {
    setName: sheet.chosen.payload.name,
    tuning: sheet.chosen.payload.tuning,
    scrapped: sheet.scrapped.map(({ string, payload }) => ({ string, why: payload.why })),
    fittedAt: sheet.handedOver.at,
    remark: sheet.handedOver.payload.remark,
    notes: sheet.notes.map(({ payload }) => payload.text),
    measurements: sheet.measurements.map(({ payload }) => payload),
    findings: sheet.findings.map(({ payload }) => payload),
    pads: sheet.pads.map(({ payload }) => payload),
    sizes: Object.values(sheet.tools).flatMap(({ payload: { tool, sizeMm } }) => (sizeMm === null ? [] : [{ tool, sizeMm }])),
    strings: sheet.chosen.payload.strings.map((string, index) => ({
      ...string,
      string: index + 1,
      turns: sheet.counted[index]?.payload.turns ?? sheet.wound[index]?.payload.turns ?? null,
      slackMm: sheet.wound[index]?.payload.slackMm ?? null,
      ...(dropsOf(sheet, index).length > 0 && { dropsCents: dropsOf(sheet, index) }),
    })),
  };
}
