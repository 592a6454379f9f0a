import { parseArgs } from 'node:util';
import { build } from './build.js';
import { soak } from './soak/soak.js';

const root = new URL('..', import.meta.url).pathname;
const { values } = parseArgs({ options: { minutes: { type: 'string', default: '30' }, seed: { type: 'string', default: '1' } } });

await build(root);
const told = await soak(root, { seconds: 60 * Number(values.minutes), seed: Number(values.seed) });
console.log(
  `${told.devices} devices on ${told.jobs} jobs for ${told.seconds / 60} minutes, two servers on one database, seed ${values.seed}`,
);
for (const [fault, times] of Object.entries(told.faults)) console.log(`  ${fault.padEnd(20)} ${times} times`);
if (!told.couldFill) console.log('  (this machine lets no small disk be mounted: its disk was never full)');
console.log(`  made ${told.made}, acknowledged ${told.acknowledged}, sent again ${told.sentAgain}, refused ${told.refused.length}`);
console.log(
  `  lost ${told.lost}, doubled ${told.doubled}, never acknowledged ${told.stuck}, jobs on which devices disagree ${told.disagreeing}`,
);
process.exitCode = told.lost + told.doubled + told.stuck + told.disagreeing + told.refused.length === 0 ? 0 : 1;
