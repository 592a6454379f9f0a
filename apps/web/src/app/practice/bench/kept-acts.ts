import type { Act } from '@gold-peg/craft/restring';
import { metres } from '@gold-peg/craft/units';
import * as z from 'zod';

const KEY = 'gold-peg.simulated-bench';

const string = z.number().int().min(0);
const act = z.discriminatedUnion('do', [
  z.object({ do: z.enum(['slacken', 'cut', 'take-off', 'stretch', 'press', 'judge', 'pluck']), string }),
  z.object({ do: z.literal('trim'), string, flush: z.boolean().optional() }),
  z.object({ do: z.enum(['turn', 'fine']), string, turns: z.number() }),
  z.object({ do: z.literal('snug'), string, eighths: z.number() }),
  z.object({ do: z.literal('anchor'), string, way: z.string() }),
  z.object({ do: z.literal('thread'), string, slack: z.number().transform(metres), direction: z.enum(['anticlockwise', 'clockwise']) }),
  z.object({ do: z.enum(['guide', 'cover', 'block', 'nut']), on: z.boolean() }),
  z.object({ do: z.literal('wait') }),
]) satisfies z.ZodType<Act>;
const kept = z.object({ kind: z.string(), seed: z.number().int(), acts: z.array(act) });

/** A restring as it is kept on this device: the same seed and the same hands make the same again. */
export type KeptRestring = z.output<typeof kept>;

/** Null where none was begun here, or what is kept cannot be read any more. */
export function recallRestring(): KeptRestring | null {
  try {
    return kept.safeParse(JSON.parse(localStorage.getItem(KEY) ?? 'null')).data ?? null;
  } catch {
    return null;
  }
}

export const keepRestring = (restring: KeptRestring): void => localStorage.setItem(KEY, JSON.stringify(restring));
