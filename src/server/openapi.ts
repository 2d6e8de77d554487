import { z } from 'zod';
import { gasBatchSchema } from '../core/gas';
import { MOST_ORDERS, ORDER_COLUMNS, workOrderSchema } from '../core/work-orders';
import { EXPORT_NAMES } from './exports';
import { TOKEN_SCOPES, type TokenScope } from './tokens';

const WORK_ORDER = z.toJSONSchema(workOrderSchema, { io: 'input', target: 'draft-2020-12' });

const GAS_BATCH = z.toJSONSchema(gasBatchSchema, { io: 'input', target: 'draft-2020-12' });

const PROBLEM = {
  type: 'object',
  required: ['ok', 'kind', 'error', 'problems'],
  properties: {
    ok: { const: false },
    kind: { const: 'error' },
    error: { type: 'string', description: 'What is wrong, in one sentence.' },
    problems: {
      type: 'array',
      items: { type: 'string' },
      description: 'Row, field and what is wrong with its value.',
    },
  },
} as const;

const RECEIVED = {
  type: 'object',
  required: ['ok', 'received'],
  properties: {
    ok: { const: true },
    received: {
      type: 'array',
      items: {
        type: 'object',
        required: ['number', 'became'],
        properties: {
          number: { type: 'string' },
          became: { enum: ['new', 'unchanged', 'changed', 'changed-after-raising'] },
          job: { type: 'string', description: 'The job that was raised from it.' },
        },
      },
    },
  },
} as const;

const json = (schema: object) => ({ 'application/json': { schema } });
const refuses = (words: string) => ({
  description: words,
  content: json({ $ref: '#/components/schemas/Problem' }),
});
const ANYTHING = { type: 'object', additionalProperties: true };

/** What every operation answers to a wrong or missing token. */
const GUARDED = {
  401: refuses('No token, or one that is not known or has been revoked.'),
  403: refuses('The token opens something else.'),
};

function operation(
  scope: TokenScope,
  summary: string,
  rest: { readonly responses: object } & Readonly<Record<string, unknown>>,
) {
  return {
    operationId: summary.toLowerCase().replace(/[^a-z]+/g, '-'),
    summary,
    description: `Needs a token that opens “${scope}”, or a person who is signed in.`,
    security: [{ token: [] }],
    ...rest,
    responses: { ...rest.responses, ...GUARDED },
  };
}

const ok = (description: string, schema: object = ANYTHING) => ({
  200: { description, content: json(schema) },
});

/** The interface from outside as an OpenAPI 3.1 document. */
export function describeInterface() {
  return {
    openapi: '3.1.0',
    info: {
      title: 'Heavy Lantern',
      version: '1',
      description:
        'Work orders in; permits, records, calendar and the live board out. A site manager makes tokens under “In and out”. Nothing here signs anything: permits are given by people with their PINs.',
      license: { name: 'Unlicensed', identifier: 'LicenseRef-Unlicensed' },
    },
    servers: [{ url: '/api/v1' }],
    components: {
      securitySchemes: {
        token: {
          type: 'http',
          scheme: 'bearer',
          description: `A token opens one thing: ${TOKEN_SCOPES.join(', ')}.`,
        },
      },
      schemas: { WorkOrder: WORK_ORDER, Received: RECEIVED, Problem: PROBLEM },
    },
    paths: {
      '/readings': {
        get: operation('readings', 'Ask the time and the next number', {
          description:
            'Needs the token of the device. It sets its clock by `now`, and numbers on from `next`.',
          responses: ok('The site’s time and the next number'),
        }),
        post: operation('readings', 'Send readings of a gas detector', {
          description:
            'Needs a token of scope “readings” named for the device. `clock` is the device’s clock as it sends: what it is off is corrected, up to 5 min. The same number again changes nothing; late readings stand at their own time. All are taken or none.',
          requestBody: { required: true, content: json(GAS_BATCH) },
          responses: {
            ...ok('Taken in; readings that are not fit have stopped the jobs named'),
            400: refuses('Not JSON, or not a batch.'),
            413: refuses('Too long.'),
            422: refuses('A reading cannot be; nothing was taken in.'),
          },
        }),
      },
      '/work-orders': {
        post: operation('work-orders', 'Bring in work orders', {
          requestBody: {
            required: true,
            description: `At most ${MOST_ORDERS} at once; all are taken or none. The same order again changes nothing. CSV has the columns ${ORDER_COLUMNS.join(', ')}; places of work are written as “SECTION activity; SECTION activity”.`,
            content: {
              ...json({ type: 'array', items: { $ref: '#/components/schemas/WorkOrder' } }),
              'text/csv': { schema: { type: 'string' } },
            },
          },
          responses: {
            ...ok('Taken in', { $ref: '#/components/schemas/Received' }),
            400: refuses('Not JSON, or not a list.'),
            413: refuses('Too long.'),
            422: refuses('Some rows do not fit; nothing was taken in.'),
          },
        }),
        get: operation('read', 'List work orders', {
          responses: ok('Every work order with the job raised from it', {
            type: 'array',
            items: ANYTHING,
          }),
        }),
      },
      '/export/{table}.{format}': {
        get: operation('read', 'Export a table', {
          parameters: [
            { name: 'table', in: 'path', required: true, schema: { enum: EXPORT_NAMES } },
            { name: 'format', in: 'path', required: true, schema: { enum: ['csv', 'json'] } },
          ],
          responses: {
            200: {
              description: 'The whole table',
              content: {
                ...json({ type: 'array', items: ANYTHING }),
                'text/csv': { schema: { type: 'string' } },
              },
            },
            404: refuses('There is no such table.'),
          },
        }),
      },
      '/jobs/{id}': {
        get: operation('read', 'Read a job as it stands', {
          parameters: [{ name: 'id', in: 'path', required: true, schema: { type: 'string' } }],
          responses: { ...ok('The job'), 404: refuses('There is no such job.') },
        }),
      },
      '/board': {
        get: operation('read', 'Read the live board', { responses: ok('The board') }),
      },
      '/find': {
        get: operation('read', 'Find anything', {
          parameters: [
            {
              name: 'q',
              in: 'query',
              required: true,
              schema: { type: 'string', minLength: 1, maxLength: 200 },
            },
          ],
          responses: { ...ok('Jobs and things of the site'), 400: refuses('Nothing to find.') },
        }),
      },
      '/calendar': {
        get: operation('calendar', 'Subscribe to windows and lapses', {
          parameters: [
            {
              name: 'token',
              in: 'query',
              required: false,
              schema: { type: 'string' },
              description: 'For calendars that can send no header.',
            },
          ],
          responses: {
            200: {
              description: 'A calendar (RFC 5545)',
              content: { 'text/calendar': { schema: { type: 'string' } } },
            },
          },
        }),
      },
    },
  };
}
