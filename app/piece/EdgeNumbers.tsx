import type { EdgeNumber } from '../../core/piece/edgeNumbers.ts';
import type { Piece } from '../../core/piece/piece.ts';
import { wholeEdge } from '../../core/piece/along.ts';
import type { Plan } from '../../core/plan/types.ts';
import { lengthWords } from '../../core/say/measures.ts';
import { isDisc } from '../../core/piece/outline.ts';
import { frameOf } from '../drawing/PlanDrawing.tsx';
import { EdgeNumberField } from './EdgeNumberField.tsx';
import { placesOfNumbers } from './placesOfNumbers.ts';
import styles from './edgeNumbers.module.css';

export interface EdgeNumbersProps {
  readonly plan: Plan;
  readonly numbers: readonly EdgeNumber<Piece>[];
  readonly onPiece: (label: string, piece: Piece) => void;
  readonly onSide: (side: number) => void;
}

/** Lengths and counts that stand on the edges of the piece, to be typed where they are. */
export function EdgeNumbers({ plan, numbers, onPiece, onSide }: EdgeNumbersProps) {
  const { piece, preferences } = plan.hem;
  const frame = frameOf(plan);
  const sides = [...new Set(numbers.map((n) => n.side))];
  const places = placesOfNumbers(plan);
  return (
    <div className={styles.numbers}>
      {sides.map((side) => {
        const { at, where } = places(side);
        const edge = wholeEdge(plan.sides[side]!.edge);
        const differs = Math.abs(edge.computedMm / edge.measuredMm - 1) > 0.01;
        return (
          <div
            key={side}
            className={`${styles.number} ${styles[where]}`}
            style={{
              left: `${((at.x - frame.x) / frame.width) * 100}%`,
              top: `${((at.y - frame.y) / frame.height) * 100}%`,
            }}
            onFocus={() => onSide(side)}
          >
            {!isDisc(plan.body.outline) && <b>{plan.sides[side]!.name}</b>}
            {numbers
              .filter((n) => n.side === side)
              .map((number) => (
                <EdgeNumberField
                  key={number.what}
                  number={number}
                  piece={piece}
                  onChange={onPiece}
                  withNoun
                />
              ))}
            {differs && (
              <span className={styles.differs}>
                counted {lengthWords(edge.computedMm, preferences.length)}
              </span>
            )}
          </div>
        );
      })}
    </div>
  );
}
