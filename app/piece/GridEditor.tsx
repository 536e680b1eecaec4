import { WholeNumber, Field } from '../controls/Field.tsx';
import type { EditorProps } from './editorProps.ts';
import { Button, Checkbox } from 'antd';
import { useState } from 'react';
import { readGrid } from '../../core/document/csv.ts';
import type { GridPiece } from '../../core/piece/grid/grid.schema.ts';
import { colourPart } from '../../core/edits/piece.ts';
import { partOfMotif } from '../../core/piece/grid/grid.ts';
import { ColourButton } from '../controls/ColourButton.tsx';
import { useHemStore, useInTerms, usePlan } from '../hem/context.ts';
import { LengthInput } from '../controls/LengthInput.tsx';
import { CornerOfMotif } from './CornerOfMotif.tsx';
import { MotifEdgeFields } from './MotifEdgeFields.tsx';
import { TableButton } from './TableButton.tsx';
import styles from './piece.module.css';

/** A grid of joined motifs; single motifs can be left out, for a stepped outline. */
export function GridEditor({ piece, onChange }: EditorProps<GridPiece>) {
  const { preferences, partColours, pieceColour, yarns } = usePlan().hem;
  const { length } = preferences;
  const store = useHemStore();
  const inTerms = useInTerms();
  const [brush, setBrush] = useState<string | null>(null);
  const paint = (x: number, y: number, colour: string): void => {
    const part = partOfMotif(x, y);
    const same = partColours[String(part)] === colour || colour === pieceColour;
    store.do(colourPart(part, same ? null : colour));
  };
  const { cells } = piece;
  const across = Math.max(...cells.map((row) => row.length));
  const put = (label: string, changed: readonly string[]): void => {
    if (changed.some((row) => row.includes('#'))) onChange(label, { ...piece, cells: changed });
  };
  const toggle = (x: number, y: number): void =>
    put(
      'motif',
      cells.map((row, k) => (k === y ? replaceAt(row.padEnd(across, '.'), x) : row)),
    );
  const resize = (wide: number, high: number): void =>
    put(
      'grid',
      Array.from({ length: high }, (_, y) =>
        (cells[y] ?? '#'.repeat(across)).padEnd(wide, '#').slice(0, wide),
      ),
    );
  return (
    <>
      <WholeNumber
        label="Motifs across"
        min={1}
        max={60}
        value={across}
        onChange={(v) => resize(v, cells.length)}
      />
      <WholeNumber
        label="Motifs down"
        min={1}
        max={60}
        value={cells.length}
        onChange={(v) => resize(across, v)}
      />
      <div
        className={styles.gridCells}
        style={{ gridTemplateColumns: `repeat(${across}, 1fr)`, maxWidth: across * 34 }}
        role="group"
        aria-label="Motifs of the grid"
      >
        {cells.map((row, y) =>
          Array.from({ length: across }, (_, x) => (
            <button
              key={`${x} ${y}`}
              type="button"
              aria-label={`Row ${y + 1}, motif ${x + 1}: ${row[x] === '#' ? 'here' : 'left out'}`}
              aria-pressed={row[x] === '#'}
              style={
                row[x] === '#' ? { background: partColours[String(partOfMotif(x, y))] ?? pieceColour } : {}
              }
              onClick={() => (brush === null ? toggle(x, y) : paint(x, y, brush))}
            />
          )),
        )}
      </div>
      <div className={styles.gridBrush}>
        <Checkbox
          checked={brush !== null}
          onChange={(e) => setBrush(e.target.checked ? yarns[0]!.colour : null)}
        >
          {inTerms('color the motifs that are pressed')}
        </Checkbox>
        {brush !== null && (
          <ColourButton
            label={inTerms('Color for motifs')}
            colour={brush}
            onColour={setBrush}
            onClear={() => setBrush(pieceColour)}
          />
        )}
      </div>
      <p className="quiet small">
        {brush === null
          ? 'Press a motif to leave it out: the outline may step.'
          : inTerms('Press a motif to give it this color; press it again to take it away.')}
      </p>
      {cells.some((row) => row.includes('.')) && (
        <Button size="small" onClick={() => resizeFull(across, cells.length, put)}>
          Fill the whole grid
        </Button>
      )}
      <TableButton
        label="Motifs from a CSV file"
        hint="A line for each row; x for a motif, nothing where there is none."
        read={readGrid}
        onTable={(read) => put('motifs from a table', read)}
      />
      <CornerOfMotif
        chains={piece.cornerChains}
        edge={piece.edge}
        onChange={(cornerChains) => onChange('corners of the motifs', { ...piece, cornerChains })}
      />
      <MotifEdgeFields
        edge={piece.edge}
        label="The side of a motif"
        stitchesLabel="Stitches on a motif’s side, between its corners"
        most={500}
        onChange={(label, edge) => onChange(label, { ...piece, edge })}
      />
      <Field label="One motif measures">
        <LengthInput
          label="One motif"
          cm={piece.motifCm}
          unit={length}
          onChange={(motifCm) => onChange('size of a motif', { ...piece, motifCm })}
        />
      </Field>
    </>
  );
}

const replaceAt = (row: string, x: number): string =>
  row.slice(0, x) + (row[x] === '#' ? '.' : '#') + row.slice(x + 1);

const resizeFull = (
  across: number,
  down: number,
  put: (label: string, cells: readonly string[]) => void,
): void =>
  put(
    'whole grid',
    Array.from({ length: down }, () => '#'.repeat(across)),
  );
