import type { AnchorKind } from '@gold-peg/craft/instrument';
import { toolSize, TOOLS, type ToolKind } from '@gold-peg/craft/tools';
import type { Worksheet } from '@gold-peg/craft/worksheet';
import type { PastSetup } from '@gold-peg/contract/register';

/** A line of the list at Ready. */
export interface ToolRow {
  tool: ToolKind;
  name: string;
  there: boolean;
  /** What size it must have; null where any will do. */
  size: { mm: number; says: string; why: string; choices: readonly number[] } | null;
}

/** Tools of exactly this job: what is there, and the sizes, from this job, from the last one at this instrument that knew it (`before`, the latest first), or typical of its kind. */
export function toolRows(
  tools: readonly ToolKind[],
  anchor: AnchorKind,
  laid: Worksheet['tools'],
  before: NonNullable<PastSetup['sizes']>,
): ToolRow[] {
  return tools.map((tool) => {
    const event = laid[tool];
    const size = toolSize(tool, anchor);
    const earlier = before.find((each) => each.tool === tool)?.sizeMm;
    const now = event?.payload.sizeMm ?? null;
    return {
      tool,
      name: TOOLS[tool],
      there: event?.payload.there ?? false,
      size:
        size === null
          ? null
          : {
              mm: now ?? earlier ?? size.typical,
              says: now !== null ? 'of this one' : earlier !== undefined ? 'as last time' : 'typical',
              why: size.says,
              choices: size.choices,
            },
    };
  });
}
