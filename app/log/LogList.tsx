import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { keyOf } from '../../core/document/record.ts';
import { LOG_KINDS, logKind, stretchesOf, type LogEntry, type LogKind } from '../../core/log/log.ts';
import { KIND_NAMES, logEntryWords } from '../../core/log/logWords.ts';
import { Button } from '../look/Button.tsx';
import { NumberField } from '../look/NumberField.tsx';
import { clockWords, dayOf, dayWords } from './days.ts';
import styles from './log.module.css';

export interface LogListProps {
  /** The earliest first. */
  readonly entries: readonly LogEntry[];
  /** Strikes an entry, puts a weight right, or makes an entry count again; without it the log is only read. */
  readonly onStrike?: (entry: LogEntry, counts: boolean, grams?: number) => void;
  /** Whether each entry says which hem it is of. */
  readonly named?: boolean;
}

/** Entries shown at first, and with every step further back. */
const SHOWN = 60;

/** The entries, the last day first; what is of no interest can be left out. */
export function LogList({ entries, onStrike, named = false }: LogListProps) {
  const [only, setOnly] = useState<LogKind | null>(null);
  const [hem, setHem] = useState('');
  const hems = useMemo(() => new Map(entries.map((e) => [e.hem.id, e.hem.name])), [entries]);
  const [shown, setShown] = useState(SHOWN);
  const kinds = useMemo(() => LOG_KINDS.filter((k) => entries.some((e) => logKind(e) === k)), [entries]);
  const lines = useMemo(
    () =>
      stretchesOf(
        entries.filter((e) => (only === null || logKind(e) === only) && (!hems.has(hem) || e.hem.id === hem)),
      ).toReversed(),
    [entries, only, hem, hems],
  );
  const days = new Map<string, (typeof lines)[number][]>();
  for (const line of lines.slice(0, shown)) {
    const day = dayOf(line.last.event.at);
    days.set(day, [...(days.get(day) ?? []), line]);
  }
  return (
    <section aria-label="Entries">
      <div className={styles.kinds} role="group" aria-label="Show only">
        {[null, ...kinds].map((kind) => (
          <button
            key={kind ?? 'all'}
            type="button"
            aria-pressed={kind === only}
            onClick={() => setOnly(kind)}
          >
            {kind === null ? 'Everything' : KIND_NAMES[kind]}
          </button>
        ))}
      </div>
      {named && hems.size > 1 && (
        <label className={styles.ofHem}>
          Of{' '}
          <select value={hems.has(hem) ? hem : ''} onChange={(e) => setHem(e.target.value)}>
            <option value="">all hems</option>
            {[...hems].map(([id, name]) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </select>
        </label>
      )}
      {[...days].map(([day, ofDay]) => (
        <section key={day}>
          <h2>{dayWords(day)}</h2>
          <ul className={styles.entries}>
            {ofDay.map(({ last, first, entries: steps }) => (
              <li
                key={`${last.hem.id} ${keyOf(last.event)}`}
                className={last.struck ? styles.struck : undefined}
              >
                <time dateTime={last.event.at}>
                  {steps > 1 && clockWords(first.event.at) !== clockWords(last.event.at)
                    ? `${clockWords(first.event.at)} – ${clockWords(last.event.at)}`
                    : clockWords(last.event.at)}
                </time>
                <span>
                  {named && (
                    <>
                      <Link to={`/hem/${last.hem.id}/log`}>{last.hem.name}</Link>
                      {'. '}
                    </>
                  )}
                  <span className={styles.words}>{logEntryWords(last)}</span>
                </span>
                {onStrike && last.canBeStruck && <Correct entry={last} onStrike={onStrike} />}
              </li>
            ))}
          </ul>
        </section>
      ))}
      {lines.length > shown && <Button onClick={() => setShown(shown + SHOWN)}>Show earlier entries</Button>}
    </section>
  );
}

interface CorrectProps {
  readonly entry: LogEntry;
  readonly onStrike: NonNullable<LogListProps['onStrike']>;
}

/** Puts an entry right that was wrong: it stays in the log, marked. */
function Correct({ entry, onStrike }: CorrectProps) {
  const [grams, setGrams] = useState<number | null>(null);
  const { event, struck, correctedG } = entry;
  const words = `${clockWords(event.at)}, ${logEntryWords(entry)}`;
  if (grams !== null && event.did === 'weighed') {
    return (
      <span className={styles.correct}>
        <NumberField
          size="small"
          aria-label="What the scale should have said, in grams"
          min={0}
          max={100_000}
          unit="g"
          suffix="g"
          value={grams}
          onChange={(v) => v !== null && setGrams(v)}
        />
        <Button
          size="small"
          onClick={() => {
            onStrike(entry, false, grams);
            setGrams(null);
          }}
        >
          Note it
        </Button>
        <Button size="small" type="text" onClick={() => setGrams(null)}>
          Close
        </Button>
      </span>
    );
  }
  return (
    <span className={styles.correct}>
      {event.did === 'weighed' && !struck && (
        <Button
          size="small"
          type="text"
          aria-label={`Correct: ${words}`}
          onClick={() => setGrams(correctedG ?? event.grams)}
        >
          Correct
        </Button>
      )}
      {struck || correctedG !== null ? (
        <Button
          size="small"
          type="text"
          aria-label={`Count it again, as noted: ${words}`}
          onClick={() => onStrike(entry, true)}
        >
          Count it again
        </Button>
      ) : (
        <Button
          size="small"
          type="text"
          aria-label={`Cross out: ${words}`}
          onClick={() => onStrike(entry, false)}
        >
          Cross out
        </Button>
      )}
    </span>
  );
}
