import type { Architecture, Format } from '../facts/format.js';
import { isTerm, type Condition, type Term } from '../rules/condition.js';
import { conditionOf, type Rule } from '../rules/rule.js';

/** What a rule can ask of a build. */
export interface AskedBuild {
  readonly format: Format;
  readonly architectures: readonly Architecture[];
  readonly outputs: number | null;
}

const NARROW: ReadonlySet<Architecture> = new Set(['x86', 'arm', 'ppc']);

/** Whether a build is what a term asks; null for a term that does not ask of builds. */
function isAsked(term: Term, { format, architectures, outputs }: AskedBuild): boolean | null {
  if (term.kind !== 'value') return null;
  switch (term.field) {
    case 'format':
      return format === term.value;
    case 'processor':
      return (architectures as readonly string[]).includes(term.value);
    case 'bits':
      return architectures.some((one) => (NARROW.has(one) ? '32' : '64') === term.value);
    case 'width':
      return outputs === (term.value === 'mono' ? 1 : 2);
    default:
      return null;
  }
}

/** The terms that hold for all that a condition takes. */
const termsOfAll = (condition: Condition): readonly Term[] =>
  condition.kind === 'all' ? condition.of.flatMap(termsOfAll) : isTerm(condition) ? [condition] : [];

/**
 * Which builds a clever drawer asked for: by format, processor, bits or width, where its rule says that of all it takes. Null where it asks for none in
 * particular, and the usual build is loaded.
 */
export function buildAskedBy(rule: Rule): ((build: AskedBuild) => boolean) | null {
  const condition = conditionOf(rule);
  if (condition === null) return null;
  const any: AskedBuild = { format: 'LV2', architectures: [], outputs: null };
  const terms = termsOfAll(condition).filter((term) => isAsked(term, any) !== null);
  return terms.length === 0 ? null : (build) => terms.every((term) => isAsked(term, build) === true);
}
