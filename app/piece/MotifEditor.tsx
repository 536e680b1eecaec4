import { Select } from 'antd';
import { CornerOfMotif } from './CornerOfMotif.tsx';
import type { MotifPiece } from '../../core/piece/motif/motif.schema.ts';
import { useInTerms, usePlan } from '../hem/context.ts';
import { Field } from '../controls/Field.tsx';
import type { EditorProps } from './editorProps.ts';
import { LengthInput } from '../controls/LengthInput.tsx';
import { stitchesOf } from '../../core/piece/piece.ts';
import { PartColour } from './PartColour.tsx';
import { MotifEdgeFields } from './MotifEdgeFields.tsx';
import styles from './piece.module.css';

const SHAPES = [
  [0, 'round'],
  [3, 'triangle'],
  [4, 'square'],
  [5, 'pentagon'],
  [6, 'hexagon'],
  [8, 'octagon'],
] as const;

/** So many of its rounds can have colours of their own. */
const MOST_ROUNDS = 40;

/** One motif worked in rounds. */
export function MotifEditor({ piece, onChange }: EditorProps<MotifPiece>) {
  const { length } = usePlan().hem.preferences;
  const inTerms = useInTerms();
  const { edge } = piece;
  const round = piece.corners === 0;
  const rounds = Math.max(-1, ...stitchesOf(piece).map((r) => r.part)) + 1;
  return (
    <>
      <Field label="Shape">
        <Select
          aria-label="Shape"
          value={piece.corners}
          options={SHAPES.map(([value, label]) => ({ value, label }))}
          onChange={(corners) => onChange('shape', { ...piece, corners })}
        />
      </Field>
      <Field label={round ? 'All the way around' : 'One side'}>
        <LengthInput
          label={round ? 'All the way around' : 'One side'}
          cm={piece.sideCm}
          unit={length}
          onChange={(sideCm) => onChange('length of a side', { ...piece, sideCm })}
        />
      </Field>
      {round && (
        <Field label="Or straight across">
          <LengthInput
            label="Across"
            cm={piece.sideCm / Math.PI}
            unit={length}
            onChange={(across) => onChange('width of the circle', { ...piece, sideCm: across * Math.PI })}
          />
        </Field>
      )}
      {!round && (
        <CornerOfMotif
          chains={piece.cornerChains}
          edge={edge}
          onChange={(cornerChains) => onChange('corners of the motif', { ...piece, cornerChains })}
        />
      )}
      <MotifEdgeFields
        edge={edge}
        label="Its edge"
        stitchesLabel={round ? 'Stitches all the way around' : 'Stitches on a side, between the corners'}
        most={20000}
        onChange={(label, changed) => onChange(label, { ...piece, edge: changed })}
      />
      {rounds > 0 && (
        <div role="group" aria-label={inTerms('Colors of its rounds')}>
          <p className="quiet small">{inTerms('Colors of its rounds, from the edge to the middle:')}</p>
          <p className={styles.partColours}>
            {Array.from({ length: Math.min(rounds, MOST_ROUNDS) }, (_, i) => (
              <PartColour key={i} part={i} label={`Color of round ${i + 1} from the edge`} />
            ))}
          </p>
        </div>
      )}
    </>
  );
}
