// Search over 50,000 invented plugins: how often the wanted one is among the first five, how long a keystroke takes, how long the index takes.
import MiniSearch from 'minisearch';
import { inventPlugins, numbers } from './invented-plugins.mjs';
import { load, middle, ROUNDS, tell } from './measure.mjs';

const PLUGINS = 50_000;
const PER_WAY = 30;
const AMONG = 5;
const SEED = 20261124;

export async function benchFinding() {
  const { SearchIndex } = await load('core/dist/search/search-index.js');
  const random = numbers(SEED);
  const plugins = await inventPlugins(random, PLUGINS);
  const { searchTextOfPlugin } = await load('core/dist/search/search-text.js');
  const texts = plugins.map(({ name, nickname, vendor }, at) =>
    searchTextOfPlugin({
      names: nickname === null ? [name] : [nickname, name],
      vendor,
      types: [],
      more: [],
      paths: [`/plugins/p${at}.so`],
      description: null,
    }),
  );
  tellBuild(SearchIndex, MiniSearch, texts);
  const index = new SearchIndex(texts);
  const queries = inventQueries(random, plugins);
  tellFound(index, queries);
  tellTimes(index, queries, plugins);
}

const wordsIn = (text) => text.split(/[\s-]+/).filter((word) => word !== '');
const initialsOf = (text) =>
  wordsIn(text)
    .map((word) => word[0])
    .join('');

/** The ways in which people type. Each makes what is typed for a plugin, or null where the plugin has nothing to type that way. */
const WAYS = {
  'all words in another order': ({ name }) => wordsIn(name).reverse().join(' '),
  'beginnings of all words': ({ name }) =>
    wordsIn(name)
      .map((word) => word.slice(0, 4))
      .join(' '),
  'a model number without punctuation': ({ name, model }) =>
    model === '' ? null : `${wordsIn(name)[0].slice(0, 5)} ${model.replace('-', '').toLowerCase()}`,
  initials: ({ name }) => (wordsIn(name).length < 4 ? null : initialsOf(name).toLowerCase()),
  'one letter wrong': ({ name }, random) =>
    slip(name, random, (word, at) => `${word.slice(0, at)}q${word.slice(at + 1)}`),
  'one letter left out': ({ name }, random) => slip(name, random, (word, at) => word.slice(0, at) + word.slice(at + 1)),
  'two letters swapped': ({ name }, random) =>
    slip(name, random, (word, at) => word.slice(0, at) + word[at + 1] + word[at] + word.slice(at + 2)),
  'vendor and words': ({ name, vendor }) => `${wordsIn(vendor)[0]} ${wordsIn(name).slice(0, 2).join(' ')}`,
  'the nickname': ({ nickname }) => nickname,
  'the given name behind a nickname': ({ nickname, name }) => (nickname === null ? null : name.toLowerCase()),
  'the words joined': ({ name }) => wordsIn(name).join('').toLowerCase(),
  'a piece from inside a word, and the rest': ({ name }) => {
    const [first, ...rest] = wordsIn(name);
    return `${first.slice(2, 9)} ${rest.join(' ')}`;
  },
  'consonants alone': ({ name }) => {
    const [first, ...rest] = wordsIn(name);
    return `${first[0]}${first.slice(1).replace(/[aeiou]/g, '')} ${rest.join(' ')}`;
  },
  'a name of joined capitals as one word of several': ({ name }) => {
    const [first, second, ...rest] = wordsIn(name);
    return rest.length === 0 ? null : `${rest.join(' ')} ${first}${second}`.toLowerCase();
  },
  'beginnings of two words together, and another': ({ name }, random) => {
    const [first, second, ...rest] = wordsIn(name);
    const some = (word) => word.slice(0, 2 + Math.floor(random() * 2));
    return rest.length === 0 ? null : `${some(first)}${some(second)} ${rest.join(' ')}`.toLowerCase();
  },
  'initials of some words and the whole of another': ({ name }) => {
    const words = wordsIn(name);
    return words.length < 4 ? null : `${words[0]} ${initialsOf(words.slice(1, 3).join(' '))} ${words[3]}`.toLowerCase();
  },
  'two slips in a long word': ({ name }, random) => {
    const [first, ...rest] = wordsIn(name);
    if (first.length < 8) return null;
    return `${anySlip(anySlip(first.toLowerCase(), random), random)} ${rest.join(' ')}`.toLowerCase();
  },
  'a slip in a word joined with its number': ({ name, model }, random) => {
    if (model === '') return null;
    const [head, number] = model.split('-');
    const before = wordsIn(name).at(-3) ?? '';
    return before.length < 4 ? null : `${wordsIn(name)[0]} ${anySlip(before.toLowerCase(), random)} ${head}${number}`;
  },
  'a slip in the vendor beside right words': ({ name, vendor }, random) =>
    `${wordsIn(name).slice(0, 3).join(' ')} ${anySlip(wordsIn(vendor)[0].toLowerCase(), random)}`,
  'the vendor joined to the name': ({ name, vendor }) => (wordsIn(vendor)[0] + wordsIn(name).join('')).toLowerCase(),
  'initials joined to the last word': ({ name }) => {
    const words = wordsIn(name);
    return words.length < 4 ? null : (initialsOf(words.slice(0, -1).join(' ')) + words.at(-1)).toLowerCase();
  },
  'the last word in the plural': ({ name }) => (/[a-z]$/.test(name) ? `${name}s`.toLowerCase() : null),
  'a word that fits nothing beside words that fit': ({ name }) => `${name} zzqxy`.toLowerCase(),
};

/** A letter wrong, left out, too many, or two swapped, anywhere but at the beginning. */
function anySlip(word, random) {
  const at = 1 + Math.floor(random() * (word.length - 2));
  const letter = String.fromCharCode(97 + Math.floor(random() * 26));
  const ways = [
    word.slice(0, at) + letter + word.slice(at + 1),
    word.slice(0, at) + word.slice(at + 1),
    word.slice(0, at) + letter + word.slice(at),
    word.slice(0, at) + word[at + 1] + word[at] + word.slice(at + 2),
  ];
  return ways[Math.floor(random() * ways.length)];
}

function slip(name, random, make) {
  const words = wordsIn(name);
  const [first, ...rest] = words;
  return [make(first, 1 + Math.floor(random() * (first.length - 3))), ...rest].join(' ').toLowerCase();
}

function inventQueries(random, plugins) {
  const shared = new Map();
  for (const [at, plugin] of plugins.entries()) {
    const key = initialsOf(plugin.name).toLowerCase();
    shared.set(key, [...(shared.get(key) ?? []), at]);
  }
  return Object.entries(WAYS).flatMap(([way, make]) => {
    const own = [];
    for (let tries = 0; own.length < PER_WAY && tries < 20_000; tries++) {
      const wanted = Math.floor(random() * plugins.length);
      const typed = make(plugins[wanted], random);
      // Letters that stand for more plugins than are looked at name none of them.
      if (typed === null || (way === 'initials' && (shared.get(typed)?.length ?? 0) > AMONG)) continue;
      own.push({ way, typed, wanted });
    }
    return own;
  });
}

function tellBuild(SearchIndex, Mini, texts) {
  const documents = texts.map(({ names, more }, id) => ({ id, names: names.join(' '), more: more.join(' ') }));
  const [ours, theirs] = [[], []];
  for (let round = 0; round < ROUNDS; round++) {
    const start = performance.now();
    new SearchIndex(texts);
    ours.push(performance.now() - start);
    const from = performance.now();
    new Mini({ fields: ['names', 'more'] }).addAll(documents);
    theirs.push(performance.now() - from);
  }
  tell(`index of ${texts.length} plugins built`, middle(ours), 'MiniSearch on the same text', middle(theirs));
}

function tellFound(index, queries) {
  const hit = ({ typed, wanted }) => index.find(typed).subarray(0, AMONG).includes(wanted);
  for (const way of Object.keys(WAYS)) {
    const own = queries.filter((query) => query.way === way);
    const missed = own.filter((query) => !hit(query));
    if (missed.length > 0)
      process.stderr.write(`missed by ${way}: ${missed.length} of ${own.length}, such as “${missed[0].typed}”\n`);
  }
  const share = queries.filter(hit).length / queries.length;
  tell(`wanted plugin among the first ${AMONG}, of ${queries.length} searches`, share, 'aim', 0.97, 'share');
}

/** Each keystroke of each query, letter by letter, as a hand types it. */
function tellTimes(index, queries, plugins) {
  const names = plugins.map((plugin) => plugin.name);
  const keystrokes = queries.flatMap(({ typed }) => Array.from(typed, (_, at) => typed.slice(0, at + 1)));
  const some = keystrokes.filter((_, at) => at % 3 === 0);
  const time = (find) =>
    some.map((typed) => {
      const start = performance.now();
      find(typed);
      return performance.now() - start;
    });
  const bare = (typed) => names.filter((name) => name.indexOf(typed) >= 0);
  time((typed) => index.find(typed));
  const ours = time((typed) => index.find(typed)).sort((a, b) => a - b);
  const base = middle(time(bare));
  const of = `keystroke in ${names.length} plugins, of ${some.length}`;
  const what = 'a bare indexOf pass over the same names (median)';
  tell(`95th percentile of a ${of}`, ours[Math.floor(ours.length * 0.95)], what, base);
  tell(`slowest ${of}`, ours.at(-1), what, base);
}
