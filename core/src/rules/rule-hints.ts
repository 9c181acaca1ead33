/** What people write in rules without knowing how: each comes with the rule that says it, for one key to take. */
import { FAMILIES } from '../catalogue/type-tree.js';
import { typesNamed } from '../catalogue/type-synonyms.js';
import { ROLE_LABELS, ROLES } from '../catalogue/role.js';
import { foldedWords } from '../text/words.js';
import { singularsOf } from '../text/singulars.js';
import { quote } from './print.js';
import { FIELD_NAMES } from './fields.js';
import type { DrawerNameResolver } from './drawer-names.js';

/** A proposal: what it says, and the whole rule with it. */
export interface RuleHint {
  readonly words: string;
  readonly rule: string;
}

const QUOTED = /"(?:\\.|[^"\\])*"?/g;
const FIELDS = FIELD_NAMES.join('|');
const COMPARED = new RegExp(`(?<![\\w:-])(${FIELDS})\\s*(>=|<=|==|=|>|<)\\s*([^\\s,;()"=<>]+)`, 'gi');
const EXCLUDED = /(^|\s)[-−!]\s?(?=[\p{L}\p{N}"(])/u;

/** Words that stand for a field's value. */
const EVERYDAY: Readonly<Record<string, string>> = {
  favourites: 'tray:1',
  favorites: 'tray:1',
  favourite: 'tray:1',
  favorite: 'tray:1',
  new: 'arrived:30d',
  recent: 'arrived:30d',
  unused: 'loads:0',
  'never used': 'loads:0',
  'never loaded': 'loads:0',
  mono: 'width:mono',
  stereo: 'width:stereo',
  tagged: 'is:tagged',
  filed: 'is:filed',
  sidechain: 'is:sidechain',
};

/** The first proposal for what was typed; null where it says what it seems to say. Never throws. */
export function ruleHint(typed: string, drawers: DrawerNameResolver): RuleHint | null {
  return comparedHint(typed) ?? joinedHint(typed) ?? excludedHint(typed) ?? wordHint(typed, drawers);
}

/** Changes what stands outside of quotes. */
function outsideQuotes(typed: string, change: (text: string) => string): string {
  let result = '';
  let from = 0;
  for (const { 0: quoted, index } of typed.matchAll(QUOTED)) {
    result += change(typed.slice(from, index)) + quoted;
    from = index + quoted.length;
  }
  return result + change(typed.slice(from));
}

const hint = (typed: string, rule: string): RuleHint | null =>
  rule === typed ? null : { words: `Did you mean “${rule}”?`, rule };

/** "loads>10", "vendor = quill": a colon stands behind a field. */
const comparedHint = (typed: string): RuleHint | null =>
  hint(
    typed,
    outsideQuotes(typed, (text) =>
      text.replace(COMPARED, (_all, field: string, sign: string, value: string) =>
        sign === '=' || sign === '==' ? `${field.toLowerCase()}:${value}` : `${field.toLowerCase()}:${sign}${value}`,
      ),
    ),
  );

/** "reverb & hall", "reverb | hall". */
const joinedHint = (typed: string): RuleHint | null =>
  hint(
    typed,
    outsideQuotes(typed, (text) => text.replace(/\s*&&?\s*/g, ' AND ').replace(/\s*\|\|?\s*/g, ' OR ')),
  );

/** "reverb -spring", "reverb without spring". */
function excludedHint(typed: string): RuleHint | null {
  const said = /^(.+?)\s+(?:without|except|excluding|minus|but no)\s+(.+)$/i.exec(typed);
  if (said !== null) return hint(typed, `${said[1] ?? ''} but not ${said[2] ?? ''}`);
  const words = typed.split(/\s+(?=[-−!]\s?[\p{L}\p{N}"(])/u);
  if (!EXCLUDED.test(typed)) return null;
  const [first = '', ...rest] = words;
  const left = rest.map((word) => word.replace(/^[-−!]\s?/, ''));
  if (rest.length === 0) return hint(typed, `NOT ${first.replace(/^[-−!]\s?/, '')}`);
  return hint(typed, `${first} but not ${left.join(', ')}`);
}

/** Words alone that name a type, a family, a role, a tray or a drawer: "guitar amps", "favourites". */
function wordHint(typed: string, drawers: DrawerNameResolver): RuleHint | null {
  const found: string[] = [];
  const rule = outsideQuotes(typed, (text) =>
    text.replace(/(?:(?!\bbut\b)[^,;()])+/gi, (part) => {
      const [, before = '', words = '', after = ''] = /^(\s*)(.*?)(\s*)$/.exec(part) ?? [];
      // One proposal at a time: the first.
      if (found.length > 0 || words === '' || words.includes(':')) return part;
      const named = fieldFor(words, drawers);
      if (named === null) return part;
      found.push(named);
      return before + named + after;
    }),
  );
  return found.length === 0 || rule === typed ? null : { words: `To find all of that: “${rule}”.`, rule };
}

function fieldFor(words: string, drawers: DrawerNameResolver): string | null {
  const plain = foldedWords(words).join(' ');
  if (Object.hasOwn(EVERYDAY, plain)) return EVERYDAY[plain] ?? null;
  const tray = drawers.trayOf(words);
  if (tray !== null) return `tray:${String(tray)}`;
  const [type] = typesNamed(words);
  if (type !== undefined) return `type:${type}`;
  const forms = [plain, ...singularsOf(plain)];
  const role = ROLES.find((one) => forms.includes(foldedWords(ROLE_LABELS[one]).join(' ')));
  if (role !== undefined) return `role:${role}`;
  const family = Object.entries(FAMILIES).find(([, label]) => forms.includes(foldedWords(label).join(' ')));
  if (family !== undefined) return `family:${family[0]}`;
  const drawer = drawers.all.find((one) => foldedWords(one).join(' ') === plain);
  return drawer === undefined ? null : `drawer:${quote(drawer)}`;
}
