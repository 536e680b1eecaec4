import { Select, Switch } from 'antd';
import { useDeferredValue, useMemo, useState } from 'react';
import { CROSSINGS } from '../../core/base/crossings.ts';
import * as edits from '../../core/edits/base.ts';
import { listWords } from '../../core/base/run.ts';
import type { SchoolId } from '../../core/base/schools.ts';
import type { Hem } from '../../core/document/hem.ts';
import { likeSides } from '../../core/piece/symmetry.ts';
import { type SidePlan } from '../../core/plan.ts';
import { CORNERS } from '../../core/terms/corners.ts';
import { abbreviation, type StitchKind } from '../../core/terms/stitches.ts';
import { plurals } from '../../core/words/measures.ts';
import { PlanDrawing } from '../drawing/PlanDrawing.tsx';
import type { PlanPart } from '../drawing/scene/parts.ts';
import type { ViewPart } from '../drawing/scene/parts.ts';
import { Guard } from '../look/Guard.tsx';
import { StitchView } from '../drawing/StitchView.tsx';
import { useHemStore, usePlan } from '../hem/context.ts';
import { FitList } from '../rounds/FitList.tsx';
import { ChosenFromDrawings, CornerTreatments, JoinTreatments } from './Treatment.tsx';
import { CountLine } from './CountLine.tsx';
import { Joins } from './Joins.tsx';
import { Run } from './Run.tsx';
import { StartFields } from './StartFields.tsx';
import './base.css';
import { NumberField } from '../look/NumberField.tsx';

const BASE_STITCHES: readonly StitchKind[] = ['sc', 'esc', 'hdc', 'dc'];
/** More count lines than this would bury the run: then only the picked side's is shown. */
const MOST_LINES = 2;

/** The base round: how many stitches along each edge, and where each goes. */
export function BasePage() {
  const plan = usePlan();
  const store = useHemStore();
  const [picked, setSide] = useState(0);
  const [part, setPart] = useState<ViewPart | null>(null);
  const [together, setTogether] = useState(true);
  const [preview, setPreview] = useState<Hem | null>(null);
  const slow = useDeferredValue(plan);
  // The line answers at once; the drawings follow as soon as there is time.
  const side = Math.min(picked, plan.sides.length - 1, slow.sides.length - 1);
  /** The drawing follows what is picked: a side brings its corner. */
  const pick = (p: PlanPart): void => {
    if (p.kind === 'rows') return;
    setSide(p.side);
    setPart(p.kind === 'side' ? null : p);
  };
  const pickSide = (i: number): void => {
    if (i !== side) pick({ kind: 'side', side: i });
  };
  const shown = useMemo<ViewPart>(() => part ?? { kind: 'corner', side }, [part, side]);
  const like = likeSides(plan.body);
  const groups = together ? like : plan.sides.map((_, i) => [i]);
  const groupOf = (i: number): readonly number[] => groups.find((g) => g.includes(i)) ?? [i];
  const lines = groups.length > MOST_LINES ? [groupOf(side)] : groups;
  const joined = plan.body.edges.findIndex((edge) => edge.joins.length > 0);
  const joinOf = joined < 0 ? null : plan.body.edges[side]!.joins.length > 0 ? side : joined;

  const nameOf = (on: number): string => plan.sides[on]!.name;
  const setCount = (on: number, count: number, done: boolean): void => {
    store.do(edits.setCount(nameOf(on), groupOf(on), count));
    if (done) store.endJoin();
  };
  const setSchool = (on: number, school: SchoolId): void =>
    void store.do(edits.chooseSchool(nameOf(on), groupOf(on), school));

  return (
    <div className="base-page">
      <section className="base-plan" aria-label="The piece">
        <Guard what="The drawing of the piece" resetKeys={[plan]}>
          <PlanDrawing
            plan={plan}
            parts={['side', 'corner', 'join']}
            picked={part === null || part.kind === 'whole' ? { kind: 'side', side } : part}
            onPick={pick}
          />
        </Guard>
        <OwnRate
          side={plan.sides[side]!}
          onRate={(stitches, spots) =>
            store.do(edits.setOwnRate(nameOf(side), groupOf(side), { stitches, spots }))
          }
        />
      </section>
      <section className="base-lines">
        <header>
          <h1>Base round</h1>
          {like.length < plan.sides.length && (
            <label className="together">
              <Switch size="small" checked={together} onChange={setTogether} /> like sides together
            </label>
          )}
        </header>
        {lines.map((group) => {
          const i = group[0]!;
          return (
            <div
              key={i}
              className={group.includes(side) ? 'side-line here' : 'side-line'}
              onFocus={() => pickSide(i)}
              onPointerDown={() => pickSide(i)}
            >
              <h2>
                {group.length > 1 ? 'Sides' : 'Side'} {listWords(group.map((k) => plan.sides[k]!.name))}
              </h2>
              <CountLine
                plan={plan}
                side={i}
                preview={preview?.base.sides[i]?.count ?? null}
                onCount={(count, done) => setCount(i, count, done)}
                onSchool={(school) => setSchool(i, school)}
              />
            </div>
          );
        })}
        {groups.length > MOST_LINES && <p className="quiet small">Pick another side in the drawing.</p>}
        <Legend />
        <Run plan={slow} side={side} />
        <Joins
          plan={plan}
          side={side}
          onCrossing={(join, crossing) =>
            store.do(edits.crossJoin(nameOf(side), groupOf(side), join, crossing))
          }
        />
      </section>
      <section className="base-corner">
        <div className="base-fields">
          <label>
            Stitch
            <Select
              aria-label="Stitch of the base round"
              value={plan.hem.base.stitch}
              options={BASE_STITCHES.map((s) => ({
                value: s,
                label: abbreviation(s, plan.hem.preferences.language),
              }))}
              onChange={(stitch) => store.do(edits.chooseBaseStitch(stitch))}
            />
          </label>
          <div className="field-like">
            Corners
            <ChosenFromDrawings
              label="Corners of the base round"
              name={CORNERS.find((c) => c.id === plan.hem.base.corner)!.name}
            >
              <Guard what="The choice of corners" resetKeys={[plan]}>
                <CornerTreatments
                  plan={plan}
                  side={side}
                  onChange={(corner) => store.do(edits.chooseBaseCorner(corner))}
                />
              </Guard>
            </ChosenFromDrawings>
          </div>
          {joinOf !== null && (
            <div className="field-like">
              At joins
              <ChosenFromDrawings label="At joins" name={CROSSINGS[plan.hem.base.crossing].name}>
                <JoinTreatments
                  plan={plan}
                  side={joinOf}
                  join={0}
                  label="At joins"
                  value={plan.hem.base.crossing}
                  onChange={(crossing) => store.do(edits.crossJoins(crossing))}
                />
              </ChosenFromDrawings>
            </div>
          )}
        </div>
        <div className="base-corner-view">
          <Guard what="This drawing" resetKeys={[slow]}>
            <StitchView
              plan={slow}
              part={shown}
              onPart={setPart}
              round={0}
              label="The base round on the piece, stitch by stitch"
            />
          </Guard>
        </div>
        <StartFields plan={slow} />
        <Guard what="The fit" resetKeys={[slow]}>
          <FitList plan={slow} onPreview={setPreview} />
        </Guard>
      </section>
    </div>
  );
}

function Legend() {
  return (
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
      <NumberField
        aria-label="Stitches"
        size="small"
        min={1}
        max={50}
        value={own.stitches}
        onChange={(v) => v && onRate(v, own.spots)}
      />{' '}
      in every{' '}
      <NumberField
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
