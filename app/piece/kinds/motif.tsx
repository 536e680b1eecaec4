import type { MotifPiece } from '../../../core/piece/motif/motif.schema.ts';
import { stitchesOf } from '../../../core/piece/piece.ts';
import { Field } from '../../controls/Field.tsx';
import { IconChoice, pathIcon } from '../../controls/IconChoice.tsx';
import { LengthInput } from '../../controls/LengthInput.tsx';
import { useInTerms, usePlan } from '../../hem/context.ts';
import { PartColour } from '../PartColour.tsx';
import type { EditorProps, SideProps } from '../editorProps.ts';
import { CornerOfMotif } from './CornerOfMotif.tsx';
import { MotifEdgeFields } from './MotifEdgeFields.tsx';
import styles from '../piece.module.css';

const SHAPES = ['3', '4', '5', '6', '8', '0'] as const;

const NAMES: Readonly<Record<(typeof SHAPES)[number], string>> = {
  '0': 'Round',
  '3': 'Triangle',
  '4': 'Square',
  '5': 'Pentagon',
  '6': 'Hexagon',
  '8': 'Octagon',
};

/** A regular outline in a box of 32 by 32, standing on a side. */
function outlinePath(corners: number): string {
  if (corners === 0) return 'M4 16a12 12 0 1 0 24 0a12 12 0 1 0 -24 0';
  const point = (k: number): string => {
    const angle = Math.PI / 2 + (Math.PI * (2 * k + 1)) / corners;
    return `${(16 + 13 * Math.cos(angle)).toFixed(2)} ${(16 + 13 * Math.sin(angle)).toFixed(2)}`;
  };
  return `M${Array.from({ length: corners }, (_, k) => point(k)).join('L')}z`;
}

/** Shapes of a motif. */
export function ShapeOfMotif({ piece, onChange }: EditorProps<MotifPiece>) {
  const chosen = SHAPES.find((s) => Number(s) === piece.corners);
  return (
    <IconChoice
      label="Shape"
      value={chosen ?? `${piece.corners}`}
      options={SHAPES.map((value) => ({
        value: value,
        name: NAMES[value],
        icon: pathIcon(outlinePath(Number(value))),
      }))}
      onChoose={(corners) => onChange('shape', { ...piece, corners: Number(corners) })}
    />
  );
}

/** Last round of a motif, along a side. */
export function SideOfMotif({ piece, onChange, side }: SideProps<MotifPiece>) {
  const { length } = usePlan().hem.preferences;
  const round = piece.corners === 0;
  return (
    <>
      {round && (
        <Field label="Straight across">
          <LengthInput
            label="Across"
            cm={piece.sideCm / Math.PI}
            unit={length}
            onChange={(across) => onChange('width of the circle', { ...piece, sideCm: across * Math.PI })}
          />
        </Field>
      )}
      <MotifEdgeFields
        edge={piece.edge}
        label="Its edge"
        // On the edge itself the count can be typed.
        stitchesLabel={side === null ? (round ? 'Stitches all the way around' : 'Stitches on a side') : null}
        most={20000}
        onChange={(label, edge) => onChange(label, { ...piece, edge })}
      />
    </>
  );
}

/** Corners of a motif’s last round. */
export function CornersOfMotif({ piece, onChange }: EditorProps<MotifPiece>) {
  if (piece.corners === 0) return null;
  return (
    <CornerOfMotif
      chains={piece.cornerChains}
      edge={piece.edge}
      onChange={(cornerChains) => onChange('corners of the motif', { ...piece, cornerChains })}
    />
  );
}

/** So many of its rounds can have colours of their own. */
const MOST_ROUNDS = 40;

/** Colours of the rounds of a motif. */
export function RoundsOfMotif({ piece }: EditorProps<MotifPiece>) {
  const inTerms = useInTerms();
  const rounds = Math.max(-1, ...stitchesOf(piece).map((r) => r.part)) + 1;
  if (rounds === 0) return null;
  return (
    <div role="group" aria-label={inTerms('Colors of its rounds')}>
      <p className="quiet small">{inTerms('Colors of its rounds, from the edge to the middle:')}</p>
      <p className={styles.partColours}>
        {Array.from({ length: Math.min(rounds, MOST_ROUNDS) }, (_, i) => (
          <PartColour key={i} part={i} label={`Color of round ${i + 1} from the edge`} />
        ))}
      </p>
    </div>
  );
}
