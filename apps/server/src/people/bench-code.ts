import type { BenchDevice } from '@gold-peg/contract/people';
import { act } from '../acts/index.js';
import { type Handler, Refusal, refuseField, signedIn } from '../handling/index.js';
import { addOnce, BenchDeviceRow, PersonRow } from '../store/index.js';
import { hashPassphrase, passphraseFits, toPerson } from './person.js';
import { answer, NOBODY } from './answer.js';
import { benchOf, giveBenchCookie } from './bench.js';
import { beginSession } from './session-facts.js';
import { endByCode } from './sessions.js';
import { newToken, tokenHash } from './tokens.js';

export const signInByCode: Handler<'signInByCode'> = async (asked) => {
  const { store, body, request } = asked;
  const device = await benchOf(store, request);
  if (device === null)
    throw new Refusal('not-allowed', 'Codes are for devices of the bench, which the owner has allowed: sign in with your passphrase here.');
  const row = await store.getRepository(PersonRow).findOneBy({ id: body.personId, standing: 'works' });
  const fits = await passphraseFits(row?.codeHash ?? (await NOBODY), body.code);
  if (row?.codeHash == null || !fits) {
    await act({ ...asked, person: row === null ? null : toPerson(row) }, 'sign-in-failed', `a wrong code, ${device.name}`);
    throw new Refusal('wrong-sign-in', 'That is not the code of this person.');
  }
  await beginSession(request, { personId: row.id, by: 'code', device: device.name });
  await act({ ...asked, person: toPerson(row) }, 'signed-in', `by code, ${device.name}`);
  return answer(store, request, toPerson(row));
};

export const changeCode: Handler<'changeCode'> = async (asked) => {
  const people = asked.store.getRepository(PersonRow);
  const { id, passphraseHash } = await people.findOneByOrFail({ id: signedIn(asked).id });
  const { code, passphrase } = asked.body;
  if (!(await passphraseFits(passphraseHash, passphrase))) throw refuseField('passphrase', 'is not your present passphrase');
  await people.update({ id }, { codeHash: code === null ? null : await hashPassphrase(code) });
  await act(asked, 'code', code === null ? 'gave up their code for the bench' : 'chose a code for the bench');
  return { done: true };
};

const toDevice = (own: BenchDeviceRow | null, { id, name, allowedAt }: BenchDeviceRow): BenchDevice => ({
  id,
  name,
  allowedAt: allowedAt.toISOString(),
  here: own?.id === id,
});

export const listDevices: Handler<'listDevices'> = async ({ store, request }) => {
  const [own, rows] = [await benchOf(store, request), await store.getRepository(BenchDeviceRow).find({ order: { name: 'ASC' } })];
  return rows.map((row) => toDevice(own, row));
};

/** Whatever this device was allowed as before, it is no longer. */
export const allowDevice: Handler<'allowDevice'> = async (asked) => {
  const { store, request, body, now } = asked;
  const before = await benchOf(store, request);
  const token = newToken();
  const row = { ...body, tokenHash: tokenHash(token), allowedAt: now };
  if (!(await addOnce(store.manager, BenchDeviceRow, row))) throw refuseField('id', 'must be new');
  if (before !== null) await store.getRepository(BenchDeviceRow).delete({ id: before.id });
  if (request.res !== undefined) giveBenchCookie(request.res, token);
  await act(asked, 'device', `${body.name} is a device of the bench`);
  return { id: row.id, name: row.name, allowedAt: now.toISOString(), here: true };
};

/** Whoever is signed in by code on it no longer is. */
export const withdrawDevice: Handler<'withdrawDevice'> = async (asked) => {
  const devices = asked.store.getRepository(BenchDeviceRow);
  const device = await devices.findOneBy({ id: asked.params.id });
  if (device === null) throw new Refusal('unknown', 'That device is none of the bench any more.');
  await devices.delete({ id: device.id });
  await endByCode(asked.store, device.name);
  await act(asked, 'device', `${device.name} is no device of the bench any more`);
  return { done: true };
};
