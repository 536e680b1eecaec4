import { Button } from 'antd';
import { useRef, useState } from 'react';
import { problemLine, type Outcome, type Problem } from '../../../core/problems.ts';
import { TableIcon } from '../../look/icons.ts';
import styles from '../piece.module.css';

export interface TableButtonProps<T> {
  readonly label: string;
  /** Layout of the table, in a line. */
  readonly hint: string;
  readonly read: (text: string) => Outcome<T>;
  readonly onTable: (value: T) => void;
}

/** Takes a description from a table in a CSV file. What is not sound leaves everything as it was. */
export function TableButton<T>({ label, hint, read, onTable }: TableButtonProps<T>) {
  const chooser = useRef<HTMLInputElement>(null);
  const [problems, setProblems] = useState<readonly Problem[]>([]);
  const take = async (file: File | undefined): Promise<void> => {
    if (!file) return;
    const outcome = read(await file.text());
    setProblems(outcome.ok ? [] : outcome.problems);
    if (outcome.ok) onTable(outcome.value);
  };
  return (
    <div
      className={styles.fromTable}
      onDragOver={(e) => e.preventDefault()}
      onDrop={(e) => {
        e.preventDefault();
        void take(e.dataTransfer.files[0]);
      }}
    >
      <Button size="small" icon={<TableIcon />} onClick={() => chooser.current?.click()}>
        {label}
      </Button>
      <input
        ref={chooser}
        type="file"
        accept=".csv,.tsv,text/csv"
        hidden
        aria-label={label}
        onChange={(e) => {
          void take(e.target.files?.[0]);
          e.target.value = '';
        }}
      />
      <span className="quiet small">{hint}</span>
      {problems.map((p, i) => (
        <p key={i} className="problem" role="alert">
          {problemLine(p)}
        </p>
      ))}
    </div>
  );
}
