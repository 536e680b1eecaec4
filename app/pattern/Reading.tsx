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

/** The pattern to be read with the work in the lap: large, one section at a time; where one was is kept. */
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
  const last = sections.length;
  const at = Math.min(Math.max(0, asked), last);
  const go = (to: number): void => {
    setAsked(to);
    void writeSetting(key, to);
    top.current?.scrollIntoView({ block: 'start' });
  };
  return (
    <div className={styles.reading} ref={top}>
      <div className={styles.text} aria-live="polite">
        {at < last ? <SectionWords section={sections[at]!} /> : children}
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
            {sections.map((s, i) => (
              <option key={s.heading} value={i}>
                {s.heading.replaceAll(TICK, '')}
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
