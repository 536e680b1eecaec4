/** What the page on architecture says is so: its folders and their order, and what is to be touched to add something. */
import { readdirSync, readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { describe, expect, test } from '@jest/globals';
import { EXPORT_IDS } from '../../drawing/exports.ts';
import { PIECE_KINDS } from '../piece/registry.ts';
import { NO_WISH } from '../propose/wish.ts';
import { FAMILIES } from '../rounds/registry.ts';

const root = new URL('../../', import.meta.url);
const read = (path: string): string => readFileSync(new URL(path, root), 'utf8');
const folders = (path: string): readonly string[] =>
  readdirSync(new URL(path, root), { withFileTypes: true }).flatMap((e) => (e.isDirectory() ? [e.name] : []));
const files = (path: string): readonly string[] =>
  readdirSync(new URL(path, root), { withFileTypes: true }).flatMap((e) => (e.isFile() ? [e.name] : []));

/** Where the project’s own code stands. */
const SOURCES = ['core', 'drawing', 'app', 'server', 'cli', 'demo', 'bench', 'e2e'] as const;

const page = read('docs/architecture.md');
/** The folders that the page lists within one of its first level, in its order. */
function listed(top: string): readonly string[] {
  const lines = page.split('\n');
  const from = lines.findIndex((l) => l.startsWith(`${top}/ `));
  const to = lines.findIndex((l, i) => i > from && /^\S/.test(l));
  return lines
    .slice(from + 1, to)
    .flatMap((l) =>
      /^ {2}[a-z]/.test(l) ? [...l.matchAll(/(?<=[ ,])([a-z]+)\/(?=[ ,])/g)].map((m) => m[1]!) : [],
    );
}

interface Rule {
  readonly name: string;
  readonly to: { readonly path: string };
}
const { forbidden } = createRequire(import.meta.url)('../../.dependency-cruiser.cjs') as {
  readonly forbidden: readonly Rule[];
};
/** The folders of the dependency rules, in their order. */
function ruled(top: string): readonly string[] {
  const first = forbidden.filter(
    ({ name }) => name.startsWith(`${top}-`) && name.endsWith('stands-before-it'),
  );
  const names = first.map(({ name }) => name.slice(top.length + 1).split('-')[0]!);
  const last = /\(([^)]*)\)/.exec(first[first.length - 1]!.to.path)![1]!;
  return [...names, last];
}

describe('the folders of the page on architecture', () => {
  test.each(['core', 'app'])('are those of %s, in the order that its imports keep to', (top) => {
    expect([...listed(top)].sort()).toEqual([...folders(top)].sort());
    expect(listed(top).filter((f) => f !== 'testing' && f !== 'public')).toEqual(ruled(top));
  });
});

test('every file that the pages of the project name is there', () => {
  const there = SOURCES.flatMap((top) =>
    readdirSync(new URL(top, root), { recursive: true, encoding: 'utf8' }).map((path) => `${top}/${path}`),
  );
  const pages = [
    'README.md',
    ...files('docs').map((f) => `docs/${f}`),
    ...files('docs/decisions').map((f) => `docs/decisions/${f}`),
  ];
  const named = pages.flatMap((at) =>
    [...read(at).matchAll(/`([\w-][\w./-]*\.(?:tsx?|peggy))`/g)].map((m) => [at, m[1]!] as const),
  );
  expect(named.length).toBeGreaterThan(40);
  expect(named.filter(([, file]) => !there.some((t) => t === file || t.endsWith(`/${file}`)))).toEqual([]);
});

describe('names', () => {
  const code = ['core', 'drawing', 'app', 'server', 'cli'].flatMap((top) =>
    readdirSync(new URL(top, root), { recursive: true, encoding: 'utf8' })
      .map((path) => `${top}/${path}`)
      .filter((path) => /\.tsx?$/.test(path) && !/\.test\.|\.generated\.|\/testing\//.test(path)),
  );
  const declared = code.map((path) => {
    const names = read(path).matchAll(
      /^export (?:default |abstract |async |declare )*(?:const|let|function\*?|class|interface|type|enum) (\w+)/gm,
    );
    return [path, new Set([...names].map((m) => m[1]!))] as const;
  });

  test('are exported from one file each', () => {
    const from = new Map<string, string[]>();
    for (const [path, names] of declared)
      for (const name of names) from.set(name, [...(from.get(name) ?? []), path]);
    expect(from.size).toBeGreaterThan(1000);
    expect([...from].filter(([, paths]) => paths.length > 1)).toEqual([]);
  });

  test('and all else is told in comments that begin with what they speak of', () => {
    const begun = code.flatMap((path) =>
      [...read(path).matchAll(/^\s*\/\*\*\s+(?:\*\s+)?(What|That which)\b.*/gm)].map(
        (m) => `${path}: ${m[0].trim()}`,
      ),
    );
    expect(begun).toEqual([]);
  });

  test('that the glossary gives of types and constants are there', () => {
    const there = new Set(declared.flatMap(([, names]) => [...names]));
    const glossary = [...read('docs/glossary.md').matchAll(/`([A-Z]\w+)(?:\.\w+)?`/g)].map((m) => m[1]!);
    expect(glossary.length).toBeGreaterThan(30);
    expect(glossary.filter((name) => !there.has(name))).toEqual([]);
  });
});

describe('to add', () => {
  test('a family of rounds: a file and a line of the registry', () => {
    const registry = read('core/rounds/registry.ts');
    const written = files('core/rounds').filter(
      (f) => !/^(registry|family|facts|familyWords)\.ts$|\.test\.ts$/.test(f),
    );
    // Some files hold several that go together.
    for (const file of written) expect(registry).toContain(`from './${file}'`);
    expect(new Set(FAMILIES.map((f) => f.id)).size).toBe(FAMILIES.length);
  });

  test('a construction: a folder, a line of the registry, of the union and of the fields', () => {
    expect([...folders('core/piece')].sort()).toEqual([...PIECE_KINDS].sort());
    const editors = read('app/piece/editors.ts');
    for (const kind of PIECE_KINDS) {
      expect(read('core/piece/registry.ts')).toContain(`from './${kind}/${kind}.ts'`);
      expect(read('core/piece/piece.schema.ts')).toContain(`from './${kind}/${kind}.schema.ts'`);
      expect(editors).toMatch(new RegExp(`^  ${kind}: \\{`, 'm'));
    }
    // Nothing else of the core tells one construction from another, but where it is about what only one has.
    const telling = [
      'edits',
      'plan',
      'ring',
      'base',
      'stack',
      'fit',
      'forecast',
      'procedure',
      'print',
      'chart',
    ].flatMap((folder) =>
      files(`core/${folder}`).filter(
        (f) =>
          !f.endsWith('.test.ts') &&
          new RegExp(`(?:kind [!=]==|case) '(?:${PIECE_KINDS.join('|')})'`).test(read(`core/${folder}/${f}`)),
      ),
    );
    expect(telling).toEqual([]);
  });

  test('a stop: a folder with its page, and an entry', () => {
    const stops = read('app/thread/stops.ts');
    const paths = [...stops.matchAll(/^ {4}path: '([a-z]+)'/gm)].map((m) => m[1]!);
    expect(paths.length).toBeGreaterThan(4);
    for (const path of paths)
      expect(stops).toMatch(new RegExp(`import\\('\\.\\./${path}/[A-Z]\\w+Page\\.tsx'\\)`));
    // The pages of stops are known nowhere else.
    for (const path of paths) expect(read('app/App.tsx')).not.toContain(`/${path}/`);
  });

  test('an export: an entry that page and command line take up', () => {
    for (const user of ['app/pattern/waysToSave.ts', 'cli/program.ts']) {
      const text = read(user);
      expect(text).toContain('EXPORT_IDS');
      for (const id of EXPORT_IDS) expect(text).not.toContain(`case '${id}'`);
    }
  });

  test('an edit: a function, and a way to make it by chance', () => {
    const chance = read('core/testing/randomEdits.ts');
    const made = files('core/edits')
      .filter((f) => !/\.test\.ts$|^edit\.ts$/.test(f))
      .flatMap((f) =>
        [
          ...read(`core/edits/${f}`).matchAll(/^export (?:const|function) (\w+)[^;]*?: Edit(?: =>| \{)/gm),
        ].map((m) => m[1]!),
      );
    expect(made.length).toBeGreaterThan(25);
    expect(made.filter((name) => !new RegExp(`\\b${name}\\(`).test(chance))).toEqual([]);
  });

  test('a word of a wish: a field, a word of the sentence, an option of the command', () => {
    const [sentence, command] = [read('app/propose/Sentence.tsx'), read('cli/propose.ts')];
    for (const word of Object.keys(NO_WISH))
      expect([word, sentence.includes(word), command.includes(word)]).toEqual([word, true, true]);
  });
});
