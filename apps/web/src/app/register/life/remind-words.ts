import type { MessageWay } from '@gold-peg/contract/outbox';
import type { Passport } from '@gold-peg/contract/register';
import { stillOpen } from '@gold-peg/craft/findings';
import type { Due } from '@gold-peg/craft/wear';
import { sayFinding } from '../../worksheet/look-over/finding-words';
import { houseTime } from '../../server/house-zone';

const DATE = houseTime({ day: 'numeric', month: 'long' });

/** What the owner of an instrument is told when it should come back; it asks for the hours, too. */
export function reminderText(passport: Passport, due: Due, way: MessageWay, now: number): string {
  const likely = due.wear.get(due.string)?.due.likely ?? now;
  const when = likely < now ? `have likely been worn since ${DATE.format(likely)}` : `are likely worn around ${DATE.format(likely)}`;
  const number = String(passport.passport).padStart(4, '0');
  if (way === 'text')
    return `${passport.name} (${number}): its strings ${when}. Bring it in when it suits you. How many hours a week is it played?`;
  const open = stillOpen(passport.setups).map(sayFinding);
  return [
    `Dear ${passport.ownerName ?? 'owner'},`,
    '',
    `the strings of ${passport.name} (passport ${number}) ${when}, string ${due.string} first. Bring it in when it suits you.`,
    ...(open.length === 0 ? [] : [`We would look again at what we found last time: ${open.join('; ')}.`]),
    passport.hours === null
      ? 'How many hours a week is it played? Then we know better when to ask again.'
      : `We think of ${passport.hours.weeklyHours} hours of playing a week: is that still so?`,
    '',
    'Your workshop',
  ].join('\n');
}
