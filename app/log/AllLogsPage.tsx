import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { Link } from 'react-router';
import { daysOf, logOf } from '../../core/log/log.ts';
import { logCsv } from '../../core/log/logWords.ts';
import { plural, timeWords } from '../../core/say/measures.ts';
import { Button } from '../look/Button.tsx';
import { ThemeButton } from '../look/ThemeButton.tsx';
import { Themed } from '../look/Themed.tsx';
import { saveFile } from '../storage/exports.ts';
import { SHELF } from '../storage/shelfQuery.ts';
import { DaysChart } from './DaysChart.tsx';
import { LogList } from './LogList.tsx';
import { dayOf } from './days.ts';
import styles from './log.module.css';

/** Work on all hems of the shelf. */
export function AllLogsPage() {
  const { data: found, error } = useQuery(SHELF);
  const hems = useMemo(
    () =>
      (found ?? []).flatMap((f) =>
        f.outcome.ok && f.outcome.value.record.length > 0 ? [f.outcome.value] : [],
      ),
    [found],
  );
  const entries = useMemo(
    () => hems.flatMap(logOf).sort((a, b) => Date.parse(a.event.at) - Date.parse(b.event.at)),
    [hems],
  );
  const days = useMemo(
    () =>
      daysOf(
        hems.map((h) => h.record),
        dayOf,
      ),
    [hems],
  );
  return (
    <Themed>
      <main className={styles.all}>
        <header>
          <Link to="/">Shelf</Link>
          <h1>Log of all hems</h1>
          <Link to="/hands">My hands</Link>
          {hems.length > 0 && (
            <Button size="small" onClick={() => saveFile('log.csv', logCsv(hems), 'text/csv')}>
              Download the log (CSV)
            </Button>
          )}
          <ThemeButton />
        </header>
        {error && <p className="problem">Your hems cannot be read now. Nothing is lost: reload the page.</p>}
        {found && hems.length === 0 && (
          <p>Nothing has been noted yet. What you do on the Work page of a hem is kept here.</p>
        )}
        {hems.length > 0 && (
          <>
            <p>
              {plural(hems.length, 'hem')}, {plural(days.length, 'day')}, about{' '}
              {timeWords(days.reduce((sum, d) => sum + d.minutes, 0))} of work.
            </p>
            <DaysChart days={days} />
            <LogList entries={entries} named />
          </>
        )}
      </main>
    </Themed>
  );
}
