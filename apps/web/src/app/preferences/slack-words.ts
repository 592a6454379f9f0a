import { TIGHT, type SaidSlack, type SlackSchool } from '@gold-peg/craft/methods';
import { metres, type Metres } from '@gold-peg/craft/units';
import { say, turnsOn, turnsToQuarter, type Measures } from './measures';

/** What a school is called at the head of its column, and what its measure is. */
export const SCHOOLS: Readonly<Record<SlackSchool, { short: string; does: string }>> = {
  'pull-back': {
    short: 'pulled back to',
    does: 'hold the string at the nut and pull it back until its end of the slack lies over that fret',
  },
  posts: {
    short: 'in posts',
    does: 'cut so many post spacings beyond its own post; past the last post, so far from the end of the headstock',
  },
  fist: { short: 'in fists', does: 'lift the string in the middle until so many of your fists go under it' },
  finger: { short: 'in fingers', does: 'leave so many breadths of your first finger' },
  spacer: { short: 'in spacers', does: 'leave as much as thumb to first finger held against the post, so many times' },
  'past-post': { short: 'past the post', does: 'cut so far past the axis of the post, held just taut' },
  'headstock-end': { short: 'past the end', does: 'cut so far past the end of the headstock, held just taut' },
  'turns-first': { short: 'wrapped first', does: 'wrap the slack string so many times round the post by hand, then put the end through' },
};

/** By what somebody says slack, by itself: "pulled back to a fret", "in fists". */
export const saysSlack = (school: SlackSchool): string => (school === 'pull-back' ? 'pulled back to a fret' : SCHOOLS[school].short);

/** What was left on a string as it is noted: turns and slack, null where nobody knows. A clamp holds its string straight, with a small arc of slack and no turns. */
export function sayLeft({ turns, slack, clamped }: { turns: number | null; slack: Metres | null; clamped: boolean }, measures: Measures) {
  return {
    turns: turns === null || clamped ? '–' : turnsOn(turns),
    slack: slack === null ? '–' : clamped ? say(measures.length(slack, 1)) : slack < TIGHT ? 'pulled tight' : say(measures.length(slack)),
  };
}

const WIDTHS = { fists: 'fist', fingers: 'finger', spacers: 'spacer' } as const;

/** Slack as the person's school says it. */
export function slackWords(said: SaidSlack, measures: Measures): string {
  switch (said.kind) {
    case 'fret':
      return `fret ${said.fret.toFixed(1)}`;
    case 'posts':
      return `${said.count.toFixed(1)} posts`;
    case 'fists':
    case 'fingers':
    case 'spacers':
      return `${turnsToQuarter(said.count)} ${said.count > 1 ? said.kind : WIDTHS[said.kind]}`;
    case 'past-post':
      return `${measures.length(said.length).value} past it`;
    case 'past-end': {
      const { value, unit } = measures.length(metres(Math.abs(said.length)));
      return said.length < 0 ? `end − ${value} ${unit}` : `end + ${value} ${unit}`;
    }
    case 'wraps':
      return `${turnsToQuarter(said.turns)} by hand`;
    case 'no-slack':
      return 'pull tight';
    case 'straight':
      return 'straight';
  }
}
