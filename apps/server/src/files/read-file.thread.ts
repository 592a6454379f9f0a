import { readFile } from '@gold-peg/contract/sheets';
import type { FileText } from './read-apart.js';

/** What the thread does with each file. */
export default ({ kind, format, text }: FileText) => readFile(kind, format, text);
