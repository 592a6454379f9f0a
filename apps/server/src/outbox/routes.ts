import type { DataSource } from 'typeorm';
import type { Message } from '@gold-peg/contract/outbox';
import { type Handler, Refusal, refuseField, signedIn } from '../handling/index.js';
import { addOnce, InstrumentRow, isSame, MessageRow, OwnerRow } from '../store/index.js';
import { simulatedPostman } from './postman.js';

/** The latest that are shown. */
const SHOWN = 200;
const MAIL = /^\S+@\S+\.\S+$/;
const postman = simulatedPostman();

export const outbox: Handler<'outbox'> = async ({ store }) => ({ folder: postman.folder, messages: await messages(store) });

/** A message that is nobody's business any more is taken away where it lies. */
export const forgetLetter = (file: string): Promise<void> => postman.forget(file);

/** Says something to the owner of an instrument, once for each id. */
export const sendMessage: Handler<'sendMessage'> = async (asked) => {
  const { store, body, now: sentAt } = asked;
  const instrument = await store.getRepository(InstrumentRow).findOneBy({ id: body.instrumentId });
  if (instrument === null) throw refuseField('instrumentId', 'must be an instrument in the register');
  const owner = instrument.ownerId === null ? null : await store.getRepository(OwnerRow).findOneBy({ id: instrument.ownerId });
  if (owner === null) throw refuseField('instrumentId', `must have an owner: nobody can be told about ${instrument.name}`);
  if (body.way === 'mail' && !MAIL.test(owner.contact.trim()))
    throw refuseField('way', `must be text: “${owner.contact}”, as ${owner.name} is reached, is no mail address`);
  const draft = { ...body, recipient: owner.name, address: owner.contact.trim() };
  const file = await store.transaction(async (tx) => {
    const added = await addOnce(tx, MessageRow, { ...draft, personId: signedIn(asked).id, sentAt, file: '' });
    if (!added) return null;
    const passport = String(instrument.passport).padStart(4, '0');
    // a message that cannot be carried was never sent
    const name = await postman.take({ ...draft, subject: `${instrument.name}, passport ${passport}`, sentAt });
    await tx.update(MessageRow, { id: body.id }, { file: name });
    return name;
  });
  const [message] = await messages(store, body.id);
  if (message === undefined) throw new TypeError('what was sent lies in the outbox');
  if (file === null && !isSame(message, body))
    throw new Refusal('taken', 'id must be new: it is that of another message', { current: message });
  return message;
};

async function messages(store: DataSource, id?: string): Promise<Message[]> {
  const rows = await store.query<(Omit<Message, 'sentAt'> & { sentAt: Date })[]>(
    `SELECT m.id, m.instrument_id AS "instrumentId", i.passport, i.name AS instrument, m.way, m.recipient, m.address, m.text, m.sent_at AS "sentAt",
       p.name AS "sentBy", m.file
     FROM message m JOIN instrument i ON i.id = m.instrument_id JOIN person p ON p.id = m.person_id
     ${id === undefined ? '' : 'WHERE m.id = $2'} ORDER BY m.sent_at DESC LIMIT $1`,
    [SHOWN, ...(id === undefined ? [] : [id])],
  );
  return rows.map(({ sentAt, ...row }) => ({ ...row, sentAt: sentAt.toISOString() }));
}
