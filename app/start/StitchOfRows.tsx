import type { RowsPiece } from '../../core/piece/rows/rows.schema.ts';
import { USUAL_ROW_STITCHES } from '../../core/piece/rows/rows.ts';
import { STITCHES, stitchName, type Language, type StitchKind } from '../../core/terms/stitches.ts';
import { IconChoice, pathIcon } from '../controls/IconChoice.tsx';

export interface StitchOfRowsProps {
  readonly piece: RowsPiece;
  readonly language: Language;
  readonly onStitch: (stitch: StitchKind) => void;
}

/** Rows of a stitch as high as they are, in a box of 32 by 32: the higher the stitch, the fewer rows. */
function rowsPath(stitch: StitchKind): string {
  const high = 6 * STITCHES[stitch].height;
  const rows = Math.max(1, Math.floor(26 / high));
  const lines = Array.from({ length: rows + 1 }, (_, k) => `M4 ${29 - k * high}h24`);
  const posts = Array.from({ length: rows }, (_, k) =>
    [8, 13, 18, 23].map((x) => `M${x + (k % 2) * 2} ${29 - k * high}v${-high}`).join(''),
  );
  return [...lines, ...posts].join('');
}

/** Stitch of the rows that were made, as pictures. */
export function StitchOfRows({ piece, language, onStitch }: StitchOfRowsProps) {
  return (
    <IconChoice
      label="Stitch of the rows"
      value={piece.rows[0]!.stitch}
      options={USUAL_ROW_STITCHES.map((value) => ({
        value,
        name: stitchName(value, language),
        icon: pathIcon(rowsPath(value)),
      }))}
      onChoose={onStitch}
    />
  );
}
