import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { ENDPOINTS } from '@gold-peg/contract/endpoints';
import { buildStore } from '../store/index.js';
import { openHouse, stripped, type TestHouse } from '../testing/house.js';
import type { Visitor } from '../testing/visitor.js';

let house: TestHouse;
let technician: Visitor;
beforeAll(async () => {
  house = await openHouse();
  technician = await house.visitor().signIn('technician');
});
afterAll(() => house.close());

describe('bad requests', () => {
  it('of 50 MB are refused as too large', async () => {
    const { status, body } = await technician.ask('POST', '/api/events', `{"events":"${'x'.repeat(50 * 1024 * 1024)}"}`);
    expect(status).toBe(413);
    expect(body.detail).toContain('at most 1 MB');
  });

  it.each([
    ['not JSON', '{"events":', 400, 'body must be JSON'],
    ['a list', '[]', 400, 'body must be object'],
    ['no events', '{"events":[]}', 422, 'at least one event'],
    ['an event of no known kind', '{"events":[{"kind":"polished"}]}', 422, 'events.0'],
  ])('that are %s say so', async (_what, text, status, says) => {
    const answer = await technician.ask('POST', '/api/events', text);
    expect(answer.status).toBe(status);
    expect(answer.body.detail).toContain(says);
    expect(answer.type).toContain('application/problem+json');
  });

  it('name the place of a fault in a batch, and store nothing of it', async () => {
    const job = await technician.job(104);
    const good = stripped(job, technician.personId, 1);
    const { status, body } = await technician.ask('POST', '/api/events', { events: [good, {...stripped(job, technician.personId, 1), string: 0 }] }); // prettier-ignore
    expect(status).toBe(422);
    expect(body.fields[0]).toMatchObject({ field: 'events.1.string' });
    const log = await technician.ask('GET', `/api/jobs/${job.id}/events`);
    expect(log.body.events).toEqual([]);
  });

  it('refuse more than two hundred events at once', async () => {
    const job = await technician.job(104);
    const events = Array.from({ length: 201 }, () => stripped(job, technician.personId, 1));
    expect((await technician.ask('POST', '/api/events', { events })).body.detail).toContain('at most 200 events');
  });

  it('for nothing that exists answer 404 as a problem', async () => {
    const { status, type } = await technician.ask('GET', '/api/lathe');
    expect(status).toBe(404);
    expect(type).toContain('application/problem+json');
  });

  it('never show a stack or a table', async () => {
    const answers = [
      await technician.ask('GET', '/api/jobs/not-an-id'),
      await technician.ask('POST', '/api/events', 'null'),
      await technician.ask('PUT', '/api/owners/x', {}),
    ];
    for (const { body } of answers) expect(JSON.stringify(body)).not.toMatch(/at .*\.(ts|js)|SELECT|bench_event/);
  });
});

describe('the server', () => {
  it('sets a strict content security policy and tells nobody what it is made with', async () => {
    const response = await fetch(`${technician.address}/api/health`);
    const policy = response.headers.get('content-security-policy') ?? '';
    expect(policy).toContain("script-src 'self'");
    expect(policy).not.toContain('unsafe-');
    expect(policy).toMatch(/style-src 'self' 'nonce-[\w+/=]{24}'/);
    expect(policy).toContain("font-src 'self';");
    expect(response.headers.get('cache-control')).toBe('no-store');
    expect(policy).toContain("frame-ancestors 'self'");
    expect(response.headers.get('x-powered-by')).toBeNull();
  });

  it('compresses what it answers', async () => {
    const response = await fetch(`${technician.address}/api/openapi.json`, { headers: { 'accept-encoding': 'gzip' } });
    expect(response.headers.get('content-encoding')).toBe('gzip');
    expect(await response.json()).toHaveProperty('openapi');
  });

  it('describes every endpoint of the table in OpenAPI 3.1, with a page to read it', async () => {
    const { body } = await technician.ask('GET', '/api/openapi.json');
    expect(body.openapi).toMatch(/^3\.1/);
    const described = Object.entries<Record<string, { operationId: string }>>(body.paths).flatMap(([, methods]) =>
      Object.values(methods).map(({ operationId }) => operationId),
    );
    expect(described.sort()).toEqual(Object.keys(ENDPOINTS).sort());
    const page = await technician.ask('GET', '/api/docs/');
    expect(page.status).toBe(200);
    expect(page.body).toContain('swagger-ui');
  });

  it('answers 503 with what is safe while the database is gone, and goes on when it is back', async () => {
    const lost = await house.secondServer();
    const there = await lost.visitor().signIn('technician');
    await there.ask('GET', '/api/jobs'); // what signing in still writes after its answer is done by now
    await lost.store.destroy();
    const away = await there.ask('GET', '/api/jobs');
    expect(away.status).toBe(503);
    expect(away.body.detail).toContain('kept on this device');
    await lost.store.initialize();
    expect((await there.ask('GET', '/api/jobs')).status).toBe(200);
    await lost.close();
  });

  it('has a schema that its migrations make and its entities describe alike', async () => {
    const store = await buildStore(house.databaseUrl).initialize();
    const { upQueries } = await store.driver.createSchemaBuilder().log();
    await store.destroy();
    expect(upQueries.map(({ query }) => query)).toEqual([]);
  });

  it('can undo its migrations', async () => {
    const fresh = await openHouse();
    for (const _migration of fresh.store.migrations) await fresh.store.undoLastMigration();
    const tables = await fresh.store.query("SELECT tablename FROM pg_tables WHERE schemaname = 'public'");
    expect(tables.map(({ tablename }: { tablename: string }) => tablename)).toEqual(['migrations']);
    await fresh.store.runMigrations();
    await fresh.close();
  });
});
