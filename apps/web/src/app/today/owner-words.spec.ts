import { expect, it } from 'vitest';
import { MOST_TEXT } from '@gold-peg/contract/outbox';
import { laterText, readyText } from './owner-words';

const job = { name: 'Heron parlour, walnut', passport: 117, ownerName: 'Tamsel Orre' };
const hours = { promised: 'Fri 15:30', later: 'Sat 9:30' };

it('tells an owner by name that it is ready, or until when more time is needed, with both hours', () => {
  expect(readyText(job, 'mail')).toMatch(/^Dear Tamsel Orre,\n\nHeron parlour, walnut \(passport 0117\) is strung, settled and ready/);
  const asks = laterText(job, 'mail', hours);
  expect(asks).toContain('for Fri 15:30');
  expect(asks).toContain('until Sat 9:30: by then it is ready nine times in ten');
  expect(laterText({ ...job, ownerName: null }, 'mail', hours)).toMatch(/^Dear owner,/);
});

it('is short as a text message', () => {
  for (const text of [readyText(job, 'text'), laterText(job, 'text', hours)]) {
    expect(text.length).toBeLessThanOrEqual(MOST_TEXT / 2);
    expect(text).toContain('0117');
  }
});
