import { describe, expect, it } from 'vitest';
import {
  DEFAULT_PREFERENCES,
  passphraseChange,
  personDraft,
  personSchema,
  preferencesSchema,
  SHORTEST_PASSPHRASE,
  signIn,
} from './index.js';

const saysOf = (read: { success: boolean; error?: { issues: { message: string }[] } | undefined }) =>
  read.error?.issues.map(({ message }) => message).join('; ') ?? '';
const draft = { id: '01900000-0000-7000-8000-000000000001', name: 'Pip Sallow', role: 'technician', passphrase: 'wind it down and true' };

describe('people at the door', () => {
  it('have a passphrase of twelve characters or more, wherever one is set', () => {
    const short = 'x'.repeat(SHORTEST_PASSPHRASE - 1);
    expect(saysOf(personDraft.safeParse({ ...draft, passphrase: short }))).toContain('at least 12 characters');
    expect(saysOf(passphraseChange.safeParse({ old: 'a', new: short }))).toContain('at least 12 characters');
    expect(personDraft.safeParse({ ...draft, passphrase: `${short}x` }).success).toBe(true);
  });

  it('may still sign in with an old short one: only setting it is refused', () => {
    expect(signIn.safeParse({ name: 'P', passphrase: 'abc' }).success).toBe(true);
    expect(saysOf(signIn.safeParse({ name: ' ', passphrase: '' }))).toContain('must not be empty');
  });

  it('keep their spaces inside a passphrase and lose those round a name', () => {
    const read = personDraft.parse({ ...draft, name: '  Pip Sallow ', passphrase: ' wind it down ' });
    expect(read).toMatchObject({ name: 'Pip Sallow', passphrase: ' wind it down ' });
  });

  it('have one of three roles', () => {
    for (const role of ['owner', 'technician', 'counter']) expect(personDraft.safeParse({ ...draft, role }).success).toBe(true);
    expect(personDraft.safeParse({ ...draft, role: 'admin' }).success).toBe(false);
  });

  it('begin with preferences that are valid ones, and cannot invent a unit', () => {
    expect(preferencesSchema.parse(DEFAULT_PREFERENCES)).toEqual(DEFAULT_PREFERENCES);
    expect(preferencesSchema.safeParse({ ...DEFAULT_PREFERENCES, lengths: 'cubit' }).success).toBe(false);
    expect(preferencesSchema.safeParse({ ...DEFAULT_PREFERENCES, colour: 'red' }).success).toBe(false);
  });

  it('keep what a newer server knows of them, for an older page to hand back', () => {
    const told = { id: draft.id, name: draft.name, role: draft.role, preferences: { ...DEFAULT_PREFERENCES, colour: 'red' }, version: 1 };
    expect(personSchema.parse(told).preferences).toEqual(told.preferences);
  });
});
