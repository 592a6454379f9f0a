import { expect, it } from 'vitest';
import { sayHeldUp } from './held-words';

it('says what is missing, and leads to where it is done', () => {
  expect(sayHeldUp('not-wound', 4)).toEqual({ says: 'String 4 is off: it is wound first.', act: 'String 4 to Wind', leadsTo: 'wind' });
  expect(sayHeldUp('not-laid-out', 3).leadsTo).toBe('ready');
  expect(sayHeldUp('not-anchored', 3).leadsTo).toBe('anchor');
  expect(sayHeldUp('not-in-job', 2)).toMatchObject({ leadsTo: null, says: 'String 2 is no part of this job: it stays as it is.' });
});
