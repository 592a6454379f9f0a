import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import type { Response } from 'express';

/** Writes a file part by part, each made when the one before is taken: memory stays flat however long it is. A reader that goes away ends it. */
export async function writeParts(response: Response, parts: () => AsyncGenerator<string>): Promise<void> {
  try {
    await pipeline(Readable.from(parts()), response);
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code !== 'ERR_STREAM_PREMATURE_CLOSE') throw error;
  }
}
