/** Style sheets and what uses them: nothing is styled that is not there, and nothing that is there goes without its style. */
import { readFileSync, readdirSync } from 'node:fs';
import { basename, dirname, join } from 'node:path';
import { describe, expect, test } from '@jest/globals';
import { THEMES } from './tokens.ts';

const files = readdirSync('app', { recursive: true, encoding: 'utf8' }).map((path) => join('app', path));
const read = (path: string): string => readFileSync(path, 'utf8');
const sheets = files.filter((f) => f.endsWith('.css')).map((f) => [f, read(f)] as const);
const sources = files
  .filter((f) => /\.tsx?$/.test(f) && !f.includes('.test.'))
  .map((f) => [f, read(f)] as const);

/** Classes that a sheet has a rule for; those of libraries and of other sheets are named as such. */
const defined = (css: string): ReadonlySet<string> =>
  new Set(
    [...css.replace(/\/\*.*?\*\//gs, '').matchAll(/([^{}]+)\{/g)].flatMap(([, selector]) =>
      [...selector!.replace(/:global\([^)]*\)/g, '').matchAll(/\.([a-zA-Z][\w-]*)/g)].map((m) => m[1]!),
    ),
  );

test('every custom property that is used is set', () => {
  const all = [...sheets, ...sources].map(([, text]) => text).join('\n');
  const used = [...all.matchAll(/var\((--[\w-]+)/g)].map((m) => m[1]!);
  const set = new Set([
    ...[...all.matchAll(/(?<!var\()(--[\w-]+)['"]?\]?\s*:/g)].map((m) => m[1]!),
    ...Object.keys(THEMES.day).map((key) => `--${key}`),
  ]);
  expect(used.length).toBeGreaterThan(500);
  expect([...new Set(used)].filter((name) => !set.has(name))).toEqual([]);
});

describe('of a module', () => {
  const modules = sheets.filter(([path]) => path.endsWith('.module.css'));
  const uses = (path: string): ReadonlySet<string> =>
    new Set(
      sources.flatMap(([file, text]) =>
        [...text.matchAll(/import (\w+) from '([^']*\.module\.css)'/g)].flatMap(([, name, from]) =>
          join(dirname(file), from!) === path
            ? [...text.matchAll(new RegExp(`\\b${name}(?:\\.(\\w+)|\\['([^']+)'\\])`, 'g'))].map(
                (m) => m[1] ?? m[2]!,
              )
            : [],
        ),
      ),
    );

  test.each(modules)('%s every class is used, and every one that is used is there', (path, css) => {
    expect([...uses(path)].filter((name) => !defined(css).has(name))).toEqual([]);
    // A class may be chosen by what something is.
    const chosen = sources.some(
      ([, text]) => text.includes(path.split('/').at(-1)!) && /styles\[/.test(text),
    );
    if (!chosen) expect([...defined(css)].filter((name) => !uses(path).has(name))).toEqual([]);
  });
});

test('sheets for the whole page stand in one folder, and every module has a name of its own', () => {
  const modules = sheets.map(([path]) => path).filter((path) => path.endsWith('.module.css'));
  const global = sheets.map(([path]) => path).filter((path) => !path.endsWith('.module.css'));
  expect(global.filter((path) => dirname(path) !== join('app', 'look'))).toEqual([]);
  expect(new Set(modules.map((path) => basename(path))).size).toBe(modules.length);
});

test('every class of another sheet that a module reaches for is given as such', () => {
  const given = new Set(
    sources.flatMap(([, text]) =>
      [...text.matchAll(/["'`]([^"'`\n]*)["'`]/g)].flatMap((m) => m[1]!.split(/[\s${}]+/)),
    ),
  );
  const reached = sheets.flatMap(([path, css]) =>
    [...css.matchAll(/:global\(\.([\w-]+)\)/g)].map((m) => [path, m[1]!] as const),
  );
  expect(reached.length).toBeGreaterThan(20);
  expect(reached.filter(([, name]) => !name.startsWith('ant-') && !given.has(name))).toEqual([]);
});

test('every class that a sheet for the whole page styles is given somewhere', () => {
  const texts = sources.map(([, text]) => text).join('\n');
  const words = new Set(texts.match(/[a-zA-Z][\w-]*/g));
  const dead = sheets.flatMap(([path, css]) =>
    path.endsWith('.module.css')
      ? []
      : [...defined(css)].flatMap((name) =>
          words.has(name) || name.startsWith('ant-') || texts.includes(`'${name.replace(/-/g, ' ')}'`)
            ? []
            : [`${path} .${name}`],
        ),
  );
  expect(dead).toEqual([]);
});
