import { Link } from 'react-router';
import { Select } from 'antd';
import { useState } from 'react';
import type { Plan } from '../../core/plan/types.ts';
import { plural, yarnLengthWords } from '../../core/words/measures.ts';

import { useWorked } from '../workers/useWorked.ts';
import { NumberField } from '../look/NumberField.tsx';

/** The inverse questions: how many rounds of each kind the rest allows, and what another edge would save. */
export function HowFar({ plan }: { readonly plan: Plan }) {
  const used = plan.yarns.find((y) => y.yarn.id === plan.rounds[plan.rounds.length - 1]!.yarnId)!;
  const [yarnId, setYarnId] = useState(used.yarn.id);
  const chosen = plan.yarns.find((y) => y.yarn.id === yarnId) ?? used;
  const left = Math.max(0, Math.round((chosen.yarn.haveG ?? 2 * chosen.yarn.ballG) - chosen.quantity.grams));
  const [typed, setTyped] = useState<number | null>(null);
  const rest = typed ?? left;
  const { value: far, pending, failed } = useWorked('roundsFromRest', plan.hem, chosen.yarn.id, rest);
  const rows = [...(far ?? [])]
    .filter((r) => r.perhaps > 0)
    .sort((a, b) => b.surely - a.surely || b.perhaps - a.perhaps);
  const others = useWorked('otherEdges', plan.hem).value ?? [];
  const last = plan.rounds[plan.rounds.length - 1]!;
  const saving = others.filter((o) => o.ballsSaved > 0);
  return (
    <section className="how-far">
      {plan.yarns.some((y) => y.yarn.haveG !== null) && (
        <p>
          <Link to={`/hem/${plan.hem.id}/propose?basket`}>Which borders could be made from the basket?</Link>
        </p>
      )}
      <h2>What could you add with the leftovers?</h2>
      <p>
        With{' '}
        <NumberField
          size="small"
          aria-label="Grams left over"
          min={0}
          max={100000}
          suffix="g"
          value={rest}
          onChange={(v) => setTyped(v)}
        />{' '}
        of{' '}
        <Select
          size="small"
          aria-label="Yarn that is left over"
          popupMatchSelectWidth={false}
          value={chosen.yarn.id}
          options={plan.hem.yarns.map((y) => ({ value: y.id, label: y.name }))}
          onChange={(id) => {
            setYarnId(id);
            setTyped(null);
          }}
        />{' '}
        left after this border, you could add:
      </p>
      {rows.length === 0 && pending ? (
        <p className="quiet">working …</p>
      ) : failed ? (
        <p className="quiet">This could not be worked out. Your hem is safe.</p>
      ) : rows.length === 0 ? (
        <p className="quiet">Not one more round of any kind.</p>
      ) : (
        <ul className="far-rows">
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
          <p className="quiet small">
            {saving.length > 0
              ? `${saving
                  .slice(0, 4)
                  .map((o) => `${o.name} saves ${plural(o.ballsSaved, 'ball')}`)
                  .join('; ')}.`
              : 'No other last round saves a whole ball.'}
          </p>
          <ul className="far-rows">
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
