import type { KnitFabric, KnitPiece } from '../../../core/piece/knit/knit.schema.ts';
import { inFabric } from '../../../core/piece/knit/knit.ts';
import { Check } from '../../look/Check.tsx';
import { IconChoice, pathIcon } from '../../controls/IconChoice.tsx';
import type { EditorProps, SideProps } from '../editorProps.ts';

/** Each fabric with its name and its picture, a path in a box of 32 by 32. */
const FABRICS: readonly (readonly [KnitFabric, string, string])[] = [
  ['garter', 'Garter', 'M4 8q3 -4 6 0t6 0t6 0t6 0M4 16q3 -4 6 0t6 0t6 0t6 0M4 24q3 -4 6 0t6 0t6 0t6 0'],
  [
    'stockinette',
    'Stockinette (stocking stitch)',
    'M5 5l4 6l4 -6M14 5l4 6l4 -6M5 13l4 6l4 -6M14 13l4 6l4 -6M5 21l4 6l4 -6M14 21l4 6l4 -6',
  ],
  ['ribbing', 'Ribbing', 'M5 4v24M9 4v24M14 9h4M14 16h4M14 23h4M23 4v24M27 4v24'],
];

/** Fabrics of a knitted piece. */
export function ShapeOfKnit({ piece, onChange }: EditorProps<KnitPiece>) {
  return (
    <IconChoice
      label="How it was knitted"
      value={piece.fabric}
      options={FABRICS.map(([value, name, path]) => ({ value, name, icon: pathIcon(path) }))}
      onChoose={(fabric) => onChange('knitting', inFabric(piece, fabric))}
    />
  );
}

/** Edge stitches of a knitted piece, along its row ends. */
export function SideOfKnit({ piece, onChange, side }: SideProps<KnitPiece>) {
  if (side !== null && side % 2 === 0) return null;
  return (
    <Check checked={piece.slipped} onChange={(slipped) => onChange('slipped edge', { ...piece, slipped })}>
      the first stitch of every row was slipped
    </Check>
  );
}
