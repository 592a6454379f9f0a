import type { DayJob } from '@gold-peg/contract/day';
import type { MessageWay } from '@gold-peg/contract/outbox';
import { passportOf } from '../day';

type About = Pick<DayJob, 'name' | 'passport' | 'ownerName'>;

const letter = ({ ownerName }: About, lines: readonly string[]): string =>
  [`Dear ${ownerName ?? 'owner'},`, '', ...lines, '', 'Your workshop'].join('\n');

/** Its strings hold, and it can be fetched. */
export const readyText = (job: About, way: MessageWay): string =>
  way === 'text'
    ? `${job.name} (${passportOf(job)}) is ready: fetch it when it suits you.`
    : letter(job, [`${job.name} (passport ${passportOf(job)}) is strung, settled and ready. Fetch it when it suits you.`]);

/** What was promised cannot be kept as it looks: another hour, which can. */
export function laterText(job: About, way: MessageWay, { promised, later }: { promised: string; later: string }): string {
  if (way === 'text') return `${job.name} (${passportOf(job)}), promised for ${promised}: we need until ${later}. Is that in time for you?`;
  return letter(job, [
    `we promised ${job.name} (passport ${passportOf(job)}) for ${promised}. As it looks now we need until ${later}: by then it is ready nine times in ten.`,
    'If that is too late for you, say so: then we see what else can wait.',
  ]);
}
