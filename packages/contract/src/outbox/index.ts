import * as z from 'zod';
import { longText, newId, uuid } from '../quantity/index.js';

/** How a message goes out. */
export const MESSAGE_WAYS = ['mail', 'text'] as const;
export type MessageWay = (typeof MESSAGE_WAYS)[number];

/** Longest that a text message may be: two of those that telephones take. */
export const MOST_TEXT = 320;

/** Something to be said to the owner of an instrument. */
export const messageDraft = z
  .strictObject({
    id: newId,
    instrumentId: uuid,
    way: z.enum(MESSAGE_WAYS, { error: 'must be mail or text' }),
    text: longText(2000).trim().min(1, { error: 'must not be empty: there is nothing to send' }),
  })
  .refine(({ way, text }) => way === 'mail' || text.length <= MOST_TEXT, {
    path: ['text'],
    error: `must have at most ${MOST_TEXT} characters as a text message; as mail it may be longer`,
  });

/** A message that went out, as far as this machine: it lies in the outbox. */
export const messageSchema = z.object({
  id: uuid,
  instrumentId: uuid,
  passport: z.int(),
  instrument: z.string(),
  way: z.enum(MESSAGE_WAYS),
  recipient: z.string(),
  address: z.string(),
  text: z.string(),
  sentAt: z.string(),
  sentBy: z.string(),
  /** Its file in the outbox. */
  file: z.string(),
});
export type Message = z.infer<typeof messageSchema>;

export const outboxSchema = z.object({ folder: z.string(), messages: z.array(messageSchema) });
