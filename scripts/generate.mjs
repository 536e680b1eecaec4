// Writes what is made from other files: the parser of written crochet from its grammar; from the schema that stands beside
// the types of the project file its JSON Schema, its checker (compiled ahead, so that no page needs to compile at run time)
// and the list of entries on the page on files.
import { readFileSync, writeFileSync, existsSync } from 'node:fs';
import { Buffer } from 'node:buffer';
import { fileURLToPath } from 'node:url';
import Ajv from 'ajv';
import standalone from 'ajv/dist/standalone/index.js';
import { build } from 'esbuild';
import peggy from 'peggy';

const at = (path) => fileURLToPath(new URL(`../${path}`, import.meta.url));

function writeIfChanged(path, text) {
  if (!existsSync(path) || readFileSync(path, 'utf8') !== text) writeFileSync(path, text);
}

const grammar = readFileSync(at('core/notation/written.peggy'), 'utf8');
writeIfChanged(
  at('core/notation/written.generated.js'),
  peggy.generate(grammar, { output: 'source', format: 'es' }),
);
writeIfChanged(
  at('core/notation/written.generated.d.ts'),
  `export interface Expectation { readonly type: string; readonly description: string; readonly text: string }
export class SyntaxError extends Error {
  readonly expected: readonly Expectation[] | null;
  readonly location: { readonly start: { readonly line: number; readonly column: number; readonly offset: number } };
}
export function parse(text: string, options: { readonly stitchCalled: (word: string) => string | undefined }): unknown;
`,
);

const code = await build({
  entryPoints: [at('core/document/hem.schema.ts')],
  bundle: true,
  format: 'esm',
  platform: 'node',
  write: false,
});
const { hem, VERSION } = await import(
  `data:text/javascript;base64,${Buffer.from(code.outputFiles[0].text).toString('base64')}`
);
const schema = jsonSchema(hem);
writeIfChanged(at('core/document/hem.schema.generated.json'), `${JSON.stringify(schema, null, 2)}\n`);
const page = readFileSync(at('docs/file-format.md'), 'utf8');
writeIfChanged(
  at('docs/file-format.md'),
  page.replace(
    /(<!-- entries -->\n)[^]*?(<!-- end of entries -->)/,
    (_, from, to) => `${from}\n${entriesTable(schema)}\n\n${to}`,
  ),
);

/** A schema with what has a name told once, under “definitions”. */
function jsonSchema(root) {
  const definitions = {};
  const visit = (value) => {
    if (Array.isArray(value)) return value.map(visit);
    if (typeof value !== 'object' || value === null) return value;
    const { $id, ...rest } = value;
    const plain = Object.fromEntries(Object.entries(rest).map(([key, v]) => [key, visit(v)]));
    if ($id === undefined) return plain;
    const { description, ...definition } = plain;
    definitions[$id] ??= definition;
    return { ...(description ? { description } : {}), $ref: `#/definitions/${$id}` };
  };
  return {
    $schema: 'http://json-schema.org/draft-07/schema#',
    $id: `zig-hem-project-${VERSION}`,
    title: 'A Zig Hem project',
    ...visit(root),
    definitions,
  };
}

/** The entries that say more than their name, as a table. */
function entriesTable({ definitions, ...root }) {
  const rows = [];
  const told = new Set();
  const visit = (node, path) => {
    if (node.$ref) {
      const name = node.$ref.split('/').at(-1);
      if (told.has(name)) return;
      told.add(name);
      visit(definitions[name], path);
      return;
    }
    for (const [key, value] of Object.entries(node.properties ?? {})) {
      const here = path === '' ? key : `${path}.${key}`;
      if (value.description) rows.push([`\`${here}\``, `${value.description}${choices(value)}`]);
      visit(value, here);
    }
    for (const kind of node.oneOf ?? []) {
      const { kind: what, did } = kind.properties;
      visit(kind, `${path} (${(what ?? did).const})`);
    }
    if (node.items) visit(node.items, path);
  };
  const choices = (value) => {
    const values = value.enum ?? definitions[value.$ref?.split('/').at(-1)]?.enum;
    return values ? ` (${values.map((v) => (v === null ? 'null' : `“${v}”`)).join(', ')})` : '';
  };
  visit(root, '');
  const width = (column) => Math.max(...rows.map((row) => row[column].length), 12);
  const line = (cells) => `| ${cells.map((c, i) => c.padEnd(width(i))).join(' | ')} |`;
  return [
    line(['entry', 'what it says']),
    `| ${'-'.repeat(width(0))} | ${'-'.repeat(width(1))} |`,
    ...rows.map(line),
  ].join('\n');
}

const ajv = new Ajv({
  allErrors: true,
  strict: true,
  allowUnionTypes: true,
  discriminator: true,
  // Shapes that are used in several places are checked by one function each.
  inlineRefs: false,
  // What is wrong is said in the words of problems.ts.
  messages: false,
  code: { source: true, esm: true },
});
// What the entries say is for people who read the schema: in the browser it would only weigh.
const unsaid = JSON.parse(
  JSON.stringify(schema, (key, value) =>
    key === 'description' && typeof value === 'string' ? undefined : value,
  ),
);
const source = standalone.default(ajv, ajv.compile(unsaid));
const bundled = await build({
  stdin: { contents: source, resolveDir: at('.'), loader: 'js' },
  bundle: true,
  format: 'esm',
  target: 'es2022',
  write: false,
});
writeIfChanged(at('core/document/validate.generated.js'), bundled.outputFiles[0].text);
writeIfChanged(
  at('core/document/validate.generated.d.ts'),
  `import type { ErrorObject } from 'ajv';
export const validate: { (value: unknown): boolean; errors?: readonly ErrorObject[] | null };
`,
);
