import { build } from './build.js';
import { bundleSizes } from './bench/bundle-sizes.js';
import { coreRates } from './bench/core-rates.js';
import { driftsOfConstant, falsePlucks, heardEverywhere } from './bench/error-rates/hearing.js';
import { movesAtBridges } from './bench/bridges.js';
import { promisedWeeks } from './bench/promised-weeks.js';
import { verdictRates } from './bench/error-rates/verdicts.js';
import { largeHouse, sayLarge } from './bench/large/large.js';
import { openingTimes } from './bench/opening-times.js';

const root = new URL('..', import.meta.url).pathname;

/** Figures, not verdicts: what this machine does today. */
async function main(): Promise<void> {
  await build(root);
  if (process.argv.includes('--large')) return console.log(sayLarge(await largeHouse(root)));
  console.log('\nCore, calculations per second (median of five runs)');
  for (const { name, perSecond } of coreRates())
    console.log(`  ${name.padEnd(52)} ${Math.round(perSecond).toLocaleString('en-GB').padStart(12)}`);
  console.log('\nEar: what is logged of 120 plucks that are made, B0 to E6; cents');
  for (const { room, takes, missed, wrong, bias, rms } of heardEverywhere(3))
    console.log(`  ${room.padEnd(26)} ${takes} takes, ${missed} missed, ${wrong} wrong, bias ${bias.toFixed(3)}, rms ${rms.toFixed(3)}`);
  for (const { kind, seconds, logged } of falsePlucks(3)) console.log(`  ${kind.padEnd(26)} ${seconds} s, ${logged} logged`);
  const drifts = driftsOfConstant().map(({ cents }) => Math.abs(cents));
  console.log(`  constant strings           move by ${Math.max(...drifts).toFixed(4)} at most in three seconds`);
  const { byMarks, byEar } = movesAtBridges(40);
  console.log('\nBalance: pegs turned until all are within 3 cents, springs not known, medians of 40 bridges');
  console.log(`  by the marks, a trial first: ${byMarks}; string after string to its note: ${byEar}`);
  console.log('\nSettle: verdicts of strings that are simulated, 600 of each kind');
  for (const { readings, falseSlip, missedSlip } of [3, 4, 6, 8].map((count) => verdictRates(count, 600)))
    console.log(
      `  after ${readings} rounds             ${percent(falseSlip)} of sound ones slipping, ${percent(missedSlip)} of slipping ones missed`,
    );
  const { promises, half, nineInTen } = promisedWeeks(1000);
  console.log(`\nDay: ${promises.toLocaleString('en-GB')} promises of 1,000 simulated weeks, kept`);
  console.log(`  ${percent(nineInTen)} of those for the hour by which nine in ten are ready, ${percent(half)} of those by which half are`);
  console.log('\nBundle, kB');
  for (const { name, raw, gzip } of bundleSizes(root))
    console.log(`  ${name.padEnd(52)} ${raw.toFixed(1).padStart(8)} raw ${gzip === null ? '' : `${gzip.toFixed(1).padStart(8)} gzip`}`);
  console.log('\nOpening, ms (median of seven, Chromium, server and database on this machine)');
  for (const { name, ms } of await openingTimes(root)) console.log(`  ${name.padEnd(52)} ${ms.toFixed(0).padStart(8)}`);
}

const percent = (share: number) => `${(100 * share).toFixed(1)} %`;

await main();
