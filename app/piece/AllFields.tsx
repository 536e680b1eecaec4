import { useState } from 'react';
import type { Piece } from '../../core/piece/piece.ts';
import { onEdgesOf } from '../../core/piece/piece.ts';
import { Field, WholeNumber } from '../controls/Field.tsx';
import { LengthInput } from '../controls/LengthInput.tsx';
import { usePlan } from '../hem/context.ts';
import { editingOf } from './editors.ts';
import type { EditorProps } from './editorProps.ts';
import styles from './piece.module.css';

/** Everything that describes the piece as fields, for those who type. */
export function AllFields({ piece, onChange }: EditorProps<Piece>) {
  const [open, setOpen] = useState(false);
  return (
    <details onToggle={(e) => setOpen(e.currentTarget.open)}>
      <summary>All of it as fields</summary>
      {open && <Fields piece={piece} onChange={onChange} />}
    </details>
  );
}

function Fields({ piece, onChange }: EditorProps<Piece>) {
  const { length } = usePlan().hem.preferences;
  const { Shape, Side, Corner, Rest } = editingOf(piece);
  return (
    <div className={styles.allFields}>
      {Shape && <Shape piece={piece} onChange={onChange} />}
      {/* An outline that was counted has them in its table. */}
      {piece.kind !== 'counted' &&
        onEdgesOf(piece).map(({ what, unit, least, most, of, told }) =>
          unit === 'cm' ? (
            <Field key={what} label={what}>
              <LengthInput
                label={what}
                cm={of(piece)}
                unit={length}
                onChange={(cm) => onChange(what.toLowerCase(), told(piece, cm))}
              />
            </Field>
          ) : (
            <WholeNumber
              key={what}
              label={what}
              min={least}
              max={most}
              value={of(piece)}
              onChange={(value) => onChange(what.toLowerCase(), told(piece, value))}
            />
          ),
        )}
      {Side && <Side piece={piece} onChange={onChange} side={null} />}
      {Corner && <Corner piece={piece} onChange={onChange} />}
      {Rest && <Rest piece={piece} onChange={onChange} />}
    </div>
  );
}
