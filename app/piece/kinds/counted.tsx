import { Field } from '../../controls/Field.tsx';
import type { EditorProps } from '../editorProps.ts';
import { Button } from 'antd';
import { readCounts } from '../../../core/document/csv.ts';
import type { CountedPiece } from '../../../core/piece/counted/counted.schema.ts';
import { sideName } from '../../../core/piece/outline.ts';
import { usePlan } from '../../hem/context.ts';
import { LengthInput } from '../../controls/LengthInput.tsx';
import { TableButton } from './TableButton.tsx';
import { NumberField } from '../../look/NumberField.tsx';
import { PlusIcon, TrashIcon } from '../../look/icons.ts';
import styles from '../piece.module.css';

type Side = CountedPiece['sides'][number];

/** Any outline, side by side. */
export function SidesCounted({ piece, onChange }: EditorProps<CountedPiece>) {
  const { length } = usePlan().hem.preferences;
  const put = (label: string, sides: readonly Side[]): void => onChange(label, { ...piece, sides });
  const set = (i: number, part: Partial<Side>): void =>
    put(
      `side ${sideName(i)}`,
      piece.sides.map((s, k) => (k === i ? { ...s, ...part } : s)),
    );
  const disc = piece.sides.length === 1;
  return (
    <>
      <p className="quiet small">
        {disc
          ? 'One side that closes on itself: a circle. Add sides for corners.'
          : 'List the sides in the order you work them. A square corner is 90°, an inner corner −90°.'}
      </p>
      <table className={styles.countedSides}>
        <thead>
          <tr>
            <th scope="col">Side</th>
            <th scope="col">Length</th>
            <th scope="col">Stitches</th>
            {!disc && <th scope="col">Corner angle before it</th>}
            <th />
          </tr>
        </thead>
        <tbody>
          {piece.sides.map((side, i) => (
            <tr key={i}>
              <th scope="row">{sideName(i)}</th>
              <td>
                <LengthInput
                  label={`Length of ${sideName(i)}`}
                  cm={side.lengthCm}
                  unit={length}
                  onChange={(lengthCm) => set(i, { lengthCm })}
                />
              </td>
              <td>
                <NumberField
                  aria-label={`Stitches on ${sideName(i)}`}
                  min={1}
                  max={20000}
                  precision={0}
                  value={side.stitches}
                  onChange={(v) => v && set(i, { stitches: v })}
                />
              </td>
              {!disc && (
                <td>
                  <NumberField
                    aria-label={`Corner angle before ${sideName(i)}`}
                    min={-150}
                    max={170}
                    suffix="°"
                    value={side.turnDegrees}
                    onChange={(v) => v !== null && set(i, { turnDegrees: v })}
                  />
                </td>
              )}
              <td>
                <Button
                  type="text"
                  size="small"
                  aria-label={`Remove side ${sideName(i)}`}
                  icon={<TrashIcon />}
                  disabled={disc}
                  onClick={() =>
                    put(
                      'removed a side',
                      piece.sides.length === 3
                        ? [{ ...piece.sides[0]!, turnDegrees: 0 }]
                        : piece.sides.filter((_, k) => k !== i),
                    )
                  }
                />
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {disc && (
        <Field label="Or straight across">
          <LengthInput
            label="Width of the circle"
            cm={piece.sides[0]!.lengthCm / Math.PI}
            unit={length}
            onChange={(across) => set(0, { lengthCm: Number((across * Math.PI).toFixed(3)) })}
          />
        </Field>
      )}
      <div>
        <Button size="small" icon={<PlusIcon />} onClick={() => put('added a side', moreSides(piece.sides))}>
          {disc ? 'Give it corners' : 'Another side'}
        </Button>
      </div>
      <TableButton
        label="Sides from a CSV file"
        hint="Columns: side, length, stitches, turn."
        read={readCounts}
        onTable={(counted) => put('sides from a table', counted.sides)}
      />
    </>
  );
}

/** A disc becomes a triangle of the same circumference; an outline gets one side more. */
function moreSides(sides: readonly Side[]): readonly Side[] {
  const last = sides[sides.length - 1]!;
  if (sides.length > 1) return [...sides, last];
  const third = {
    lengthCm: Math.round(last.lengthCm / 3),
    stitches: Math.max(1, Math.round(last.stitches / 3)),
    turnDegrees: 120,
  };
  return [third, third, third];
}
