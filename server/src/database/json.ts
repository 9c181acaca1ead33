/** JSON that PostgreSQL takes: without zero characters and half surrogate pairs, which file names and resources may hold. */
export const jsonForDatabase = (value: unknown): string =>
  JSON.stringify(value, (_key, inner: unknown) => (typeof inner === 'string' ? storable(inner) : inner));

const storable = (text: string): string => text.replaceAll('\0', '').toWellFormed();
