import { Parser, type Quad, type Term } from 'n3';
import type { Fault } from './fault.js';

const RDF = 'http://www.w3.org/1999/02/22-rdf-syntax-ns#';

/** A node of the graph: an IRI or blank node as it stands in the index, or a literal with its language. */
export interface Value {
  readonly kind: 'node' | 'literal';
  readonly value: string;
  readonly language: string;
}

/** Statements of one or several Turtle files, found by subject and predicate. W3C RDF 1.1 Turtle. */
export class Graph {
  private readonly bySubject = new Map<string, Map<string, Value[]>>();

  /** Adds a file's statements, all or none: a fault, with its line, when the text breaks off or is wrong. */
  add(text: string, base: string, path: string): Fault | null {
    try {
      for (const quad of new Parser({ baseIRI: base }).parse(text)) this.put(quad);
      return null;
    } catch (error) {
      return faultOf(error, path);
    }
  }

  /** All values of a predicate, in file order; empty when there are none. */
  all(subject: string, predicate: string): readonly Value[] {
    return this.bySubject.get(subject)?.get(predicate) ?? [];
  }

  /** Values that are nodes, as text. */
  nodes(subject: string, predicate: string): string[] {
    return this.all(subject, predicate)
      .filter((value) => value.kind === 'node')
      .map((value) => value.value);
  }

  /** One literal: the one without language, then the English one, then the first; null when there is none. */
  text(subject: string, predicate: string): string | null {
    const literals = this.all(subject, predicate).filter((value) => value.kind === 'literal');
    const chosen =
      literals.find((value) => value.language === '') ??
      literals.find((value) => /^en\b/i.test(value.language)) ??
      literals[0];
    return chosen?.value.trim() || null;
  }

  types(subject: string): string[] {
    return this.nodes(subject, `${RDF}type`);
  }

  /** Subjects of the given type, in file order. */
  subjectsOfType(type: string): string[] {
    return [...this.bySubject.keys()].filter((subject) => this.types(subject).includes(type));
  }

  private put(quad: Quad): void {
    const subject = nodeName(quad.subject);
    let predicates = this.bySubject.get(subject);
    if (predicates === undefined) this.bySubject.set(subject, (predicates = new Map<string, Value[]>()));
    const value = valueOf(quad.object);
    const values = predicates.get(quad.predicate.value);
    if (values === undefined) predicates.set(quad.predicate.value, [value]);
    else values.push(value);
  }
}

const nodeName = (term: Term): string => (term.termType === 'BlankNode' ? `_:${term.value}` : term.value);

const valueOf = (term: Term): Value =>
  term.termType === 'Literal'
    ? { kind: 'literal', value: term.value, language: term.language }
    : { kind: 'node', value: nodeName(term), language: '' };

function faultOf(error: unknown, path: string): Fault {
  const context = (error as { context?: { line?: number } }).context;
  const words = error instanceof Error ? error.message.replace(/ on line \d+\.?$/, '') : String(error);
  const detail = /\beof\b/.test(words) ? 'it ends too early' : words;
  return { code: 'turtle-broken', path, detail, ...(context?.line ? { line: context.line } : {}) };
}
