import type { BuildFacts } from '../facts/build-facts.js';
import type { ProductName } from './product-name.js';

/** A build with what identity has taken from its name and vendor. */
export interface Known<B extends BuildFacts = BuildFacts> {
  readonly build: B;
  /** The name that its maker gave it, completed where its field was too short for it. */
  readonly given: string;
  readonly vendor: string | null;
  readonly vendorKey: string | null;
  /** Keys of further vendors that the build names: the person behind its brand. */
  readonly persons: readonly string[];
  readonly name: ProductName;
}
