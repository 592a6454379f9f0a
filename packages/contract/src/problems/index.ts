import * as z from 'zod';

/** RFC 9457, with one entry for each field at fault. */
export const problemSchema = z.object({
  type: z.string(),
  title: z.string(),
  status: z.int(),
  detail: z.string(),
  fields: z.array(z.object({ field: z.string(), says: z.string() })).optional(),
  /** A stale write is answered with the row as it is now. */
  current: z.unknown().optional(),
});
export type Problem = z.infer<typeof problemSchema>;

export const PROBLEM_TYPES = {
  invalid: { title: 'Something in the request cannot be right', status: 422 },
  malformed: { title: 'The request cannot be read', status: 400 },
  'too-large': { title: 'The request is too large', status: 413 },
  'signed-out': { title: 'Nobody is signed in', status: 401 },
  'wrong-sign-in': { title: 'Name and passphrase do not go together', status: 401 },
  'not-allowed': { title: 'Your role may not do this', status: 403 },
  'needs-passphrase': { title: 'This is for the office', status: 403 },
  'forged-request': { title: 'The request did not come from this page', status: 403 },
  unknown: { title: 'There is no such thing', status: 404 },
  'another-person': { title: 'Somebody else is signed in', status: 409 },
  stale: { title: 'Somebody changed it meanwhile', status: 409 },
  taken: { title: 'That is taken', status: 409 },
  'too-often': { title: 'Too many tries', status: 429 },
  'store-away': { title: 'The database cannot be reached', status: 503 },
  failed: { title: 'The server failed', status: 500 },
} as const;
export type ProblemType = keyof typeof PROBLEM_TYPES;

export function problem(kind: ProblemType, detail: string, fields?: { field: string; says: string }[]): Problem {
  return { type: `/problems/${kind}`, ...PROBLEM_TYPES[kind], detail, ...(fields === undefined ? {} : { fields }) };
}

/** Most faults that are told at once: who mends a hundred asks again. */
export const MOST_FAULTS = 100;
/** A name that somebody made up is told as far as it helps to find it. */
const LONGEST_NAME = 80;

/** Says which field is at fault and why, one sentence for each issue, up to a hundred. */
export function invalidInput(error: z.ZodError, where = ''): Problem {
  const fields = issueFields(error).map(({ path, says }) => ({ field: [where, ...path].filter(Boolean).join('.') || 'body', says }));
  return problem('invalid', fields.map(({ field, says }) => `${field} ${says}`).join('; '), fields);
}

/** Every field at fault, by its path, and why. */
export const issueFields = (error: z.ZodError): { path: string[]; says: string }[] =>
  error.issues
    .slice(0, MOST_FAULTS)
    .flatMap((issue) => {
      const path = issue.path.map((part) => String(part).slice(0, LONGEST_NAME));
      const keys = issue.code === 'unrecognized_keys' ? issue.keys.slice(0, MOST_FAULTS) : null;
      const paths = keys === null ? [path] : keys.map((key) => [...path, key.slice(0, LONGEST_NAME)]);
      return paths.map((each) => ({ path: each, says: issueSays(issue) }));
    })
    .slice(0, MOST_FAULTS);

function issueSays(issue: z.core.$ZodIssue): string {
  if (issue.code === 'unrecognized_keys') return 'is not a field of this request';
  if (issue.code === 'invalid_value' && issue.message.startsWith('Invalid')) return `must be one of ${issue.values.join(', ')}`;
  if (issue.code === 'invalid_union') return issue.message === 'Invalid input' ? 'is of a kind that is not known here' : issue.message;
  return issue.message.replace(/^Invalid input: expected /, 'must be ').replace(/, received .*$/, '');
}
