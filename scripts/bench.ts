import { build } from './build.js';
import { bundleSizes } from './bench/bundle-sizes.js';
import { coreRates } from './bench/core-rates.js';
import { largeHouse, sayLarge } from './bench/large/large.js';
import { openingTimes } from './bench/opening-times.js';

const root = new URL('..', import.meta.url).pathname;

/** Figures, not verdicts: what this machine does today. */
async function main(): Promise<void> {
  build(root);
  if (process.argv.includes('--large')) return console.log(sayLarge(await largeHouse(root)));
  console.log('\nCore, calculations per second (median of five runs)');
  for (const { name, perSecond } of coreRates())
    console.log(`  ${name.padEnd(52)} ${Math.round(perSecond).toLocaleString('en-GB').padStart(12)}`);
  console.log('\nBundle, kB');
  for (const { name, raw, gzip } of bundleSizes(root))
    console.log(`  ${name.padEnd(52)} ${raw.toFixed(1).padStart(8)} raw ${gzip === null ? '' : `${gzip.toFixed(1).padStart(8)} gzip`}`);
  console.log('\nOpening, ms (median of seven, Chromium, server and database on this machine)');
  for (const { name, ms } of await openingTimes(root)) console.log(`  ${name.padEnd(52)} ${ms.toFixed(0).padStart(8)}`);
}

await main();
