/** The pattern as a PDF, with fonts and drawings in it. Loaded only when one is asked for. */
import type { Content, ContentText, TDocumentDefinitions } from 'pdfmake/interfaces';
import pdfMake from 'pdfmake/build/pdfmake';
import regular from '@fontsource/commissioner/files/commissioner-latin-400-normal.woff?url';
import bold from '@fontsource/commissioner/files/commissioner-latin-700-normal.woff?url';
import type { WrittenPattern, PatternLine, Section } from '../../core/print/section.ts';
import type { Drawings } from '../../drawing/patternDrawings.ts';

export type Paper = 'a4' | 'letter';

const FONT = 'Commissioner';
/** Sections up to this many lines are kept on one page. */
const KEPT_TOGETHER = 22;
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

function section({ heading, runIn, lines }: Section): Content {
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
        : [{ text: heading, style: 'heading', headlineLevel: 1 }, ...told],
    unbreakable: lines.length <= KEPT_TOGETHER,
    margin: [0, runIn ? 6 : 12, 0, 0],
  };
}

/** Contents of the PDF, as data for the layout. */
function pdfDefinition(
  pattern: WrittenPattern,
  drawings: Drawings,
  paper: Paper,
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
  const [terms, ...sections] = pattern.sections;
  return {
    pageSize: paper === 'a4' ? 'A4' : 'LETTER',
    pageMargins: MARGIN,
    info: { title: pattern.title, creator: 'Zig Hem' },
    defaultStyle: { font: FONT, fontSize: 10, lineHeight: 1.25, color: INK },
    styles: { heading: { bold: true, fontSize: 12, color: INK, margin: [0, 0, 0, 3] } },
    footer: (page, pages) => ({
      text: `${pattern.title} · ${pattern.language.toUpperCase()} terms · ${page} of ${pages}`,
      alignment: 'center',
      fontSize: 8,
      color: '#5d6184',
      margin: [0, 18, 0, 0],
    }),
    content: [
      { text: pattern.title, bold: true, fontSize: 22 },
      { canvas: [{ type: 'line', x1: 0, y1: 4, x2: width, y2: 4, lineWidth: 2, lineColor: THREAD }] },
      ...(terms ? [section(terms)] : []),
      { svg: drawings.plan, fit: [width, 230], alignment: 'center', margin: [0, 12, 0, 0] },
      ...sections.map(section),
      {
        text: 'Charts',
        style: 'heading',
        pageBreak: 'before',
      },
      ...drawings.charts.map(({ name, svg }): Content => ({
        stack: [
          { text: name, bold: true, margin: [0, 8, 0, 4] },
          { svg, fit: [width, drawings.charts.length > 2 ? 180 : 260], alignment: 'center' },
        ],
        unbreakable: true,
      })),
      {
        columns: [
          { stack: legend.slice(0, half), width: '*' },
          { stack: legend.slice(half), width: '*' },
        ],
        columnGap: 20,
        margin: [0, 12, 0, 0],
      },
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

/** Makes the PDF. @param code that brings the hem back from paper, as SVG; null for none */
export async function patternPdf(
  pattern: WrittenPattern,
  drawings: Drawings,
  paper: Paper,
  code: string | null,
): Promise<Blob> {
  const file = async (url: string): Promise<string> =>
    base64(new Uint8Array(await (await fetch(url)).arrayBuffer()));
  pdfMake.addVirtualFileSystem({ 'regular.woff': await file(regular), 'bold.woff': await file(bold) });
  pdfMake.addFonts({ [FONT]: { normal: 'regular.woff', bold: 'bold.woff' } });
  return pdfMake.createPdf(pdfDefinition(pattern, drawings, paper, code)).getBlob();
}

function base64(bytes: Uint8Array): string {
  let text = '';
  for (const byte of bytes) text += String.fromCharCode(byte);
  return btoa(text);
}
