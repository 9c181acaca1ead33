import { convertSchema } from '@sodaru/yup-to-json-schema';
import type { AnySchema } from './schema.js';

/** A JSON Schema (2020-12), or a part of one. */
export interface JsonSchema {
  readonly [keyword: string]: unknown;
}

/** The JSON Schema of a Yup schema. */
export const jsonSchemaOf = (schema: AnySchema): JsonSchema => mended(convertSchema(schema as never)) as JsonSchema;

/** What the converter leaves out: null among the values of what may be null, no type at all for what is written elsewhere, no standard values. */
function mended(node: unknown): unknown {
  if (Array.isArray(node)) return node.map(mended);
  if (typeof node !== 'object' || node === null) return node;
  const { default: _standard, ...rest } = node as Record<string, unknown>;
  const result = Object.fromEntries(Object.entries(rest).map(([name, value]) => [name, mended(value)]));
  const { type } = result;
  if (Array.isArray(type) && type.length === 0) delete result.type;
  if (Array.isArray(result.enum) && Array.isArray(type) && type.includes('null') && !result.enum.includes(null))
    result.enum = [...(result.enum as unknown[]), null];
  return result;
}

/**
 * Takes parts that have a title of their own out of schemas, and refers to them where they stood. Titles are the names of the parts; a part that may be
 * null is parted from the null.
 */
export class Components {
  readonly schemas: Record<string, JsonSchema> = {};

  /** The schema with references in the places of its named parts. */
  refer(node: unknown): unknown {
    if (Array.isArray(node)) return node.map((one) => this.refer(one));
    if (typeof node !== 'object' || node === null) return node;
    const { title, ...rest } = node as Record<string, unknown>;
    const part = Object.fromEntries(
      Object.entries(rest).map(([name, value]) => [
        name,
        name === 'properties' ? this.fields(value) : this.refer(value),
      ]),
    );
    if (typeof title !== 'string') return part;
    const { type } = part;
    const isNullable = Array.isArray(type) && type.includes('null');
    this.schemas[title] = isNullable ? { ...part, type: (type as unknown[]).filter((one) => one !== 'null')[0] } : part;
    const reference = { $ref: `#/components/schemas/${title}` };
    return isNullable ? { anyOf: [reference, { type: 'null' }] } : reference;
  }

  /** The names in it are those of fields, and not keywords. */
  private fields(properties: unknown): unknown {
    if (typeof properties !== 'object' || properties === null) return properties;
    return Object.fromEntries(Object.entries(properties).map(([name, value]) => [name, this.refer(value)]));
  }
}
