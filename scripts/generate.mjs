// Writes the code that is made from other files: the parser of written crochet from its grammar, and the
// checker of the project file from its schema (compiled ahead, so that no page needs to compile at run time).
import { readFileSync, writeFileSync, existsSync } from 'node:fs';
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

const schema = JSON.parse(readFileSync(at('core/document/hem.schema.json'), 'utf8'));
const ajv = new Ajv({
  allErrors: true,
  strict: true,
  allowUnionTypes: true,
  discriminator: true,
  code: { source: true, esm: true },
});
const source = standalone.default(ajv, ajv.compile(schema));
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
