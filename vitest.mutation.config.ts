import { relative } from 'node:path';
import { defineConfig } from 'vitest/config';
import { BaseSequencer, type TestSpecification } from 'vitest/node';

/** What was quick the last time comes first: one spec that notices a change is enough. */
class QuickFirst extends BaseSequencer {
  override sort(files: TestSpecification[]): Promise<TestSpecification[]> {
    const took = (file: TestSpecification) =>
      this.ctx.cache.getFileTestResults(`${file.project.name}:${relative(this.ctx.config.root, file.moduleId)}`)?.duration ?? 0;
    return Promise.resolve([...files].sort((one, other) => took(one) - took(other)));
  }
}

/** Specs of the core alone, those of one room or of all (`*`), for mutation testing (scripts/mutate.ts). */
export default defineConfig({
  test: {
    isolate: false,
    testTimeout: 60_000,
    sequence: { sequencer: QuickFirst },
    include: [`packages/craft/src/${process.env['SPECS'] ?? '*'}/**/*.spec.ts`],
  },
});
