import { ListChoice } from '../../look/ListChoice.tsx';
import type { MotifEdge } from '../../../core/piece/motifEdge.schema.ts';
import { Field } from '../../controls/Field.tsx';

interface CornerOfMotifProps {
  /** Chains of the corner space; 0 for a stitch. */
  readonly chains: number;
  readonly edge: MotifEdge;
  readonly onChange: (chains: number) => void;
}

/** How the last round of a motif turns its corners; of a stitch, how to find out that it is the right one. */
export function CornerOfMotif({ chains, edge, onChange }: CornerOfMotifProps) {
  return (
    <>
      <Field label="Corners of the last round">
        <ListChoice
          label="Corners of the last round"
          value={chains}
          popupMatchSelectWidth={false}
          options={[0, 1, 2, 3].map((n) => ({
            value: n,
            label: n === 0 ? 'one stitch' : `a ch-${n} space`,
          }))}
          onChange={onChange}
        />
      </Field>
      {chains === 0 && edge.kind === 'solid' && (
        <p className="quiet small">
          Not sure which stitch it is? Count from it to the next corner stitch, along both sides: with{' '}
          {edge.stitches} between on either side, it is the one.
        </p>
      )}
    </>
  );
}
