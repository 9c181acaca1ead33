/** Requests drawn with a seed from the interface's own schemas: some as they should be, most with something wrong in them. */
import { API } from '@clever-drawer/contract/api';
import { partsOfKey, type EndpointKey } from '@clever-drawer/contract/api-types';
import { openApiDocument } from '@clever-drawer/contract/openapi';

type Json = Readonly<Record<string, unknown>>;
export interface RandomRequest {
  readonly key: EndpointKey;
  readonly method: string;
  readonly path: string;
  readonly body: string | null;
}

/** A generator of numbers from 0 to 1 with a seed (mulberry32, public domain). */
export function numbersFrom(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let mixed = Math.imul(state ^ (state >>> 15), state | 1);
    mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61);
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4_294_967_296;
  };
}

const NASTY: readonly unknown[] = [
  ...[
    null,
    true,
    0,
    -1,
    1.5,
    1e308,
    2 ** 53,
    -(2 ** 31),
    32_768,
    '',
    ' ',
    'x'.repeat(5000),
    '\0',
    'a\0b',
    '\uD800',
    '\uDC00x',
  ],
  ...[
    '__proto__',
    'constructor',
    'toString',
    'hasOwnProperty',
    '../../etc/passwd',
    "'; DROP TABLE plugin; --",
    '<b>',
    '%00',
    '谷'.repeat(900),
  ],
  ...[
    [],
    {},
    [[]],
    [null],
    { length: 5 },
    { toString: 1 },
    { constructor: 1 },
    JSON.parse('{"__proto__":{"a":1}}') as unknown,
  ],
  ...['00000000-0000-0000-0000-000000000000', '2026-02-31', '9999-99-99', 'NaN', '1e999', '-0'],
];

const document = openApiDocument() as unknown as {
  readonly paths: Readonly<Record<string, Readonly<Record<string, Json>>>>;
  readonly components: { readonly schemas: Readonly<Record<string, Json>> };
};

/** Draws requests. `known`: ids and names that stand in the studio, to be put in now and then. */
export class RandomRequests {
  private readonly keys = Object.keys(API) as EndpointKey[];

  constructor(
    private readonly number: () => number,
    private readonly known: readonly string[],
    private readonly without: ReadonlySet<string>,
  ) {}

  next(): RandomRequest {
    const keys = this.keys.filter((one) => !this.without.has(one));
    const key = this.one(keys) ?? 'GET /health';
    const { method, path } = partsOfKey(key);
    const filled = path.replace(/\{(\w+)\}/g, () =>
      this.number() < 0.8
        ? (this.one(this.known) ?? 'x')
        : encodeURIComponent(JSON.stringify(this.nasty()).replace(/[\uD800-\uDFFF]/g, '')),
    );
    const operation = document.paths[path]?.[method.toLowerCase()];
    const query =
      this.number() < 0.3
        ? `?${this.one(['window', 'from', 'limit', 'before', '__proto__']) ?? ''}=${this.one(['x', '%00', '%ff', '-1', '1e9', '%ED%A0%80']) ?? ''}`
        : '';
    const content = (operation?.requestBody as { content?: Readonly<Record<string, Json>> } | undefined)?.content?.[
      'application/json'
    ];
    const body = content === undefined ? null : JSON.stringify(this.spoilt(this.value(content.schema as Json, 0)));
    return { key, method, path: filled + query, body };
  }

  private one<T>(list: readonly T[]): T | undefined {
    return list[Math.floor(this.number() * list.length)];
  }

  private nasty(): unknown {
    return this.one(NASTY);
  }

  /** Now and then a part of a value is another one, there twice, or missing. */
  private spoilt(value: unknown): unknown {
    if (this.number() < 0.12) return this.nasty();
    if (Array.isArray(value)) {
      const list = value.map((one) => this.spoilt(one));
      return this.number() < 0.2 ? [...list, ...list] : list;
    }
    if (typeof value !== 'object' || value === null) return value;
    const entries = Object.entries(value).filter(() => this.number() > 0.04);
    return Object.fromEntries(entries.map(([name, inner]) => [name, this.spoilt(inner)]));
  }

  private value(schema: Json, depth: number): unknown {
    if (depth > 12) return null;
    const {
      $ref: ref,
      anyOf,
      oneOf,
      enum: values,
      properties,
      items,
      type,
    } = schema as {
      readonly $ref?: string;
      readonly anyOf?: readonly Json[];
      readonly oneOf?: readonly Json[];
      readonly enum?: readonly unknown[];
      readonly properties?: Readonly<Record<string, Json>>;
      readonly items?: Json;
      readonly type?: string | readonly string[];
    };
    if ('const' in schema) return schema.const;
    if (ref !== undefined) return this.value(document.components.schemas[ref.split('/').at(-1) ?? ''] ?? {}, depth + 1);
    const ways = anyOf ?? oneOf;
    if (ways !== undefined) return this.value(this.one(ways) ?? {}, depth + 1);
    if (values !== undefined) return this.one(values);
    const kind = typeof type === 'string' ? type : this.one(type ?? ['string']);
    switch (kind) {
      case 'object':
        return Object.fromEntries(
          Object.entries(properties ?? {}).map(([name, own]) => [name, this.value(own, depth + 1)]),
        );
      case 'array':
        return Array.from({ length: Math.floor(this.number() * 4) }, () => this.value(items ?? {}, depth + 1));
      case 'integer':
      case 'number':
        return Math.floor(this.number() * 12);
      case 'boolean':
        return this.number() < 0.5;
      case 'null':
        return null;
      default:
        return this.number() < 0.5
          ? (this.one(this.known) ?? 'x')
          : (this.one(['Plate', 'hall', crypto.randomUUID(), '2026-01-01', 'a0']) ?? 'x');
    }
  }
}
