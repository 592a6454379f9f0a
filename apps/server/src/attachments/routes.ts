import { fileTypeFromBuffer } from 'file-type';
import type { DataSource } from 'typeorm';
import { ATTACHMENT_TYPES, MOST_ATTACHMENTS, type Attachment, type AttachmentType } from '@gold-peg/contract/attachments';
import { type Handler, Refusal, refuseField, signedIn, type StreamHandler } from '../handling/index.js';
import { addOnce, AttachmentRow, holdInstrument, InstrumentRow, isSame } from '../store/index.js';

export const listAttachments: Handler<'listAttachments'> = ({ store, params }) => attachmentsOf(store, { instrument: params.id });

/** Keeps a photo or a scan, once for each id. What it is, its bytes say: neither its name nor what the browser calls it. */
export const addAttachment: Handler<'addAttachment'> = async (asked) => {
  const { store, now, params, query, request } = asked;
  const content = request.body as unknown;
  const type = Buffer.isBuffer(content) ? await typeOf(content) : null;
  if (!Buffer.isBuffer(content) || type === null) throw refuseField('file', 'must be a photo or a scan: JPEG, PNG, WebP or PDF');
  const draft = { ...query, instrumentId: params.id };
  await store.transaction(async (tx) => {
    if (!(await tx.existsBy(InstrumentRow, { id: params.id }))) throw new Refusal('unknown', 'There is no instrument with that id.');
    await holdInstrument(tx, params.id);
    if ((await tx.countBy(AttachmentRow, { instrumentId: params.id })) >= MOST_ATTACHMENTS)
      throw refuseField('file', `must be one of ${MOST_ATTACHMENTS} at most that an instrument has: take one away first`);
    await addOnce(tx, AttachmentRow, { ...draft, personId: signedIn(asked).id, type, addedAt: now, content });
  });
  const [kept] = await attachmentsOf(store, { id: query.id });
  if (kept === undefined) throw new TypeError('what was added is there');
  if (!isSame(kept, { ...draft, bytes: content.length }))
    throw new Refusal('taken', 'id must be new: it is that of another file', { current: kept });
  return kept;
};

export const removeAttachment: Handler<'removeAttachment'> = async ({ store, params }) => {
  const { affected } = await store.getRepository(AttachmentRow).delete({ id: params.id });
  if (affected === 0) throw new Refusal('unknown', 'There is no photo or scan with that id.');
  return { done: true };
};

/** Its bytes as they came. Nothing in them is carried out: no sniffing, no scripts, no plug-ins, no frame of ours around them. */
export const attachment: StreamHandler<'attachment'> = async ({ store, params }, response) => {
  const row = await store
    .getRepository(AttachmentRow)
    .findOne({ where: { id: params.id }, select: { id: true, name: true, type: true, content: true } });
  if (row === null) throw new Refusal('unknown', 'There is no photo or scan with that id.');
  response.setHeader('content-security-policy', "default-src 'none'; sandbox");
  response.setHeader('x-content-type-options', 'nosniff');
  response.setHeader('cache-control', 'private, max-age=86400, immutable');
  response.setHeader(
    'content-disposition',
    `${row.type === 'application/pdf' ? 'attachment' : 'inline'}; filename*=UTF-8''${encodeURIComponent(row.name)}`,
  );
  response.type(row.type).send(row.content);
};

async function typeOf(content: Buffer): Promise<AttachmentType | null> {
  const found = await fileTypeFromBuffer(content).catch(() => undefined); // what is cut off in the middle of its head is none of them
  const mime = found?.mime;
  return ATTACHMENT_TYPES.find((type) => type === mime) ?? null;
}

async function attachmentsOf(store: DataSource, { instrument, id }: { instrument?: string; id?: string }): Promise<Attachment[]> {
  const rows = await store.query<(Omit<Attachment, 'addedAt'> & { addedAt: Date })[]>(
    `SELECT a.id, a.instrument_id AS "instrumentId", a.name, a.caption, a.type, length(a.content) AS bytes, a.added_at AS "addedAt", p.name AS "addedBy"
     FROM attachment a JOIN person p ON p.id = a.person_id
     WHERE ${id === undefined ? 'a.instrument_id' : 'a.id'} = $1 ORDER BY a.added_at DESC, a.id`,
    [id ?? instrument],
  );
  return rows.map(({ addedAt, ...row }) => ({ ...row, addedAt: addedAt.toISOString() }));
}
