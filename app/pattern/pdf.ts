/** The pattern as a PDF, with fonts and drawings in it. Large and slow: a worker does it, loaded when one is asked for. */
import type { Content, ContentText, Margins, TDocumentDefinitions } from 'pdfmake/interfaces';
import pdfMake from 'pdfmake/build/pdfmake';
import regular from '@fontsource/commissioner/files/commissioner-latin-400-normal.woff?url';
import bold from '@fontsource/commissioner/files/commissioner-latin-700-normal.woff?url';
import type { WrittenPattern, PatternLine, Section } from '../../core/print/section.ts';
import { MARKS_WORDS } from '../../drawing/chartMarks.ts';
import type { Drawings } from '../../drawing/patternDrawings.ts';

type Paper = 'a4' | 'letter';

/** Paper, and whether it is printed large. */
export interface Sheet {
  readonly paper: Paper;
  readonly large: boolean;
}

/** Sizes of type, points. */
const USUAL_TYPE = 10;
const LARGE_TYPE = 15;

const FONT = 'Commissioner';
/** Rounds up to this many lines are kept on one page, and what is no round up to so many. */
const KEPT_TOGETHER = 22;
const KEPT_BESIDE = 4;
/** Heights of a chart, points: of two, which share a page with what comes before them; of more. */
const CHART_HEIGHT = 205;
const CHARTS_HEIGHT = 180;
const INK = '#252a55';
const THREAD = '#c98206';

/** Points of the page inside its margins, by paper. */
const MARGIN = 54;
const WIDTHS: Readonly<Record<Paper, number>> = { a4: 595.28 - 2 * MARGIN, letter: 612 - 2 * MARGIN };

function line({ kind, text }: PatternLine): ContentText {
  switch (kind) {
    case 'counts':
      return { text, bold: true };
    case 'care':
      return { text, color: '#9b3a22' };
    case 'caution':
      return { text, color: '#5d6184' };
    case 'plain':
    case 'written':
      return { text };
  }
}

function section({ heading, runIn, lines, rounds }: Section): Content {
  const told = lines.map((l): ContentText => ({ ...line(l), margin: [0, 1.5, 0, 1.5] }));
  const [first, ...others] = told;
  return {
    stack:
      runIn && first
        ? [
            {
              ...first,
              text: [
                { text: `${heading}: `, bold: true },
                { ...first, margin: undefined },
              ],
            },
            ...others,
          ]
        : [
            { text: heading, style: 'heading', headlineLevel: 1 },
            // A paragraph is not broken either.
            ...told.map((l): Content => ({ stack: [l], unbreakable: true })),
          ],
    unbreakable: lines.length <= (rounds.length > 0 ? KEPT_TOGETHER : KEPT_BESIDE),
    margin: [0, runIn ? 6 : 12, 0, 0],
  };
}

/** Contents of the PDF, as data for the layout. */
function pdfDefinition(
  pattern: WrittenPattern,
  drawings: Drawings,
  { paper, large }: Sheet,
  code: string | null,
): TDocumentDefinitions {
  const width = WIDTHS[paper];
  const legend = drawings.legend.map(({ svg, words }): Content => ({
    columns: [
      { svg, fit: [16, 26], width: 22 },
      { text: words, width: '*', margin: [0, 6, 0, 0] },
    ],
    margin: [0, 2, 0, 2],
  }));
  const half = Math.ceil(legend.length / 2);
  const key: readonly Content[] = [
    {
      text: MARKS_WORDS,
      fontSize: (large ? LARGE_TYPE : USUAL_TYPE) - 2,
      color: '#5d6184',
      margin: [0, 8, 0, 0],
    },
    {
      columns: [
        { stack: legend.slice(0, half), width: '*' },
        { stack: legend.slice(half), width: '*' },
      ],
      columnGap: 20,
      margin: [0, 12, 0, 0],
    },
  ];
  const [terms, ...sections] = pattern.sections;
  return {
    pageSize: paper === 'a4' ? 'A4' : 'LETTER',
    pageMargins: MARGIN,
    info: { title: pattern.title, creator: 'Zig Hem' },
    defaultStyle: { font: FONT, fontSize: large ? LARGE_TYPE : USUAL_TYPE, lineHeight: 1.25, color: INK },
    styles: {
      heading: {
        bold: true,
        fontSize: large ? LARGE_TYPE + 2 : USUAL_TYPE + 2,
        color: INK,
        margin: [0, 0, 0, 3],
      },
    },
    // No heading stands alone at the foot of a page.
    pageBreakBefore: ({ headlineLevel }, { getFollowingNodesOnPage }) =>
      headlineLevel === 1 && getFollowingNodesOnPage().length === 0,
    footer: (page, pages) => ({
      text: `${pattern.title} · ${pattern.language.toUpperCase()} terms · ${page} of ${pages}`,
      alignment: 'center',
      fontSize: 8,
      color: '#5d6184',
      margin: [0, 18, 0, 0],
    }),
    content: [
      { text: pattern.title, bold: true, fontSize: 22 },
      ...(pattern.made === null ? [] : [{ text: pattern.made }]),
      { canvas: [{ type: 'line', x1: 0, y1: 4, x2: width, y2: 4, lineWidth: 2, lineColor: THREAD }] },
      ...(terms ? [section(terms)] : []),
      { svg: drawings.plan, fit: [width, 230], alignment: 'center', margin: [0, 12, 0, 0] },
      ...sections.map(section),
      ...drawings.charts.map(({ name, svg }, k): Content => ({
        stack: [
          // The heading stays with the first of them.
          ...(k === 0 ? [{ text: 'Charts', style: 'heading', margin: [0, 12, 0, 0] as Margins }] : []),
          { text: name, bold: true, margin: [0, 8, 0, 4] },
          {
            svg,
            fit: [width, drawings.charts.length > 2 ? CHARTS_HEIGHT : CHART_HEIGHT],
            alignment: 'center',
          },
          // What its symbols and numbers mean stays with the last of them.
          ...(k === drawings.charts.length - 1 ? key : []),
        ],
        unbreakable: true,
      })),
      ...(code
        ? [
            {
              columns: [
                { svg: code, fit: [92, 92] as [number, number], width: 100 },
                {
                  text: 'This hem, to be opened on another device: point its camera here.',
                  margin: [0, 36, 0, 0],
                },
              ],
              unbreakable: true,
              margin: [0, 18, 0, 0],
            } as Content,
          ]
        : []),
    ],
  };
}

/**
 * Makes the PDF.
 *
 * @param code that brings the hem back from paper, as SVG; null for none
 * @param told hears which part of what is laid out has been set on its pages, 0 to 1
 */
export async function patternPdf(
  pattern: WrittenPattern,
  drawings: Drawings,
  sheet: Sheet,
  code: string | null,
  told: (part: number) => void,
): Promise<Blob> {
  const file = async (url: string): Promise<string> =>
    base64(new Uint8Array(await (await fetch(url)).arrayBuffer()));
  pdfMake.addVirtualFileSystem({ 'regular.woff': await file(regular), 'bold.woff': await file(bold) });
  pdfMake.addFonts({ [FONT]: { normal: 'regular.woff', bold: 'bold.woff' } });
  pdfMake.setProgressCallback(told);
  return pdfMake.createPdf(pdfDefinition(pattern, drawings, sheet, code)).getBlob();
}

function base64(bytes: Uint8Array): string {
  let text = '';
  for (const byte of bytes) text += String.fromCharCode(byte);
  return btoa(text);
}
