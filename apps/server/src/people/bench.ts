import { parse } from 'cookie';
import type { Request, Response } from 'express';
import { IsNull, Not, type DataSource } from 'typeorm';
import type { Session } from '@gold-peg/contract/people';
import { BenchDeviceRow, PersonRow } from '../store/index.js';
import { tokenHash } from './tokens.js';

/** Cookie of a device of the bench. */
const COOKIE = 'gold-peg-bench';
const TEN_YEARS_MS = 10 * 365 * 24 * 60 * 60 * 1000;

/** From now on this device shows that it is one of the bench. */
export const giveBenchCookie = (response: Response, token: string): void =>
  void response.cookie(COOKIE, token, { httpOnly: true, sameSite: 'strict', secure: response.req.secure, maxAge: TEN_YEARS_MS });

/** The device of the bench that asks; null where it is none. */
export async function benchOf(store: DataSource, request: Request): Promise<BenchDeviceRow | null> {
  const token = parse(request.headers.cookie ?? '')[COOKIE];
  return token === undefined ? null : store.getRepository(BenchDeviceRow).findOneBy({ tokenHash: tokenHash(token) });
}

/** The device of the bench that asks, and who may sign in on it by code. */
export async function benchFor(store: DataSource, request: Request): Promise<Session['bench']> {
  const device = await benchOf(store, request);
  if (device === null) return null;
  const people = await store.getRepository(PersonRow).find({
    select: { id: true, name: true },
    where: { standing: 'works', codeHash: Not(IsNull()) },
    order: { name: 'ASC' },
  });
  return { name: device.name, people: people.map(({ id, name }) => ({ id, name })) };
}
