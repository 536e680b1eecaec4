/** Every file that a plan can be written as, in one table for the page and the command line. */
import { fileName } from '../core/document/fileName.ts';
import { writeHem } from '../core/document/check.ts';
import type { Plan } from '../core/plan/types.ts';
import { PATTERN_FORMS, type PatternForm } from '../core/print/forms.ts';
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
  /** @param form of the pattern, where it is one */
  readonly files: (plan: Plan, form: PatternForm) => readonly WrittenFile[];
  /** Whether it is a drawing, which can be a picture too. */
  readonly drawing?: true;
}

/** One file, named after its hem. */
const one =
  (ending: string, write: (plan: Plan, form: PatternForm) => string): Export['files'] =>
  (plan, form) => [{ name: fileName(plan.hem.name, ending), text: write(plan, form) }];

const CSV = 'text/csv';
const SVG = 'image/svg+xml';

export const EXPORTS = {
  text: {
    label: 'Text',
    type: 'text/plain',
    files: one('.txt', (plan, form) => patternText(PATTERN_FORMS[form].pattern(plan))),
  },
  markdown: {
    label: 'Markdown',
    type: 'text/markdown',
    files: one('.md', (plan, form) => patternMarkdown(PATTERN_FORMS[form].pattern(plan))),
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
export const exported = (id: ExportId, plan: Plan, form: PatternForm = 'published'): string =>
  EXPORTS[id].files(plan, form)[0]!.text;
