import { Link } from 'react-router';
import { ListChoice } from '../look/ListChoice.tsx';
import { nanoid } from 'nanoid';
import { useState } from 'react';
import { takeEdge } from '../../core/forecast/alternatives.ts';
import { basketReach } from '../../core/forecast/supply.ts';
import { plural, yarnLengthWords } from '../../core/say/measures.ts';
import { WaysOff } from '../sections/WaysOff.tsx';
import { useHemStore, usePlan } from '../hem/context.ts';
import { Button } from '../look/Button.tsx';
import { useWorked } from '../workers/useWorked.ts';
import { NumberField } from '../look/NumberField.tsx';
import { yarnPlanOf } from '../../core/plan/yarns.ts';
import styles from './yarn.module.css';

/** The inverse questions: how many rounds of each kind the rest allows, and what another edge would save. */
export function HowFar() {
  const plan = usePlan();
  const used = yarnPlanOf(plan, plan.rounds[plan.rounds.length - 1]!.yarnId);
  const [yarnId, setYarnId] = useState(used.yarn.id);
  const chosen = plan.yarns.find((y) => y.yarn.id === yarnId) ?? used;
  const left = Math.max(0, Math.round((chosen.yarn.haveG ?? 2 * chosen.yarn.ballG) - chosen.quantity.grams));
  const [typed, setTyped] = useState<number | null>(null);
  const rest = typed ?? left;
  const { value: far, pending, failed } = useWorked('roundsFromRest', plan.hem, chosen.yarn.id, rest);
  const rows = [...(far ?? [])]
    .filter((r) => r.perhaps > 0)
    .sort((a, b) => b.surely - a.surely || b.perhaps - a.perhaps);
  const store = useHemStore();
  const others = useWorked('otherEdges', plan.hem).value ?? [];
  const last = plan.rounds[plan.rounds.length - 1]!;
  // What has been begun stays, and what does not fit saves nothing yet.
  const begun = plan.rounds.some((r) => r.done && r.written?.entry.id === plan.hem.rounds.at(-1)?.id);
  const saving = begun ? [] : others.filter((o) => o.ballsSaved > 0 && o.even);
  return (
    <section className={styles.howFar}>
      <FromBasket />
      <h2>What could you add with the leftovers?</h2>
      <div>
        With{' '}
        <NumberField
          size="small"
          aria-label="Grams left over"
          min={0}
          max={100000}
          unit="g"
          suffix="g"
          value={rest}
          onChange={(v) => setTyped(v)}
        />{' '}
        of{' '}
        <ListChoice
          size="small"
          label="Yarn that is left over"
          popupMatchSelectWidth={false}
          value={chosen.yarn.id}
          options={plan.hem.yarns.map((y) => ({ value: y.id, label: y.name }))}
          onChange={(id) => {
            setYarnId(id);
            setTyped(null);
          }}
        />{' '}
        left after this border, you could add:
      </div>
      {rows.length === 0 && pending ? (
        <p className="quiet">working …</p>
      ) : failed ? (
        <p className="quiet">This could not be worked out. Your hem is safe.</p>
      ) : rows.length === 0 ? (
        <p className="quiet">Not one more round of any kind.</p>
      ) : (
        <ul className={styles.farRows}>
          {rows.slice(0, 12).map((r) => (
            <li key={r.familyId}>
              <strong>{r.surely === r.perhaps ? r.surely : `${r.surely}–${r.perhaps}`}</strong> ×{' '}
              {r.name.toLowerCase()}
            </li>
          ))}
        </ul>
      )}
      {others.length > 0 && (
        <>
          <h2>A different last round, for the {last.name.toLowerCase()}</h2>
          {saving.length === 0 && <p className="quiet small">No other last round saves a whole ball.</p>}
          {saving.length > 0 && (
            <p className={styles.savings}>
              {saving.slice(0, MOST_SAVING).map((o) => (
                <Button key={o.familyId} size="small" onClick={() => store.do(takeEdge(plan, o, nanoid(8)))}>
                  {o.name} saves {plural(o.ballsSaved, 'ball')}
                </Button>
              ))}
            </p>
          )}
          <ul className={styles.farRows}>
            {others.slice(0, 9).map((o) => (
              <li key={o.familyId}>
                <strong className="estimate">{yarnLengthWords(o.metres, plan.hem.preferences.length)}</strong>{' '}
                {o.name.toLowerCase()}
                {!o.even && <span className="quiet"> (does not fit yet)</span>}
              </li>
            ))}
          </ul>
        </>
      )}
    </section>
  );
}

/** Other last rounds that are offered because they save a ball. */
const MOST_SAVING = 4;

/** Borders that the basket is enough for, and where this border would have to stop if it is not enough. */
function FromBasket() {
  const plan = usePlan();
  const [stopping, setStopping] = useState(false);
  const reach = basketReach(plan);
  if (!reach) return null;
  const propose = `/hem/${plan.hem.id}/propose`;
  return (
    <>
      <p className={styles.fromBasket}>
        <Link to={`${propose}?basket`}>Which borders could be made from the basket?</Link>{' '}
        <Link to={`${propose}?useup`}>Which would use it up?</Link>{' '}
        {plan.hem.rounds.length > 0 && (
          <Link to={`${propose}?useup&on`}>What on top of these rounds would use up the rest?</Link>
        )}
      </p>
      {reach.doubtful !== null && !stopping && (
        <Button size="small" onClick={() => setStopping(true)}>
          Stop where the basket is surely enough
        </Button>
      )}
      {reach.doubtful !== null && stopping && (
        <WaysOff
          plan={plan}
          none="Leaving rounds off does not help: the basket may not be enough for what has been begun, or nothing else fits."
        />
      )}
    </>
  );
}
