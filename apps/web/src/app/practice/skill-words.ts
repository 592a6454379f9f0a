import { GOOD_WORK } from '@gold-peg/craft/constants';
import type { Standing } from '@gold-peg/craft/exercises';
import type { Skill } from '@gold-peg/craft/skills';

interface SkillWords {
  name: string;
  /** What is trained, in a line. */
  about: string;
  /** How a mean below and above zero is said. */
  below: string;
  above: string;
  unit: string;
  /** What somebody does who is off: 'leave'. */
  verb: string;
}

const choice = (name: string, about: string): SkillWords => ({ name, about, below: '', above: '', unit: '', verb: '' });

export const SKILL_WORDS: Readonly<Record<Skill, SkillWords>> = {
  slack: { name: 'slack', about: 'how much to leave, by eye', below: 'too little', above: 'too much', unit: '%', verb: 'leave' },
  'winding-side': choice('winding side', 'which way the post turns'),
  'which-string': choice('which string is it', 'by caliper and finger nail'),
  octave: choice('octave', 'where a string is on its way up, before it breaks'),
  cents: {
    name: 'cents',
    about: 'how far off its note, by ear or by beats',
    below: 'too flat',
    above: 'too sharp',
    unit: '¢',
    verb: 'say',
  },
  'stretch-or-slip': choice('stretch or slip', 'from three rounds of stretching by hand'),
  nylon: { name: 'nylon', about: 'from when it can be promised', below: 'too early', above: 'too late', unit: '%', verb: 'promise' },
  'nut-angle': choice('nut angle', 'whether a string presses enough in its slot'),
  fault: choice('find the fault', 'what is wrong at post, pin or tie'),
  balance: {
    name: 'balance',
    about: 'a floating bridge home in few moves',
    below: 'fewer',
    above: 'too many',
    unit: 'moves',
    verb: 'take',
  },
  order: choice('order of strings', 'what may be off at once, and in which order they come up'),
};

/** '9 % too little, ± 6': of a mean that is next to nothing only its spread. */
export function sayStanding({ skill, tries, bias, spread, wrong }: Standing): string {
  if (tries === 0) return 'not tried yet';
  const { below, above, unit } = SKILL_WORDS[skill];
  if (unit === '') return wrong === 0 ? `none wrong in ${tries}` : `${wrong} wrong in ${tries}`;
  if (bias === null || spread === null) return `${tries} tried`;
  const digits = unit === '¢' ? 1 : 0;
  const [mean, about] = [Math.abs(bias).toFixed(digits), spread.toFixed(digits)];
  return Number(mean) === 0 ? `± ${about} ${unit}` : `${mean} ${unit} ${bias < 0 ? below : above}, ± ${about}`;
}

/** What counts as good work in a skill: 'within 8 %', 'one in 20 wrong'. */
export function sayGood(skill: Skill): string {
  const { unit } = SKILL_WORDS[skill];
  const { value } = GOOD_WORK[skill];
  return unit === '' ? `one in ${Math.round(1 / value)} wrong` : `within ${value} ${unit}`;
}
