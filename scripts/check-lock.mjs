// Is the lockfile whole? A package for another system that is missing from it lets the install fail there. Such a lock
// comes about when it is written beside packages that are installed; written anew in an empty folder it is whole:
//   cp package.json .npmrc EMPTY_FOLDER; cd EMPTY_FOLDER; npm install --package-lock-only --ignore-scripts
import { readFileSync } from 'node:fs';

const { packages } = JSON.parse(readFileSync(new URL('../package-lock.json', import.meta.url), 'utf8'));
const missing = [];
for (const [place, { optionalDependencies = {} }] of Object.entries(packages)) {
  for (const name of Object.keys(optionalDependencies)) {
    // A package is looked for beside the one that wants it, then further and further out.
    const folders = [...place.matchAll(/(?:^|\/)node_modules\//g)].map(({ index }) => place.slice(0, index));
    const found = [place, ...folders].some(
      (at) => `${at === '' ? '' : `${at}/`}node_modules/${name}` in packages,
    );
    if (!found) missing.push(`${name}, wanted by ${place || 'the project'}`);
  }
}
const addresses = Object.values(packages).filter((p) => 'resolved' in p && !p.link).length;
for (const line of missing) console.error(`package-lock.json lacks ${line}`);
if (addresses > 0) console.error(`package-lock.json holds ${addresses} download addresses`);
process.exit(missing.length + addresses > 0 ? 1 : 0);
