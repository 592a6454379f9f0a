import type { PitchRead } from '@gold-peg/craft/worksheet';
import type { DriftForecast } from '@gold-peg/craft/settle';
import type { SettlingString } from '../settle';
import { houseTime } from '../../server/house-zone';

/** One string at hand-over, with how it settled and how it was left. */
export interface Known {
  number: number;
  inJob: boolean;
  string: Pick<SettlingString, 'drops' | 'soft' | 'judged' | 'since'> & { drift: Pick<DriftForecast, 'holdsFrom'> | null };
  lastRead: PitchRead | null;
}

interface Asked {
  now: number;
  promisedAt: string | null;
}

const HOUR_MS = 3_600_000;
/** Until it was read otherwise, what creeps is taken to move for a day. */
const A_DAY_H = 24;
const TIME = houseTime({ weekday: 'short', hour: '2-digit', minute: '2-digit' });
const sayTime = (ms: number) => TIME.format(new Date(ms)).replace(',', '');
const list = (strings: readonly Known[]) => strings.map(({ number }) => number).join(', ');
const of = (strings: readonly Known[]) => `string${strings.length > 1 ? 's' : ''} ${list(strings)}`;

/** What is known of strings that do not hold yet, as open lines for the bench and in plain words for the owner. */
export function stillKnown(all: readonly Known[], { now, promisedAt }: Asked): { doubts: string[]; forOwner: string[] } {
  const strings = all.filter(({ inJob }) => inJob);
  const verdict = (kind: string) => strings.filter(({ string }) => string.judged?.verdict === kind);
  const [slips, may] = [verdict('slipping'), verdict('check')];
  const steel = strings.filter(({ string }) => !string.soft);
  const open = steel.filter(
    ({ string }) => string.judged !== null && string.judged.verdict !== 'slipping' && string.judged.roundsLeft.likely > 0,
  );
  const unread = steel.filter(({ string }) => string.drops.length === 0);
  const left = strings.filter(({ lastRead }) => lastRead !== null && !lastRead.retuned && lastRead.cents !== 0);
  const soft = strings.filter(({ string }) => string.soft);
  const holds = soft.length === 0 ? null : Math.max(...soft.map(({ string }) => holdsFrom(string, now)));
  const late = holds !== null && holds > now ? holds : null;
  const promised = promisedAt === null ? Number.POSITIVE_INFINITY : Date.parse(promisedAt);
  return {
    doubts: [
      ...(slips.length === 0 ? [] : [`${capital(of(slips))} slipped at Settle: seen to, or it comes back.`]),
      ...(may.length === 0 ? [] : [`${capital(of(may))} may slip: the drops hardly shrank.`]),
      ...(open.length === 0 ? [] : [`${capital(of(open))}: rounds still to go.`]),
      ...(unread.length === 0
        ? []
        : [
            `${unread.length === strings.length ? 'No string was' : `${capital(of(unread))} never`} read after stretching: nobody knows whether it holds.`,
          ]),
      ...left.map(({ number, lastRead }) => `String ${number} was left ${sayOff(lastRead?.cents ?? 0)}.`),
      ...(late === null
        ? []
        : [
            `Not before about ${sayTime(late)}: until then soft strings go on moving${late > promised ? `, though it is promised for ${sayTime(promised)}` : ''}.`,
          ]),
    ],
    forOwner: [
      ...(late === null
        ? []
        : [`The new strings go on moving: tune them again tonight and tomorrow; do not judge them before ${sayTime(late)}.`]),
      ...(slips.length + may.length === 0 ? [] : [`Bring it back if ${of([...slips, ...may])} goes flat by itself.`]),
      ...(open.length + unread.length === 0 ? [] : ['Tune it again after the first hour of playing: new strings give a little.']),
    ],
  };
}

/** When a string that creeps holds, ms: from its readings, else a day after it first bore pull. */
function holdsFrom({ drift, since }: Known['string'], now: number): number {
  const hours = drift?.holdsFrom.likely ?? A_DAY_H;
  return (since ?? now) + (Number.isFinite(hours) ? hours : A_DAY_H) * HOUR_MS;
}

const sayOff = (cents: number) => `${Math.abs(cents)} ¢ ${cents < 0 ? 'flat' : 'sharp'}`;
const capital = (words: string) => words.charAt(0).toUpperCase() + words.slice(1);
