import type { Worksheet } from '@gold-peg/craft/worksheet';
import type { StringStage } from '@gold-peg/craft/stages';
import type { Measures } from '../../preferences/measures';
import type { Lane } from '../../lane/lane';
import { houseTime } from '../../server/house-zone';

/** One string at a stage: what it is, where it stands, and what is said of it here. */
export interface StageRow {
  lane: Lane;
  gauge: string;
  construction: string;
  thick: number;
  inHand: boolean;
  done: boolean;
  badge: 'open' | 'in-hand' | 'done';
  /** It is no part of the job. */
  apart: boolean;
  says: string;
}

interface Asked {
  sheet: Worksheet;
  lanes: readonly Lane[];
  stage: StringStage;
  /** Zero-based; null where none is in hand. */
  inHand: number | null;
  /** How a string is said to be once its step is done. */
  done: string;
  measures: Measures;
}

export function stageRows({ sheet, lanes, stage, inHand, done, measures }: Asked): StageRow[] {
  return lanes.map((lane) => {
    const event = sheet.done[stage][lane.index] ?? null;
    const apart = sheet.inJob[lane.index] === false;
    const up = stage === 'bring-up' ? (sheet.tensioned[lane.index] ?? null) : null;
    const here = inHand === lane.index;
    return {
      lane,
      gauge: lane.string === null ? '–' : measures.gauge(lane.gauge * 1000),
      construction: lane.string?.construction ?? '',
      thick: Math.max(1.5, lane.gauge * 1000 * 5),
      inHand: here,
      done: event !== null,
      badge: here ? 'in-hand' : event === null ? 'open' : 'done',
      apart,
      says: apart ? 'stays' : event !== null ? `${done} ${timeOf(event.at)}` : up !== null ? `up ${timeOf(up.at)}` : here ? 'in hand' : '',
    };
  });
}

const timeOf = (at: string) => houseTime({ hour: '2-digit', minute: '2-digit' }).format(new Date(at));
