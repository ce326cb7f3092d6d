import type Joi from 'joi';
import { WORKINGS } from '../../core/workings';
import { jsonSchemaOf, type Json } from '../json-schema';
import { rightFor } from '../auth/rights';
import { backupApi } from '../routes/backups';
import { balanceApi } from '../routes/balance';
import { practiceApi } from '../routes/practice';
import { changeApi } from '../routes/changes';
import { dayApi } from '../routes/day';
import { deviceApi } from '../routes/devices';
import { exchangeApi } from '../routes/exchange';
import { jobApi } from '../routes/jobs';
import { shopStatsApi } from '../routes/shop-stats';
import { liveApi } from '../routes/live';
import { partsApi } from '../routes/parts';
import { peopleApi } from '../routes/people';
import { photoApi } from '../routes/photos';
import { recheckApi } from '../routes/rechecks';
import { recordFileApi } from '../routes/record-files';
import { recordApi } from '../routes/records';
import { riderApi } from '../routes/riders';
import { guessingApi } from '../routes/guessing';
import { passkeyApi } from '../routes/passkeys';
import { sessionApi } from '../routes/session';
import { shopApi } from '../routes/shop';
import { visitApi } from '../routes/visits';
import { workingApi } from '../routes/workings';
import type { ApiDocs, RouteDoc } from './api-docs';

const OWN: ApiDocs = {
  'GET /health': { says: 'Ready, and on its own file' },
  'GET /openapi.json': { says: 'This document', gives: 'application/json' },
};

/** All that is said of all routes. */
export const API_DOCS: ApiDocs = {
  ...OWN,
  ...sessionApi,
  ...passkeyApi,
  ...guessingApi,
  ...jobApi,
  ...visitApi,
  ...dayApi,
  ...recordApi,
  ...recordFileApi,
  ...shopApi,
  ...partsApi,
  ...recheckApi,
  ...photoApi,
  ...workingApi,
  ...balanceApi,
  ...practiceApi,
  ...deviceApi,
  ...liveApi,
  ...peopleApi,
  ...changeApi,
  ...shopStatsApi,
  ...riderApi,
  ...exchangeApi,
  ...backupApi,
};

const JSON_TYPE = 'application/json';
const PARAMETER = /:(\w+)/g;
const BINARY: Json = { type: 'string', format: 'binary' };

const pathParameters = (address: string): Json[] =>
  [...address.matchAll(PARAMETER)].map(([, name]) => ({
    name,
    in: 'path',
    required: true,
    schema: { type: 'string', minLength: 1 },
  }));

/** The fields of a query. */
const queryParameters = (query: Joi.Schema | undefined): Json[] => {
  if (!query) return [];
  const { properties = {}, required = [] } = jsonSchemaOf(query) as {
    properties?: Json;
    required?: string[];
  };
  return Object.entries(properties).map(([name, schema]) => ({
    name,
    in: 'query',
    required: required.includes(name),
    schema,
  }));
};

const bodyOf = (body: RouteDoc['body']): Json => {
  if (body === undefined) return {};
  const content =
    typeof body === 'string'
      ? { [body]: { schema: BINARY } }
      : { [JSON_TYPE]: { schema: jsonSchemaOf(body) } };
  return { requestBody: { required: true, content } };
};

const answerOf = ({ gives = JSON_TYPE, status }: RouteDoc): Json => {
  const code = gives === null ? 204 : (status ?? 200);
  const schema = gives === JSON_TYPE ? {} : BINARY;
  return {
    [code]: {
      description: gives === null ? 'done' : 'as asked',
      ...(gives && { content: { [gives]: { schema } } }),
    },
    default: {
      description: 'a refusal',
      content: { [JSON_TYPE]: { schema: { $ref: '#/components/schemas/Refusal' } } },
    },
  };
};

const operation = (route: string, doc: RouteDoc): Json => {
  const [method = '', address = ''] = route.split(' ');
  const parameters = [...pathParameters(address), ...queryParameters(doc.query)];
  return {
    summary: doc.says,
    operationId: route.toLowerCase().replace(/[^a-z0-9]+/g, '-'),
    tags: [address.split('/')[1]],
    'x-right': rightFor(method, address),
    ...(parameters.length > 0 && { parameters }),
    ...bodyOf(doc.body),
    responses: answerOf(doc),
  };
};

const REFUSAL: Json = {
  type: 'object',
  required: ['error'],
  properties: {
    error: {
      type: 'object',
      required: ['field', 'message', 'expected'],
      properties: {
        field: { type: 'string', description: 'The field as it was sent' },
        message: { type: 'string', description: 'What is wrong with it' },
        expected: { type: 'string', description: 'What to send or do instead' },
        inUnits: {
          type: 'object',
          description: 'Both texts with {0}, {1} for their quantities, for other units',
        },
      },
    },
  },
};

const pathOf = (address: string): string => `/api${address.replace(PARAMETER, '{$1}')}`;

/** Each working as an operation of its own, with an example that runs. */
const workingPaths = (): Json =>
  Object.fromEntries(
    WORKINGS.map(({ name, title, schema, example }) => {
      const doc = operation(`POST /workings/${name}`, { says: title, body: schema });
      const content = { [JSON_TYPE]: { schema: jsonSchemaOf(schema), example } };
      return [
        `/api/workings/${name}`,
        { post: { ...doc, requestBody: { required: true, content } } },
      ];
    }),
  );

/** The HTTP API as an OpenAPI 3.1 document, made of the schemas that check its requests. */
export const openApi = (): Json => {
  const paths: Record<string, Json> = {};
  for (const [route, doc] of Object.entries(API_DOCS)) {
    const [method = '', address = ''] = route.split(' ');
    const path = pathOf(address);
    paths[path] = { ...paths[path], [method.toLowerCase()]: operation(route, doc) };
  }
  return {
    openapi: '3.1.0',
    info: {
      title: 'Tough Rimstone',
      version: '1',
      description:
        'Numbers are SI with the unit in the name. `x-right` is the permission needed if the shop uses sign-in. ' +
        'What each kind of entry of a log holds is described at /api/exchange/schema.',
    },
    jsonSchemaDialect: 'https://json-schema.org/draft/2019-09/schema',
    security: [{ session: [] }, {}],
    paths: { ...paths, ...workingPaths() },
    components: {
      schemas: { Refusal: REFUSAL },
      securitySchemes: { session: { type: 'apiKey', in: 'cookie', name: 'rimstone' } },
    },
  };
};
