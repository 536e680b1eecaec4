import { LOOP_OF } from '../../core/piece/blocks/blocks.ts';
import { WholeNumber, Field } from '../controls/Field.tsx';
import type { EditorProps } from './editorProps.ts';
import { Segmented } from 'antd';
import type { BlocksPiece } from '../../core/piece/blocks/blocks.schema.ts';
import { abbreviation } from '../../core/terms/stitches.ts';
import { usePlan } from '../hem/context.ts';
import { SizeFields } from './SizeFields.tsx';

/** Blocks worked from corner to corner. */
export function BlocksEditor({ piece, onChange }: EditorProps<BlocksPiece>) {
  const { language } = usePlan().hem.preferences;
  return (
    <>
      <Field label="Blocks of">
        <Segmented
          aria-label="Blocks of"
          block
          value={piece.stitch}
          options={(['hdc', 'dc'] as const).map((s) => ({ value: s, label: abbreviation(s, language) }))}
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
      <WholeNumber
        label="Blocks along A and C"
        min={2}
        max={2000}
        value={piece.blocksWide}
        onChange={(blocksWide) => onChange('blocks across', { ...piece, blocksWide })}
      />
      <WholeNumber
        label="Blocks along B and D"
        min={2}
        max={2000}
        value={piece.blocksHigh}
        onChange={(blocksHigh) => onChange('blocks up', { ...piece, blocksHigh })}
      />
      <WholeNumber
        label="Chains of its loops"
        min={1}
        max={6}
        value={piece.loopChains}
        onChange={(loopChains) => onChange('chains of the loops', { ...piece, loopChains })}
      />
      <SizeFields piece={piece} onChange={onChange} />
      <p className="quiet small">
        The edge offers gaps between blocks and hardly a stitch top: work one in each gap with chains between,
        then fill the loops in round 1.
      </p>
    </>
  );
}
