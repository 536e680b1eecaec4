import { Button } from 'antd';
import { ListChoice } from '../../look/ListChoice.tsx';
import { useCallback } from 'react';
import type { FoundationChoice, RowsPiece } from '../../../core/piece/rows/rows.schema.ts';
import { ChosenFromDrawings, PlaceTreatments } from '../../sections/Treatment.tsx';
import { usePlan } from '../../hem/context.ts';
import { NumberField } from '../../look/NumberField.tsx';
import { ArrowDownIcon, ArrowUpIcon, PlusIcon, TrashIcon } from '../../look/icons.ts';
import { Meaning } from '../../controls/Meaning.tsx';
import { Field } from '../../controls/Field.tsx';
import type { EditorProps, SideProps } from '../editorProps.ts';
import { PartColour } from '../PartColour.tsx';
import { rowStitchOptions } from './rowStitches.ts';
import styles from '../piece.module.css';

const FOUNDATIONS: readonly FoundationChoice[] = [
  'both loops of the chain',
  'one loop of the chain',
  'stitches of row 1',
  'between the posts of row 1',
];

const LAST_ROWS: readonly RowsPiece['lastRow'][] = ['stitch tops', 'between the posts'];

type Run = RowsPiece['rows'][number];

/** Places that the hook goes into along the last row and the foundation, as drawings. */
export function SideOfRows({ piece, onChange, side }: SideProps<RowsPiece>) {
  const plan = usePlan();
  const withLastRow = useCallback((lastRow: RowsPiece['lastRow']) => ({ ...piece, lastRow }), [piece]);
  const withFoundation = useCallback((foundation: FoundationChoice) => ({ ...piece, foundation }), [piece]);
  const lastRow = (
    <PlaceTreatments
      plan={plan}
      label="Along the last row"
      side={0}
      ids={LAST_ROWS}
      value={piece.lastRow}
      pieceWith={withLastRow}
      onChange={(chosen) => onChange('last row', { ...piece, lastRow: chosen })}
    />
  );
  const foundation = (
    <>
      <PlaceTreatments
        plan={plan}
        label="Along the foundation"
        side={2}
        ids={FOUNDATIONS}
        value={piece.foundation}
        pieceWith={withFoundation}
        onChange={(chosen) => onChange('foundation', { ...piece, foundation: chosen })}
      />
      <p className="quiet small">
        Side C is the <Meaning of="foundation" />.
        {piece.foundation === 'one loop of the chain' &&
          ' One loop leaves a ridge along C that matches the other end.'}
      </p>
    </>
  );
  if (side === 0) return lastRow;
  if (side === 2) return foundation;
  if (side !== null) return null;
  return (
    <>
      <Field label="Along the last row, work into">
        <ChosenFromDrawings label="Along the last row" name={piece.lastRow}>
          {lastRow}
        </ChosenFromDrawings>
      </Field>
      <Field label="Along the foundation, work into">
        <ChosenFromDrawings label="Along the foundation" name={piece.foundation}>
          {foundation}
        </ChosenFromDrawings>
      </Field>
    </>
  );
}

/** The runs of rows as a list. */
export function RunsOfRows({ piece, onChange }: EditorProps<RowsPiece>) {
  return (
    <>
      <h3>Rows, from the last (A) down to the foundation (C)</h3>
      <ol className={styles.rowRuns}>
        {piece.rows
          .map((_, run) => run)
          .reverse()
          .map((run) => (
            <li key={run}>
              <RunOfRows piece={piece} run={run} onChange={onChange} />
            </li>
          ))}
      </ol>
      <Button
        size="small"
        icon={<PlusIcon />}
        onClick={() =>
          onChange('added rows', { ...piece, rows: [...piece.rows, { stitch: 'dc', count: 4 }] })
        }
      >
        Add rows at the top
      </Button>
    </>
  );
}

interface RunOfRowsProps extends EditorProps<RowsPiece> {
  /** Number from the foundation. */
  readonly run: number;
}

/** A run of rows: its colour, how many of which stitch, its place among the others. */
export function RunOfRows({ piece, run: i, onChange }: RunOfRowsProps) {
  const { language } = usePlan().hem.preferences;
  const run = piece.rows[i]!;
  const setRows = (label: string, rows: readonly Run[]): void => onChange(label, { ...piece, rows });
  const set = (changed: Run): void =>
    setRows(
      `run ${i + 1} of rows`,
      piece.rows.map((r, k) => (k === i ? changed : r)),
    );
  const swap = (by: 1 | -1): void => {
    const rows = [...piece.rows];
    [rows[i], rows[i + by]] = [rows[i + by]!, rows[i]!];
    setRows('order of rows', rows);
  };
  return (
    <>
      <PartColour part={i} label={`Color of section ${i + 1}`} />
      <NumberField
        aria-label={`Number of rows, section ${i + 1}`}
        min={1}
        max={5000}
        precision={0}
        value={run.count}
        onChange={(v) => v && set({ ...run, count: v })}
      />
      <span>rows of</span>
      <ListChoice
        label={`Stitch of section ${i + 1}`}
        value={run.stitch}
        popupMatchSelectWidth={false}
        options={rowStitchOptions(language)}
        onChange={(stitch) => set({ ...run, stitch })}
      />
      <Button
        type="text"
        size="small"
        aria-label="Move these rows up"
        icon={<ArrowUpIcon />}
        disabled={i === piece.rows.length - 1}
        onClick={() => swap(1)}
      />
      <Button
        type="text"
        size="small"
        aria-label="Move these rows down"
        icon={<ArrowDownIcon />}
        disabled={i === 0}
        onClick={() => swap(-1)}
      />
      <Button
        type="text"
        size="small"
        aria-label="Remove these rows"
        icon={<TrashIcon />}
        disabled={piece.rows.length === 1}
        onClick={() =>
          setRows(
            'removed rows',
            piece.rows.filter((_, k) => k !== i),
          )
        }
      />
    </>
  );
}
