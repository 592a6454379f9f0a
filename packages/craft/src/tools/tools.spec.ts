import { expect, it } from 'vitest';
import { TOOL_KINDS, toolSize } from './index.js';

it('asks for a size of keys and blocks alone, and starts from the usual one: a block is thicker where both ends lock', () => {
  const sized = TOOL_KINDS.filter((tool) => toolSize(tool, 'floating-vibrato') !== null);
  expect(sized.map((tool) => [tool, toolSize(tool, 'floating-vibrato')?.typical])).toEqual([['block', 10], ['hex-keys', 3], ['small-hex', 2.5]]); // prettier-ignore
  expect(toolSize('block', 'double-locking')).toMatchObject({ typical: 12, choices: [], says: expect.stringContaining('gap') as string });
  for (const key of ['hex-keys', 'small-hex'] as const)
    expect(toolSize(key, 'headless')?.choices).toContain(toolSize(key, 'headless')?.typical);
});
