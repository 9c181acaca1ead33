// npm run pick -- WORDS: finds a plugin in the running application, and prints its name, path or identifier; for launchers and scripts, which may then run what they like.
import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { parseArgs } from 'node:util';
import { checkNode, needBuild, needPackages } from './lib/prepare.mjs';
import { endWith, ROOT, Stop } from './lib/run.mjs';

const USAGE =
  'npm run pick -- WORDS [--print name|path|identifier] [--slot insert|instrument|midi-effect] [--list] [--computer NAME] [--send]';
const PRINTED = ['name', 'path', 'identifier'];
const ROLES = { insert: ['audio-effect', 'tool'], instrument: ['instrument'], 'midi-effect': ['midi-effect'] };
const MAX_LISTED = 10;

try {
  checkNode();
  const { words, values } = optionsOf(process.argv.slice(2));
  await needPackages();
  await needBuild({ web: false });
  const { SearchIndex } = await import(pathToFileURL(join(ROOT, 'core/dist/search/search-index.js')).href);
  const base = `http://127.0.0.1:${process.env.PORT ?? '4310'}/api`;
  const computers = await ask(base, 'GET', '/computers');
  const computer =
    values.computer === undefined
      ? (computers.find((one) => one.here) ?? computers[0])
      : computers.find((one) => one.name === values.computer);
  if (computer === undefined)
    throw new Stop(
      `There is no computer ${values.computer ?? ''}. Known: ${computers.map((one) => one.name).join(', ')}.`,
    );
  const roles = values.slot === undefined ? null : ROLES[values.slot];
  const plugins = (await ask(base, 'GET', `/computers/${computer.id}/plugins`)).filter(
    (one) => one.found && one.aside === null && (roles === null || roles.includes(one.role)),
  );
  const { searchTextOfPlugin } = await import(pathToFileURL(join(ROOT, 'core/dist/search/search-text.js')).href);
  const index = new SearchIndex(plugins.map((plugin) => searchTextOfPlugin(searchable(plugin))));
  const found = Array.from(index.find(words), (at) => plugins[at]);
  if (found.length === 0) throw new Stop(`Nothing that is installed and fits is called “${words}”.`);
  if (values.list)
    for (const { name, vendor, builds } of found.slice(0, MAX_LISTED)) {
      const build = builds.find((one) => one.found);
      process.stdout.write(`${[name, vendor ?? '', build?.format ?? '', build?.path ?? ''].join('\t')}\n`);
    }
  else {
    const body = {
      pluginId: found[0].id,
      slot: values.slot ?? 'insert',
      session: 'Music program',
      send: values.send,
      way: 'pick',
      milliseconds: Math.round(performance.now()),
    };
    const picked = await ask(base, 'POST', `/computers/${computer.id}/picks`, body);
    const printed = picked[values.print];
    if (printed === null) throw new Stop(`${picked.name} has no ${values.print}.`);
    process.stdout.write(`${printed}\n`);
  }
} catch (error) {
  endWith(error);
}

function optionsOf(args) {
  try {
    const options = {
      print: { type: 'string', default: 'name' },
      slot: { type: 'string' },
      computer: { type: 'string' },
      list: { type: 'boolean', default: false },
      send: { type: 'boolean', default: false },
    };
    const { values, positionals } = parseArgs({ args, options, strict: true, allowPositionals: true });
    const words = positionals.join(' ').trim();
    if (words === '') throw new Error('Nothing to look for');
    if (!PRINTED.includes(values.print)) throw new Error(`--print ${values.print} is not known`);
    if (values.slot !== undefined && !(values.slot in ROLES)) throw new Error(`--slot ${values.slot} is not known`);
    return { words, values };
  } catch (error) {
    throw new Stop(`${error.message}. ${USAGE}`);
  }
}

/** By what a plugin is found here: as in the application, names first. */
function searchable({ name, givenName, vendor, types, builds, tags = [], stripLabel = null }) {
  const names = [...new Set([name, givenName].filter((one) => typeof one === 'string'))];
  const more = [...tags, stripLabel].filter((one) => typeof one === 'string');
  return { names, vendor, types, more, paths: builds.map(({ path }) => path), description: null };
}

/** The key is read where there is one: only where the system does not tell who asks it is wanted. */
async function ownKey() {
  const { readSettings, ownFolder } = await import(pathToFileURL(join(ROOT, 'server/dist/settings.js')).href);
  const { keyFile } = await import(pathToFileURL(join(ROOT, 'server/dist/http/sign-in.js')).href);
  const key = await readFile(keyFile(ownFolder(readSettings(process.env))), 'utf8').catch(() => '');
  return key === '' ? {} : { authorization: `Bearer ${key.trim()}` };
}

async function ask(base, method, path, body) {
  let response;
  try {
    response = await fetch(base + path, {
      method,
      headers: { 'content-type': 'application/json', ...(await ownKey()) },
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
    });
  } catch {
    throw new Stop('Clever Drawer does not run. Start it with npm start; PORT names another port than 4310.');
  }
  const answer = await response.json();
  if (!response.ok) throw new Stop(answer.detail ?? `It answered with status ${response.status}.`);
  return answer;
}
