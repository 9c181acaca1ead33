// npm run grammar: makes the reader of rules from its grammar, to be run after core/src/rules/grammar.peggy was changed.
import { readFile, writeFile } from 'node:fs/promises';
import peggy from 'peggy';

const folder = new URL('../core/src/rules/', import.meta.url);

/** The reader's source, made from the text of the grammar. */
export const readerOf = (grammar) =>
  `// @ts-nocheck\n/* Made from grammar.peggy by npm run grammar; not to be changed by hand. */\n${peggy.generate(grammar, { output: 'source', format: 'es' })}`;

if (process.argv[1] === new URL(import.meta.url).pathname)
  await writeFile(
    new URL('grammar.generated.ts', folder),
    readerOf(await readFile(new URL('grammar.peggy', folder), 'utf8')),
  );
