import { Segmented } from 'antd';
import { nanoid } from 'nanoid';
import { useDeferredValue, useState } from 'react';
import { createPlanner } from '../../core/plan.ts';
import type { Family } from '../../core/rounds/family.ts';
import { FAMILIES } from '../../core/rounds/registry.ts';
import type { RoundEntry } from '../../core/document/hem.ts';
import { StitchView } from '../drawing/StitchView.tsx';
import { useHemStore, usePlan } from '../hem/context.ts';
import { FitList } from './FitList.tsx';
import { Stack } from './Stack.tsx';
import { StrainStrip } from './StrainStrip.tsx';
import './rounds.css';

const previewPlanner = createPlanner();

/** The stack of rounds, the corner stitch by stitch, and whether it fits and lies flat. */
export function RoundsPage() {
  const plan = usePlan();
  const store = useHemStore();
  const slow = useDeferredValue(plan);
  const [looked, setLooked] = useState<number | null>(null);
  const [corner, setCorner] = useState(0);
  const [preview, setPreview] = useState<readonly number[] | null>(null);
  const at = Math.min(corner, plan.sides.length - 1);
  const round = looked !== null && looked < plan.rounds.length ? looked : null;
  const shown = preview
    ? previewPlanner({
        ...plan.hem,
        base: {
          ...plan.hem.base,
          sides: plan.hem.base.sides.map((s, i) =>
            preview[i] === plan.sides[i]!.count ? s : { ...s, count: preview[i]! },
          ),
        },
      })
    : plan;

  const add = (family: Family): void => {
    const yarn = plan.rounds[plan.rounds.length - 1]!.yarnId;
    const entry: RoundEntry = {
      id: nanoid(8),
      family: family.id,
      stitch: family.stitches[0]!,
      corner: family.corners[0]!,
      loop: family.loops[0]!,
      yarn,
      times: 1,
    };
    store.edit(`added ${family.name.toLowerCase()}`, (d) => void d.rounds.push(entry));
    setLooked(null);
  };
  const last = plan.hem.rounds[plan.hem.rounds.length - 1];

  return (
    <div className="rounds-page">
      <section className="rounds-stack">
        <h1>Rounds</h1>
        <div className="add" aria-label="Add a round">
          {FAMILIES.map((family) => (
            <button key={family.id} type="button" title={family.about} onClick={() => add(family)}>
              + {family.name}
            </button>
          ))}
        </div>
        {last && FAMILIES.find((f) => f.id === last.family)?.repeatable === false && (
          <p className="quiet small">
            The {FAMILIES.find((f) => f.id === last.family)!.name.toLowerCase()} ends the border; drag a new
            round below it.
          </p>
        )}
        <Stack plan={plan} looked={round} onLook={setLooked} />
      </section>
      <section className="rounds-close-up">
        <div className="corner-choice">
          <Segmented
            size="small"
            aria-label="Corner"
            value={at}
            options={plan.sides.map((s, i) => ({
              value: i,
              label: `${plan.sides[(i - 1 + plan.sides.length) % plan.sides.length]!.name}/${s.name}`,
            }))}
            onChange={setCorner}
          />
        </div>
        <StitchView
          plan={shown}
          corner={at}
          round={round}
          label={`The corner before side ${plan.sides[at]!.name}, drawn stitch by stitch`}
        />
      </section>
      <aside className="rounds-judged">
        <FitList plan={slow} onPreview={setPreview} />
        <StrainStrip plan={shown} />
      </aside>
    </div>
  );
}
