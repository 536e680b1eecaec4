import { pointing } from '../look/pointing.ts';
import { Swatch, type SwatchView } from '../drawing/Swatch.tsx';
import styles from './pictureChoice.module.css';

export interface Picture {
  readonly name: string;
  /** Asked for when it comes into view; the same function shows the same. Null where there is nothing to see. */
  readonly look: (() => SwatchView) | null;
  readonly chosen: boolean;
  readonly onChoose: () => void;
  /** It is pointed at, or no longer. */
  readonly onPoint?: (here: boolean) => void;
}

interface PictureChoiceProps {
  readonly label: string;
  readonly pictures: readonly Picture[];
  /** Stitch widths from left to right. */
  readonly across: number;
  /** Whether the piece itself is drawn. */
  readonly withPiece?: boolean;
  /** Whether the first stitch of every round is marked. */
  readonly starts?: boolean;
}

/** One of several, chosen by how it looks. */
export function PictureChoice({
  label,
  pictures,
  across,
  withPiece = false,
  starts = false,
}: PictureChoiceProps) {
  return (
    <div className={`picture-choice ${styles.pictures}`} role="radiogroup" aria-label={label}>
      {pictures.map(({ name, look, chosen, onChoose, onPoint }) => (
        <button
          key={name}
          type="button"
          role="radio"
          aria-checked={chosen}
          className={chosen ? `${styles.picture} ${styles.here}` : styles.picture}
          onClick={onChoose}
          {...pointing(onPoint)}
        >
          {look && (
            <Swatch
              look={look}
              across={across}
              width={112}
              height={74}
              withPiece={withPiece}
              starts={starts}
            />
          )}
          {name}
        </button>
      ))}
    </div>
  );
}
