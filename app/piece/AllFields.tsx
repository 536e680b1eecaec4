import { useState } from 'react';
import type { Piece } from '../../core/piece/piece.ts';
import { onEdgesOf } from '../../core/piece/piece.ts';
import { Field } from '../controls/Field.tsx';
import { EdgeNumberField } from './EdgeNumberField.tsx';
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
  const { Shape, Side, Corner, Rest } = editingOf(piece);
  return (
    <div className={styles.allFields}>
      {Shape && <Shape piece={piece} onChange={onChange} />}
      {/* An outline that was counted has them in its table. */}
      {piece.kind !== 'counted' &&
        onEdgesOf(piece).map((number) => (
          <Field key={number.what} label={number.what}>
            <EdgeNumberField number={number} piece={piece} onChange={onChange} />
          </Field>
        ))}
      {Side && <Side piece={piece} onChange={onChange} side={null} />}
      {Corner && <Corner piece={piece} onChange={onChange} />}
      {Rest && <Rest piece={piece} onChange={onChange} />}
    </div>
  );
}
