export { addAttachment, attachment, listAttachments, removeAttachment } from './routes.js';
