import type { PluginId } from '../ids.js';
import { joined } from '../text/words.js';

/** A plugin as far as it may be another one. */
export interface Comparable {
  readonly id: PluginId;
  readonly name: string;
  readonly vendor: string | null;
  /** Further names that its makers gave it. */
  readonly calledToo: readonly string[];
}

/** Another plugin that this one may be, and why it was not taken for it. */
export interface PossiblySame {
  readonly other: PluginId;
  readonly reason: string;
}

// A list of every plugin of one name helps nobody.
const MOST = 4;

/**
 * The plugins that one may be, and that were left apart because that is not sure: the same name by the same vendor under another identifier, or with a
 * vendor that is not known. Cheap for a plugin with a vendor, however many others there are.
 */
export function findPossibleDuplicates(one: Comparable, all: readonly Comparable[]): PossiblySame[] {
  const keys = new Set(keysOf(one));
  const shares = (other: Comparable): boolean => keysOf(other).some((key) => keys.has(key));
  const mayBe = (other: Comparable): boolean =>
    other.id !== one.id && (other.vendor === null || one.vendor === null || other.vendor === one.vendor);
  const same = all.filter((other) => mayBe(other) && shares(other));
  const isOnly = (): boolean => {
    // Of a name that several vendors have, a plugin without one could be anybody's.
    const vendors = new Set(
      [one, ...all.filter(shares)].map((other) => other.vendor).filter((vendor) => vendor !== null),
    );
    return vendors.size === 1;
  };
  return same
    .flatMap((other): PossiblySame[] => {
      if (one.vendor !== null && one.vendor === other.vendor)
        return [{ other: other.id, reason: 'the same name by the same vendor, under another identifier' }];
      if ((one.vendor === null) === (other.vendor === null) || !isOnly()) return [];
      return [{ other: other.id, reason: 'the same name, but the vendor of one is unknown' }];
    })
    .slice(0, MOST);
}

const keysOf = ({ name, calledToo }: Comparable): string[] =>
  [name, ...calledToo].map(joined).filter((key) => key !== '');
