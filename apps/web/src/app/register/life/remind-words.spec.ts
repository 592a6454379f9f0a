import type { Passport } from '@gold-peg/contract/register';
import { describe, expect, it } from 'vitest';
import { reminderText } from './remind-words';

const NOW = Date.UTC(2026, 5, 1);
const DAY = 86_400_000;
const due = (days: number) => ({ string: 3, wear: new Map([[3, { due: { likely: NOW + days * DAY } }]]) }) as never;
const groove = { what: 'groove', severity: 'watch', string: 2, fret: 3, wood: null, text: '' };
const passport = {
  name: 'Heron parlour, spruce',
  passport: 121,
  ownerName: 'Bram Isleworthy',
  hours: null,
  setups: [{ fittedAt: new Date(NOW - 100 * DAY).toISOString(), findings: [groove] }],
} as unknown as Passport;

describe('a reminder', () => {
  it('says when and which string, what is still open, and asks for the hours', () => {
    const text = reminderText(passport, due(20), 'mail', NOW);
    expect(text).toContain('Dear Bram Isleworthy');
    expect(text).toContain('Heron parlour, spruce (passport 0121) are likely worn around 21 June, string 3 first');
    expect(text).toContain('groove at fret 3, string 2');
    expect(text).toContain('How many hours a week is it played?');
    const known = { ...passport, hours: { weeklyHours: 5.5, askedAt: '2026-01-01T00:00:00Z' } };
    expect(reminderText(known, due(20), 'mail', NOW)).toContain('5.5 hours of playing a week: is that still so?');
  });

  it('is short as a text message, and says so where the date is past', () => {
    const text = reminderText(passport, due(-20), 'text', NOW);
    expect(text).toContain('have likely been worn since 12 May');
    expect(text.length).toBeLessThan(160);
  });
});
