/** A row as the form before had it, without its computer. */
export type OldRow = Readonly<Record<string, unknown>> & { readonly id: string };

/** A computer with what was arranged on it, by table. */
export interface OldComputer {
  readonly id: string;
  readonly name: string;
  readonly tables: Readonly<Record<string, readonly OldRow[]>>;
}

/** What was arranged as the studio has it, by table; `own`: what stays with its computer. */
export interface United {
  readonly studio: Readonly<Record<string, readonly OldRow[]>>;
  readonly own: Readonly<Record<string, readonly (OldRow & { readonly computerId: string })[]>>;
}

/** Where a further computer said otherwise than one before it. */
export interface Differing {
  readonly computer: string;
  readonly what: string;
  readonly of: string;
  readonly kept: string;
  readonly other: string;
}

/** How the rows of a kind were brought over. */
export interface Brought {
  readonly what: string;
  readonly rows: number;
  readonly brought: number;
  readonly alike: number;
  readonly differing: number;
}

/** What became of a further computer's arrangement. */
export interface BroughtComputer {
  readonly name: string;
  readonly renamed: readonly { readonly was: string; readonly is: string }[];
  readonly rows: readonly Brought[];
}

/** What has to be known of the catalogue: names of plugins, and what names a build on every computer (undefined for one that is not there). */
export interface Catalogue {
  readonly pluginName: (id: string) => string;
  readonly buildKey: (buildId: string) => string | undefined;
}

/** A field of a row as text; empty where there is none. */
export const textOf = (row: OldRow, field: string): string => {
  const value = row[field];
  if (typeof value === 'string') return value;
  if (Array.isArray(value)) return value.join(', ');
  return value === null || value === undefined ? '' : JSON.stringify(value);
};
