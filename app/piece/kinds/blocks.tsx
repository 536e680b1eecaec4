import { Segmented } from 'antd';
import { LOOP_OF } from '../../../core/piece/blocks/blocks.ts';
import type { BlocksPiece } from '../../../core/piece/blocks/blocks.schema.ts';
import { stitchName } from '../../../core/terms/stitches.ts';
import { WholeNumber, Field } from '../../controls/Field.tsx';
import { usePlan } from '../../hem/context.ts';
import type { EditorProps, SideProps } from '../editorProps.ts';

/** Stitch of the blocks. */
export function ShapeOfBlocks({ piece, onChange }: EditorProps<BlocksPiece>) {
  const { language } = usePlan().hem.preferences;
  return (
    <Field label="Blocks of">
      <Segmented
        aria-label="Blocks of"
        block
        value={piece.stitch}
        options={(['hdc', 'dc'] as const).map((s) => ({ value: s, label: stitchName(s, language) }))}
        onChange={(stitch) =>
          // The loops follow where they are still those of the stitch before.
          onChange('blocks', {
            ...piece,
            stitch,
            loopChains: piece.loopChains === LOOP_OF[piece.stitch] ? LOOP_OF[stitch] : piece.loopChains,
          })
        }
      />
    </Field>
  );
}

/** Loops along the edges of blocks. */
export function SideOfBlocks({ piece, onChange }: SideProps<BlocksPiece>) {
  return (
    <>
      <WholeNumber
        label="Chains of its loops"
        min={1}
        max={6}
        value={piece.loopChains}
        onChange={(loopChains) => onChange('chains of the loops', { ...piece, loopChains })}
      />
      <p className="quiet small">
        The edge offers gaps between blocks and hardly a stitch top: work one in each gap with chains between,
        then fill the loops in round 1.
      </p>
    </>
  );
}
