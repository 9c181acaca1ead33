import { Parser, type DataFactory } from 'n3';
import type { Fault } from './fault.js';

export const RDF_TYPE = 'http://www.w3.org/1999/02/22-rdf-syntax-ns#type';

/** Every property that is called "brand", in whatever namespace: several hosts have one of their own, and no standard has. */
export const BRAND = 'brand';

/** A term as the index keeps it: an IRI, a blank node ("_:…"), or a literal with its language. */
export interface Value {
  readonly termType: 'NamedNode' | 'BlankNode' | 'Literal';
  readonly value: string;
  readonly language: string;
}

interface Wanted {
  readonly names: ReadonlySet<string>;
  readonly lengths: ReadonlySet<number>;
}

type Statements = Map<string, Map<string, Value[]>>;

/**
 * The terms that the parser makes, and where its statements go. The parser's own terms carry methods and escapes that a catalogue has no use
 * for; these are plain, and a statement that nobody will ask for is dropped as soon as it is read.
 */
class Collector {
  readonly statements: Statements = new Map();
  private blanks = 0;

  constructor(
    private readonly prefix: string,
    private readonly wanted: Wanted | null,
    /** Whether the file speaks of a brand at all: only then is the end of every property looked at. */
    private readonly hasBrand: boolean,
  ) {}

  namedNode = (value: string): Value => ({ termType: 'NamedNode', value, language: '' });
  // The parser's own labels begin anew with each file: ours tell the files apart.
  blankNode = (label?: string): Value => ({
    termType: 'BlankNode',
    value: `_:${this.prefix}${label ?? `n${String(this.blanks++)}`}`,
    language: '',
  });
  literal = (value: string, languageOrType?: unknown): Value => ({
    termType: 'Literal',
    value,
    language: typeof languageOrType === 'string' ? languageOrType : '',
  });
  variable = (value: string): Value => this.namedNode(value);
  defaultGraph = (): Value => DEFAULT_GRAPH;
  quad = (subject: Value, predicate: Value, object: Value): null => {
    // The length first: it is known without putting the name together from its prefix and hashing it.
    let name = predicate.value;
    if (this.wanted !== null && !(this.wanted.lengths.has(name.length) && this.wanted.names.has(name))) {
      if (!this.hasBrand || !/[#/]brand$/.test(name)) return null;
      name = BRAND;
    }
    let predicates = this.statements.get(subject.value);
    if (predicates === undefined) this.statements.set(subject.value, (predicates = new Map<string, Value[]>()));
    const values = predicates.get(name);
    if (values === undefined) predicates.set(name, [object]);
    else values.push(object);
    return null;
  };
}
const DEFAULT_GRAPH: Value = { termType: 'NamedNode', value: '', language: '' };

/** Statements of one or several Turtle files, found by subject and predicate. W3C RDF 1.1 Turtle. */
export class Graph {
  private readonly statements: Statements = new Map();
  private readonly ofType = new Map<string, Set<string>>();
  private readonly wanted: Wanted | null;
  private added = 0;

  /** With `wanted`, only statements of these predicates are kept; the rest of a file is still checked. */
  constructor(wanted: ReadonlySet<string> | null = null) {
    this.wanted = wanted === null ? null : { names: wanted, lengths: new Set([...wanted].map((name) => name.length)) };
  }

  /** Adds a file's statements, all or none: a fault, with its line, when the text breaks off or is wrong. */
  add(text: string, base: string, path: string): Fault | null {
    const collector = new Collector(
      `f${String(this.added++)}_`,
      this.wanted,
      this.wanted !== null && text.includes('brand'),
    );
    try {
      new Parser({ baseIRI: base, factory: collector as unknown as typeof DataFactory }).parse(text);
      for (const [subject, predicates] of collector.statements) this.take(subject, predicates);
      return null;
    } catch (error) {
      return faultOf(error, path);
    }
  }

  /** All values of a predicate, in file order; empty when there are none. */
  all(subject: string, predicate: string): readonly Value[] {
    return this.statements.get(subject)?.get(predicate) ?? NONE;
  }

  /** Values that are nodes, as text. */
  nodes(subject: string, predicate: string): string[] {
    return this.all(subject, predicate)
      .filter((value) => value.termType !== 'Literal')
      .map((value) => value.value);
  }

  /** One literal: the one without language, then the English one, then the first; null when there is none. */
  text(subject: string, predicate: string): string | null {
    const literals = this.all(subject, predicate).filter((value) => value.termType === 'Literal');
    const chosen =
      literals.find((value) => value.language === '') ??
      literals.find((value) => /^en\b/i.test(value.language)) ??
      literals[0];
    return chosen?.value.trim() || null;
  }

  types(subject: string): string[] {
    return this.nodes(subject, RDF_TYPE);
  }

  /** Subjects of the given type, in file order. */
  subjectsOfType(type: string): string[] {
    return [...(this.ofType.get(type) ?? [])];
  }

  /** Most subjects stand in one file alone: their statements are taken as they are. */
  private take(subject: string, predicates: Map<string, Value[]>): void {
    for (const { value: type } of predicates.get(RDF_TYPE) ?? []) {
      const own = this.ofType.get(type);
      if (own === undefined) this.ofType.set(type, new Set([subject]));
      else own.add(subject);
    }
    const known = this.statements.get(subject);
    if (known === undefined) {
      this.statements.set(subject, predicates);
      return;
    }
    for (const [predicate, values] of predicates) {
      const before = known.get(predicate);
      if (before === undefined) known.set(predicate, values);
      else for (const value of values) before.push(value);
    }
  }
}
const NONE: readonly Value[] = [];

function faultOf(error: unknown, path: string): Fault {
  const context = (error as { context?: { line?: number } }).context;
  const words = error instanceof Error ? error.message.replace(/ on line \d+\.?$/, '') : String(error);
  const detail = /\beof\b/.test(words) ? 'it ends too early' : words;
  return { code: 'turtle-broken', path, detail, ...(context?.line ? { line: context.line } : {}) };
}
