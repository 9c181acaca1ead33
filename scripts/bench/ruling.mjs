// The rules of clever drawers over invented plugins, against plain searching through lower-cased text.
import { against, load, middle, ROUNDS, tell } from './measure.mjs';

const PLUGINS = 50_000;
const RULES = 200;
const TODAY = '2026-11-25';

export async function benchRules() {
  const { RuleBook } = await load('core/dist/rules/rule-book.js');
  const { several } = await load('core/dist/rules/condition.js');
  const { ruleFactsOf } = await load('core/dist/chests/rule-sources.js');
  const { emptyArrangement } = await load('core/dist/chests/arrangement.js');
  const { findingsOf } = await load('core/dist/rules/findings.js');
  const { studioPlugins } = await load('demo/dist/studio.js');
  const sources = { state: emptyArrangement(), items: new Map(), traits: new Map(), presets: false, today: TODAY };
  const factsOf = (id, name, vendor) => ruleFactsOf({ id, name, vendor }, sources);
  const made = studioPlugins();
  const facts = Array.from({ length: PLUGINS }, (_, index) => {
    const one = made[index % made.length];
    return factsOf(`plugin-${index}`, `${one.name} ${Math.floor(index / made.length) + 1}`, one.vendor.name);
  });
  const words = [...new Set(made.flatMap((one) => one.name.toLowerCase().split(/[^a-z]+/)))].filter(
    (word) => word.length > 2,
  );
  // Four to eight words each, a maker among them, one left out.
  const rules = Array.from({ length: RULES }, (_, rule) => {
    const own = Array.from({ length: 3 + (rule % 5) }, (_word, at) => words[(rule * 7 + at * 13) % words.length]);
    const term = (text, field = 'name') => ({ kind: 'words', field, words: text, match: 'begun' });
    const vendor = made[rule % made.length].vendor.name;
    const of = several('any', [...own.map((word) => term(word)), term(vendor, 'vendor')]);
    return [`rule-${rule}`, several('all', [of, { kind: 'not', of: term(words[(rule * 3) % words.length]) }])];
  });
  const asked = rules.map(([, condition]) => condition.of.flatMap((one) => (one.kind === 'any' ? one.of : [one.of])));
  const plain = () => {
    const texts = facts.map((one) => `${one.names[0]} ${one.vendor}`.toLowerCase());
    let met = 0;
    for (const terms of asked)
      for (const { words: word } of terms) for (const text of texts) if (text.includes(word.toLowerCase())) met++;
    return met;
  };
  const full = () => {
    const book = new RuleBook();
    book.change({ facts, rules, today: TODAY });
    return book;
  };
  await against(
    `${RULES} rules of 5 to 9 terms over ${PLUGINS} plugins, all of it`,
    'plain includes per term',
    full,
    plain,
  );
  const book = full();
  const fullTimes = [];
  const onePlugin = [];
  const oneRule = [];
  for (let round = 0; round < ROUNDS * 4; round++) {
    if (round % 4 === 0) fullTimes.push(timed(full));
    const at = round * 101;
    onePlugin.push(timed(() => book.change({ facts: [factsOf(facts[at].id, `Renamed ${words[round]}`, 'Nobody')] })));
    oneRule.push(timed(() => book.change({ rules: [[`rule-${round}`, rules[RULES - 1 - round][1]]] })));
  }
  tell(`one changed plugin against ${RULES} rules`, middle(onePlugin), 'all of it', middle(fullTimes));
  // What the worker does with each letter of a rule that is being written: what it takes, and what may be wrong with it.
  for (const [size, limit] of [
    [PLUGINS, 200],
    [PLUGINS / 10, 50],
  ]) {
    const some = new RuleBook();
    some.change({ facts: facts.slice(0, size), rules, today: TODAY });
    const looks = [];
    for (let round = 0; round < ROUNDS * 4; round++) {
      const [, condition] = rules[round];
      const typed = several('any', [
        condition,
        { kind: 'words', field: 'name', words: words[round].slice(0, 2), match: 'begun' },
      ]);
      looks.push(
        timed(() => {
          some.tried('rule-0', typed);
          findingsOf(some, typed, 'rule-0');
        }),
      );
    }
    tell(`a rule looked at while it is written, ${size} plugins and ${RULES} rules`, middle(looks), 'the limit', limit);
  }
  tell(`one changed rule against ${PLUGINS} plugins`, middle(oneRule), 'all of it', middle(fullTimes));
}

function timed(work) {
  const start = performance.now();
  work();
  return performance.now() - start;
}
