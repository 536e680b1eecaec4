/** Colours for many joined motifs at once. */
import { chanceOf, type Chance } from '../../chance.ts';
import type { GridPiece } from './grid.schema.ts';
import { hasHalves, partOfMotif, type PlacedMotif, placedMotifs } from './grid.ts';
import { LATTICES } from './registry.ts';

export type PaintWay = 'alternately' | 'at random';

/** Colours of motifs by the number of their part. */
export type MotifColours = Readonly<Record<string, string>>;

/**
 * Every motif in one of some colours.
 *
 * @param palette one colour or more, each once
 * @param seed for colours at random: the same seed gives the same
 * @returns alternately, colours follow each other from motif to motif and from row to row; at random, those of motifs that are joined
 *   differ, as far as there are colours enough
 */
export function paintedMotifs(
  piece: GridPiece,
  way: PaintWay,
  palette: readonly string[],
  seed = 1,
): MotifColours {
  const motifs = placedMotifs(piece);
  const part = ({ column, row }: PlacedMotif): string => String(partOfMotif(column, row));
  if (way === 'alternately') {
    const { turn } = LATTICES[piece.lattice];
    const halves = hasHalves(piece);
    return Object.fromEntries(
      motifs.map((motif) => {
        const n = palette.length;
        return [part(motif), palette[((turn(motif.column, motif.row, halves) % n) + n) % n] ?? ''];
      }),
    );
  }
  const across = neighboursOf(motifs);
  let best = atRandom(motifs, across, palette, chanceOf(seed));
  for (let again = 1; best.alike > 0 && again < TRIES; again++) {
    const other = atRandom(motifs, across, palette, chanceOf(seed + 1000 * again));
    if (other.alike < best.alike) best = other;
  }
  return Object.fromEntries([...best.painted].map(([motif, colour]) => [part(motif), colour]));
}

/** How often colours are dealt out anew while neighbours are alike. */
const TRIES = 40;

/** Colours dealt out one after the other. @returns with how many pairs of neighbours have the same */
function atRandom(
  motifs: readonly PlacedMotif[],
  across: ReadonlyMap<PlacedMotif, readonly PlacedMotif[]>,
  palette: readonly string[],
  chance: Chance,
): { readonly painted: ReadonlyMap<PlacedMotif, string>; readonly alike: number } {
  const painted = new Map<PlacedMotif, string>();
  let alike = 0;
  for (const motif of motifs) {
    const taken = (across.get(motif) ?? []).map((n) => painted.get(n));
    const times = (colour: string): number => taken.filter((t) => t === colour).length;
    const least = Math.min(...palette.map(times));
    painted.set(motif, chance.pick(palette.filter((colour) => times(colour) === least)));
    alike += least;
  }
  return { painted, alike };
}

/** Motifs that each is joined to. */
export function neighboursOf(
  motifs: readonly PlacedMotif[],
): ReadonlyMap<PlacedMotif, readonly PlacedMotif[]> {
  const bySide = new Map(motifs.flatMap((motif) => motif.sides.map(({ key }) => [key, motif] as const)));
  return new Map(motifs.map((motif) => [motif, motif.sides.flatMap(({ back }) => bySide.get(back) ?? [])]));
}
