import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { exerciseOf } from '@gold-peg/craft/exercises';
import { v7 as uuidV7 } from 'uuid';
import type { ExerciseSheet, Learner } from '@gold-peg/contract/practice';
import { openHouse, type TestHouse } from '../testing/house.js';

type Visitor = ReturnType<TestHouse['visitor']>;
let house: TestHouse;
let [wenna, corin, maud]: Visitor[] = [];
let corinId = '';
beforeAll(async () => {
  house = await openHouse();
  wenna = await house.visitor().signIn('owner');
  corin = await house.visitor().signIn('technician');
  maud = await house.visitor().signIn('counter');
  corinId = ((await corin.ask('GET', '/api/session')).body as { person: { id: string } }).person.id;
});
afterAll(() => house.close());

const draft = (wrong: object = {}) => ({
  ...{ id: uuidV7(), title: 'Which way round', forIds: [corinId], skills: ['winding-side'] },
  ...{ kinds: ['mandolin'], level: 0, each: 2, within: 1, ...wrong },
});
const ask = (who: Visitor | undefined, ...asked: Parameters<Visitor['ask']>) => (who as Visitor).ask(...asked);
const sheetsOf = async (who: Visitor | undefined) => (await ask(who, 'GET', '/api/practice/sheets')).body as ExerciseSheet[];
/** Answered for a sheet, right as the mandolin of its seed has it, or wrong. */
function tried(sheetId: string | null, right: boolean, seed = 77) {
  const { instrument, index } = exerciseOf('winding-side', seed, 0, sheetId === null ? [] : ['mandolin']);
  const turns = instrument.strings[index]?.post.side === 'bass' ? 'anticlockwise' : 'clockwise';
  const direction = right === (turns === 'clockwise') ? 'clockwise' : 'anticlockwise';
  return { id: uuidV7(), skill: 'winding-side', seed, level: 0, at: '2026-05-26T08:41:00.000Z', sheetId, answer: { direction } };
}

describe('an exercise sheet', () => {
  it('is given by the owner, once however often it is sent, and seen by whom it is for and by nobody else', async () => {
    const body = draft();
    const given = await ask(wenna, 'POST', '/api/practice/sheets', body);
    expect(given.status).toBe(201);
    expect((await ask(wenna, 'POST', '/api/practice/sheets', body)).status).toBe(201);
    expect((await ask(wenna, 'POST', '/api/practice/sheets', { ...body, title: 'Another' })).status).toBe(409);
    expect((await sheetsOf(wenna)).filter(({ id }) => id === body.id)).toHaveLength(1);
    expect((await sheetsOf(corin)).find(({ id }) => id === body.id)?.people.map(({ name }) => name)).toEqual(['Corin Vell']);
    expect(await sheetsOf(maud)).toEqual([]);
    for (const who of [corin, maud]) expect((await ask(who, 'POST', '/api/practice/sheets', draft())).status).toBe(403);
  });

  it('is the same when it is sent again after somebody on it has left', async () => {
    const pip = { id: uuidV7(), name: 'Pip Sallow', role: 'technician', passphrase: 'wind it down and true' };
    const { body: person } = await ask(wenna, 'POST', '/api/people', pip);
    const body = draft({ forIds: [corinId, pip.id] });
    expect((await ask(wenna, 'POST', '/api/practice/sheets', body)).status).toBe(201);
    const left = { version: (person as { version: number }).version, name: pip.name, role: pip.role, standing: 'left' };
    expect((await ask(wenna, 'PUT', `/api/people/${pip.id}`, left)).status).toBe(200);
    expect((await ask(wenna, 'POST', '/api/practice/sheets', body)).status).toBe(201);
    expect((await ask(wenna, 'POST', '/api/practice/sheets', { ...body, id: uuidV7() })).status).toBe(422);
  });

  it('has the results of its own tries, on its own kinds, as a list and as CSV', async () => {
    const body = draft();
    await ask(wenna, 'POST', '/api/practice/sheets', body);
    await ask(corin, 'POST', '/api/practice', { tries: [tried(body.id, true), tried(null, false)] });
    await ask(corin, 'POST', '/api/practice', { tries: [tried(body.id, false, 78)] });
    const [result] = (await sheetsOf(wenna)).find(({ id }) => id === body.id)?.people[0]?.results ?? [];
    // one of two was wrong: ten times the one in twenty that is good work
    expect(result).toEqual({ skill: 'winding-side', tries: 2, bias: 0.5, spread: null, worth: 10, reached: false });
    const csv = await ask(wenna, 'GET', `/api/practice/sheets/${body.id}/results.csv`);
    expect(csv.body).toContain('Which way round,Corin Vell,winding-side,2,2,0.50,,,10.00,1,no');
    expect((await ask(corin, 'GET', `/api/practice/sheets/${body.id}/results.csv`)).status).toBe(403);
  });

  it('is taken back: nobody is asked for it any more, and what was on its way still counts', async () => {
    const body = draft();
    await ask(wenna, 'POST', '/api/practice/sheets', body);
    expect((await ask(wenna, 'DELETE', `/api/practice/sheets/${body.id}`)).body).toEqual({ done: true });
    for (const who of [wenna, corin]) expect((await sheetsOf(who)).map(({ id }) => id)).not.toContain(body.id);
    expect((await ask(corin, 'POST', '/api/practice', { tries: [tried(body.id, true)] })).status).toBe(200);
    expect((await ask(wenna, 'DELETE', `/api/practice/sheets/${uuidV7()}`)).status).toBe(404);
  });

  it.each([
    ['for somebody who is not here', () => draft({ forIds: [uuidV7()] }), /people who work here/],
    ['on a kind that there is not', () => draft({ kinds: ['hurdy-gurdy'] }), /hurdy-gurdy is none/],
    ['for what none of its kinds has', () => draft({ skills: ['balance'] }), /balance cannot be on any of these/],
  ])('is refused %s', async (_what, body, says) => {
    const { status, body: problem } = await ask(wenna, 'POST', '/api/practice/sheets', body());
    expect(status).toBe(422);
    expect(JSON.stringify(problem)).toMatch(says);
  });

  it('takes no tries of people it was not given to, nor of what it does not ask for', async () => {
    const body = draft();
    await ask(wenna, 'POST', '/api/practice/sheets', body);
    const foreign = await ask(maud, 'POST', '/api/practice', { tries: [tried(body.id, true)] });
    expect([foreign.status, JSON.stringify(foreign.body)]).toEqual([422, expect.stringContaining('given to you')]);
    const harder = await ask(corin, 'POST', '/api/practice', { tries: [{ ...tried(body.id, true), level: 3 }] });
    expect([harder.status, JSON.stringify(harder.body)]).toEqual([422, expect.stringContaining('level 4')]);
  });
});

it('shows the owner how somebody stands only where they wish it', async () => {
  const learners = async () => (await ask(wenna, 'GET', '/api/practice/learners')).body as Learner[];
  expect(await learners()).toEqual([]);
  const { person } = (await ask(corin, 'GET', '/api/session')).body as { person: { version: number; preferences: object } };
  await ask(corin, 'PUT', '/api/session/preferences', { version: person.version, preferences: {...person.preferences, showsPractice: true } }); // prettier-ignore
  const [learner] = await learners();
  expect(learner?.name).toBe('Corin Vell');
  expect(learner?.standings.find(({ skill }) => skill === 'cents')).toEqual({
    skill: 'cents',
    tries: 0,
    bias: null,
    spread: null,
    wrong: 0,
    worth: 4,
  });
  expect((await ask(corin, 'GET', '/api/practice/learners')).status).toBe(403);
});
