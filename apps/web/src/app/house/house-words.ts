import type { Preferences, Role, Standing } from '@gold-peg/contract/people';
import { BUILT_IN_TURNS, type StringClass } from '@gold-peg/craft/methods';
import { saysSlack } from '../preferences/slack-words';
import type { Choice } from '../ui/one-of';
import { CHOICE_KEYS, choiceRows, NUMBER_KEYS, numberRows, turnRows } from '../ways';

/** What each role may do, in the words of the house. */
export const ROLE_WORDS: Readonly<Record<Role, { name: string; may: string }>> = {
  owner: { name: 'owner', may: 'the bench, the counter, stock, ways, hours and people' },
  technician: { name: 'bench', may: 'the bench, the counter and stock' },
  counter: { name: 'counter', may: 'the counter: taking in, promises, owners; nothing at the bench' },
};
export const ROLES_TO_PICK: readonly { value: Role; label: string }[] = (['owner', 'technician', 'counter'] as const).map((value) => ({
  value,
  label: ROLE_WORDS[value].name,
}));

export const STANDINGS_TO_PICK: readonly Choice<Standing>[] = [
  { value: 'works', label: 'works here' },
  { value: 'locked', label: 'locked out' },
  { value: 'left', label: 'has left' },
];

/** Ways of somebody's own, where they have any: "thin plain 2.5, strings come off all together; says slack in fists". */
export function sayOwnWays({ methods, slackMeasure }: Pick<Preferences, 'methods' | 'slackMeasure'>): string {
  const all = { technician: methods };
  const rows = [
    ...turnRows(Object.keys(BUILT_IN_TURNS) as StringClass[], all),
    ...choiceRows(CHOICE_KEYS, all),
    ...numberRows(NUMBER_KEYS, all),
  ];
  const own = rows.flatMap(({ label, layers: { technician }, choices }) =>
    technician === null ? [] : [`${label} ${choices?.find(({ value }) => value === technician)?.words ?? technician}`],
  );
  const perString = Object.keys(methods.strings ?? {}).length;
  if (perString > 0) own.push(`${perString} ${perString === 1 ? 'string' : 'strings'} apart`);
  return `${own.length === 0 ? 'ways of the house' : own.join(', ')}; says slack ${saysSlack(slackMeasure)}`;
}

/** How long ago, as one says it. */
export function ago(from: string, now: Date): string {
  const minutes = Math.max(0, Math.round((now.getTime() - Date.parse(from)) / 60_000));
  if (minutes < 2) return 'now';
  if (minutes < 60) return `${minutes} min ago`;
  if (minutes < 48 * 60) return `${Math.round(minutes / 60)} h ago`;
  return `${Math.round(minutes / (24 * 60))} days ago`;
}

/** "41 MB", "380 kB". */
export const bytesIn = (bytes: number): string =>
  bytes < 1_000_000 ? `${Math.max(1, Math.round(bytes / 1000))} kB` : `${(bytes / 1_000_000).toFixed(bytes < 10_000_000 ? 1 : 0)} MB`;
