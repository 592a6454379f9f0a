import { Stryker } from '@stryker-mutator/core';

export type MutantResult = Awaited<ReturnType<Stryker['runMutationTest']>>[number];

/** One run of mutation tests, as asked for by mutate.ts: which files, and where what came of it is kept. SPECS is read by vitest.mutation.config.ts. */
process.once('message', (asked: { mutate: string[]; incrementalFile: string }) => {
  void new Stryker(asked).runMutationTest().then((results) => process.send?.(results, () => process.exit()));
});
