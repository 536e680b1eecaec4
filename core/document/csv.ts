/** Tables: what a hem computes, out as CSV; counts of sides and grids of motifs, in from CSV. */
import { held } from '../held.ts';
import { documentProblem } from './problems.ts';
import Papa from 'papaparse';
import { LIMITS } from '../limits.ts';
import { done, failed, inAll, inLine, type Outcome, type Problem } from '../problems.ts';
import type { CountedPiece } from '../piece/counted/counted.schema.ts';
import type { GridPiece } from '../piece/grid/grid.schema.ts';

type Cell = string | number | null;

/**
 * Rows as CSV text, the first of them the names of the columns. A text that a table program would take for a formula
 * is led by an apostrophe, as such programs write it themselves.
 */
export const csvText = (rows: readonly (readonly Cell[])[]): string =>
  `${Papa.unparse(
    rows.map((row) => [...row]),
    { newline: '\n', escapeFormulae: /^\s*[=+\-@\t\r]/ },
  )}\n`;

/** Columns may be set apart by comma, semicolon or tab: which, is told from the text. */
function rowsOf(text: string): Outcome<readonly (readonly string[])[]> {
  const beyond = (most: number, of: string): Outcome<never> =>
    failed(documentProblem('csv-too-long', inAll('the table'), { most, of }));
  if (text.length > LIMITS.hemBytes) return beyond(LIMITS.hemBytes, 'letters');
  const { data } = Papa.parse<readonly string[]>(text.replace(/^\uFEFF/, ''), {
    delimitersToGuess: [',', ';', '\t'],
    preview: LIMITS.tableRows + 1,
  });
  if (data.length > LIMITS.tableRows) return beyond(LIMITS.tableRows, 'lines');
  if (data.reduce((sum, row) => sum + row.length, 0) > LIMITS.tableCells) {
    return beyond(LIMITS.tableCells, 'cells');
  }
  return done(data.map((row) => row.map((cell) => cell.trim())));
}

const COLUMNS = ['side', 'length', 'stitches', 'turn'] as const;
type Column = (typeof COLUMNS)[number];

/** True when a table looks like counts of sides: its first line names a column of stitches. */
export const isCountsTable = (text: string): boolean => /\bstitches\b/i.test(text.split(/\r?\n/, 1)[0] ?? '');

/**
 * Reads the sides of a piece that was counted by hand: a line for each side in working order, under a line that
 * names the columns “length” (cm, or “length in” for inches), “stitches”, and if wanted “turn” (degrees of the
 * corner before the side; without it the corners are those of a regular outline) and “side” (a name, for the reader).
 */
export function readCounts(text: string): Outcome<CountedPiece> {
  const read = rowsOf(text);
  if (!read.ok) return read;
  const [head = [], ...lines] = read.value;
  const at = new Map<Column, number>();
  head.forEach((cell, i) => {
    const name = COLUMNS.find((c) => cell.toLowerCase().startsWith(c));
    if (name) at.set(name, i);
  });
  const missing = (['length', 'stitches'] as const).filter((c) => !at.has(c));
  if (missing.length > 0)
    return failed(documentProblem('csv-column-missing', inLine(1), { columns: missing.join(' and ') }));
  const inches = /\bin(ch(es)?)?\b/i.test(head[held(at.get('length'), 'the column was looked for')]!);
  const problems: Problem[] = [];
  const filled = lines
    .map((cells, i) => ({ cells, line: i + 2 }))
    .filter(({ cells }) => cells.some((c) => c !== ''));
  const sides = filled.map(({ cells, line }): CountedPiece['sides'][number] => {
    const number = (column: Column, least: number, most: number, whole: boolean): number => {
      const cell = cells[held(at.get(column), 'the column was looked for')] ?? '';
      const value = Number(cell.replace(',', '.'));
      const sound = cell !== '' && value >= least && value <= most && (!whole || Number.isInteger(value));
      if (!sound) {
        const wanted = `${whole ? 'a whole number' : 'a number'} from ${least} to ${most}`;
        problems.push(
          documentProblem('csv-number', inLine(line, column), { cell: cell || 'nothing', wanted }),
        );
      }
      return value;
    };
    return {
      lengthCm: number('length', 0.5, 2000, false) * (inches ? 2.54 : 1),
      stitches: number('stitches', 1, 20000, true),
      turnDegrees: at.has('turn')
        ? number('turn', -150, 170, false)
        : filled.length < 3
          ? 0
          : 360 / filled.length,
    };
  });
  if (filled.length === 0) problems.push(documentProblem('csv-no-lines', inLine(2)));
  if (filled.length > 40)
    problems.push(documentProblem('csv-too-many-sides', inLine(42), { sides: filled.length }));
  return problems.length > 0 ? failed(...problems) : done({ kind: 'counted', sides });
}

const MOTIF = new Set(['#', 'x', '1', '■', 'yes']);
const EMPTY = new Set(['', '.', '0', '-', 'no']);

/** Reads which cells of a grid hold a motif: “x”, “#” or “1”; nothing, “.” or “0” where there is none. */
export function readGrid(text: string): Outcome<GridPiece['cells']> {
  const read = rowsOf(text);
  if (!read.ok) return read;
  const rows = read.value.filter((row, i, all) => i < all.length - 1 || row.some((c) => c !== ''));
  const problems: Problem[] = [];
  const cells = rows.map((row, y) =>
    row
      .map((cell, x) => {
        const word = cell.toLowerCase();
        if (!MOTIF.has(word) && !EMPTY.has(word)) {
          problems.push(documentProblem('csv-cell', inLine(y + 1, x + 1), { cell }));
        }
        return MOTIF.has(word) ? '#' : '.';
      })
      .join(''),
  );
  const across = Math.max(0, ...cells.map((row) => row.length));
  if (!cells.some((row) => row.includes('#'))) problems.push(documentProblem('csv-no-lines', inLine(1)));
  if (across > 60 || cells.length > 60)
    problems.push(documentProblem('csv-too-large', inAll('the grid'), { across, down: cells.length }));
  return problems.length > 0 ? failed(...problems) : done(cells.map((row) => row.padEnd(across, '.')));
}
