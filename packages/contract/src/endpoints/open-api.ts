import * as z from 'zod';
import { PAPER_KINDS } from '../papers/index.js';
import { problemSchema } from '../problems/index.js';
import type { Endpoint } from './endpoint.js';
import { CUT_STRIP_PDF_PATH, FEED_PATH, TABLE_PDF_PATH } from './other-paths.js';
import { ENDPOINTS } from './table.js';

const schemaOf = (schema: z.ZodType, io: 'input' | 'output') => {
  const { $schema: _dialect, ...rest } = z.toJSONSchema(schema, { io, unrepresentable: 'any', reused: 'inline' });
  return rest;
};

/** OpenAPI 3.1 of the whole table. */
export function openApi(): object {
  const paths: Record<string, Record<string, object>> = {};
  for (const [name, endpoint] of Object.entries<Endpoint>(ENDPOINTS)) {
    const path = endpoint.path.replace(/:(\w+)/g, '{$1}');
    paths[path] = { ...paths[path], [endpoint.method.toLowerCase()]: operation(name, endpoint) };
  }
  paths[FEED_PATH] = {
    get: {
      operationId: 'feed',
      tags: ['bench-log'],
      summary: 'Changes of the log as they are committed (text/event-stream)',
      responses: { 200: { description: 'A stream of events named "log"', content: { 'text/event-stream': {} } } },
    },
  };
  paths[TABLE_PDF_PATH] = {
    get: {
      operationId: 'stringTablePdf',
      tags: ['strings'],
      summary: 'The strings table on paper, A4',
      responses: { 200: { description: 'A PDF', content: { 'application/pdf': {} } } },
    },
  };
  paths[CUT_STRIP_PDF_PATH.replace(':id', '{id}')] = {
    get: {
      operationId: 'cutStripPdf',
      tags: ['jobs'],
      summary: 'Cut marks of a job, true to scale with a check line, and a table of its windings',
      parameters: [
        { name: 'id', in: 'path', required: true, schema: { type: 'string', format: 'uuid' } },
        { name: 'paper', in: 'query', schema: { enum: PAPER_KINDS } },
      ],
      responses: { 200: { description: 'A PDF', content: { 'application/pdf': {} } } },
    },
  };
  return {
    openapi: '3.1.0',
    info: {
      title: 'Gold Peg',
      version: '0.1.0',
      description: 'The bench log, the register, the jobs, the strings and the shelf of a string workshop.',
    },
    paths,
    components: {
      securitySchemes: { session: { type: 'apiKey', in: 'cookie', name: 'gold-peg' } },
      schemas: { Problem: schemaOf(problemSchema, 'output') },
    },
  };
}

function operation(name: string, endpoint: Endpoint): object {
  const roles = endpoint.who === 'anyone' ? 'anyone' : endpoint.who === 'signed-in' ? 'anyone signed in' : endpoint.who.join(', ');
  return {
    operationId: name,
    tags: [endpoint.room],
    summary: endpoint.summary,
    description: `Who may: ${roles}.${endpoint.method === 'GET' ? '' : ' Needs the header x-csrf-token.'}`,
    ...(endpoint.who === 'anyone' ? {} : { security: [{ session: [] }] }),
    parameters: [...parameters(endpoint.params, 'path'), ...parameters(endpoint.query, 'query')],
    ...(endpoint.body === undefined
      ? {}
      : { requestBody: { required: true, content: { 'application/json': { schema: schemaOf(endpoint.body, 'input') } } } }),
    responses: {
      [endpoint.status]: { description: 'Done', content: { 'application/json': { schema: schemaOf(endpoint.reply, 'output') } } },
      default: {
        description: 'A problem, RFC 9457',
        content: { 'application/problem+json': { schema: { $ref: '#/components/schemas/Problem' } } },
      },
    },
  };
}

const parameters = (schema: z.ZodObject | undefined, place: 'path' | 'query') =>
  Object.entries(schema?.shape ?? {}).map(([name, field]) => ({
    name,
    in: place,
    required: place === 'path',
    schema: schemaOf(field as z.ZodType, 'input'),
  }));
