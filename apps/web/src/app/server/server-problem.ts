import { problem, type Problem } from '@gold-peg/contract/problems';

/** What the server answered instead of what was asked for, or that it did not answer. */
export class ServerProblem extends Error {
  constructor(
    readonly problem: Problem,
    /** No answer came at all. */
    readonly away: boolean = false,
  ) {
    super(problem.detail);
  }

  get kind(): string {
    return this.problem.type.replace('/problems/', '');
  }
}

export const serverAway = () =>
  new ServerProblem(
    problem('store-away', 'The server does not answer. Steps at the bench are kept on this device and are sent when it is back.'),
    true,
  );

/** What kept a resource from being read, in a sentence; null where nothing did. */
export const troubleOf = ({ error }: { error: () => Error | undefined }): string | null => {
  const thrown = error();
  return thrown === undefined ? null : sayProblem(thrown.cause ?? thrown);
};

/** A sentence for people, whatever was thrown. */
export const sayProblem = (error: unknown): string =>
  error instanceof ServerProblem ? error.problem.detail : 'Something went wrong in this page. Reload it; nothing you ticked is lost.';
