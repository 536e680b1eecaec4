/** Files that come in: hem files, backups, and tables of side counts or motifs. */
import { nanoid } from 'nanoid';
import {
  HANDS_FILE,
  readBundle,
  readHandsFile,
  readPhotos,
  type BundledPhoto,
} from '../../core/document/bundle.ts';
import { changePiece } from '../../core/document/changePiece.ts';
import { checkHem, jsonOf, readHem } from '../../core/document/check.ts';
import { isCountsTable, readCounts, readGrid } from '../../core/document/csv.ts';
import type { Hem } from '../../core/document/hem.ts';
import { newHem } from '../../core/document/newHem.ts';
import { salvageHem, type Salvaged } from '../../core/document/salvage.ts';
import { readWishes, type HandsWishes } from '../../core/hands/wishes.ts';
import { LIMITS } from '../../core/limits.ts';
import { beyondPlanning, outlineProblems, type Piece } from '../../core/piece/piece.ts';
import { failed, problem, type Outcome, type Problem, inAll } from '../../core/problems.ts';
import { kindOf } from './kinds.ts';

export interface RefusedFile {
  readonly name: string;
  readonly problems: readonly Problem[];
  /** What is sound of it, when the user wants that much; null when nothing is. */
  readonly salvaged: Salvaged | null;
}

export interface Opened {
  readonly hems: readonly Hem[];
  readonly refused: readonly RefusedFile[];
  /** Photos of the work that came with them. */
  readonly photos: readonly BundledPhoto[];
  /** What a backup says that its maker wants of what was learned of their hands; null where none does. */
  readonly wishes: HandsWishes | null;
}

interface NamedText {
  readonly name: string;
  readonly text: string;
}

const HEAD_BYTES = 512;

/** Reads files by what they hold. The files themselves are never written to, and one that fails hurts no other. */
export async function readFiles(files: readonly File[], now: Date): Promise<Opened> {
  const hems: Hem[] = [];
  const refused: RefusedFile[] = [];
  const photos: BundledPhoto[] = [];
  let wishes: HandsWishes | null = null;
  const refuse = (name: string, problems: readonly Problem[], salvaged: Salvaged | null = null): void =>
    void refused.push({ name, problems, salvaged });
  const readProject = ({ name, text }: NamedText): void => {
    const outcome = readHem(text);
    if (outcome.ok) hems.push(outcome.value);
    else refuse(name, outcome.problems, salvageHem(jsonOf(text), nanoid(10), now));
  };
  const read = async (file: File): Promise<void> => {
    if (file.size === 0) return refuse(file.name, [problem('file-empty', inAll('the file'))]);
    if (file.size > LIMITS.fileBytes) return refuse(file.name, [tooLarge(file.size, LIMITS.fileBytes)]);
    const told = kindOf(file.name, new Uint8Array(await file.slice(0, HEAD_BYTES).arrayBuffer()));
    if (told.problem) return refuse(file.name, [told.problem]);
    if (told.kind === 'zip') {
      const bytes = new Uint8Array(await file.arrayBuffer());
      const bundle = readBundle(bytes);
      photos.push(...readPhotos(bytes));
      const wanted = readHandsFile(bytes);
      const outcome = wanted === null ? null : readWishes(wanted);
      if (outcome?.ok) wishes = outcome.value;
      else if (outcome) refuse(HANDS_FILE, outcome.problems);
      return bundle.ok ? bundle.value.forEach(readProject) : refuse(file.name, bundle.problems);
    }
    if (file.size > LIMITS.hemBytes) return refuse(file.name, [tooLarge(file.size, LIMITS.hemBytes)]);
    const text = await file.text();
    if (told.kind === 'hem') return readProject({ name: file.name, text });
    const outcome = hemOfTable(text, file.name, now);
    if (outcome.ok) hems.push(outcome.value);
    else refuse(file.name, outcome.problems);
  };
  for (const file of files) {
    try {
      await read(file);
    } catch {
      // A folder, or a file that has been moved away since it was chosen.
      refuse(file.name, [problem('file-unreadable', inAll('the file'))]);
    }
  }
  return { hems, refused, photos, wishes };
}

const tooLarge = (bytes: number, most: number): Problem =>
  problem('file-too-large', inAll('the file'), { megabytes: (bytes / 1e6).toFixed(1), most: most / 1e6 });

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
          cells: grid.value,
          edge: { kind: 'solid', stitch: 'dc', stitches: 20 },
          motifCm: 15,
        },
      }
    : grid;
}
