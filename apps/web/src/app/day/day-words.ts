import type { Day } from '@gold-peg/contract/day';
import { HAND_OVER_ID, isVisit, type Moved as MovedOperation } from '@gold-peg/craft/day';
import { DateTime } from 'luxon';
import { momentOf } from './moment';
import { passportOf } from './rail';

/** 'Fri 9:30', by the clock of the house; today without its day. */
export function dayTime(day: Pick<Day, 'origin' | 'now' | 'hours'>, minute: number): string {
  const zone = { zone: day.hours.zone };
  const [at, now] = [minute, day.now].map((each) => DateTime.fromJSDate(momentOf(day, each), zone));
  if (at === undefined || now === undefined) return '';
  return at.toFormat(at.hasSame(now, 'day') ? 'H:mm' : at.diff(now, 'days').days < 6 ? 'ccc H:mm' : 'd LLL H:mm');
}

/** '1 h 35' or '12 min', in one piece where a line breaks. */
export function duration(minutes: number): string {
  const whole = Math.round(minutes);
  return whole < 60 ? `${whole}\u00a0min` : `${Math.floor(whole / 60)}\u00a0h\u00a0${String(whole % 60).padStart(2, '0')}`;
}

export const operationWords = (operation: string): string =>
  operation === HAND_OVER_ID ? 'the hand-over' : isVisit(operation) ? 'a look at the strings' : 'the bench work';

/** What moved since the last plan, and why, in a line. */
export function sayMoved(day: Day, { job, operation, from, to, why, by }: MovedOperation): string {
  const passport = (id: string) => {
    const found = day.jobs.find((each) => each.id === id);
    return found === undefined ? '' : passportOf(found);
  };
  const who = (id: string) => day.people.find((each) => each.id === id)?.name ?? 'nobody';
  const where = from.person === to.person ? dayTime(day, to.start) : `${who(to.person)}, ${dayTime(day, to.start)}`;
  const because = {
    'no-hours': `${who(from.person)} is not there then`,
    behind: 'what comes before it ends later',
    taken: by === null ? 'something else lies there now' : `${passport(by.job)} lies there now`,
    earlier: 'there is room earlier',
    better: 'more promises are kept so',
  }[why];
  return `${passport(job)}, ${operationWords(operation)}: from ${dayTime(day, from.start)} to ${where}, since ${because}.`;
}
