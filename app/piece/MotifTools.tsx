import { useState } from 'react';
import { colourParts } from '../../core/edits/piece.ts';
import type { GridPiece } from '../../core/piece/grid/grid.schema.ts';
import { partOfMotif, placedMotifs, type PlacedMotif } from '../../core/piece/grid/grid.ts';
import { withMotif } from '../../core/piece/grid/rearranged.ts';
import { paintedMotifs, type MotifColours } from '../../core/piece/grid/painting.ts';
import type { Piece } from '../../core/piece/piece.ts';
import type { Plan } from '../../core/plan/types.ts';
import { ColourButton } from '../controls/ColourButton.tsx';
import { useHemStore, useInTerms } from '../hem/context.ts';
import { Button } from '../look/Button.tsx';
import styles from './motifsOnPiece.module.css';

/** Effect of a press on a motif of the drawing; null where parts of the piece are picked. */
export type MotifTool =
  | { readonly does: 'leave out' }
  | { readonly does: 'color'; readonly colour: string; readonly wholeRow: boolean };

/** A press on a motif, with the tool in hand. */
export function useMotifTool(
  plan: Plan,
  onPiece: (label: string, piece: Piece) => void,
): (tool: MotifTool, motif: PlacedMotif, here: boolean) => void {
  const store = useHemStore();
  const { piece } = plan.hem;
  return (tool, motif, here) => {
    if (piece.kind !== 'grid') return;
    if (tool.does === 'leave out') {
      const changed = withMotif(piece, motif.column, motif.row);
      if (changed) onPiece(here ? 'a motif left out' : 'a motif put back', changed);
      return;
    }
    const touched = tool.wholeRow ? placedMotifs(piece).filter(({ row }) => row === motif.row) : [motif];
    const colours: MotifColours = Object.fromEntries(
      touched.map(({ column, row }) => [String(partOfMotif(column, row)), tool.colour]),
    );
    store.do(colourParts(colours));
  };
}

export interface MotifToolsProps {
  readonly plan: Plan;
  readonly piece: GridPiece;
  readonly tool: MotifTool | null;
  readonly onTool: (tool: MotifTool | null) => void;
}

/** Brushes for the motifs of the drawing, and colours for all of them at once. */
export function MotifTools({ plan, piece, tool, onTool }: MotifToolsProps) {
  const store = useHemStore();
  const inTerms = useInTerms();
  const [seed, setSeed] = useState(1);
  const { yarns, pieceColour, partColours } = plan.hem;
  const palette = [
    ...new Set([pieceColour, ...yarns.map((y) => y.colour), ...Object.values(partColours)]),
  ].slice(0, 12);
  const brush = tool?.does === 'color' ? tool : null;
  const take = (colour: string): void =>
    onTool({ does: 'color', colour, wholeRow: brush?.wholeRow ?? false });
  const all = (colours: MotifColours): void => void store.do(colourParts(colours));
  const nameOf = (colour: string): string =>
    colour === pieceColour
      ? inTerms('the color of the piece')
      : (yarns.find((y) => y.colour === colour)?.name ?? colour);
  return (
    <>
      <div className={styles.tools} role="group" aria-label="Motifs in the drawing">
        <Button size="small" aria-pressed={tool === null} onClick={() => onTool(null)}>
          Pick
        </Button>
        <Button
          size="small"
          aria-pressed={tool?.does === 'leave out'}
          onClick={() => onTool({ does: 'leave out' })}
        >
          Leave out
        </Button>
        <span>Paint</span>
        {palette.map((colour) => (
          <button
            key={colour}
            type="button"
            className={styles.brush}
            aria-label={`Paint with ${nameOf(colour)}`}
            title={nameOf(colour)}
            aria-pressed={brush?.colour === colour}
            onClick={() => take(colour)}
          >
            <span style={{ background: colour }} />
          </button>
        ))}
        <ColourButton
          label={inTerms('Another color for motifs')}
          colour={brush?.colour ?? pieceColour}
          onColour={take}
        />
      </div>
      <div className={styles.tools}>
        {brush && (
          <Button
            size="small"
            aria-pressed={brush.wholeRow}
            onClick={() => onTool({ ...brush, wholeRow: !brush.wholeRow })}
          >
            Whole rows
          </Button>
        )}
        {palette.length > 1 && (
          <>
            <Button size="small" onClick={() => all(paintedMotifs(piece, 'alternately', palette))}>
              Alternately
            </Button>
            <Button
              size="small"
              onClick={() => {
                all(paintedMotifs(piece, 'at random', palette, seed));
                setSeed(seed + 1);
              }}
            >
              At random
            </Button>
          </>
        )}
      </div>
      <p className="quiet small">{wordsOf(tool, inTerms)}</p>
    </>
  );
}

function wordsOf(tool: MotifTool | null, inTerms: (words: string) => string): string {
  if (tool === null)
    return inTerms('Pick a seam, a side or a corner, or take a color and paint motifs on the drawing.');
  if (tool.does === 'leave out') return 'Press a motif to leave it out. Press the gap to put it back.';
  return tool.wholeRow ? 'Press a row to paint it.' : 'Press motifs, or draw across them.';
}
