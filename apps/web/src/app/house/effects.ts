import type { PostPlan } from '@gold-peg/craft/procedure';
import { metres } from '@gold-peg/craft/units';
import { CHOICES } from '../ways';
import { duration } from '../day';
import { degrees, say, turnsToQuarter, type Measures } from '../preferences/measures';
import type { Tried } from './example';

/** One thing that is another by what is tried: as it is kept, and as it would be. */
export interface Effect {
  what: string;
  kept: string;
  tried: string;
}

/** What would be another on the example: only what differs, in the order of the work. */
export function effectsOf(kept: Tried, now: Tried, measures: Pick<Measures, 'length'>): Effect[] {
  const all: Effect[] = [];
  const add = (what: string, say: (of: Tried) => string) => all.push({ what, kept: say(kept), tried: say(now) });
  add('strings come off', ({ run }) => (run === null ? 'not possible here' : CHOICES.stripping.words[run.schools.stripping.value]));
  add('pull that stays meanwhile', ({ stays }) => (stays === null ? '–' : `${Math.round(100 * stays)} %`));
  add('order', ({ run }) => run?.order.map((string) => string + 1).join(' ') ?? '–');
  add('several off', ({ run }) => (run === null ? '–' : CHOICES.anchoring.words[run.schools.anchoring.value]));
  for (const at of kept.classes.keys()) {
    const of = (side: Tried) => side.classes[at]?.plan;
    const name = side(kept, at);
    const ofClass = (what: string, words: (plan: PostPlan) => string) =>
      add(`${what}, ${name}`, (each) => {
        const plan = of(each);
        return plan === undefined ? '–' : words(plan);
      });
    ofClass('fixing', ({ methods }) => methods.postMethod.replaceAll('-', ' '));
    ofClass('turns', ({ wind }) => turnsToQuarter(wind.turns));
    ofClass('slack', ({ slack }) => say(measures.length(slack)));
    ofClass('cut past the post', ({ cut }) => say(measures.length(cut)));
    ofClass('stub', ({ methods }) => say(measures.length(metres(methods.stub))));
    ofClass('over the nut', ({ nut }) => (nut === null ? '–' : degrees(nut.total)));
  }
  add('tuned again', ({ settling }) => (settling === null ? 'not needed' : `${settling.retunes} times`));
  add('holds after', ({ settling }) => (settling === null ? '–' : duration(60 * settling.holdsAfter)));
  add('at the bench', ({ attended }) => duration(attended));
  return all.filter((effect) => effect.kept !== effect.tried);
}

/** String numbers of a class, "1 to 3" or "5". */
export function side({ classes }: Pick<Tried, 'classes'>, at: number): string {
  const numbers = classes[at]?.numbers ?? [];
  const [first = 0, last = 0] = [numbers[0], numbers.at(-1)];
  return first === last
    ? `string ${first}`
    : last - first === numbers.length - 1
      ? `strings ${first} to ${last}`
      : `strings ${numbers.join(', ')}`;
}
