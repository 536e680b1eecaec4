// The licences of what the bundler does not list: pdfmake, which is bundled for a worker, and what its ready-made file holds, told
// by its source map; Workbox in the service worker.
import { existsSync, readFileSync, readdirSync } from 'node:fs';
import { fileURLToPath } from 'node:url';

const packages = fileURLToPath(new URL('../node_modules/', import.meta.url));
const WORKBOX = ['core', 'precaching', 'routing', 'strategies'].map((part) => `workbox-${part}`);

/** The list of licences, with those added; a package that stands there already is not added again. */
export function withShippedLicences(list) {
  const map = JSON.parse(readFileSync(`${packages}pdfmake/build/pdfmake.js.map`, 'utf8'));
  const found = new Map(['pdfmake', ...WORKBOX].map((name) => [name, '']));
  map.sources.forEach((source, i) => {
    const name = [...source.matchAll(/node_modules\/((?:@[^/]+\/)?[^/]+)/g)].at(-1)?.[1];
    if (name) found.set(name, `${found.get(name) ?? ''}${noticesIn(map.sourcesContent[i] ?? '')}`);
  });
  const added = [...found]
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .filter(([name]) => !list.includes(`\n## ${name} - `))
    .map(([name, notices]) => licenceOf(name, notices));
  return `${list.trimEnd()}\n\n${added.join('\n\n')}\n`;
}

function licenceOf(name, notices) {
  const folder = `${packages}${name}`;
  if (!existsSync(folder))
    return `## ${name} (in pdfmake)\n\n${notices || 'Its terms are told with its source.'}`;
  const { version, license, author, repository } = JSON.parse(readFileSync(`${folder}/package.json`, 'utf8'));
  const file = readdirSync(folder).find((entry) => /^licen[cs]e/i.test(entry));
  const by = typeof author === 'object' ? author.name : author;
  const text = file
    ? readFileSync(`${folder}/${file}`, 'utf8').trim()
    : [by && `By ${by}.`, repository?.url?.replace(/^git\+|\.git$/g, '')].filter(Boolean).join(' ');
  return `## ${name} - ${version} (${license ?? 'see below'})\n\n${text}`;
}

/** Comments of a file that are to stay with it. */
const noticesIn = (code) =>
  [...code.matchAll(/\/\*!([\s\S]*?)\*\//g)]
    .map(([, words]) => `${words.replace(/^\s*\*/gm, '').trim()}\n`)
    .join('');
