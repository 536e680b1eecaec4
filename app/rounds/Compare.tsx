import { Button, Input } from 'antd';
import { Trash } from '@phosphor-icons/react';
import { nanoid } from 'nanoid';
import { useMemo } from 'react';
import { compareBorders } from '../../core/forecast/alternatives.ts';
import { verdict } from '../../core/flat/flat.ts';
import * as edits from '../../core/edits/rounds.ts';
import type { Plan } from '../../core/plan.ts';
import { percentWords, plural, sizeWords } from '../../core/words/measures.ts';
import { PlanDrawing } from '../drawing/PlanDrawing.tsx';
import { Guard } from '../look/Guard.tsx';
import { useHemStore } from '../hem/context.ts';
import { timeWords } from '../yarn/time.ts';

/** Several borders of one piece side by side; each can be put aside and taken up again. */
export function Compare({ plan }: { readonly plan: Plan }) {
  const store = useHemStore();
  const borders = useMemo(() => compareBorders(plan), [plan]);
  const putAside = (): void => void store.do(edits.keepBorder(nanoid(6)));
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
              <Guard what="This drawing" resetKeys={[b.plan]}>
                <PlanDrawing plan={b.plan} bare />
              </Guard>
            </div>
            {b.id === null ? (
              <h3>In hand</h3>
            ) : (
              <Input
                aria-label="Name of this border"
                variant="borderless"
                value={b.name}
                maxLength={100}
                onChange={(e) => store.do(edits.renameBorder(b.id!, e.target.value))}
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
                <Button size="small" onClick={() => store.do(edits.takeUpBorder(b.id!, b.name))}>
                  Take it up
                </Button>
                <Button
                  size="small"
                  type="text"
                  aria-label={`Discard ${b.name}`}
                  icon={<Trash />}
                  onClick={() => store.do(edits.discardBorder(b.id!, b.name))}
                />
              </div>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}
