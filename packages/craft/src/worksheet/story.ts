import { unreachable } from '../outcome/index.js';
import type { BenchEvent, EventOf } from './events.js';
import type { Worksheet } from './fold.js';
import { STRING_EVENTS, type StringEventKind } from './stages.js';

/** One thing that somebody did, or several alike in a row, in plain words. */
export interface StoryLine {
  /** ISO 8601, of the first and of the last of them. */
  at: string;
  until: string;
  personId: string;
  says: string;
}

const DID: Readonly<Record<StringEventKind, string>> = {
  'laid-out': 'laid out',
  'string-off': 'took off',
  'looked-over': 'looked over',
  anchored: 'anchored',
  wound: 'wound',
  'brought-up': 'brought up',
  settled: 'settled',
  trimmed: 'trimmed',
};

type Step = EventOf<StringEventKind>;
const isStep = (event: BenchEvent): event is Step => (Object.values(STRING_EVENTS) as string[]).includes(event.kind);

/** The job as it was, from what stands in its log: steps of one string, or one step of several strings, are told together. */
export function tellStory({ standing }: Pick<Worksheet, 'standing'>): StoryLine[] {
  const groups: BenchEvent[][] = [];
  for (const event of standing) {
    const group = groups.at(-1);
    if (group !== undefined && joins(group, event)) group.push(event);
    else groups.push([event]);
  }
  return groups.flatMap((group) => {
    const [first, last] = [group[0], group.at(-1)];
    if (first === undefined || last === undefined) return [];
    const steps = group.filter(isStep);
    return { at: first.at, until: last.at, personId: first.personId, says: steps.length > 0 ? tellSteps(steps) : tell(first) };
  });
}

function joins(group: readonly BenchEvent[], event: BenchEvent): boolean {
  const steps = group.filter(isStep);
  if (!isStep(event) || steps.length !== group.length || group[0]?.personId !== event.personId) return false;
  return steps.every(({ kind }) => kind === event.kind) || steps.every(({ string }) => string === event.string);
}

function tellSteps(steps: readonly Step[]): string {
  const kinds = [...new Set(steps.map(({ kind }) => DID[kind]))];
  const strings = [...new Set(steps.map(({ string }) => string))];
  const turns = steps.flatMap((step) => (step.kind === 'wound' && step.payload.turns > 0 ? [step.payload.turns.toFixed(1)] : []));
  const wound = turns.length === 0 ? '' : ` (${turns.join(', ')} turns)`;
  return `${list(kinds)} string${strings.length > 1 ? 's' : ''} ${list(strings.map(String))}${wound}`;
}

const list = (words: readonly string[]): string =>
  words.length < 2 ? words.join('') : `${words.slice(0, -1).join(', ')} and ${words.at(-1) ?? ''}`;

function tell(event: BenchEvent): string {
  switch (event.kind) {
    case 'set-chosen':
      return `chose ${event.payload.name}`;
    case 'turns-counted':
      return `counted ${event.payload.turns} turns on string ${event.string}`;
    case 'scrapped':
      return `lost string ${event.string}: ${event.payload.why.replaceAll('-', ' ')}`;
    case 'bridge-blocked':
      return event.payload.blocked ? 'blocked the bridge level' : 'took the block out';
    case 'noted':
      return `noted: ${event.payload.text}`;
    case 'measured':
      return `measured ${event.payload.what.replace('-', ', ')}: ${event.payload.valueMm} mm`;
    case 'handed-over':
      return event.payload.remark === '' ? 'handed it over' : `handed it over: ${event.payload.remark}`;
    case 'undone':
      return 'took a step back'; // never stands
    case 'laid-out':
    case 'string-off':
    case 'looked-over':
    case 'anchored':
    case 'wound':
    case 'brought-up':
    case 'settled':
    case 'trimmed':
      return tellSteps([event]);
    default:
      return unreachable(event);
  }
}
