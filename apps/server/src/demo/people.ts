import type { Role } from '@gold-peg/contract/people';

/** The people of the demo workshop; all invented, like everything in this folder. */
export const DEMO_PEOPLE: readonly { name: string; role: Role; passphrase: string }[] = [
  { name: 'Wenna Tarrow', role: 'owner', passphrase: 'salt wind and silver wire' },
  { name: 'Corin Vell', role: 'technician', passphrase: 'four turns below the hole' },
  { name: 'Maud Ansty-Pell', role: 'counter', passphrase: 'promised before the concert' },
];

export const DEMO_SIGN_IN = { name: 'Wenna Tarrow', passphrase: 'salt wind and silver wire' };
export const DEMO_TECHNICIAN = { name: 'Corin Vell', passphrase: 'four turns below the hole' };
export const DEMO_COUNTER = { name: 'Maud Ansty-Pell', passphrase: 'promised before the concert' };
