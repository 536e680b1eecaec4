import { Link } from 'react-router';
import { held } from '../../core/held.ts';
import { Input } from 'antd';
import { nanoid } from 'nanoid';
import { useMemo, useState, type ReactNode } from 'react';
import { landmarksOf, type Landmark } from '../../core/chart/landmarks.ts';
import type { KeptBorder } from '../../core/document/hem.ts';
import * as edits from '../../core/edits/rounds.ts';
import { verdict, type Verdict } from '../../core/flat/flat.ts';
import { withBorder, type Compared } from '../../core/forecast/borders.ts';
import { topOf, type Plan } from '../../core/plan/types.ts';
import { borderLines } from '../../core/forecast/borderWords.ts';
import { flatnessWords } from '../../core/flat/flatWords.ts';
import { plural, sizeWords, timeWords } from '../../core/say/measures.ts';
import { trialPlan } from '../hem/trialPlan.ts';
import { PlanDrawing } from '../drawing/PlanDrawing.tsx';
import { PlanSwatch } from '../drawing/Swatch.tsx';
import { Guard } from '../hem/Guard.tsx';
import { RestsOn } from '../sections/RestsOn.tsx';
import { useHemStore } from '../hem/context.ts';
import { Button } from '../look/Button.tsx';
import { CopyIcon, TrashIcon } from '../look/icons.ts';
import { useWorked } from '../workers/useWorked.ts';
import styles from './compare.module.css';

/** So many saved borders are seen beside this one. */
const MOST_BESIDE = 3;

/** Several borders of one piece side by side: how each looks, and what each comes to. */
export function Compare({ plan }: { readonly plan: Plan }) {
  const store = useHemStore();
  const { kept } = plan.hem;
  const { value: compared, failed } = useWorked('compareBorders', plan.hem);
  const [asked, setAsked] = useState<readonly string[] | null>(null);
  const beside = (asked ? kept.filter((k) => asked.includes(k.id)) : kept).slice(-MOST_BESIDE);
  const columns: readonly (KeptBorder | null)[] = [null, ...beside];
  const plans = useMemo(
    () => new Map([null, ...kept.map((k) => k.id)].map((id) => [id, borderOf(plan, id)] as const)),
    [plan, kept],
  );
  const found = columns.map((k) => compared?.find((c) => c.id === (k?.id ?? null)) ?? null);
  return (
    <section className={styles.compare} aria-label="Borders compared">
      <p className={styles.head}>
        <span className="quiet">Save this border, try another, and see them side by side.</span>
        <Button onClick={() => store.do(edits.keepBorder(nanoid(6)))}>Save this border</Button>
      </p>
      {failed && <p className="problem small">They could not be compared. Your hem is safe.</p>}
      {kept.length > MOST_BESIDE && <Beside kept={kept} shown={beside.map((k) => k.id)} onShown={setAsked} />}
      <div className={columns.length < 3 ? `${styles.scroll} ${styles.alone}` : styles.scroll}>
        <table>
          <thead>
            <tr>
              <td />
              {columns.map((k) => (
                <th key={k?.id ?? ''} scope="col">
                  <Name border={k} />
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            <Row label="Corner" of={columns}>
              {(k) => (
                <Part
                  plan={held(plans.get(k?.id ?? null), 'every border that is compared is planned')()}
                  kind="corner"
                />
              )}
            </Row>
            <Row label="Along a side" of={columns}>
              {(k) => (
                <Part
                  plan={held(plans.get(k?.id ?? null), 'every border that is compared is planned')()}
                  kind="side"
                />
              )}
            </Row>
            <Row label="The whole" of={columns}>
              {(k) => (
                <Guard what="This drawing" resetKeys={[plan]}>
                  <div className={styles.whole}>
                    <PlanDrawing
                      plan={held(plans.get(k?.id ?? null), 'every border that is compared is planned')()}
                      bare
                    />
                  </div>
                </Guard>
              )}
            </Row>
            <Row label="Rounds" of={columns}>
              {(k) => (
                <ol className={styles.rounds}>
                  {borderLines(k?.rounds ?? plan.hem.rounds).map((line, i) => (
                    <li key={i}>{line}</li>
                  ))}
                </ol>
              )}
            </Row>
            <Numbers found={found} plan={plan} />
            <Row label="" of={columns}>
              {(k) => k && <Deeds border={k} />}
            </Row>
          </tbody>
        </table>
        {columns.length < 3 && (
          <div className={styles.empty}>
            <p>The next border stands here, beside this one, with its own numbers.</p>
            <Button onClick={() => store.do(edits.keepBorder(nanoid(6)))}>
              Save this border and change it
            </Button>
            <Link to="../propose">Show me whole borders</Link>
          </div>
        )}
      </div>
      <RestsOn plan={plan} />
    </section>
  );
}

/** Planned when it is asked for, and once. */
function borderOf(plan: Plan, id: string | null): () => Plan {
  let made: Plan | undefined;
  return () => (made ??= id === null ? plan : trialPlan(withBorder(plan.hem, id)));
}

interface BesideProps {
  readonly kept: readonly KeptBorder[];
  readonly shown: readonly string[];
  readonly onShown: (ids: readonly string[]) => void;
}

/** Which of many saved borders are seen. */
function Beside({ kept, shown, onShown }: BesideProps) {
  return (
    <fieldset className={styles.beside}>
      <legend className="quiet small">Up to {MOST_BESIDE} beside this one:</legend>
      {kept.map((k) => (
        <label key={k.id}>
          <input
            type="checkbox"
            checked={shown.includes(k.id)}
            disabled={!shown.includes(k.id) && shown.length >= MOST_BESIDE}
            onChange={(e) => onShown(e.target.checked ? [...shown, k.id] : shown.filter((id) => id !== k.id))}
          />{' '}
          {k.name}
        </label>
      ))}
    </fieldset>
  );
}

function Name({ border }: { readonly border: KeptBorder | null }) {
  const store = useHemStore();
  if (!border) return <>This border</>;
  return (
    <Input
      aria-label="Name of this border"
      variant="borderless"
      value={border.name}
      maxLength={100}
      onChange={(e) => store.do(edits.renameBorder(border.id, e.target.value))}
      onBlur={() => store.endJoin()}
    />
  );
}

/** Actions on a saved border. */
function Deeds({ border: { id, name } }: { readonly border: KeptBorder }) {
  const store = useHemStore();
  return (
    <span className={styles.deeds}>
      <Button size="small" onClick={() => store.do(edits.takeUpBorder(id, name))}>
        Use this one
      </Button>
      <Button
        size="small"
        type="text"
        aria-label={`Copy ${name}`}
        icon={<CopyIcon />}
        onClick={() => store.do(edits.copyBorder(id, nanoid(6)))}
      />
      <Button
        size="small"
        type="text"
        aria-label={`Discard ${name}`}
        icon={<TrashIcon />}
        onClick={() => store.do(edits.discardBorder(id, name))}
      />
    </span>
  );
}

interface RowProps<T> {
  readonly label: string;
  readonly of: readonly T[];
  readonly children: (of: T) => ReactNode;
}

function Row<T>({ label, of, children }: RowProps<T>) {
  return (
    <tr>
      <th scope="row">{label}</th>
      {of.map((value, i) => (
        <td key={i}>{children(value)}</td>
      ))}
    </tr>
  );
}

const LESS_FLAT: Readonly<Record<Verdict, number>> = { flat: 0, 'blocks out': 1, ripples: 2, cups: 2 };

interface Measure {
  readonly label: string;
  readonly words: (c: Compared) => string;
  /** The less, the better; null where none is better than another. */
  readonly cost: ((c: Compared) => number) | null;
}

/** Numbers of each, the best of each marked. */
function Numbers({ found, plan }: { readonly found: readonly (Compared | null)[]; readonly plan: Plan }) {
  const measures: readonly Measure[] = [
    { label: 'Size', words: (c) => sizeWords(c.blockedSize, plan.hem.preferences.length), cost: null },
    { label: 'Fits', words: (c) => (c.even ? 'every round fits' : 'not yet'), cost: (c) => Number(!c.even) },
    {
      label: 'Flatness',
      words: (c) => flatnessWords(verdict(c.worst, plan.flatLimits)),
      cost: (c) => LESS_FLAT[verdict(c.worst, plan.flatLimits)],
    },
    { label: 'Yarn', words: (c) => `up to ${Math.round(c.grams)} g`, cost: (c) => Math.round(c.grams) },
    { label: 'To buy', words: (c) => plural(c.toBuy, 'ball'), cost: (c) => c.toBuy },
    { label: 'Time', words: (c) => `about ${timeWords(c.minutes)}`, cost: (c) => Math.round(c.minutes / 10) },
  ];
  return measures.map(({ label, words, cost }) => {
    const costs = found.flatMap((c) => (c && cost ? [cost(c)] : []));
    const least = Math.min(...costs);
    const differ = costs.some((c) => c > least);
    return (
      <Row key={label} label={label} of={found}>
        {(c) =>
          c ? (
            <span className={differ && cost?.(c) === least ? styles.best : undefined}>
              {words(c)}
              {differ && cost?.(c) === least && <span className={styles.mark}> best</span>}
            </span>
          ) : (
            <span className="quiet">working …</span>
          )
        }
      </Row>
    );
  });
}

/** A part of the outermost round, with what is under it. */
function Part({ plan, kind }: { readonly plan: Plan; readonly kind: Landmark['kind'] }) {
  const last = topOf(plan);
  const at = landmarksOf(plan, last.number).find((l) => l.kind === kind);
  if (!at) return <span className="quiet small">It has none.</span>;
  const step = 4 * plan.stitchWidthMm;
  const far = Math.hypot(at.x, at.y) || 1;
  return (
    <PlanSwatch
      plan={plan}
      at={
        kind === 'corner'
          ? { x: at.x - Math.sign(at.x) * step, y: at.y - Math.sign(at.y) * 0.5 * step }
          : { x: at.x * (1 - (0.5 * step) / far), y: at.y * (1 - (0.5 * step) / far) }
      }
      across={15}
      width={210}
      height={120}
      withPiece
    />
  );
}
