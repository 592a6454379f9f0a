import { mkdir, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { basename, join } from 'node:path';
import { createTransport } from 'nodemailer';
import type { MessageWay } from '@gold-peg/contract/outbox';

/** What somebody is told. */
export interface Letter {
  id: string;
  way: MessageWay;
  recipient: string;
  address: string;
  subject: string;
  text: string;
  sentAt: Date;
}

/** Whoever carries messages: a mail server, a service for text messages, or the stand-in below. */
export interface Postman {
  /** Where they lie, in words. */
  folder: string;
  /** Takes a letter, once for each id, and says what it is called there. */
  take(letter: Letter): Promise<string>;
  /** Takes away what it was called; whether it is there or not. */
  forget(file: string): Promise<void>;
}

const SENDER = 'Gold Peg <bench@localhost>';

/** Stands in for a mail server and a telephone: each message is a file, and none leaves this machine. */
export function simulatedPostman(folder = process.env['OUTBOX_FOLDER'] ?? join(tmpdir(), 'gold-peg-outbox')): Postman {
  return {
    folder,
    async take(letter) {
      const file = `${letter.sentAt.toISOString().slice(0, 10)}-${letter.id}.${letter.way === 'mail' ? 'eml' : 'txt'}`;
      await mkdir(folder, { recursive: true });
      await writeFile(join(folder, file), letter.way === 'mail' ? await asMail(letter) : asText(letter));
      return file;
    },
    async forget(file) {
      if (file !== '') await rm(join(folder, basename(file)), { force: true });
    },
  };
}

/** As a mail program reads it (RFC 5322). */
async function asMail({ recipient, address, subject, text, sentAt, id }: Letter): Promise<Buffer> {
  const transport = createTransport({ streamTransport: true, buffer: true, newline: 'windows' });
  const { message } = await transport.sendMail({
    from: SENDER,
    to: { name: recipient, address },
    subject,
    text,
    date: sentAt,
    messageId: `<${id}@gold-peg>`,
  });
  return message as Buffer;
}

const asText = ({ recipient, address, text }: Letter): string => `To: ${recipient}, ${address}\n\n${text}\n`;
