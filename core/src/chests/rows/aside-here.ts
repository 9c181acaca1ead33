import { ASIDE, type Aside } from './aside.js';
import { rowKind } from './row-kind.js';

/** What is set aside on one computer only: a licence, a demo and a failure belong to a computer. */
export const ASIDE_HERE = rowKind<Aside>()({ table: 'aside_here', scope: 'computer', columns: ASIDE.columns });
