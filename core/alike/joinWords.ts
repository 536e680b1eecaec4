/** Words for ways to join pieces, and for what stands in their way. */
import { plural } from '../say/measures.ts';
import { abbreviation, type Language } from '../terms/stitches.ts';
import { WORDS } from '../terms/words.ts';
import type { JoinId } from './alike.ts';
import type { JoinRefused } from './joining.ts';
import type { PiecesLaidOut, Seam } from './seams.ts';

export function joinName(join: JoinId, language: Language): string {
  const { slipStitch } = WORDS[language];
  switch (join) {
    case 'not joined':
      return 'not joined';
    case 'slip stitch':
      return `${slipStitch} from the back`;
    case 'single crochet':
      return `${abbreviation('sc', language)} in front, a ridge`;
    case 'flat':
      return `${slipStitch} in the back loops, flat`;
    case 'sewn':
      return 'sewn with a needle';
    case 'as they are made':
      return 'while the last round is worked';
  }
}

const REFUSED: Readonly<Record<JoinRefused, string>> = {
  'one piece': 'A single piece has nothing to be joined to.',
  'only a part':
    'Pieces with a border along a part are not joined here; their yarn and time are counted all the same.',
  'leaves gaps':
    'Pieces of this outline leave gaps between them, and are not joined here; their yarn and time are counted all the same.',
  'last round not straight':
    'The border ends in an edge that is not straight. Join before that edge, or end with a plain round.',
  'no chain spaces':
    'The last round has no chain spaces along its sides that could be joined. Choose a last round with chains, or another way.',
};

export const joinRefusedWords = (refused: JoinRefused): string => REFUSED[refused];

/** “4 across, 6 down”, “5 across, 3 down, 2 in the last row”. */
export function layoutWords({ columns, rows, inLast }: PiecesLaidOut): string {
  const last = inLast === columns || rows === 1 ? '' : `, ${inLast} in the last row`;
  return `${columns} across, ${rows} down${last}`;
}

const lines = (count: number): string => (count === 1 ? '1 piece' : `${count} pieces`);

/** The seams in their order: “Across, each in one go: between rows 1 and 2 (6 pieces), …”. */
export function seamWords(seams: readonly Seam[]): readonly string[] {
  const told = (runs: Seam['runs'], noun: string): string =>
    seams
      .filter((s) => s.runs === runs)
      .map(({ after, pieces, crosses }) => {
        const over = crosses === 0 ? '' : `, over ${crosses === 1 ? '1 seam' : `${crosses} seams`}`;
        return `between ${noun} ${after} and ${after + 1} (${lines(pieces)}${over})`;
      })
      .join('; ');
  const [across, down] = [told('across', 'rows'), told('down', 'columns')];
  const sides = (runs: Seam['runs'], place: (row: number) => string, noun: string): string =>
    seams
      .filter((s) => s.runs === runs)
      .map(({ after, pieces }) => `${place(after)} (${plural(pieces, noun)})`)
      .join('; ');
  const apart = sides('apart', (row) => `row ${row}`, 'seam');
  const zigzags = sides('zigzag', (row) => `between rows ${row} and ${row + 1}`, 'side');
  const strips = sides('strip', (row) => `row ${row}`, 'side');
  const bases = sides('bases', (row) => `between rows ${row} and ${row + 1}`, 'side');
  return [
    ...(apart === '' ? [] : [`Join the pieces of each row, side by side, every seam by itself: ${apart}.`]),
    ...(zigzags === '' ? [] : [`Join the rows, each in one go in a zigzag: ${zigzags}.`]),
    ...(strips === '' ? [] : [`Join the pieces of each row, in one go in a zigzag: ${strips}.`]),
    ...(bases === '' ? [] : [`Join the rows, each in one straight go: ${bases}.`]),
    ...(across === ''
      ? []
      : [`${down === '' ? 'The seams' : 'First the seams'} across, each in one go: ${across}.`]),
    ...(down === '' ? [] : [`${across === '' ? 'The seams' : 'Then the seams'} down: ${down}.`]),
  ];
}
