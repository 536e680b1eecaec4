import { useRef, useState, type KeyboardEvent } from 'react';
import { describePiece, splitRows } from '../../core/edits/piece.ts';
import { held } from '../../core/held.ts';
import type { RowBand } from '../../core/piece/construction.ts';
import { bandsOf } from '../../core/piece/piece.ts';
import type { RowsPiece } from '../../core/piece/rows/rows.schema.ts';
import { rowAt, withEdgeAt } from '../../core/piece/rows/runs.ts';
import type { Plan } from '../../core/plan/types.ts';
import { plural } from '../../core/say/measures.ts';
import { abbreviation } from '../../core/terms/stitches.ts';
import { spokenPart } from '../../drawing/parts.ts';
import { useDragged } from '../drawing/useDragged.ts';
import { useHemStore } from '../hem/context.ts';
import styles from './rowBands.module.css';

export interface RowBandsProps {
  readonly plan: Plan;
  readonly piece: RowsPiece;
  /** Number of the run that is picked. */
  readonly picked: number | null;
  readonly onPick: (run: number) => void;
}

/** Rows that a drag lies across, of the run they are in. */
interface Across {
  readonly run: number;
  readonly from: number;
  readonly to: number;
}

/**
 * The runs of rows on the drawing of the piece: each can be picked, dragged across to cut some of its rows out, and pulled
 * by its upper edge.
 */
export function RowBands({ plan, piece, picked, onPick }: RowBandsProps) {
  const store = useHemStore();
  const [across, setAcross] = useState<Across | null>(null);
  const [pulled, setPulled] = useState<{ readonly run: number; readonly rows: number } | null>(null);
  const bands = bandsOf(piece);
  const { widthMm } = plan.bodySize;
  const type = Math.max(plan.finishedSize.widthMm, plan.finishedSize.heightMm) * 0.036;
  const heightOf = ({ top, bottom, from, to }: RowBand): number => (bottom - top) / (to - from);
  const { language } = plan.hem.preferences;
  const words = (run: number, rows: number): string =>
    `${plural(rows, 'row')} of ${abbreviation(held(piece.rows[run], 'a band is a run').stitch, language)}`;
  return (
    <>
      {bands.map((band, run) => (
        <Band
          key={run}
          plan={plan}
          band={band}
          run={run}
          widthMm={widthMm}
          picked={picked === run}
          words={band.bottom - band.top > type * 1.4 ? words(run, band.to - band.from) : null}
          type={type}
          onPick={() => onPick(run)}
          onAcross={(from, to) => setAcross({ run, from, to })}
          onCut={(from, to) => {
            setAcross(null);
            if (!store.do(splitRows(run, from, to))) return;
            onPick(run + (from > 0 ? 1 : 0));
          }}
        />
      ))}
      {bands.slice(0, -1).map((band, run) => (
        <EdgeOfBand
          key={run}
          band={band}
          most={band.to - band.from + (bands[run + 1]!.to - bands[run + 1]!.from) - 1}
          y={band.top}
          widthMm={widthMm}
          reach={type * 0.5}
          onOver={(rows) => setPulled({ run, rows })}
          rowsAt={(y) => {
            // Past its old edge it takes rows of the run above, which have another height.
            const above = held(bands[run + 1], 'the last run has no edge to pull');
            const rows =
              y > band.top
                ? (band.bottom - y) / heightOf(band)
                : band.to - band.from + (band.top - y) / heightOf(above);
            return withEdgeAt(piece.rows, run, rows)[run]!.count;
          }}
          onRows={(rows) => {
            setPulled(null);
            if (rows === null) return;
            store.do(describePiece('rows moved', { ...piece, rows: withEdgeAt(piece.rows, run, rows) }));
          }}
        />
      ))}
      {across && (
        <Ghost
          band={held(bands[across.run], 'rows are dragged across in a run')}
          from={across.from}
          to={across.to}
          widthMm={widthMm}
          type={type}
          words={words(across.run, across.to - across.from)}
        />
      )}
      {pulled && (
        <text className={styles.told} y={bands[pulled.run]!.top} fontSize={type}>
          {words(pulled.run, pulled.rows)}
        </text>
      )}
    </>
  );
}

interface BandProps {
  readonly plan: Plan;
  readonly band: RowBand;
  readonly run: number;
  readonly widthMm: number;
  readonly picked: boolean;
  /** Null where it is too low for words. */
  readonly words: string | null;
  readonly type: number;
  readonly onPick: () => void;
  readonly onAcross: (from: number, to: number) => void;
  readonly onCut: (from: number, to: number) => void;
}

function Band({ plan, band, run, widthMm, picked, words, type, onPick, onAcross, onCut }: BandProps) {
  const rect = useRef<SVGRectElement>(null);
  const count = band.to - band.from;
  const high = band.bottom - band.top;
  const rowsBetween = (y0: number, y1: number): readonly [from: number, to: number] => {
    const at = (y: number): number => rowAt((band.bottom - y) / high, count);
    return [Math.min(at(y0), at(y1)), Math.max(at(y0), at(y1)) + 1];
  };
  // A finger that goes across moves the page, until the run has been picked.
  useDragged(rect, {
    may: (e) => !('touches' in e) || picked,
    over: (to, from) => {
      if (count > 1 && Math.abs(to.y - from.y) > type * 0.3) onAcross(...rowsBetween(from.y, to.y));
    },
    done: (to, from) => {
      if (to && count > 1 && Math.abs(to.y - from.y) > type * 0.3) onCut(...rowsBetween(from.y, to.y));
    },
  });
  return (
    <g className={picked ? `${styles.band} ${styles.picked}` : styles.band}>
      <rect
        ref={rect}
        role="button"
        tabIndex={0}
        aria-label={spokenPart(plan, { kind: 'rows', run })}
        aria-pressed={picked}
        x={-widthMm / 2}
        y={band.top}
        width={widthMm}
        height={Math.max(high, type * 0.3)}
        strokeWidth={type * 0.2}
        onClick={onPick}
        onKeyDown={(e) => {
          if (e.key !== 'Enter' && e.key !== ' ') return;
          e.preventDefault();
          onPick();
        }}
      />
      {words && (
        <text className={styles.told} y={(band.top + band.bottom) / 2} fontSize={type}>
          {words}
        </text>
      )}
    </g>
  );
}

interface EdgeProps {
  readonly band: RowBand;
  /** The most rows that it can have. */
  readonly most: number;
  readonly y: number;
  readonly widthMm: number;
  readonly reach: number;
  readonly rowsAt: (y: number) => number;
  readonly onOver: (rows: number) => void;
  /** Null where it was only pressed. */
  readonly onRows: (rows: number | null) => void;
}

/** The edge between a run and the one above it. */
function EdgeOfBand({ band, most, y, widthMm, reach, rowsAt, onOver, onRows }: EdgeProps) {
  const handle = useRef<SVGGElement>(null);
  const [here, setHere] = useState<number | null>(null);
  const rows = band.to - band.from;
  useDragged(handle, {
    from: () => ({ x: 0, y }),
    over: (to) => {
      setHere(to.y);
      onOver(rowsAt(to.y));
    },
    done: (to) => {
      setHere(null);
      onRows(to ? rowsAt(to.y) : null);
    },
  });
  const onKey = (e: KeyboardEvent): void => {
    const by =
      e.key === 'ArrowUp' || e.key === 'ArrowRight'
        ? 1
        : e.key === 'ArrowDown' || e.key === 'ArrowLeft'
          ? -1
          : 0;
    if (by === 0 || e.ctrlKey || e.metaKey || e.altKey) return;
    e.preventDefault();
    e.stopPropagation();
    onRows(Math.min(most, Math.max(1, rows + by)));
  };
  return (
    <g
      ref={handle}
      className={styles.edge}
      role="slider"
      tabIndex={0}
      aria-label={`Edge above row ${band.to}`}
      aria-orientation="vertical"
      aria-valuemin={1}
      aria-valuemax={most}
      aria-valuenow={rows}
      aria-valuetext={`${plural(rows, 'row')} below it`}
      transform={`translate(0 ${here ?? y})`}
      onKeyDown={onKey}
    >
      <rect className={styles.reach} x={-widthMm / 2} y={-reach} width={widthMm} height={2 * reach} />
      <line x1={-widthMm / 2} x2={widthMm / 2} strokeWidth={reach * 0.24} />
      <rect
        className={styles.grip}
        x={-widthMm / 2 + reach}
        y={-reach * 0.35}
        width={reach * 3}
        height={reach * 0.7}
        rx={reach * 0.35}
        strokeWidth={reach * 0.22}
      />
    </g>
  );
}

interface GhostProps {
  readonly band: RowBand;
  readonly from: number;
  readonly to: number;
  readonly widthMm: number;
  readonly type: number;
  readonly words: string;
}

/** Rows that would be cut out. */
function Ghost({ band, from, to, widthMm, type, words }: GhostProps) {
  const high = (band.bottom - band.top) / (band.to - band.from);
  const top = band.bottom - to * high;
  const bottom = band.bottom - from * high;
  return (
    <>
      <rect
        className={styles.ghost}
        x={-widthMm / 2}
        y={top}
        width={widthMm}
        height={bottom - top}
        strokeWidth={type * 0.12}
        strokeDasharray={`${type * 0.4} ${type * 0.25}`}
      />
      <text className={styles.told} y={(top + bottom) / 2} fontSize={type}>
        {words}
      </text>
    </>
  );
}
