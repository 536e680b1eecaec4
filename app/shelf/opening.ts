/** Files that come in: hem files, backups, and tables of side counts or motifs. */
import { shelfProblem } from './problems.ts';
import { documentProblem } from '../../core/document/problems.ts';
import { nanoid } from 'nanoid';
import { changePiece } from '../../core/document/changePiece.ts';
import { checkHem } from '../../core/document/check.ts';
import { isCountsTable, readCounts, readGrid } from '../../core/document/csv.ts';
import type { Hem } from '../../core/document/hem.ts';
import { newHem } from '../../core/document/newHem.ts';
import {
  NOTHING_OPENED,
  openHemFile,
  refusedFile,
  allOpened,
  type OpenedFiles,
} from '../../core/document/opened.ts';
import { LIMITS } from '../../core/limits.ts';
import { beyondPlanning, outlineProblems, type Piece } from '../../core/piece/piece.ts';
import { failed, type Outcome, type Problem, inAll } from '../../core/problems.ts';
import { fileKind } from './kinds.ts';

/** Reads a file of a backup, away from the page. @param told hears how many hems of how many have been read */
export type OpenBackup = (
  name: string,
  bytes: Uint8Array,
  told: (done: number, of: number) => void,
) => Promise<OpenedFiles>;

const HEAD_BYTES = 512;

/** Reads files by what they hold. The files themselves are never written to, and one that fails hurts no other. */
export async function readFiles(
  files: readonly File[],
  now: Date,
  openBackup: OpenBackup,
  told: (done: number, of: number) => void = () => undefined,
): Promise<OpenedFiles> {
  const reading = { newId: () => nanoid(10), now };
  const read = async (file: File): Promise<OpenedFiles> => {
    if (file.size === 0) return refusedFile(file.name, [documentProblem('file-empty', inAll('the file'))]);
    if (file.size > LIMITS.fileBytes) return refusedFile(file.name, [tooLarge(file.size, LIMITS.fileBytes)]);
    const { kind, problem: other } = fileKind(
      file.name,
      new Uint8Array(await file.slice(0, HEAD_BYTES).arrayBuffer()),
    );
    if (other) return refusedFile(file.name, [other]);
    if (kind === 'zip') return openBackup(file.name, new Uint8Array(await file.arrayBuffer()), told);
    const text = await file.text();
    if (kind === 'hem') return openHemFile({ name: file.name, text }, reading);
    const outcome = hemOfTable(text, file.name, now);
    return outcome.ok
      ? { ...NOTHING_OPENED, hems: [outcome.value] }
      : refusedFile(file.name, outcome.problems);
  };
  const opened: OpenedFiles[] = [];
  for (const file of files) {
    try {
      opened.push(await read(file));
    } catch {
      // A folder, or a file that has been moved away since it was chosen.
      opened.push(refusedFile(file.name, [shelfProblem('file-unreadable', inAll('the file'))]));
    }
  }
  return allOpened(opened);
}

const tooLarge = (bytes: number, most: number): Problem =>
  shelfProblem('file-too-large', inAll('the file'), {
    megabytes: (bytes / 1e6).toFixed(1),
    most: most / 1e6,
  });

/** A new hem on the piece that a table describes. */
function hemOfTable(text: string, fileName: string, now: Date): Outcome<Hem> {
  const outcome = pieceOfTable(text);
  if (!outcome.ok) return outcome;
  const blank = newHem(nanoid(10), now);
  const name = fileName.replace(/\.\w+$/, '').slice(0, 200) || blank.name;
  const piece = outcome.value;
  // A table is mended in the table.
  const unsound = [
    ...beyondPlanning(piece, inAll('the table')),
    ...outlineProblems(piece, inAll('the table'), blank.preferences.length),
  ];
  if (unsound.length > 0) return failed(...unsound);
  return checkHem({ ...blank, ...changePiece(blank, piece), name });
}

/** The piece that a table describes: sides counted by hand, or a grid of motifs. */
function pieceOfTable(text: string): Outcome<Piece> {
  if (isCountsTable(text)) return readCounts(text);
  const grid = readGrid(text);
  return grid.ok
    ? {
        ok: true,
        value: {
          kind: 'grid',
          lattice: 'squares',
          halves: false,
          halfStitches: null,
          cornerChains: 2,
          cells: grid.value,
          edge: { kind: 'solid', stitch: 'dc', stitches: 20, between: false },
          motifCm: 15,
        },
      }
    : grid;
}
