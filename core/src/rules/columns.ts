import { Postings } from '../search/postings.js';
import { Vocabulary } from '../search/vocabulary.js';
import { bitsFor, join, meet, numbersIn, others, setBit, type Bits } from './bits.js';
import { isTerm, type Condition, type Term, type WordsTerm } from './condition.js';
import { cut, eachWord, flat, isNumber } from './cut.js';
import { meetsTerm, placeOfWords, TEXT_FIELDS, textsOf, wordsIn, type RuleWorld } from './evaluate.js';
import type { TextField } from './fields.js';
import type { RuleFacts } from './rule-facts.js';

/** The words of one field over all plugins. */
interface WordColumn {
  readonly words: Vocabulary;
  readonly holders: Postings;
}

const MAX_KEPT = 4000;

/** A maker has many plugins, and so has a folder: what is read again and again is cut once. */
const repeats = (field: TextField): boolean =>
  field === 'vendor' || field === 'tag' || field === 'folder' || field === 'aside';

/**
 * All plugins, one column per question: a rule is answered for all of them at once. Words are looked up in a sorted vocabulary in the place of looking
 * through every text; each term is answered once, however many rules ask it. Made for a list of facts that stays as it is.
 */
export class RuleColumns {
  private readonly wordColumns = new Map<TextField, WordColumn>();
  private readonly flats = new Map<TextField, readonly string[]>();
  private readonly answers = new Map<string, Bits>();

  constructor(private readonly facts: readonly RuleFacts[]) {}

  /** Which of the plugins meet a condition, by their numbers. `inDrawer` tells what other drawers hold. */
  answer(condition: Condition, world: RuleWorld, inDrawer: (id: string) => Bits): Bits {
    const size = this.facts.length;
    if (isTerm(condition)) return this.answerTerm(condition, world, inDrawer);
    if (condition.kind === 'not') return others(this.answer(condition.of, world, inDrawer), size);
    const [first, ...rest] = condition.of;
    const bits = first === undefined ? bitsFor(size) : this.answer(first, world, inDrawer).slice();
    for (const one of rest) (condition.kind === 'any' ? join : meet)(bits, this.answer(one, world, inDrawer));
    return bits;
  }

  private answerTerm(term: Term, world: RuleWorld, inDrawer: (id: string) => Bits): Bits {
    if (term.kind === 'drawer') return inDrawer(term.id);
    const key = Object.values(term).join('\u0000') + (term.kind === 'recent' ? world.today : '');
    let bits = this.answers.get(key);
    if (bits === undefined) {
      if (this.answers.size >= MAX_KEPT) this.answers.clear();
      this.answers.set(key, (bits = term.kind === 'words' ? this.answerWords(term) : this.answerEach(term, world)));
    }
    return bits;
  }

  private answerEach(term: Term, world: RuleWorld): Bits {
    const bits = bitsFor(this.facts.length);
    this.facts.forEach((facts, at) => {
      if (meetsTerm(term, facts, world)) setBit(bits, at);
    });
    return bits;
  }

  private answerWords(term: WordsTerm): Bits {
    const bits = bitsFor(this.facts.length);
    if (term.field === 'text') {
      for (const field of TEXT_FIELDS) join(bits, this.answerWords({ ...term, field }));
      return bits;
    }
    if (term.match === 'inside') {
      const wanted = flat(term.words);
      // Texts of one plugin are parted by a sign that no folded text has.
      this.flatOf(term.field).forEach((text, at) => {
        if (text.includes(wanted)) setBit(bits, at);
      });
      return bits;
    }
    const { match } = term;
    const parts = cut(term.words);
    const last = parts.at(-1) ?? '';
    const column = this.columnOf(term.field);
    const isBegun = match === 'begun' && !isNumber(last);
    const [only] = parts;
    if (parts.length === 1 && only !== undefined) {
      mark(column, only, isBegun, bits);
      return bits;
    }
    // Those that have the first word are looked at one by one.
    const seen = bitsFor(this.facts.length);
    mark(column, parts[0] ?? '', false, seen);
    const cutOf = repeats(term.field) ? wordsIn : cut;
    for (const at of numbersIn(seen)) {
      const facts = this.facts[at];
      if (
        facts !== undefined &&
        textsOf(facts, term.field).some((text) => placeOfWords(cutOf(text), parts, match) >= 0)
      )
        setBit(bits, at);
    }
    return bits;
  }

  private columnOf(field: TextField): WordColumn {
    let column = this.wordColumns.get(field);
    if (column === undefined) {
      column = { words: new Vocabulary(), holders: new Postings() };
      const { words, holders } = column;
      const known = new Map<string, readonly number[]>();
      const isCutOnce = repeats(field);
      let at = 0;
      const note = (word: string): void => holders.add(words.add(word), at);
      for (; at < this.facts.length; at++) {
        const facts = this.facts[at];
        for (const text of facts === undefined ? [] : textsOf(facts, field)) {
          if (!isCutOnce) {
            eachWord(text, note);
            continue;
          }
          let numbers = known.get(text);
          if (numbers === undefined) known.set(text, (numbers = cut(text).map((word) => words.add(word))));
          for (const number of numbers) holders.add(number, at);
        }
      }
      words.close();
      this.wordColumns.set(field, column);
    }
    return column;
  }

  private flatOf(field: TextField): readonly string[] {
    let texts = this.flats.get(field);
    if (texts === undefined)
      this.flats.set(field, (texts = this.facts.map((facts) => textsOf(facts, field).map(flat).join('\u0000'))));
    return texts;
  }
}

function mark({ words, holders }: WordColumn, word: string, isBegun: boolean, bits: Bits): void {
  const whole = words.numberOf(word);
  const met = isBegun ? words.begunBy(word).map((candidate) => candidate.word) : whole === undefined ? [] : [whole];
  for (const number of met) for (const at of holders.of(number)) setBit(bits, at);
}
