/** Rules written before version 0.2: there "but" and "but not" held for the next part only. They are rewritten without lists, so that they mean what they meant. */

const TOKENS = /"(?:\\.|[^"\\])*"?|[(),;]|[^\s(),;"]+|\s+/g;

interface Part {
  readonly text: string;
  readonly isBesides: boolean;
}

/** The same rule without commas and "but", which read otherwise today. A text without them stays as it is. */
export function withoutOlderLists(text: string): string {
  if (!/\bbut\b/i.test(text)) return text;
  const tokens = text.match(TOKENS) ?? [];
  return rewrite(tokens, { at: 0 });
}

/** Rewrites up to the parenthesis that closes. */
function rewrite(tokens: readonly string[], cursor: { at: number }): string {
  const parts: Part[] = [];
  let current = '';
  let isBut = false;
  const end = (): void => {
    const trimmed = current.trim();
    if (trimmed !== '') parts.push({ text: trimmed, isBesides: isBut || /^not\b/i.test(trimmed) });
    current = '';
  };
  for (; cursor.at < tokens.length; cursor.at++) {
    const token = tokens[cursor.at] ?? '';
    if (token === ')') break;
    if (token === '(') {
      cursor.at++;
      current += `(${rewrite(tokens, cursor)})`;
    } else if (token === ',' || token === ';' || token.toLowerCase() === 'but') {
      end();
      isBut = token.toLowerCase() === 'but';
    } else current += token;
  }
  end();
  const [only] = parts;
  if (parts.length === 1 && only !== undefined) return only.text;
  const taken = parts.filter((part) => !part.isBesides).map((part) => `(${part.text})`);
  const besides = parts.filter((part) => part.isBesides).map((part) => `(${part.text})`);
  return [...(taken.length === 0 ? [] : [`(${taken.join(' OR ')})`]), ...besides].join(' AND ');
}
