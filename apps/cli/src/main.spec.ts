import { spawnSync } from 'node:child_process';
import { describe, expect, it } from 'vitest';

const bin = new URL('../bin/gold-peg.mjs', import.meta.url).pathname;

function goldPeg(input: string, ...words: string[]) {
  const { status, stdout, stderr } = spawnSync(process.execPath, [bin, ...words], { input, encoding: 'utf8' });
  return { status, stdout, stderr };
}

const plain = { family: 'electric', construction: 'plain', gaugeIn: 0.01, scaleMm: 647.7, note: 'E4' };

describe('gold-peg', () => {
  it('answers one object with one object', () => {
    const { status, stdout } = goldPeg(JSON.stringify(plain), 'calc', 'string');
    expect(status).toBe(0);
    expect(JSON.parse(stdout).pullLbf).toBeCloseTo(16.2, 1);
  });

  it('answers an array in place, the failing element with its problem and the others computed', () => {
    const { status, stdout } = goldPeg(JSON.stringify([plain, { ...plain, gaugeIn: 0.46 }, 7, plain]), 'calc', 'string');
    expect(status).toBe(0);
    const answers = JSON.parse(stdout);
    expect(answers[0]).toEqual(answers[3]);
    expect(answers[1].problem).toMatchObject({ status: 422, fields: [{ field: 'gaugeIn' }] });
    expect(answers[2].problem.detail).toContain('body must be object');
  });

  it('ends with 2 and a problem on stderr for bad input, with nothing on stdout', () => {
    const { status, stdout, stderr } = goldPeg(JSON.stringify({ ...plain, scaleMm: 6 }), 'calc', 'string');
    expect(status).toBe(2);
    expect(stdout).toBe('');
    expect(JSON.parse(stderr)).toMatchObject({ type: '/problems/invalid', fields: [{ field: 'scaleMm' }] });
  });

  it.each([
    ['{', ['calc', 'string'], 'standard input must be one JSON object or array'],
    ['{}', ['calc', 'harp'], 'topic must be one of'],
    ['{}', ['tune'], 'usage: gold-peg calc'],
    ['{}', ['calc', 'pitch', 'no-such.wav'], 'file must be there to be read'],
    ['{}', ['calc', 'pitch', bin], 'file must be a WAV file'],
  ])('says what is wrong with %j %j', (input, words, says) => {
    const { status, stderr } = goldPeg(input, ...words);
    expect(status).toBe(2);
    expect(JSON.parse(stderr).detail).toContain(says);
  });

  it('says how it is used', () => {
    expect(goldPeg('', '--help')).toMatchObject({ status: 0, stdout: expect.stringContaining('string, winding, slack, nut') });
  });
});
