import type { KnitFabric, KnitPiece } from '../../core/piece/knit/knit.schema.ts';
import { inFabric } from '../../core/piece/knit/knit.ts';
import { careOf } from '../../core/piece/piece.ts';
import { useInTerms } from '../hem/context.ts';
import { IconChoice, pathIcon } from '../controls/IconChoice.tsx';
import { WholeNumber } from '../controls/Field.tsx';
import type { EditorProps } from './editorProps.ts';
import { SizeFields } from './SizeFields.tsx';

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

/** A knitted piece: its fabric, stitches and rows, and its edge stitches. */
export function KnitEditor({ piece, onChange }: EditorProps<KnitPiece>) {
  const inTerms = useInTerms();
  const care = careOf(piece);
  return (
    <>
      <IconChoice
        label="How it was knitted"
        value={piece.fabric}
        options={FABRICS.map(([value, name, path]) => ({ value, name, icon: pathIcon(path) }))}
        onChoose={(fabric) => onChange('knitting', inFabric(piece, fabric))}
      />
      <WholeNumber
        label="Stitches"
        min={4}
        max={5000}
        value={piece.stitches}
        onChange={(stitches) => onChange('stitches', { ...piece, stitches })}
      />
      <WholeNumber
        label={piece.fabric === 'garter' ? 'Rows, two to a ridge' : 'Rows'}
        min={2}
        max={20_000}
        value={piece.rows}
        onChange={(rows) => onChange('rows', { ...piece, rows })}
      />
      <label>
        <input
          type="checkbox"
          checked={piece.slipped}
          onChange={(e) => onChange('slipped edge', { ...piece, slipped: e.target.checked })}
        />{' '}
        the first stitch of every row was slipped
      </label>
      <SizeFields piece={piece} onChange={onChange} />
      {care && <p className="quiet small">{inTerms(care)}</p>}
    </>
  );
}
