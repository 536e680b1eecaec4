/** Every file that a plan can be written as, in one table for the page and the command line. */
import { fileName } from '../core/document/fileName.ts';
import { writeHem } from '../core/document/check.ts';
import type { Plan } from '../core/plan/types.ts';
import { patternAs, USUAL_LOOK, type PatternLook } from '../core/print/forms.ts';
import { patternMarkdown, patternText } from '../core/print/patternText.ts';
import { countsCsv, yarnCsv } from '../core/plan/tables.ts';
import { drawingsOf } from './patternDrawings.ts';

export interface WrittenFile {
  readonly name: string;
  readonly text: string;
}

export interface Export {
  readonly label: string;
  readonly type: string;
  /** @param look of the pattern, where it is one */
  readonly files: (plan: Plan, look: PatternLook) => readonly WrittenFile[];
  /** Whether it is a drawing, which can be a picture too. */
  readonly drawing?: true;
}

/** One file, named after its hem. */
const one =
  (ending: string, write: (plan: Plan, look: PatternLook) => string): Export['files'] =>
  (plan, look) => [{ name: fileName(plan.hem.name, ending), text: write(plan, look) }];

const CSV = 'text/csv';
const SVG = 'image/svg+xml';

export const EXPORTS = {
  text: {
    label: 'Text',
    type: 'text/plain',
    files: one('.txt', (plan, look) => patternText(patternAs(plan, look))),
  },
  markdown: {
    label: 'Markdown',
    type: 'text/markdown',
    files: one('.md', (plan, look) => patternMarkdown(patternAs(plan, look))),
  },
  plan: {
    label: 'Picture of the whole',
    type: SVG,
    drawing: true,
    files: one('-plan.svg', (plan) => drawingsOf(plan).plan),
  },
  charts: {
    label: 'Charts',
    type: SVG,
    drawing: true,
    files: (plan) =>
      drawingsOf(plan).charts.map(({ name, svg }) => ({
        name: fileName(`${plan.hem.name} ${name}`, '.svg'),
        text: svg,
      })),
  },
  counts: { label: 'Table of counts (CSV)', type: CSV, files: one('-counts.csv', countsCsv) },
  yarn: { label: 'Table of yarn (CSV)', type: CSV, files: one('-yarn.csv', yarnCsv) },
  project: {
    label: 'Hem file',
    type: 'application/json',
    files: one('.hem.json', ({ hem }) => writeHem(hem)),
  },
} satisfies Readonly<Record<string, Export>>;

export type ExportId = keyof typeof EXPORTS;

export const EXPORT_IDS = Object.keys(EXPORTS) as readonly ExportId[];

/** Text of an export that is one file. */
export const exported = (id: ExportId, plan: Plan, look: PatternLook = USUAL_LOOK): string =>
  EXPORTS[id].files(plan, look)[0]!.text;
