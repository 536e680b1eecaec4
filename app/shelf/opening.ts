/** Files that come in: project files, bundles, and tables of side counts or motifs. */
import { nanoid } from 'nanoid';
import { readBundle } from '../../core/document/bundle.ts';
import { changePiece } from '../../core/document/changePiece.ts';
import { checkHem, readHem } from '../../core/document/check.ts';
import { isCountsTable, readCounts, readGrid } from '../../core/document/csv.ts';
import type { Hem } from '../../core/document/hem.ts';
import { newHem } from '../../core/document/newHem.ts';
import { salvageHem, type Salvaged } from '../../core/document/salvage.ts';
import type { Piece } from '../../core/piece/piece.ts';
import type { Outcome, Problem } from '../../core/problems.ts';

export interface RefusedFile {
  readonly name: string;
  readonly problems: readonly Problem[];
  /** What is sound of it, when the user wants that much; null when nothing is. */
  readonly salvaged: Salvaged | null;
}

export interface Opened {
  readonly hems: readonly Hem[];
  readonly refused: readonly RefusedFile[];
}

interface NamedText {
  readonly name: string;
  readonly text: string;
}

/** Reads files by what they are called and hold. The files themselves are never written to. */
export async function readFiles(files: readonly File[], now: Date): Promise<Opened> {
  const hems: Hem[] = [];
  const refused: RefusedFile[] = [];
  const refuse = (name: string, problems: readonly Problem[], salvaged: Salvaged | null = null): void =>
    void refused.push({ name, problems, salvaged });
  const readProject = ({ name, text }: NamedText): void => {
    const outcome = readHem(text);
    if (outcome.ok) hems.push(outcome.value);
    else refuse(name, outcome.problems, salvageText(text, now));
  };
  for (const file of files) {
    if (/\.zip$/i.test(file.name)) {
      const bundle = readBundle(new Uint8Array(await file.arrayBuffer()));
      if (bundle.ok) bundle.value.forEach(readProject);
      else refuse(file.name, bundle.problems);
    } else if (/\.(csv|tsv)$/i.test(file.name)) {
      const outcome = pieceOfTable(await file.text());
      if (!outcome.ok) refuse(file.name, outcome.problems);
      else {
        const blank = newHem(nanoid(10), now);
        const name = file.name.replace(/\.\w+$/, '');
        const checked = checkHem({ ...blank, ...changePiece(blank, outcome.value), name });
        if (checked.ok) hems.push(checked.value);
        else refuse(file.name, checked.problems);
      }
    } else readProject({ name: file.name, text: await file.text() });
  }
  return { hems, refused };
}

/** The piece that a table describes: sides counted by hand, or a grid of motifs. */
function pieceOfTable(text: string): Outcome<Piece> {
  if (isCountsTable(text)) return readCounts(text);
  const grid = readGrid(text);
  return grid.ok
    ? { ok: true, value: { kind: 'grid', cells: grid.value, motifStitches: 20, motifCm: 15 } }
    : grid;
}

function salvageText(text: string, now: Date): Salvaged | null {
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch {
    // Half a JSON file has no part that could be told from the next.
    return null;
  }
  return salvageHem(value, nanoid(10), now);
}
