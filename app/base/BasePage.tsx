import { InputNumber, Select, Switch } from 'antd';
import { useDeferredValue, useState } from 'react';
import type { Draft } from 'immer';
import { CORNERS, type CornerId } from '../../core/terms/corners.ts';
import type { SchoolId } from '../../core/base/schools.ts';
import type { Hem } from '../../core/document/hem.ts';
import { oppositeSides, type SidePlan } from '../../core/plan.ts';
import { plurals } from '../../core/words/measures.ts';
import { PlanDrawing } from '../drawing/PlanDrawing.tsx';
import { StitchView } from '../drawing/StitchView.tsx';
import { FitList } from '../rounds/FitList.tsx';
import { useHemStore, usePlan } from '../hem/context.ts';
import { CountLine } from './CountLine.tsx';
import { Run } from './Run.tsx';
import './base.css';

const BASE_CORNERS: readonly CornerId[] = ['three', 'chain-1', 'chain-2', 'twos', 'threes'];

/** The base round: how many stitches along each edge, and where each goes. */
export function BasePage() {
  const plan = usePlan();
  const store = useHemStore();
  const [picked, setPicked] = useState(0);
  const [together, setTogether] = useState(true);
  const [preview, setPreview] = useState<readonly number[] | null>(null);
  const slow = useDeferredValue(plan);
  const side = Math.min(picked, plan.sides.length - 1);
  const pairs = oppositeSides(plan.body);
  const partner = pairs.find((p) => p.includes(side))?.find((i) => i !== side);

  const change = (
    label: string,
    on: number,
    edit: (choice: Draft<Hem['base']['sides'][number]>) => void,
    joinKey: string | null,
  ): void => {
    const facing = pairs.find((p) => p.includes(on))?.find((i) => i !== on);
    store.edit(
      label,
      (d) => {
        edit(d.base.sides[on]!);
        if (together && facing !== undefined) edit(d.base.sides[facing]!);
      },
      joinKey,
    );
  };
  const setCount = (on: number, count: number, done: boolean): void => {
    change(`${plan.sides[on]!.name} to ${count}`, on, (c) => void (c.count = count), `count ${on}`);
    if (done) store.endJoin();
  };
  const setSchool = (on: number, school: SchoolId): void =>
    change(
      `${plan.sides[on]!.name} by school`,
      on,
      (c) => {
        c.school = school;
        c.count = null;
      },
      null,
    );

  const names = (i: number): string => {
    const other = pairs.find((p) => p.includes(i))?.find((j) => j !== i);
    return together && other !== undefined
      ? `${plan.sides[Math.min(i, other)]!.name} and ${plan.sides[Math.max(i, other)]!.name}`
      : plan.sides[i]!.name;
  };
  const shown = together
    ? plan.sides.map((_, i) => i).filter((i) => !pairs.some(([, b]) => b === i))
    : plan.sides.map((_, i) => i);

  return (
    <div className="base-page">
      <section className="base-plan" aria-label="The piece">
        <PlanDrawing plan={plan} picked={side} onPick={setPicked} />
        <OwnRate
          side={plan.sides[side]!}
          onRate={(stitches, spots) =>
            change(
              `${plan.sides[side]!.name} at ${stitches} in ${spots}`,
              side,
              (c) => {
                c.school = 'own';
                c.own = { stitches, spots };
                c.count = null;
              },
              `own ${side}`,
            )
          }
        />
      </section>
      <section className="base-lines">
        <header>
          <h1>Base round</h1>
          {pairs.length > 0 && (
            <label className="together">
              <Switch size="small" checked={together} onChange={setTogether} /> facing sides together
            </label>
          )}
        </header>
        {shown.map((i) => (
          <div
            key={i}
            className={i === side || i === partner ? 'side-line here' : 'side-line'}
            onFocus={() => setPicked(i)}
            onPointerDown={() => setPicked(i)}
          >
            <h2>
              {names(i).length > 1 ? 'Sides' : 'Side'} {names(i)}
            </h2>
            <CountLine
              plan={plan}
              side={i}
              preview={preview?.[i] ?? null}
              onCount={(count, done) => setCount(i, count, done)}
              onSchool={(school) => setSchool(i, school)}
            />
          </div>
        ))}
        <p className="quiet small legend">
          <span className="key flat-key" /> lies flat <span className="key blocks-key" /> blocks out{' '}
          <svg className="key" width="14" height="16" aria-hidden="true">
            <path d="M7 15 C 0 11, 1 2, 7 2 S 14 11, 7 15" />
          </svg>{' '}
          every round comes out even{' '}
          <svg className="key" width="12" height="12" aria-hidden="true">
            <path className="filled" d="M6 2l5 9H1z" />
          </svg>{' '}
          flat count
        </p>
        <Run plan={plan} side={side} />
      </section>
      <section className="base-corner">
        <h2>Corners</h2>
        <Select
          aria-label="Corners of the base round"
          value={plan.hem.base.corner}
          options={BASE_CORNERS.map((id) => ({ value: id, label: CORNERS.find((c) => c.id === id)!.name }))}
          onChange={(corner) => store.edit('base corners', (d) => void (d.base.corner = corner))}
        />
        <div className="base-corner-view">
          <StitchView
            plan={plan}
            corner={side}
            round={0}
            label={`The corner before side ${plan.sides[side]!.name}, every stitch of the base round`}
          />
        </div>
        <FitList plan={slow} onPreview={setPreview} />
      </section>
    </div>
  );
}

/** A rate of one's own, for edges that follow no rule. */
function OwnRate({
  side,
  onRate,
}: {
  readonly side: SidePlan;
  readonly onRate: (stitches: number, spots: number) => void;
}) {
  const { own } = side.choice;
  const { noun } = side.edge.numbering;
  return (
    <p className="own-rate small">
      Own rate for {side.name}:{' '}
      <InputNumber
        aria-label="Stitches"
        size="small"
        min={1}
        max={50}
        value={own.stitches}
        onChange={(v) => v && onRate(v, own.spots)}
      />{' '}
      in every{' '}
      <InputNumber
        aria-label={`Of so many ${plurals(noun)}`}
        size="small"
        min={1}
        max={50}
        value={own.spots}
        onChange={(v) => v && onRate(own.stitches, v)}
      />{' '}
      {plurals(noun)}
    </p>
  );
}
