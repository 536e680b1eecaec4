import { Button, Input } from 'antd';
import { Trash } from '@phosphor-icons/react';
import { nanoid } from 'nanoid';
import { useMemo } from 'react';
import { withBorder } from '../../core/forecast/borders.ts';
import type { Hem } from '../../core/document/hem.ts';
import { createPlanner } from '../../core/plan/planner.ts';
import { useWorked } from '../workers/useWorked.ts';
import { verdict } from '../../core/flat/flat.ts';
import * as edits from '../../core/edits/rounds.ts';
import type { Plan } from '../../core/plan/types.ts';
import { percentWords, plural, sizeWords, timeWords } from '../../core/words/measures.ts';
import { PlanDrawing } from '../drawing/PlanDrawing.tsx';
import { Guard } from '../hem/Guard.tsx';
import { useHemStore } from '../hem/context.ts';

/** Several borders of one piece side by side; each can be put aside and taken up again. */
export function Compare({ plan }: { readonly plan: Plan }) {
  const store = useHemStore();
  const { value: borders, failed } = useWorked('compareBorders', plan.hem);
  const nameOf = (id: string | null): string => plan.hem.kept.find((k) => k.id === id)?.name ?? 'In hand';
  const putAside = (): void => void store.do(edits.keepBorder(nanoid(6)));
  return (
    <section className="compare" aria-label="Borders compared">
      <div className="compare-head">
        <p className="quiet">Put a border aside, try another, and see them side by side.</p>
        <Button onClick={putAside}>Put this one aside</Button>
      </div>
      {failed && <p className="problem small">They could not be compared. Your hem is safe.</p>}
      <ul>
        {borders?.map((b) => (
          <li key={b.id ?? 'in hand'}>
            <div className="compare-drawing">
              <Guard what="This drawing" resetKeys={[plan]}>
                <BorderDrawing hem={plan.hem} id={b.id} />
              </Guard>
            </div>
            {b.id === null ? (
              <h3>In hand</h3>
            ) : (
              <Input
                aria-label="Name of this border"
                variant="borderless"
                value={nameOf(b.id)}
                maxLength={100}
                onChange={(e) => store.do(edits.renameBorder(b.id!, e.target.value))}
                onBlur={() => store.endJoin()}
              />
            )}
            <dl>
              <dt>size</dt>
              <dd>{sizeWords(b.blockedSize, plan.hem.preferences.length)}</dd>
              <dt>rounds</dt>
              <dd className={b.even ? undefined : 'odd'}>
                {b.rounds}, {b.even ? 'all fit' : 'some do not fit'}
              </dd>
              <dt>yarn</dt>
              <dd>up to {Math.round(b.grams)} g</dd>
              <dt>balls</dt>
              <dd>
                {plural(b.balls, 'ball')}, {b.toBuy} to buy
              </dd>
              <dt>time</dt>
              <dd>{timeWords(b.minutes)}</dd>
              <dt>lies</dt>
              <dd>
                {verdict(b.worst)} ({percentWords(b.worst)})
              </dd>
            </dl>
            {b.id !== null && (
              <div>
                <Button size="small" onClick={() => store.do(edits.takeUpBorder(b.id!, nameOf(b.id)))}>
                  Take it up
                </Button>
                <Button
                  size="small"
                  type="text"
                  aria-label={`Discard ${nameOf(b.id)}`}
                  icon={<Trash />}
                  onClick={() => store.do(edits.discardBorder(b.id!, nameOf(b.id)))}
                />
              </div>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}

const planner = createPlanner();

function BorderDrawing({ hem, id }: { readonly hem: Hem; readonly id: string | null }) {
  const plan = useMemo(() => planner(withBorder(hem, id)), [hem, id]);
  return <PlanDrawing plan={plan} bare />;
}
