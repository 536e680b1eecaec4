/** Every file that a pattern can be saved as on the page: all exports, drawings as pictures too, and what needs a page. */
import { proxy } from 'comlink';
import { fileName } from '../../core/document/fileName.ts';
import type { Plan } from '../../core/plan/types.ts';
import { patternAs, type PatternLook } from '../../core/print/forms.ts';
import { EXPORTS, EXPORT_IDS, type Export, type ExportId } from '../../drawing/exports.ts';
import { drawingsOf } from '../../drawing/patternDrawings.ts';
import { planSvg } from '../../drawing/planSvg.ts';
import { Pool } from '../workers/pool.ts';
import type { patternPdf } from './pdf.ts';
import { coverOf, svgPicture } from './picture.ts';

export interface SavedFile {
  readonly name: string;
  readonly content: Blob;
}

export interface WayToSave {
  readonly key: string;
  readonly label: string;
  /** @param told hears how far it is, 0 to 1, where it takes its time */
  readonly files: (
    plan: Plan,
    look: PatternLook,
    told: (part: number) => void,
  ) => Promise<readonly SavedFile[]>;
}

/** The product’s own typeface, as paper knows it. */
const FONT = 'Commissioner';
/** Width of a drawing as a picture, pixels. */
const PICTURE_WIDTH = 1600;

/** On the page the whole is its real picture. */
const cover = async (plan: Plan): Promise<string> => planSvg(plan, FONT, await coverOf(plan.hem));

/** Exports that the page writes otherwise than the command line, which has no canvas. */
const ON_THE_PAGE: Partial<Record<ExportId, (plan: Plan) => Promise<string>>> = { plan: cover };

let maker: Pool<{ readonly patternPdf: typeof patternPdf }> | undefined;

/** The worker that makes PDFs, started with the first. */
const pdfMaker = () =>
  (maker ??= new Pool(() => new Worker(new URL('./pdf.worker.ts', import.meta.url), { type: 'module' }), 1));

const PDF: WayToSave = {
  key: 'pdf',
  label: 'PDF with charts',
  files: async (plan, look, told) => {
    const { codeOf } = await import('../storage/code.ts');
    const drawings = { ...drawingsOf(plan, FONT), plan: await cover(plan) };
    const code = await codeOf(plan.hem, window.location);
    const { paper } = plan.hem.preferences;
    const content = await pdfMaker().ask('patternPdf', [
      patternAs(plan, look),
      drawings,
      { paper, large: look.large },
      code,
      proxy(told),
    ]).done;
    return [{ name: fileName(plan.hem.name, '.pdf'), content }];
  },
};

function waysOf(id: ExportId): readonly WayToSave[] {
  const { label, type, files, drawing }: Export = EXPORTS[id];
  const written = (
    plan: Plan,
    look: PatternLook,
  ): Promise<readonly (readonly [name: string, text: string])[]> =>
    Promise.all(
      files(plan, look).map(
        async ({ name, text }) => [name, (await ON_THE_PAGE[id]?.(plan)) ?? text] as const,
      ),
    );
  const asText = async (plan: Plan, look: PatternLook): Promise<readonly SavedFile[]> =>
    (await written(plan, look)).map(([name, text]) => ({ name, content: new Blob([text], { type }) }));
  if (!drawing) return [{ key: id, label, files: asText }];
  return [
    { key: `${id}.svg`, label: `${label}, to enlarge (SVG)`, files: asText },
    {
      key: `${id}.png`,
      label: `${label} (PNG)`,
      files: async (plan, look) =>
        Promise.all(
          (await written(plan, look)).map(async ([name, svg]) => ({
            name: name.replace(/svg$/, 'png'),
            content: await svgPicture(svg, PICTURE_WIDTH),
          })),
        ),
    },
  ];
}

export const WAYS_TO_SAVE: readonly WayToSave[] = [PDF, ...EXPORT_IDS.flatMap(waysOf)];
