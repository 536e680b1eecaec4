import { Popover } from 'antd';
import { CONSTRUCTIONS, PIECE_KINDS, type PieceKind } from '../../core/piece/registry.ts';
import type { Piece } from '../../core/piece/piece.ts';
import { careOf } from '../../core/piece/piece.ts';
import { IconChoice, pathIcon } from '../controls/IconChoice.tsx';
import { useInTerms } from '../hem/context.ts';
import { CaretDownIcon } from '../look/icons.ts';
import { EDITORS, editingOf } from './editors.ts';
import type { EditorProps } from './editorProps.ts';
import styles from './made.module.css';

export interface MadeAsProps extends EditorProps<Piece> {
  readonly onKind: (kind: PieceKind) => void;
}

/** How the piece was made, in a word; behind it all the ways, as pictures. */
export function MadeAs({ piece, onChange, onKind }: MadeAsProps) {
  const inTerms = useInTerms();
  const { Shape } = editingOf(piece);
  const care = careOf(piece);
  const { name } = CONSTRUCTIONS[piece.kind];
  return (
    <Popover
      trigger="click"
      placement="bottomLeft"
      content={
        <div className={styles.ways}>
          <IconChoice
            label="How it was made"
            value={piece.kind}
            options={PIECE_KINDS.map((kind) => ({
              value: kind,
              name: CONSTRUCTIONS[kind].name,
              icon: pathIcon(EDITORS[kind].icon),
            }))}
            onChoose={onKind}
          />
          {Shape && (
            <>
              <hr />
              <Shape piece={piece} onChange={onChange} />
            </>
          )}
          {care && <p className="quiet small">{inTerms(care)}</p>}
        </div>
      }
    >
      <button type="button" className={styles.made} aria-label={`How it was made: ${name}`}>
        {pathIcon(EDITORS[piece.kind].icon)}
        <b>{name}</b>
        <CaretDownIcon size={13} />
      </button>
    </Popover>
  );
}
