import { Button, Input } from 'antd';
import { Trash } from '@phosphor-icons/react';
import { castDraft } from 'immer';
import { nanoid } from 'nanoid';
import { useMemo } from 'react';
import { compareBorders, type Compared } from '../../core/forecast/alternatives.ts';
import { verdict } from '../../core/flat/flat.ts';
import type { Plan } from '../../core/plan.ts';
import { percentWords, plural, sizeWords } from '../../core/words/measures.ts';
import { PlanDrawing } from '../drawing/PlanDrawing.tsx';
import { useHemStore } from '../hem/context.ts';
import { timeWords } from '../yarn/time.ts';

/** Several borders of one piece side by side; each can be put aside and taken up again. */
export function Compare({ plan }: { readonly plan: Plan }) {
  const store = useHemStore();
  const borders = useMemo(() => compareBorders(plan), [plan]);
  const { base, rounds } = plan.hem;
  const putAside = (): void =>
    store.edit('put the border aside', (d) => {
      d.kept.push(castDraft({ id: nanoid(6), name: `Border ${d.kept.length + 1}`, base, rounds }));
    });
  const takeUp = (border: Compared): void =>
    store.edit(`took up ${border.name}`, (d) => {
      const kept = plan.hem.kept.find((k) => k.id === border.id)!;
      const inHand = { id: kept.id, name: `Before ${kept.name}`.slice(0, 100), base, rounds };
      d.base = castDraft(kept.base);
      d.rounds = castDraft([...kept.rounds]);
      d.kept = castDraft(plan.hem.kept.map((k) => (k.id === kept.id ? inHand : k)));
    });
  return (
    <section className="compare" aria-label="Borders compared">
      <div className="compare-head">
        <p className="quiet">Put a border aside, try another, and see them side by side.</p>
        <Button onClick={putAside}>Put this one aside</Button>
      </div>
      <ul>
        {borders.map((b) => (
          <li key={b.id ?? 'in hand'}>
            <div className="compare-drawing">
              <PlanDrawing plan={b.plan} bare />
            </div>
            {b.id === null ? (
              <h3>In hand</h3>
            ) : (
              <Input
                aria-label="Name of this border"
                variant="borderless"
                value={b.name}
                maxLength={100}
                onChange={(e) =>
                  e.target.value &&
                  store.edit(
                    'name of a border',
                    (d) => void (d.kept.find((k) => k.id === b.id)!.name = e.target.value),
                    `border ${b.id}`,
                  )
                }
                onBlur={() => store.endJoin()}
              />
            )}
            <dl>
              <dt>size</dt>
              <dd>{sizeWords(b.plan.blockedSize, plan.hem.preferences.length)}</dd>
              <dt>rounds</dt>
              <dd className={b.even ? undefined : 'odd'}>
                {b.plan.rounds.length - 1}, {b.even ? 'all even' : 'not even'}
              </dd>
              <dt>yarn</dt>
              <dd>up to {Math.round(b.grams)} g</dd>
              <dt>balls</dt>
              <dd>
                {plural(b.balls, 'ball')}, {b.toBuy} to buy
              </dd>
              <dt>time</dt>
              <dd>{timeWords(b.plan.minutes)}</dd>
              <dt>lies</dt>
              <dd>
                {verdict(b.worst)} ({percentWords(b.worst)})
              </dd>
            </dl>
            {b.id !== null && (
              <div>
                <Button size="small" onClick={() => takeUp(b)}>
                  Take it up
                </Button>
                <Button
                  size="small"
                  type="text"
                  aria-label={`Discard ${b.name}`}
                  icon={<Trash />}
                  onClick={() =>
                    store.edit(
                      `discarded ${b.name}`,
                      (d) => void (d.kept = d.kept.filter((k) => k.id !== b.id)),
                    )
                  }
                />
              </div>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}
