import * as z from 'zod';
import { problemSchema } from '../problems/index.js';
import type { Endpoint } from './endpoint.js';
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
    description: `Who may: ${roles}${endpoint.office === true ? ', with their passphrase' : ''}.${endpoint.method === 'GET' ? '' : ' Needs the header x-csrf-token.'}`,
    ...(endpoint.who === 'anyone' ? {} : { security: [{ session: [] }] }),
    parameters: [...parameters(endpoint.params, 'path'), ...parameters(endpoint.query, 'query')],
    ...('takes' in endpoint && endpoint.takes !== undefined
      ? { requestBody: { required: true, content: Object.fromEntries(endpoint.takes.types.map((type) => [type, {}])) } }
      : {}),
    ...(endpoint.body === undefined
      ? {}
      : { requestBody: { required: true, content: { 'application/json': { schema: schemaOf(endpoint.body, 'input') } } } }),
    responses: {
      [endpoint.status]: { description: 'Done', content: contentOf(endpoint) },
      default: {
        description: 'A problem, RFC 9457',
        content: { 'application/problem+json': { schema: { $ref: '#/components/schemas/Problem' } } },
      },
    },
  };
}

const contentOf = (endpoint: Endpoint) =>
  'gives' in endpoint ? { [endpoint.gives]: {} } : { 'application/json': { schema: schemaOf(endpoint.reply, 'output') } };

const parameters = (schema: z.ZodObject | undefined, place: 'path' | 'query') =>
  Object.entries(schema?.shape ?? {}).map(([name, field]) => ({
    name,
    in: place,
    required: place === 'path',
    schema: schemaOf(field as z.ZodType, 'input'),
  }));
