import ICAL from 'ical.js';
import type { OwnerRow } from '../register/index.js';

/** One row of a file, still unchecked; `row` counts cards from 1. */
export interface ReadCard {
  row: number;
  value: Partial<OwnerRow>;
}

type Property = [name: string, parameters: object, type: string, value: unknown];
type Card = ['vcard', Property[], unknown[]];

const MAIL = /^\S+@\S+$/;
const UID = 'urn:uuid:';

/** Owners as vCard 4.0 (RFC 6350), one card each: how they are reached as EMAIL where that is a mail address, else as NOTE. */
export function writeCards(owners: readonly OwnerRow[]): string {
  const cards = owners.map(({ id, name, contact }): Card => {
    const reached: Property[] = contact === '' ? [] : [MAIL.test(contact) ? ['email', {}, 'text', contact] : ['note', {}, 'text', contact]];
    return ['vcard', [['version', {}, 'text', '4.0'], ['uid', {}, 'uri', `${UID}${id}`], ['fn', {}, 'text', name], ...reached], []];
  });
  return cards.map((card) => `${ICAL.stringify(card)}\r\n`).join('');
}

/**
 * Owners from cards of any version: FN or N as the name; the first of EMAIL, TEL and NOTE as how they are reached; a UID that is a UUID as the id, else none: then `idOf` makes one
 * that is the same for the same card. @throws Error where it is no vCard.
 */
export function readCards(text: string, idOf: (uid: string) => string): ReadCard[] {
  const parsed = ICAL.parse(text) as Card | Card[];
  const cards = (Array.isArray(parsed[0]) ? parsed : [parsed]) as Card[];
  return cards.map((card, index) => {
    if (card[0] !== 'vcard') throw new Error(`holds ${card[0]} and no contacts`);
    const of = (name: string): string => {
      const value = card[1].find(([property]) => property === name)?.[3];
      return (
        Array.isArray(value)
          ? value
              .flat()
              .filter((part) => part !== '')
              .join(' ')
          : String(value ?? '')
      ).trim();
    };
    const name = of('fn') || of('n');
    const contact = (of('email') || of('tel') || of('note')).replace(/^(tel|mailto):/, '');
    const uid = of('uid').replace(UID, '').toLowerCase();
    const isId = /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/.test(uid);
    return { row: index + 1, value: { id: isId ? uid : idOf(uid || `${name} ${contact}`), name, contact } };
  });
}
