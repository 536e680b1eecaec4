import { Checkbox, Segmented } from 'antd';
import { ListChoice } from '../../look/ListChoice.tsx';
import type { MotifEdge } from '../../../core/piece/motifEdge.schema.ts';
import { usePlan } from '../../hem/context.ts';
import { Field, WholeNumber } from '../../controls/Field.tsx';
import { rowStitchOptions } from './rowStitches.ts';

export interface MotifEdgeFieldsProps {
  readonly edge: MotifEdge;
  readonly label: string;
  /** Null where the stitches are told elsewhere. */
  readonly stitchesLabel: string | null;
  /** Most stitches of a solid side. */
  readonly most: number;
  readonly onChange: (label: string, edge: MotifEdge) => void;
}

/** The side of a motif: stitches side by side, or clusters with gaps or chains between. */
export function MotifEdgeFields({ edge, label, stitchesLabel, most, onChange: put }: MotifEdgeFieldsProps) {
  const { language } = usePlan().hem.preferences;
  return (
    <>
      <Field label={label}>
        <Segmented
          aria-label={label}
          block
          value={edge.kind}
          options={[
            { value: 'solid', label: 'solid' },
            { value: 'clustered', label: 'groups' },
          ]}
          onChange={(kind) =>
            put(
              `${kind} edge`,
              kind === 'solid'
                ? {
                    kind: 'solid',
                    stitch: 'dc',
                    stitches: edge.kind === 'clustered' ? edge.clusters * edge.stitchesEach : 60,
                    between: false,
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
          {stitchesLabel !== null && (
            <WholeNumber
              label={stitchesLabel}
              min={1}
              max={most}
              value={edge.stitches}
              onChange={(stitches) => put('stitches on a side', { ...edge, stitches })}
            />
          )}
          <Field label="Stitch">
            <ListChoice
              label="Stitch of the last round"
              value={edge.stitch}
              popupMatchSelectWidth={false}
              options={rowStitchOptions(language)}
              onChange={(stitch) => put('stitch of the motif', { ...edge, stitch })}
            />
          </Field>
          <Checkbox
            checked={edge.between}
            onChange={(e) => put('between posts', { ...edge, between: e.target.checked })}
          >
            worked into between the posts
          </Checkbox>
        </>
      ) : (
        <>
          <WholeNumber
            label="Groups on one side (half a group at each corner counts)"
            min={2}
            max={2000}
            value={edge.clusters}
            onChange={(clusters) => put('groups', { ...edge, clusters })}
          />
          <WholeNumber
            label="Stitches in a group"
            min={2}
            max={9}
            value={edge.stitchesEach}
            onChange={(stitchesEach) => put('group', { ...edge, stitchesEach })}
          />
          <WholeNumber
            label="Chains between groups"
            min={0}
            max={5}
            value={edge.chainsBetween}
            onChange={(chainsBetween) => put('chains between groups', { ...edge, chainsBetween })}
          />
        </>
      )}
    </>
  );
}
