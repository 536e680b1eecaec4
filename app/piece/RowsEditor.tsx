import { wholeEdge } from '../../core/piece/along.ts';
import { WholeNumber, Field } from '../controls/Field.tsx';
import type { EditorProps } from './editorProps.ts';
import { Button, Select } from 'antd';
import { useCallback } from 'react';
import type { FoundationChoice, RowsPiece } from '../../core/piece/rows/rows.schema.ts';
import { abbreviation, stitchName, type StitchKind } from '../../core/terms/stitches.ts';
import { lengthWords, plural } from '../../core/say/measures.ts';
import { ChosenFromDrawings, PlaceTreatments } from '../sections/Treatment.tsx';
import { usePlan } from '../hem/context.ts';
import { SizeFields } from './SizeFields.tsx';
import { PartColour } from './PartColour.tsx';
import { NumberField } from '../look/NumberField.tsx';
import { ArrowDownIcon, ArrowUpIcon, PlusIcon, TrashIcon } from '../look/icons.ts';
import styles from './piece.module.css';

export const ROW_STITCHES: readonly StitchKind[] = ['sc', 'esc', 'hdc', 'hhdc', 'dc', 'tr', 'dtr'];
const FOUNDATIONS: readonly FoundationChoice[] = [
  'both loops of the chain',
  'one loop of the chain',
  'stitches of row 1',
  'between the posts of row 1',
];

const LAST_ROWS: readonly RowsPiece['lastRow'][] = ['stitch tops', 'between the posts'];

type Run = RowsPiece['rows'][number];

/** Rows worked back and forth. */
export function RowsEditor({ piece, onChange }: EditorProps<RowsPiece>) {
  const plan = usePlan();
  const { length } = plan.hem.preferences;
  const withLastRow = useCallback((lastRow: RowsPiece['lastRow']) => ({ ...piece, lastRow }), [piece]);
  const withFoundation = useCallback((foundation: FoundationChoice) => ({ ...piece, foundation }), [piece]);
  const total = piece.rows.reduce((sum, r) => sum + r.count, 0);
  const setRows = (label: string, rows: readonly Run[]): void => onChange(label, { ...piece, rows });
  const setRun = (i: number, run: Run): void =>
    setRows(
      `run ${i + 1} of rows`,
      piece.rows.map((r, k) => (k === i ? run : r)),
    );
  const swap = (i: number, by: 1 | -1): void => {
    const rows = [...piece.rows];
    [rows[i], rows[i + by]] = [rows[i + by]!, rows[i]!];
    setRows('order of rows', rows);
  };
  return (
    <>
      <WholeNumber
        label="Stitches in a row"
        min={4}
        max={5000}
        value={piece.stitches}
        onChange={(stitches) => onChange('stitches in a row', { ...piece, stitches })}
      />
      <SizeFields piece={piece} onChange={onChange} />
      <Field label="Along the last row, work into">
        <ChosenFromDrawings label="Along the last row" name={piece.lastRow}>
          <PlaceTreatments
            plan={plan}
            label="Along the last row"
            side={0}
            ids={LAST_ROWS}
            value={piece.lastRow}
            pieceWith={withLastRow}
            onChange={(lastRow) => onChange('last row', { ...piece, lastRow })}
          />
        </ChosenFromDrawings>
      </Field>
      <Field label="Along the foundation, work into">
        <ChosenFromDrawings label="Along the foundation" name={piece.foundation}>
          <PlaceTreatments
            plan={plan}
            label="Along the foundation"
            side={2}
            ids={FOUNDATIONS}
            value={piece.foundation}
            pieceWith={withFoundation}
            onChange={(foundation) => onChange('foundation', { ...piece, foundation })}
          />
        </ChosenFromDrawings>
      </Field>
      {piece.foundation === 'one loop of the chain' && (
        <p className="quiet small">One loop leaves a ridge along C that matches the other end.</p>
      )}
      <p className="quiet small">
        {plural(total, 'row')} like these usually {total === 1 ? 'measures' : 'measure'} about{' '}
        {lengthWords(wholeEdge(plan.body.edges[1]!).computedMm, length)}. If your tape says otherwise, use
        your tape. Measure twice; do not stretch.
      </p>
      <h2>Rows, from the last (A) down to the foundation (C)</h2>
      <ol className={styles.rowRuns}>
        {piece.rows
          .map((run, i) => ({ run, i }))
          .reverse()
          .map(({ run, i }) => (
            <li key={i}>
              <RunFields number={i + 1} run={run} onChange={(changed) => setRun(i, changed)} />
              <Button
                type="text"
                size="small"
                aria-label="Move these rows up"
                icon={<ArrowUpIcon />}
                disabled={i === piece.rows.length - 1}
                onClick={() => swap(i, 1)}
              />
              <Button
                type="text"
                size="small"
                aria-label="Move these rows down"
                icon={<ArrowDownIcon />}
                disabled={i === 0}
                onClick={() => swap(i, -1)}
              />
              <Button
                type="text"
                size="small"
                aria-label="Remove these rows"
                icon={<TrashIcon />}
                disabled={piece.rows.length === 1}
                onClick={() =>
                  setRows(
                    'took out rows',
                    piece.rows.filter((_, k) => k !== i),
                  )
                }
              />
            </li>
          ))}
      </ol>
      <Button
        size="small"
        icon={<PlusIcon />}
        onClick={() => setRows('added rows', [...piece.rows, { stitch: 'dc', count: 4 }])}
      >
        Add rows at the top
      </Button>
    </>
  );
}

interface RunFieldsProps {
  /** From 1 at the foundation. */
  readonly number: number;
  readonly run: Run;
  readonly onChange: (run: Run) => void;
}

/** A run of rows: how many, of which stitch. */
export function RunFields({ number, run, onChange }: RunFieldsProps) {
  const { language } = usePlan().hem.preferences;
  return (
    <>
      <PartColour part={number - 1} label={`Color of section ${number}`} />
      <NumberField
        aria-label={`Number of rows, section ${number}`}
        min={1}
        max={5000}
        precision={0}
        value={run.count}
        onChange={(v) => v && onChange({ ...run, count: v })}
      />
      <span>rows of</span>
      <Select
        aria-label={`Stitch of section ${number}`}
        value={run.stitch}
        popupMatchSelectWidth={false}
        options={ROW_STITCHES.map((s) => ({
          value: s,
          label: `${abbreviation(s, language)} · ${stitchName(s, language)}`,
        }))}
        onChange={(stitch) => onChange({ ...run, stitch })}
      />
    </>
  );
}
