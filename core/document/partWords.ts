/** A part of a hem, as it is told to the maker. */
import { inTerms } from '../terms/words.ts';
import { OWN, type Hem } from './hem.ts';
import { sideName } from '../piece/outline.ts';
import { familyById } from '../rounds/registry.ts';

const NAMES: Readonly<Record<string, string>> = {
  everything: 'the whole hem',
  name: 'the name',
  piece: 'the piece',
  pieceColour: 'the color of the piece',
  partColours: 'the colors of its parts',
  bodyLies: 'how the piece itself lies',
  secondReadings: 'the second readings of the tape',
  gauge: 'the gauge',
  notes: 'your notes',
  madeFor: 'for whom it is made',
  madeOn: 'when it was made',
  hands: 'what is known of your hands',
  pace: 'the pace',
  blocking: 'the blocking',
  'preferences.language': 'the crochet terms',
  'preferences.hand': 'the hand',
  'preferences.length': 'the unit of length',
  'preferences.paper': 'the paper',
  'base.stitch': 'the stitch of the base round',
  'base.corner': 'the corners of the base round',
  'base.yarn': 'the yarn of the base round',
  'base.crossing': 'how seams are crossed',
  'base.start': 'where rounds start',
  'base.sides': 'the sides',
  'base.part': 'the part that is bordered',
  'alike.count': 'how many pieces there are',
  'alike.across': 'how the pieces lie',
  'alike.done': 'how many pieces are done',
  'alike.join': 'how the pieces are joined',
  'alike.yarn': 'the yarn that joins the pieces',
  rounds: 'the order of the rounds',
  yarns: 'the order of the yarns',
  weighIns: 'the order of the weighings',
  kept: 'the order of the borders',
};

/** A part in words, by its place as core/document/parts.ts names it: “your notes” for `notes`. */
export function partWords(hem: Hem, part: string): string {
  const known = NAMES[part];
  if (known) return inTerms(known, hem.preferences.language);
  const [list, id] = part.split('/') as [string, string | undefined];
  if (id === undefined) {
    const side = /^base\.sides\.(\d+)$/.exec(part);
    return side ? `side ${sideName(Number(side[1]))}` : part;
  }
  switch (list) {
    case 'rounds': {
      const at = hem.rounds.findIndex((r) => r.id === id);
      const entry = hem.rounds[at];
      if (!entry) return 'a round';
      return entry.family === OWN
        ? 'your round'
        : `the ${(familyById(entry.family)?.name ?? 'round').toLowerCase()}`;
    }
    case 'yarns':
      return `the yarn ${hem.yarns.find((y) => y.id === id)?.name ?? ''}`.trim();
    case 'kept':
      return 'a saved border';
    default:
      return 'a weighing';
  }
}

/** Reminder wherever it is said how a border lies; null while the piece itself lies flat. */
export function bodyLiesWords({ bodyLies }: Pick<Hem, 'bodyLies'>): string | null {
  if (bodyLies === 'flat') return null;
  return `The piece itself ${bodyLies === 'ripples' ? 'waves' : 'pulls in'}. A border will not cure that: block the piece first, and measure it then.`;
}
