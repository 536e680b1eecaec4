import { useMemo } from 'react';
import { hasMovableCorners, onEdgesOf, type Piece } from '../../core/piece/piece.ts';
import type { Plan } from '../../core/plan/types.ts';
import type { PlanPart } from '../../drawing/parts.ts';
import { frameOf, PlanDrawing } from '../drawing/PlanDrawing.tsx';
import { useInTerms } from '../hem/context.ts';
import { CornerHandles } from './CornerHandles.tsx';
import { EdgeNumbers } from './EdgeNumbers.tsx';
import { EdgePulls } from './EdgePulls.tsx';
import { MotifsOnPiece } from './MotifsOnPiece.tsx';
import { useMotifTool, type MotifTool } from './MotifTools.tsx';
import { RowBands } from './RowBands.tsx';
import styles from './piece.module.css';

const PARTS = ['side', 'corner', 'join'] as const;
const NO_PARTS = [] as const;
const WITHOUT_CORNERS = ['side', 'join'] as const;
/** From so many sides on, the numbers of the side alone stand that is picked. */
const MANY_SIDES = 8;

export interface PieceStageProps {
  readonly plan: Plan;
  readonly picked: PlanPart | null;
  readonly onPick: (part: PlanPart) => void;
  /** Brush for the motifs; null where parts are picked. */
  readonly tool: MotifTool | null;
  readonly onPiece: (label: string, piece: Piece) => void;
}

/** The piece to scale, and everything that can be done to it by touch: numbers on its edges, edges that are pulled, rows, motifs, corners. */
export function PieceStage({ plan, picked, onPick, tool, onPiece }: PieceStageProps) {
  const inTerms = useInTerms();
  const { piece } = plan.hem;
  const press = useMotifTool(plan, onPiece);
  const movable = hasMovableCorners(piece);
  const brush = piece.kind === 'grid' ? tool : null;
  const pickedSide = picked?.kind === 'side' ? picked.side : 0;
  const numbers = useMemo(() => {
    const all = onEdgesOf(piece);
    const sides = new Set(all.map((n) => n.side));
    return sides.size > MANY_SIDES ? all.filter((n) => n.side === pickedSide) : all;
  }, [piece, pickedSide]);
  const told = useMemo(() => new Set(numbers.map((n) => n.side)), [numbers]);
  const { width, height } = frameOf(plan);
  return (
    <div className={styles.frame}>
      <div className={styles.drawn} style={{ '--ratio': width / height } as React.CSSProperties}>
        <PlanDrawing
          plan={plan}
          parts={brush ? NO_PARTS : movable ? WITHOUT_CORNERS : PARTS}
          picked={picked}
          onPick={onPick}
          told={told}
          under={
            piece.kind === 'rows' && (
              <RowBands
                plan={plan}
                piece={piece}
                picked={picked?.kind === 'rows' ? picked.run : null}
                onPick={(run) => onPick({ kind: 'rows', run })}
              />
            )
          }
        >
          {movable ? (
            <CornerHandles
              plan={plan}
              onPick={(side) => onPick({ kind: 'corner', side })}
              onPiece={onPiece}
            />
          ) : (
            !brush && <EdgePulls plan={plan} onPiece={onPiece} />
          )}
          {piece.kind === 'grid' && brush && (
            <MotifsOnPiece
              plan={plan}
              piece={piece}
              does={brush.does === 'color' ? inTerms('Color') : 'Leave out'}
              withGaps={brush.does === 'leave out'}
              withColours={brush.does === 'color'}
              onMotif={(motif, here) => press(brush, motif, here)}
            />
          )}
        </PlanDrawing>
        <EdgeNumbers
          plan={plan}
          numbers={numbers}
          onPiece={onPiece}
          onSide={(side) =>
            picked?.kind !== 'side' || picked.side !== side ? onPick({ kind: 'side', side }) : undefined
          }
        />
      </div>
    </div>
  );
}
