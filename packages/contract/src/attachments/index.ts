import * as z from 'zod';
import { longText, newId, uuid, words } from '../quantity/index.js';

/** What can be kept beside a passport: photos and scans. What could act by itself, such as a drawing with a script in it, is none of them. */
export const ATTACHMENT_TYPES = ['image/jpeg', 'image/png', 'image/webp', 'application/pdf'] as const;
export type AttachmentType = (typeof ATTACHMENT_TYPES)[number];
/** Largest that is taken, bytes: a photo of a telephone, or a scan of a few pages. */
export const MOST_BYTES = 8 * 1024 * 1024;
/** So many an instrument may have. */
export const MOST_ATTACHMENTS = 60;

/** What is said of a file beside its bytes. */
export const attachmentDraft = z.object({
  id: newId,
  name: words('the name of the file', 120),
  caption: longText(200).default(''),
});

export const attachmentSchema = attachmentDraft.extend({
  id: uuid,
  instrumentId: uuid,
  type: z.enum(ATTACHMENT_TYPES),
  bytes: z.int(),
  addedAt: z.string(),
  addedBy: z.string(),
});
export type Attachment = z.infer<typeof attachmentSchema>;
