import { expect, it } from 'vitest';
import { TOOL_KINDS, toolSize } from './index.js';

it('asks for a size of keys and blocks, and of nothing else', () => {
  const sized = TOOL_KINDS.filter((tool) => toolSize(tool, 'floating') !== null);
  expect(sized.sort()).toEqual(['block', 'hex-keys', 'small-hex']);
});

it('starts from a thicker block where the bridge locks both ends, and takes whatever was measured', () => {
  expect(toolSize('block', 'double-locking')).toMatchObject({ typical: 12, choices: [] });
  expect(toolSize('block', 'floating')).toMatchObject({ typical: 10, choices: [] });
});

it('starts from the usual hex keys: 3 mm for clamps, 2.5 for ball pockets, both among the sizes that there are', () => {
  for (const [tool, typical] of [
    ['hex-keys', 3],
    ['small-hex', 2.5],
  ] as const) {
    const size = toolSize(tool, 'headless');
    expect(size?.typical).toBe(typical);
    expect(size?.choices).toContain(typical);
  }
});
