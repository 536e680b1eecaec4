import { useEffect, useEffectEvent, useRef, useState } from 'react';
import { Link } from 'react-router';
import type { Plan } from '../../core/plan/types.ts';
import {
  MAKER_SKILLS,
  TASKS,
  minutesFor,
  promptOf,
  tableOf,
  tasksDone,
  type SimulatedMaker,
  type Prompt,
  type MakerSkill,
} from '../../core/practice/maker.ts';
import { problemLine } from '../../core/problems.ts';
import {
  SKILL_NAMES,
  TASK_NAMES,
  promptWords,
  tableWords,
  upToCornerWords,
} from '../../core/practice/practiceWords.ts';
import { progressOf, stepDone, stepInHand } from '../../core/work/progress.ts';
import { HemContext, usePlan } from '../hem/context.ts';
import { Button } from '../look/Button.tsx';
import { ThemeButton } from '../look/ThemeButton.tsx';
import { useNotices } from '../look/notices.tsx';
import { NumberField } from '../look/NumberField.tsx';
import { Themed } from '../look/Themed.tsx';
import { CheckCircleIcon, CircleIcon } from '../look/icons.ts';
import { WorkBench, type WorkSheet } from '../work/WorkPage.tsx';
import { practiceStore, type PracticeStore } from './practiceStore.ts';
import styles from './practice.module.css';

/** Seeds that are drawn. */
const SEEDS = 999;
const anySeed = (): number => 1 + Math.floor(Math.random() * SEEDS);

/** A simulated maker works a small mat in quick time and makes mistakes; the person finds them and puts them right. */
export function PracticePage() {
  const notices = useNotices();
  const [maker, setMaker] = useState<SimulatedMaker>(() => ({ skill: 'learner', seed: anySeed() }));
  const open = (): PracticeStore =>
    practiceStore(new Date(), (problems) =>
      notices.warning({
        key: 'refused',
        title: 'Not changed',
        description: problems.map(problemLine).join(' '),
        duration: 8,
      }),
    );
  const [opened, setOpened] = useState(open);
  const begin = (next: SimulatedMaker): void => {
    setMaker(next);
    setOpened(open());
  };
  return (
    <Themed>
      <div className={styles.practice}>
        <header>
          <Link to="/">Shelf</Link>
          <strong>Practice</strong>
          <ThemeButton />
        </header>
        <HemContext.Provider value={opened.store}>
          <AtTheTable key={`${maker.skill} ${maker.seed}`} opened={opened} maker={maker} onMaker={begin} />
        </HemContext.Provider>
      </div>
    </Themed>
  );
}

interface AtTheTableProps {
  readonly opened: PracticeStore;
  readonly maker: SimulatedMaker;
  readonly onMaker: (maker: SimulatedMaker) => void;
}

/** Sheet to open for what is asked. */
const SHEETS: Readonly<Partial<Record<Prompt, WorkSheet>>> = {
  weigh: 'weigh',
  count: 'count',
  stuck: 'count',
  rip: 'rip',
};
const SHEET_NAMES: Readonly<Partial<Record<Prompt, string>>> = {
  weigh: 'Weigh the ball',
  count: 'Count it',
  stuck: 'Count the rounds',
  rip: 'Choose where to rip to',
};

/** A step of the maker takes so long to watch, ms. */
const STEP_MS = 350;

function AtTheTable({ opened, maker, onMaker }: AtTheTableProps) {
  const plan = usePlan();
  const [until, setUntil] = useState<'corner' | 'round' | null>(null);
  const [asked, setAsked] = useState<{ readonly sheet: WorkSheet | null; readonly times: number }>({
    sheet: null,
    times: 0,
  });
  const bench = useRef<HTMLElement>(null);
  const ask = (sheet: WorkSheet): void => {
    setAsked({ sheet, times: asked.times + 1 });
    bench.current?.scrollIntoView?.({ block: 'start', behavior: 'smooth' });
  };
  const prompt = promptOf(plan, maker);
  const works = useEffectEvent(() => {
    const step = prompt === 'let work' ? stepInHand(plan, 'corner') : null;
    if (!step) return setUntil(null);
    opened.goesBy(minutesFor(plan, maker, step.from, step.to));
    opened.store.note(...stepDone(plan, step));
    if (until === 'corner' || step.does === 'end') setUntil(null);
  });
  useEffect(() => {
    if (until === null) return;
    const timer = setInterval(works, STEP_MS);
    return () => clearInterval(timer);
  }, [until]);
  return (
    <>
      <section className={styles.panel} aria-label="Practice">
        <p>
          A simulated maker works a small mat in quick time and makes mistakes. Find them, and put them right.
          Nothing of it is kept.
        </p>
        <p className={styles.prompt} role="status">
          {promptWords(plan, prompt, tableOf(plan, maker))}
        </p>
        <p className={styles.tools}>
          {prompt === 'let work' && until === null && (
            <>
              <Button type="primary" onClick={() => setUntil('round')}>
                To the end of the round
              </Button>
              <Button onClick={() => setUntil('corner')}>To the next corner</Button>
            </>
          )}
          {SHEETS[prompt] && (
            <Button type="primary" onClick={() => ask(SHEETS[prompt]!)}>
              {SHEET_NAMES[prompt]}
            </Button>
          )}
          {until !== null && <Button onClick={() => setUntil(null)}>Stop</Button>}
          {prompt === 'done' && (
            <Button type="primary" onClick={() => onMaker({ ...maker, seed: anySeed() })}>
              Another one
            </Button>
          )}
        </p>
        <OnTheTable key={prompt} plan={plan} maker={maker} open={prompt === 'count' || prompt === 'stuck'} />
        <ul className={styles.tasks} aria-label="Seen so far">
          {TASKS.map((task) => {
            const done = tasksDone(plan).has(task);
            return (
              <li key={task} aria-label={`${TASK_NAMES[task]}: ${done ? 'seen' : 'not yet'}`}>
                {done ? (
                  <CheckCircleIcon weight="fill" aria-hidden="true" />
                ) : (
                  <CircleIcon aria-hidden="true" />
                )}{' '}
                {TASK_NAMES[task]}
              </li>
            );
          })}
        </ul>
        <details>
          <summary>The maker</summary>
          <div className={styles.tools}>
            <label>
              Works{' '}
              <select
                value={maker.skill}
                onChange={(e) => onMaker({ ...maker, skill: e.target.value as MakerSkill })}
              >
                {MAKER_SKILLS.map((skill) => (
                  <option key={skill} value={skill}>
                    {skill === 'learner' ? `as ${SKILL_NAMES[skill]}` : SKILL_NAMES[skill]}
                  </option>
                ))}
              </select>
            </label>
            <label>
              Mistakes number{' '}
              <NumberField
                size="small"
                aria-label="Number of the mistakes, to meet the same again"
                min={1}
                max={SEEDS}
                value={maker.seed}
                onChange={(seed) => seed !== null && onMaker({ ...maker, seed })}
              />
            </label>
          </div>
        </details>
      </section>
      <main className={styles.bench} ref={bench}>
        <WorkBench key={asked.times} plan={plan} first={asked.sheet} />
      </main>
    </>
  );
}

/** Counts as they really lie there, for whoever counts it. */
function OnTheTable({
  plan,
  maker,
  open,
}: {
  readonly plan: Plan;
  readonly maker: SimulatedMaker;
  readonly open: boolean;
}) {
  const table = tableOf(plan, maker);
  const lines = tableWords(plan, table);
  const corner = upToCornerWords(plan, table);
  const { begun } = progressOf(plan);
  // A round that is being made is counted when it is whole.
  const whole = begun ? lines.slice(0, -1) : lines;
  if (whole.length === 0) return null;
  return (
    <details className={styles.table} open={open}>
      <summary>Count what lies there</summary>
      <ul>
        {corner && <li>{corner}</li>}
        {whole.toReversed().map((line) => (
          <li key={line}>{line}</li>
        ))}
      </ul>
    </details>
  );
}
