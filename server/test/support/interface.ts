/** Holds every answer of the API tests to the document of the interface. */
import Ajv2020, { type ValidateFunction } from 'ajv/dist/2020';
import { API } from '@clever-drawer/contract/api';
import { partsOfKey, type EndpointKey } from '@clever-drawer/contract/api-types';
import { openApiDocument } from '@clever-drawer/contract/openapi';

const document = openApiDocument() as {
  paths: Record<
    string,
    Record<string, { responses: Record<string, { content?: Record<string, { schema?: object }> }> }>
  >;
  components: object;
};
const ajv = new Ajv2020({ strict: false, formats: { 'date-time': true, uuid: true }, allErrors: true });
ajv.addSchema({ ...document, $id: 'interface' }, 'interface');
const ENDPOINTS = (Object.keys(API) as EndpointKey[]).map((key) => {
  const { method, path } = partsOfKey(key);
  return { method, path, pattern: new RegExp(`^${path.replace(/\{\w+\}/g, '[^/]+').replace('.', '\\.')}$`) };
});
const validators = new Map<string, ValidateFunction>();

const pointer = (part: string): string => encodeURIComponent(part.replaceAll('~', '~0').replaceAll('/', '~1'));

/** What of an answer is not as the document says; empty when all is. An address that is not in the table must be a 404. */
export function misfits(method: string, path: string, status: number, type: string | null, body: unknown): string[] {
  const [bare = ''] = path.split('?');
  const own = ENDPOINTS.filter((one) => one.method === method && one.pattern.test(bare));
  // Of two that fit, the one without a variable in that place is meant.
  const endpoint = own.sort((a, b) => b.path.replace(/\{\w+\}/g, '').length - a.path.replace(/\{\w+\}/g, '').length)[0];
  if (endpoint === undefined) return status === 404 || status === 421 ? [] : [`${method} ${path} is not in the table`];
  const at = `${method} ${endpoint.path} ${String(status)}`;
  const response = document.paths[endpoint.path]?.[method.toLowerCase()]?.responses[String(status)];
  if (response === undefined) return [`${at} is not in the document`];
  const media = type?.split(';')[0] ?? '';
  if (response.content === undefined) return body === null ? [] : [`${at} has an answer`];
  if (response.content[media] === undefined) return [`${at} is sent as ${media}`];
  if (response.content[media].schema === undefined) return [];
  let validate = validators.get(at);
  if (validate === undefined) {
    const where = [
      'paths',
      endpoint.path,
      method.toLowerCase(),
      'responses',
      String(status),
      'content',
      media,
      'schema',
    ];
    validate = ajv.compile({ $ref: `interface#/${where.map(pointer).join('/')}` });
    validators.set(at, validate);
  }
  if (validate(body)) return [];
  return (validate.errors ?? []).slice(0, 5).map((error) => `${at}: ${error.instancePath} ${error.message ?? ''}`);
}
