import { spawnSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { CALC_TOPICS } from '@gold-peg/contract/calc';
import { problem, type Problem } from '@gold-peg/contract/problems';
import { refused } from '@gold-peg/craft/outcome';
import { readSound } from '@gold-peg/contract/sound-file';
import { answer, isTopic } from './calc/index.js';

const USAGE = `usage: gold-peg calc TOPIC [FILE.wav] < in.json > out.json   topics: ${Object.keys(CALC_TOPICS).join(', ')}\n       gold-peg backup FILE | gold-peg restore FILE [--replace] | gold-peg verify FILE`;
const BAD_INPUT = 2;

function main([command = '', topic = '', file = '']: readonly string[]): number {
  if (command === 'help' || command === '--help') {
    process.stdout.write(`${USAGE}\n`);
    return 0;
  }
  if (command === 'backup' || command === 'restore' || command === 'verify') return archive(command, [topic, file]);
  if (command !== 'calc') return complain(problem('malformed', USAGE));
  if (!isTopic(topic))
    return complain(
      problem('unknown', `topic must be one of ${Object.keys(CALC_TOPICS).join(', ')}`, [{ field: 'topic', says: 'is not known' }]),
    );
  const sound = file === '' ? null : readFile(file);
  if (sound?.ok === false) return complain(problem('invalid', `file ${sound.problem}`, [{ field: 'file', says: sound.problem }]));
  const recorded = sound?.value ?? null;
  const input = readInput();
  if (!input.ok) return complain(problem('malformed', input.says));
  if (Array.isArray(input.value)) {
    print(
      input.value
        .map((asked: unknown) => answer(topic, asked, recorded))
        .map((reply) => (reply.ok ? reply.answer : { problem: reply.problem })),
    );
    return 0;
  }
  const reply = answer(topic, input.value, recorded);
  if (!reply.ok) return complain(reply.problem);
  print(reply.answer);
  return 0;
}

/** The whole house, in or out: what it needs is started where it is not running. */
function archive(what: 'backup' | 'restore' | 'verify', words: readonly string[]): number {
  const replace = what === 'restore' && words.includes('--replace');
  const file = words.find((word) => word !== '--replace') ?? '';
  if (file === '') return complain(problem('malformed', `usage: gold-peg ${what} FILE`, [{ field: 'file', says: 'must be given' }]));
  const starter = fileURLToPath(new URL('../../../scripts/bootstrap.mjs', import.meta.url));
  return (
    spawnSync(process.execPath, [starter, 'archive', what, resolve(file), ...(replace ? ['--replace'] : [])], { stdio: 'inherit' })
      .status ?? 1
  );
}

function readFile(name: string): ReturnType<typeof readSound> {
  try {
    return readSound(readFileSync(name));
  } catch (error) {
    return refused(`must be there to be read: ${error instanceof Error ? error.message : String(error)}`);
  }
}

function readInput(): { ok: true; value: unknown } | { ok: false; says: string } {
  try {
    return { ok: true, value: JSON.parse(readFileSync(0, 'utf8')) };
  } catch (error) {
    return {
      ok: false,
      says: `standard input must be one JSON object or array: ${error instanceof Error ? error.message : String(error)}`,
    };
  }
}

const print = (value: unknown) => process.stdout.write(`${JSON.stringify(value, null, 2)}\n`);

function complain(what: Problem): number {
  process.stderr.write(`${JSON.stringify(what, null, 2)}\n`);
  return BAD_INPUT;
}

process.exitCode = main(process.argv.slice(2));
