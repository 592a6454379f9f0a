import { fork } from 'node:child_process';
import { readdirSync } from 'node:fs';
import { join, relative } from 'node:path';
import { parseArgs } from 'node:util';
import type { MutantResult } from './mutate-room.js';

/** Of a hundred changes so many are noticed, at least. */
const WANTED = 92;
const root = new URL('..', import.meta.url).pathname;
const craft = 'packages/craft/src';

/** Rooms, or single files of them (`day`, `day/next`): a file by itself is quicker, and what was known of its room stays. */
const { positionals: asked, values } = parseArgs({ allowPositionals: true, options: { all: { type: 'boolean', default: false } } });
const filesOf = (room: string) => asked.filter((each) => each.startsWith(`${room}/`));
const rooms = readdirSync(join(root, craft)).filter(
  (room) => hasSpecs(room) && (asked.length === 0 || asked.includes(room) || filesOf(room).length > 0),
);
if (rooms.length === 0) throw new Error(`no room of the core with specs is called ${asked.join(' or ')}`);

const all: MutantResult[] = [];
const untold: string[] = [];
for (const room of rooms) {
  try {
    await tell(room);
  } catch (error) {
    untold.push(room);
    console.log(`${room.padEnd(16)} ${error instanceof Error ? error.message : String(error)}`);
  }
}
console.log(`\n${'in all'.padEnd(16)} ${say(all)}, ${WANTED} % wanted${untold.length === 0 ? '' : `; without ${untold.join(', ')}`}`);
process.exitCode = untold.length === 0 && share(all) >= WANTED ? 0 : 1;

/** What the specs of a room notice, with what they do not. */
async function tell(room: string): Promise<void> {
  const whole = [`${craft}/${room}/**/*.ts`, '!**/*.spec.ts', '!**/index.ts'];
  const own = await change(room, room, filesOf(room).length === 0 ? whole : filesOf(room).map((file) => `${craft}/${file}.ts`));
  // what its own specs let pass those of its users may notice: hours of it
  const passed = new Map(own.filter(isPassed).map((each) => [nameOf(each), each]));
  const again = values.all && passed.size > 0 ? await change(`${room} by all`, '*', [...passed.values()].map(rangeOf)) : [];
  for (const each of again) if (passed.has(nameOf(each))) passed.set(nameOf(each), each);
  const judged = [...own.filter((each) => !isPassed(each)), ...passed.values()];
  all.push(...judged);
  console.log(`${room.padEnd(16)} ${say(judged)}`);
  for (const each of judged.filter(isPassed)) console.log(`  ${nameOf(each)}`);
}

function hasSpecs(room: string): boolean {
  return readdirSync(join(root, craft, room), { recursive: true, encoding: 'utf8' }).some((name) => name.endsWith('.spec.ts'));
}

/**
 * Each change of one operator there, and whether the specs of that room (`*` for all rooms) noticed it. What did not change since is taken from the last time. In a
 * process of its own: a second run in one process tells most changes for passed.
 */
function change(name: string, specs: string, mutate: string[]): Promise<MutantResult[]> {
  const child = fork(new URL('mutate-room.ts', import.meta.url), [], { cwd: root, env: { ...process.env, SPECS: specs } });
  child.send({ mutate, incrementalFile: `.data/mutants/${name}.json` });
  return new Promise((resolve, reject) => {
    child.once('message', (results) => resolve(results as MutantResult[]));
    child.once('exit', (status) => reject(new Error(`${name} ended with ${status}`)));
  });
}

function isPassed({ status }: MutantResult): boolean {
  return status === 'Survived' || status === 'NoCoverage';
}

/** As Stryker wants ranges: lines from one, columns from nought. */
function rangeOf({ fileName, location: { start, end } }: MutantResult): string {
  return `${relative(root, fileName)}:${start.line}:${start.column - 1}-${end.line}:${end.column - 1}`;
}

function nameOf(each: MutantResult): string {
  const { line, column } = each.location.start;
  return `${relative(root, each.fileName)}:${line}:${column} ${each.mutatorName}: ${each.replacement ?? ''}`;
}

function say(changes: readonly MutantResult[]): string {
  return `${share(changes).toFixed(1)} % of ${changes.filter((each) => isNoticed(each) || isPassed(each)).length} noticed`;
}

function share(changes: readonly MutantResult[]): number {
  const [noticed, passed] = [changes.filter(isNoticed).length, changes.filter(isPassed).length];
  return noticed + passed === 0 ? 100 : (100 * noticed) / (noticed + passed);
}

function isNoticed({ status }: MutantResult): boolean {
  return status === 'Killed' || status === 'Timeout';
}
