import { useEffect, useRef, useState, type ReactNode } from 'react';
import { TICK, type Section } from '../../core/print/section.ts';
import { Button } from '../look/Button.tsx';
import { CaretLeftIcon, CaretRightIcon } from '../look/icons.ts';
import { readSetting, writeSetting } from '../storage/settings.ts';
import { SectionWords } from './SectionWords.tsx';
import styles from './reading.module.css';

interface ReadingProps {
  readonly hem: string;
  readonly sections: readonly Section[];
  /** Last part: the charts. */
  readonly children: ReactNode;
}

/** Sections that are read at one time, by the first of each: what comes before the first round is one. */
function firstOfParts(sections: readonly Section[]): readonly number[] {
  const round = sections.findIndex((s) => s.rounds.length > 0);
  return sections.map((_, i) => i).filter((i) => i === 0 || i >= round);
}

/** The sections of a part in the order in which they are read: abbreviations, the first on paper, are looked up. */
const inReading = (sections: readonly Section[], part: number): readonly Section[] =>
  part === 0 ? [...sections.slice(1), ...sections.slice(0, 1)] : sections;

/** The pattern to be read with the work in the lap: large, one part at a time; where one was is kept. */
export function ReadAloud({ hem, sections, children }: ReadingProps) {
  const key = `reading ${hem}`;
  const [asked, setAsked] = useState(0);
  const top = useRef<HTMLDivElement>(null);
  useEffect(() => {
    let over = false;
    void readSetting(key).then((kept) => {
      if (!over && typeof kept === 'number') setAsked(kept);
    });
    return () => {
      over = true;
    };
  }, [key]);
  const parts = [...firstOfParts(sections), sections.length];
  const last = parts.length - 1;
  // The place is kept by its section: parts are put together anew when the pattern changes.
  const at = Math.max(
    0,
    parts.findLastIndex((first) => first <= asked),
  );
  const go = (to: number): void => {
    setAsked(parts[to]!);
    void writeSetting(key, parts[to]!);
    top.current?.scrollIntoView({ block: 'start' });
  };
  return (
    <div className={styles.reading} ref={top}>
      <div className={styles.text} aria-live="polite">
        {at < last
          ? inReading(sections.slice(parts[at], parts[at + 1]), at).map((s) => (
              <SectionWords key={s.heading} section={s} />
            ))
          : children}
      </div>
      <nav className={styles.steps} aria-label="Parts of the pattern">
        <Button
          aria-label="The part before"
          icon={<CaretLeftIcon />}
          disabled={at === 0}
          onClick={() => go(at - 1)}
        />
        <label>
          <span className="visually-hidden">Part of the pattern</span>
          <select value={at} onChange={(e) => go(Number(e.target.value))}>
            {parts.slice(0, -1).map((first, i) => (
              <option key={first} value={i}>
                {i === 0 && parts.length > 2
                  ? 'Before you begin'
                  : sections[first]!.heading.replaceAll(TICK, '')}
              </option>
            ))}
            <option value={last}>Charts</option>
          </select>
        </label>
        <Button
          aria-label="The next part"
          icon={<CaretRightIcon />}
          disabled={at === last}
          onClick={() => go(at + 1)}
        />
      </nav>
    </div>
  );
}
