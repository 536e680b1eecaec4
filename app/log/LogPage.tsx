import { noteWithdrawing } from '../hem/note.ts';
import dayjs from 'dayjs';
import { useMemo } from 'react';
import { Link } from 'react-router';
import { daysOf, logOf, rhythmOf, type LogEntry } from '../../core/log/log.ts';
import { logCsv } from '../../core/log/logWords.ts';
import { plural, timeWords } from '../../core/say/measures.ts';
import { fileName } from '../../core/document/fileName.ts';
import { LoggedPace } from '../sections/LoggedPace.tsx';
import { Guard } from '../hem/Guard.tsx';
import { useHem, useHemStore, usePlan } from '../hem/context.ts';
import { Button } from '../look/Button.tsx';
import { saveFile } from '../storage/exports.ts';
import { DaysChart } from './DaysChart.tsx';
import { FoundCharts } from './FoundCharts.tsx';
import { LogList } from './LogList.tsx';
import { ReadyBy } from './ReadyBy.tsx';
import { dayOf } from './days.ts';
import styles from './log.module.css';

/** The work on this hem, entry by entry and day by day, and when it will be done at this rhythm. */
export function LogPage() {
  const store = useHemStore();
  const plan = usePlan();
  const hem = useHem((state) => state.plan.hem);
  const entries = useMemo(() => logOf(hem), [hem]);
  const days = useMemo(() => daysOf([hem.record], dayOf), [hem.record]);
  if (entries.length === 0) {
    return (
      <div className={styles.log}>
        <h1>Log</h1>
        <p>
          Nothing has been noted yet. What you do on the <Link to={`/hem/${hem.id}/work`}>Work page</Link> is
          kept here: stitches, counts, weighings, looks and notes.
        </p>
      </div>
    );
  }
  const strike = ({ event }: LogEntry, counts: boolean, grams: number | null = null): void =>
    void noteWithdrawing(store, { did: 'struck', round: event.round, entry: event.id, counts, grams });
  const minutes = days.reduce((sum, d) => sum + d.minutes, 0);
  return (
    <div className={styles.log}>
      <header>
        <h1>Log</h1>
        <Button
          size="small"
          onClick={() => saveFile(fileName(`${hem.name} log`, '.csv'), logCsv([hem]), 'text/csv')}
        >
          Download the log (CSV)
        </Button>
      </header>
      <p>
        {plural(days.length, 'day')}, about {timeWords(minutes)} of work.
      </p>
      <ReadyBy rhythm={rhythmOf(days, dayjs().format('YYYY-MM-DD'))} />
      <LoggedPace />
      <Guard what="The chart of days" resetKeys={[days]}>
        <DaysChart days={days} />
      </Guard>
      <Guard what="What was planned and found" resetKeys={[plan]}>
        <FoundCharts />
      </Guard>
      <LogList key={hem.id} entries={entries} onStrike={strike} />
    </div>
  );
}
