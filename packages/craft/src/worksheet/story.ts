import { FINDINGS, GAUGES, measureOf } from '../findings/index.js';
import { unreachable } from '../outcome/index.js';
import { TOOLS } from '../tools/index.js';
import type { BenchEvent, EventOf, Measured, ToolLaid } from './events.js';
import type { Worksheet } from './fold.js';
import { isTick } from './stages.js';
import type { TickKind } from '../stages/index.js';

/** One thing that somebody did, or several alike in a row, in plain words. */
export interface StoryLine {
  /** ISO 8601, of the first and of the last of them. */
  at: string;
  until: string;
  personId: string;
  says: string;
}

const DID: Readonly<Record<TickKind, string>> = {
  'laid-out': 'laid out',
  'string-off': 'took off',
  'looked-over': 'looked over',
  anchored: 'anchored',
  wound: 'wound',
  tensioned: 'brought under pull',
  'brought-up': 'brought up',
  balanced: 'balanced',
  settled: 'settled',
  trimmed: 'trimmed',
};

type Laid = EventOf<'tool-laid'> & { payload: { there: true } };
const isLaid = (event: BenchEvent): event is Laid => event.kind === 'tool-laid' && event.payload.there;

type Step = EventOf<TickKind>;
/** What is told together. */
type Group = [BenchEvent, ...BenchEvent[]];

/** The job as it was, from what stands in its log: steps of one string, or one step of several strings, are told together. */
export function tellStory({ standing }: Pick<Worksheet, 'standing'>): StoryLine[] {
  const groups: Group[] = [];
  for (const event of standing) {
    const group = groups.at(-1);
    if (group !== undefined && joins(group, event)) group.push(event);
    else groups.push([event]);
  }
  return groups.map((group) => {
    const [first] = group;
    const last = group.at(-1) ?? first;
    const says = isTick(last) ? tellSteps(group.filter(isTick)) : isLaid(last) ? tellLaid(group.filter(isLaid)) : tell(last);
    return { at: first.at, until: last.at, personId: first.personId, says };
  });
}

function joins(group: Group, event: BenchEvent): boolean {
  const [first] = group;
  if (first.personId !== event.personId) return false;
  if (isLaid(event)) return isLaid(first);
  // on the way up only the last reading is worth telling
  if (event.kind === 'heard') return first.kind === 'heard' && first.string === event.string;
  if (!isTick(event) || !isTick(first)) return false;
  const steps = group.filter(isTick);
  return steps.every(({ kind }) => kind === event.kind) || steps.every(({ string }) => string === event.string);
}

function tellSteps(steps: readonly Step[]): string {
  const kinds = [...new Set(steps.map(({ kind }) => DID[kind]))];
  const which = strings([...new Set(steps.map(({ string }) => string))]);
  const turns = steps.flatMap((step) => (step.kind === 'wound' && step.payload.turns > 0 ? [step.payload.turns.toFixed(1)] : []));
  const wound = turns.length === 0 ? '' : ` (${turns.join(', ')} turns)`;
  return `${list(kinds)} ${which}${wound}`;
}

const strings = (numbers: readonly number[]): string => `string${numbers.length > 1 ? 's' : ''} ${list(numbers.map(String))}`;

const list = (words: readonly string[]): string =>
  words.length < 2 ? words.join('') : `${words.slice(0, -1).join(', ')} and ${words.at(-1) ?? ''}`;

function tellMeasured({ what, valueMm, string, by }: Measured): string {
  const where = string === undefined ? '' : ` of string ${string}`;
  return `measured ${measureOf(what).name}${where}: ${valueMm} mm${by === undefined ? '' : ` by ${GAUGES[by]}`}`;
}

function tellFound({ what, string, fret, severity, text }: EventOf<'found'>['payload']): string {
  const where = [fret === null ? '' : ` at fret ${fret}`, string === null ? '' : ` under string ${string}`].join('');
  const how = { watch: 'to be watched', soon: 'to be seen to soon', now: 'before it leaves' }[severity];
  return `found: ${FINDINGS[what].name}${where}, ${how}${text === '' ? '' : ` (${text})`}`;
}

const sayOff = (cents: number): string =>
  cents === 0 ? 'at its note' : `${Math.abs(cents)} cents ${cents < 0 ? 'under' : 'over'} its note`;

function sayTurned({ bassTurns, trebleTurns }: EventOf<'claw-turned'>['payload']): string {
  const say = (turns: number) => `${Math.abs(turns)} ${Math.abs(turns) === 1 ? 'turn' : 'turns'} ${turns < 0 ? 'out' : 'in'}`;
  return bassTurns === trebleTurns ? `${say(bassTurns)} each screw` : `bass screw ${say(bassTurns)}, treble screw ${say(trebleTurns)}`;
}

function tellHeard({ string, payload: { cents, by } }: EventOf<'heard'>): string {
  return `${by === 'typed' ? 'read' : 'heard'} string ${string} on its way up: ${sayOff(cents)}`;
}

function tellPitch({ string, payload: { cents, after, retuned } }: EventOf<'pitch-read'>): string {
  const off = cents === 0 ? 'in tune' : `${Math.abs(cents)} cents ${cents < 0 ? 'flat' : 'sharp'}`;
  return `read string ${string}: ${off} after ${after === 'stretch' ? 'stretching' : 'a rest'}${retuned ? ', tuned again' : ''}`;
}

const sayTool = ({ tool, sizeMm }: ToolLaid): string => `${TOOLS[tool]}${sizeMm === null ? '' : ` (${sizeMm} mm)`}`;
const tellLaid = (laid: readonly Laid[]): string => `laid ready: ${list(laid.map(({ payload }) => sayTool(payload)))}`;

function tell(event: Exclude<BenchEvent, Step | Laid>): string {
  switch (event.kind) {
    case 'set-chosen':
      return event.payload.only === undefined
        ? `chose ${event.payload.name}`
        : `chose ${event.payload.name} for ${strings(event.payload.only)} alone`;
    case 'set-hung':
      return 'hung the strings up under their pull';
    case 'turns-counted':
      return `counted ${event.payload.turns} turns on string ${event.string}`;
    case 'scrapped':
      return `lost string ${event.string}: ${event.payload.why.replaceAll('-', ' ')}`;
    case 'bridge-blocked':
      return event.payload.blocked ? 'blocked the bridge level' : 'took the block out';
    case 'noted':
      return `noted: ${event.payload.text}`;
    case 'measured':
      return tellMeasured(event.payload);
    case 'found':
      return tellFound(event.payload);
    case 'heard-on-bridge':
      return `heard string ${event.string} on the bridge: ${sayOff(event.payload.cents)}`;
    case 'set-on-bridge':
      return `set string ${event.string} ${sayOff(event.payload.cents)}, for the others to bring it home`;
    case 'claw-turned':
      return `turned the claw: ${sayTurned(event.payload)}`;
    case 'springs-hooked':
      return `hooked in ${event.payload.count} ${event.payload.count === 1 ? 'spring' : 'springs'}`;
    case 'fine-tuners-at-mid':
      return 'set the fine tuners to the middle of their travel';
    case 'nut-clamped':
      return event.payload.shut ? 'shut the clamps at the nut' : 'opened the clamps at the nut';
    case 'arm-moved':
      return event.payload.way === 'down' ? 'dived a few times' : 'pulled the arm up a few times';
    case 'springs-learned':
      return `learned its springs: ${event.payload.rateNPerMm.likely.toFixed(2)} N/mm each`;
    case 'pads-noted':
      return `noted that the pad of clamp ${event.payload.clamp} lies ${event.payload.lies} the strings`;
    case 'tool-laid':
      return `took off the list: ${sayTool(event.payload)}`;
    case 'reference-read':
      return `read the tuner’s reference: ${event.payload.a4Hz} Hz`;
    case 'gauge-read':
      return `measured string ${event.string}: ${event.payload.readMm} mm for ${event.payload.plannedMm} mm`;
    case 'heard':
      return tellHeard(event);
    case 'pitch-read':
      return tellPitch(event);
    case 'seated-again':
      return `slackened string ${event.string}, seated it again and brought it up`;
    case 'paused':
      return 'stopped the clock';
    case 'resumed':
      return 'let the clock run on';
    case 'handed-over':
      return event.payload.remark === '' ? 'handed it over' : `handed it over: ${event.payload.remark}`;
    case 'from-newer':
      return `did what a newer version of this page knows: ${event.payload.kind.replaceAll('-', ' ')}`;
    case 'undone':
      return 'took a step back'; // never stands
    default:
      return unreachable(event);
  }
}
