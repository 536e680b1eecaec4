import { Segmented, Select } from 'antd';
import type { MotifPiece } from '../../core/piece/piece.ts';
import { abbreviation, stitchName } from '../../core/terms/stitches.ts';
import { usePlan } from '../hem/context.ts';
import { Field, WholeNumber } from './Field.tsx';
import { LengthInput } from './LengthInput.tsx';
import type { EditorProps } from './PiecePage.tsx';
import { ROW_STITCHES } from './RowsEditor.tsx';

const SHAPES = [
  [0, 'round'],
  [3, 'triangle'],
  [4, 'square'],
  [5, 'pentagon'],
  [6, 'hexagon'],
  [8, 'octagon'],
] as const;

/** One motif worked in rounds. */
export function MotifEditor({ piece, onChange }: EditorProps<MotifPiece>) {
  const { length, language } = usePlan().hem.preferences;
  const { edge } = piece;
  const round = piece.corners === 0;
  const setEdge = (label: string, changed: MotifPiece['edge']): void =>
    onChange(label, { ...piece, edge: changed });
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
      <Field label={round ? 'All round the edge' : 'One side'}>
        <LengthInput
          label={round ? 'All round' : 'One side'}
          cm={piece.sideCm}
          unit={length}
          onChange={(sideCm) => onChange('length of a side', { ...piece, sideCm })}
        />
      </Field>
      {!round && (
        <Field label="Corners of the last round">
          <Select
            aria-label="Corners of the last round"
            value={piece.cornerChains}
            popupMatchSelectWidth={false}
            options={[0, 1, 2, 3].map((n) => ({
              value: n,
              label: n === 0 ? 'one stitch' : `a ch-${n} space`,
            }))}
            onChange={(cornerChains) => onChange('corners of the motif', { ...piece, cornerChains })}
          />
        </Field>
      )}
      <Field label="Its edge">
        <Segmented
          aria-label="Its edge"
          block
          value={edge.kind}
          options={[
            { value: 'solid', label: 'solid' },
            { value: 'clustered', label: 'clusters' },
          ]}
          onChange={(kind) =>
            setEdge(
              `${kind} edge`,
              kind === 'solid'
                ? {
                    kind: 'solid',
                    stitch: 'dc',
                    stitches: edge.kind === 'clustered' ? edge.clusters * edge.stitchesEach : 60,
                  }
                : {
                    kind: 'clustered',
                    clusters: edge.kind === 'solid' ? Math.max(2, Math.round(edge.stitches / 3)) : 20,
                    stitchesEach: 3,
                    chainsBetween: 0,
                  },
            )
          }
        />
      </Field>
      {edge.kind === 'solid' ? (
        <>
          <WholeNumber
            label={round ? 'Stitches all round' : 'Stitches on a side, between the corners'}
            min={1}
            max={20000}
            value={edge.stitches}
            onChange={(stitches) => setEdge('stitches on a side', { ...edge, stitches })}
          />
          <Field label="Stitch">
            <Select
              aria-label="Stitch of the last round"
              value={edge.stitch}
              popupMatchSelectWidth={false}
              options={ROW_STITCHES.map((s) => ({
                value: s,
                label: `${abbreviation(s, language)} · ${stitchName(s, language)}`,
              }))}
              onChange={(stitch) => setEdge('stitch of the motif', { ...edge, stitch })}
            />
          </Field>
        </>
      ) : (
        <>
          <WholeNumber
            label="Clusters on a side, the corners’ halves included"
            min={2}
            max={2000}
            value={edge.clusters}
            onChange={(clusters) => setEdge('clusters', { ...edge, clusters })}
          />
          <WholeNumber
            label="Stitches in a cluster"
            min={2}
            max={9}
            value={edge.stitchesEach}
            onChange={(stitchesEach) => setEdge('cluster', { ...edge, stitchesEach })}
          />
          <WholeNumber
            label="Chains between clusters"
            min={0}
            max={5}
            value={edge.chainsBetween}
            onChange={(chainsBetween) => setEdge('chains between clusters', { ...edge, chainsBetween })}
          />
        </>
      )}
    </>
  );
}
