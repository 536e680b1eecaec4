import { useState } from 'react';
import { workedRound, type Plan } from '../../core/plan/types.ts';
import { percentWords, sizeWords } from '../../core/words/measures.ts';
import { sideLabel } from '../../core/words/placeWords.ts';
import { looksAt, type Looked } from '../../core/work/looks.ts';
import { progressOf } from '../../core/work/progress.ts';
import { useHemStore } from '../hem/context.ts';
import { Button } from '../look/Button.tsx';
import { whenWords } from '../look/when.ts';
import styles from './work.module.css';

type Lies = Looked['lies'][number];

const LIES: readonly (readonly [NonNullable<Lies>, string])[] = [
  ['flat', 'lies flat'],
  ['ripples', 'ripples'],
  ['cups', 'pulls in'],
];

/** Lay it flat and look: how each side lies beside what was foretold, the size by the tape, and a note. */
export function LookSheet({ plan, onClose }: { readonly plan: Plan; readonly onClose: () => void }) {
  const store = useHemStore();
  const { round: inHand, begun } = progressOf(plan);
  const round = begun ? inHand! : plan.rounds.findLast((r) => r.done !== null)!;
  const [lies, setLies] = useState<readonly Lies[]>(round.sides.map(() => null));
  const [size, setSize] = useState<readonly [string, string]>(['', '']);
  const [note, setNote] = useState('');
  const before = looksAt(plan, round);
  const unit = plan.hem.preferences.length;
  const cm = size.map((typed) => {
    const value = Number(typed.replace(',', '.'));
    return typed.trim() === '' || !(value > 0 && value <= 10_000)
      ? null
      : unit === 'cm'
        ? value
        : value * 2.54;
  });
  const anything = lies.some((l) => l !== null) || cm.some((c) => c !== null) || note.trim() !== '';
  return (
    <div className={styles.sheet} role="group" aria-label="Look">
      <h2>Lay it flat and look</h2>
      <div className={styles.counts}>
        {round.sides.map((side, i) => (
          <label key={i}>
            {sideLabel(plan, i)}
            <select
              value={lies[i] ?? ''}
              onChange={(e) =>
                setLies(lies.map((l, k) => (k === i ? ((e.target.value || null) as Lies) : l)))
              }
            >
              <option value="">not looked at</option>
              {LIES.map(([value, label]) => (
                <option key={value} value={value}>
                  {label}
                </option>
              ))}
            </select>
            <span className="quiet small">
              foretold: {side.verdict}, {percentWords(side.strain)}
            </span>
          </label>
        ))}
      </div>
      <div className={styles.counts}>
        {(['Across', 'Down'] as const).map((what, i) => (
          <label key={what}>
            {what}, {unit}
            <input
              inputMode="decimal"
              maxLength={8}
              value={size[i]}
              onChange={(e) => setSize(i === 0 ? [e.target.value, size[1]] : [size[0], e.target.value])}
            />
          </label>
        ))}
      </div>
      <p className="quiet small">
        By the tape, from edge to edge. The whole border: {sizeWords(plan.finishedSize, unit)}.
      </p>
      <label>
        Note
        <textarea
          className={styles.note}
          rows={2}
          maxLength={2000}
          value={note}
          onChange={(e) => setNote(e.target.value)}
        />
      </label>
      {before.length > 0 && (
        <ul className={styles.causes}>
          {before.slice(0, 6).map((look) => (
            <li key={`${look.id.counter} ${look.id.device}`}>{lookWords(plan, look)}</li>
          ))}
        </ul>
      )}
      <p className={styles.tools}>
        <Button
          type="primary"
          disabled={!anything}
          onClick={() => {
            store.note({ did: 'looked', round: workedRound(round), lies, sizeCm: cm, note: note.trim() });
            onClose();
          }}
        >
          Note it
        </Button>
        <Button onClick={onClose}>Close</Button>
      </p>
    </div>
  );
}

function lookWords(plan: Plan, { at, lies, sizeCm, note }: Looked): string {
  const unit = plan.hem.preferences.length;
  const sides = lies.flatMap((l, i) => {
    const said = LIES.find(([value]) => value === l)?.[1];
    return said ? [`${plan.sides[i]?.name ?? ''} ${said}`] : [];
  });
  const [across, down] = sizeCm;
  const measured = across && down ? [sizeWords({ widthMm: across * 10, heightMm: down * 10 }, unit)] : [];
  return `${whenWords(at, new Date())}: ${[...sides, ...measured, ...(note ? [note] : [])].join('; ')}.`;
}
