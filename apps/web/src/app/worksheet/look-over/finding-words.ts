import { FINDINGS, type Course, type Finding, type Part, type Referral, type Severity } from '@gold-peg/craft/findings';

export const PART_NAMES: Readonly<Record<Part, string>> = {
  peg: 'peg',
  nut: 'nut slot',
  fret: 'fret',
  board: 'fingerboard',
  string: 'string',
  body: 'body',
  bridge: 'bridge',
  pin: 'pin',
  electrics: 'electrics',
};
export const SEVERITY_NAMES: Readonly<Record<Severity, string>> = { watch: 'watch it', soon: 'soon', now: 'before it leaves' };
export const COURSE_NAMES: Readonly<Record<Course, string>> = {
  new: 'new',
  worse: 'worse than last time',
  same: 'as last time',
  better: 'better than last time',
  gone: 'not found any more',
};
export const REFERRAL_NAMES: Readonly<Record<Referral, string>> = {
  repairer: 'refer to a qualified repairer',
  electrician: 'refer to a licensed electrician',
};
/** 'groove at fret 3, string 2'. */
export function sayFinding({ what, string, fret }: Pick<Finding, 'what' | 'string' | 'fret'>): string {
  const at = fret === null ? '' : ` at fret ${fret}`;
  const under = string === null ? '' : `, string ${string}`;
  return `${FINDINGS[what].name}${at}${under}`;
}
