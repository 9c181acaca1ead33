import { object } from 'yup';
import { API } from './api.js';
import { partsOfKey, type EndpointKey } from './api-types.js';
import { isMedia, type Endpoint, type Media } from './endpoint.js';
import { INTENT_SCHEMAS } from './intents.js';
import { Components, jsonSchemaOf, type JsonSchema } from './json-schema.js';
import { COMMON_PROBLEMS, PROBLEMS, problemType, type ProblemName } from './problems.js';
import { problemDetails } from './responses.js';
import type { AnySchema } from './schema.js';

const DESCRIPTION =
  'The interface of Clever Drawer, the one that its own pages use. It answers on loopback only, and to no page of another site. ' +
  'Errors are problem details (RFC 9457) whose type stays the same over versions. ' +
  'What bears an ETag answers 304 to If-None-Match with the same tag.';

/** The OpenAPI 3.1 document of the interface, made from its table. */
export function openApiDocument(): JsonSchema {
  const components = new Components();
  const paths: Record<string, Record<string, unknown>> = {};
  for (const key of Object.keys(API) as EndpointKey[]) {
    const { method, path } = partsOfKey(key);
    (paths[path] ??= {})[method.toLowerCase()] = operation(key, API[key], components);
  }
  return {
    openapi: '3.1.0',
    info: { title: 'Clever Drawer', version: '1', description: DESCRIPTION },
    servers: [{ url: '/api' }],
    paths,
    components: { schemas: sorted(components.schemas) },
  };
}

const sorted = (schemas: Readonly<Record<string, JsonSchema>>): Record<string, JsonSchema> =>
  Object.fromEntries(Object.entries(schemas).sort(([a], [b]) => (a < b ? -1 : 1)));

function operation(key: EndpointKey, endpoint: Endpoint, components: Components): object {
  const { method, path } = partsOfKey(key);
  const { summary, request, query, answer, status, tagged, problems } = endpoint;
  const names = [...path.matchAll(/\{(\w+)\}/g)].map((match) => match[1] ?? '');
  const parameters = [
    ...names.map((name) => ({ name, in: 'path', required: true, schema: { type: 'string' } })),
    ...(query === undefined ? [] : queryParameters(query)),
    ...(tagged === true ? [{ name: 'If-None-Match', in: 'header', schema: { type: 'string' } }] : []),
  ];
  const ofProblems = [...new Set([...problems, ...COMMON_PROBLEMS])];
  return {
    operationId: idOf(method, path),
    summary,
    ...(parameters.length === 0 ? {} : { parameters }),
    ...(request === undefined ? {} : { requestBody: { required: true, content: contentOf(request, components, key) } }),
    responses: {
      [String(status)]: {
        description: answer === null ? 'Done.' : 'The answer.',
        ...(tagged === true ? { headers: { ETag: { schema: { type: 'string' } } } } : {}),
        ...(answer === null ? {} : { content: contentOf(answer, components) }),
      },
      ...(tagged === true ? { '304': { description: 'As it was when it bore this tag.' } } : {}),
      ...problemResponses(ofProblems, components),
    },
  };
}

/** "GET /computers/{computer}/folders" → getComputersFolders. */
const idOf = (method: string, path: string): string =>
  method.toLowerCase() +
  path
    .split('/')
    .filter((part) => part !== '')
    .map((part) =>
      part.startsWith('{') ? `By${capital(part.slice(1, -1))}` : part.split(/[-.]/).map(capital).join(''),
    )
    .join('');
const capital = (word: string): string => word.charAt(0).toUpperCase() + word.slice(1);

function queryParameters(query: AnySchema): object[] {
  const { properties = {}, required = [] } = jsonSchemaOf(query) as {
    properties?: Record<string, unknown>;
    required?: readonly string[];
  };
  return Object.entries(properties).map(([name, schema]) => ({
    name,
    in: 'query',
    required: required.includes(name) && name !== 'limit',
    schema,
  }));
}

function contentOf(shape: AnySchema | Media, components: Components, sentTo?: EndpointKey): object {
  if (isMedia(shape)) return Object.fromEntries(shape.media.map((type) => [type, {}]));
  return {
    'application/json': {
      schema: components.refer(sentTo === undefined ? jsonSchemaOf(shape) : requestSchema(shape, sentTo)),
    },
  };
}

/** A change and a document are told apart by what is in them, which no schema that is fixed says. */
function requestSchema(shape: AnySchema, key: EndpointKey): JsonSchema {
  if (key.endsWith('/import'))
    return { type: 'object', description: 'docs/schemas/arrangement-8.schema.json, or an earlier version.' };
  if (!key.endsWith('/changes')) return jsonSchemaOf(shape);
  const intents = Object.entries(INTENT_SCHEMAS).map(([kind, schema]) => ({
    ...jsonSchemaOf(object(schema.fields as never)),
    title: `Intent ${kind}`,
  }));
  const named = intents.map((intent) => ({
    ...intent,
    title: intent.title.replace(/[ -](\w)/g, (_all, letter: string) => letter.toUpperCase()),
  }));
  return {
    type: 'object',
    properties: {
      intents: { type: 'array', minItems: 1, items: { anyOf: named } },
      mark: { type: 'string', maxLength: 40 },
    },
    required: ['intents'],
    additionalProperties: false,
  };
}

function problemResponses(names: readonly ProblemName[], components: Components): object {
  const byStatus = new Map<number, ProblemName[]>();
  for (const name of names) byStatus.set(PROBLEMS[name].status, [...(byStatus.get(PROBLEMS[name].status) ?? []), name]);
  const body = components.refer(jsonSchemaOf(problemDetails));
  return Object.fromEntries(
    [...byStatus].map(([status, own]) => [
      String(status),
      {
        description: own.map((name) => PROBLEMS[name].title).join('; '),
        content: {
          'application/problem+json': {
            schema: { allOf: [body, { type: 'object', properties: { type: { enum: own.map(problemType) } } }] },
          },
        },
      },
    ]),
  );
}
