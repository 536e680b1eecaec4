import { sidesTold } from '../../core/print/kinds.ts';
import { isDisc, turnedCorners } from '../../core/piece/outline.ts';
import { Select, Switch } from 'antd';
import { memo, useCallback, useMemo, useState } from 'react';
import * as edits from '../../core/edits/base.ts';
import { capital } from '../../core/terms/words.ts';
import type { Hem } from '../../core/document/hem.ts';
import { beforeStretch } from '../../core/piece/along.ts';
import { likeSides } from '../../core/piece/symmetry.ts';
import { sidesWorked, type Plan } from '../../core/plan/types.ts';
import { cornerTreatment } from '../../core/terms/corners.ts';
import { abbreviation, type StitchKind } from '../../core/terms/stitches.ts';
import { crossingName } from '../../core/print/steps/baseRoundWords.ts';
import { plurals } from '../../core/say/measures.ts';
import { PlanDrawing } from '../drawing/PlanDrawing.tsx';
import type { PlanPart } from '../../drawing/parts.ts';
import type { ViewPart } from '../../drawing/viewParts.ts';
import { Guard } from '../hem/Guard.tsx';
import { StitchView } from '../drawing/StitchView.tsx';
import { useHemStore, usePlan } from '../hem/context.ts';
import { BegunNote } from '../sections/BegunNote.tsx';
import { FitList } from '../sections/FitList.tsx';
import { ChosenFromDrawings, CornerTreatments, JoinTreatments } from '../sections/Treatment.tsx';
import { CountLine } from './CountLine.tsx';
import { Joins } from './Joins.tsx';
import { MoreOfBase } from './MoreOfBase.tsx';
import { Run } from './Run.tsx';
import { sideLabel } from '../../core/print/placeWords.ts';
import { NotFollowed, StartFields } from '../sections/StartFields.tsx';
import styles from './base.module.css';
import { useAfterPaint } from '../look/afterPaint.ts';
import { NumberField } from '../look/NumberField.tsx';
import { useWorked } from '../workers/useWorked.ts';

const BASE_STITCHES: readonly StitchKind[] = ['sc', 'esc', 'hdc', 'dc'];
/** More count lines than this would bury the run: then only the picked side's is shown. */
const MOST_LINES = 2;

/** The same at every render. */
const NONE: readonly number[] = [];
const BASE_ROUND: readonly number[] = [0];
const PARTS = ['side', 'corner', 'join'] as const;

/** The base round: how many stitches along each edge, and where each goes. */
export function BasePage() {
  const plan = usePlan();
  // The line answers at once; all else follows as soon as there is time.
  const slow = useAfterPaint(plan);
  const [picked, setSide] = useState(0);
  const [part, setPart] = useState<ViewPart | null>(null);
  const [together, setTogether] = useState(true);
  const [preview, setPreview] = useState<Hem | null>(null);
  const there = Math.min(picked, plan.sides.length - 1, slow.sides.length - 1);
  const worked = useMemo(() => sidesWorked(plan), [plan]);
  // What is not worked has nothing to be set.
  const side = worked.includes(there) ? there : worked[0]!;
  /** The drawing follows what is picked: a side brings its corner. */
  const pick = useCallback((p: PlanPart): void => {
    if (p.kind === 'rows') return;
    setSide(p.side);
    setPart(p.kind === 'side' ? null : p);
  }, []);
  const showSide = useCallback((_: number, at: number): void => {
    setSide(at);
    setPart({ kind: 'side', side: at });
  }, []);
  const shown = useMemo<ViewPart>(() => part ?? { kind: 'corner', side }, [part, side]);
  const mark = useMemo<PlanPart>(
    () => (part === null || !('side' in part) ? { kind: 'side', side } : part),
    [part, side],
  );
  const { body } = plan;
  const like = useMemo(() => likeSides(body), [body]);
  const groups = useMemo(
    () =>
      (together ? like : body.edges.map((_, i): readonly number[] => [i]))
        .map((group) => group.filter((i) => worked.includes(i)))
        .filter((group) => group.length > 0),
    [together, like, body, worked],
  );
  const group = groups.find((g) => g.includes(side)) ?? NONE;
  return (
    <div className={styles.page}>
      <section className={styles.plan} aria-label="The piece">
        <Guard what="The drawing of the piece" resetKeys={[slow]}>
          <PlanDrawing plan={slow} parts={PARTS} picked={mark} onPick={pick} />
        </Guard>
        <OwnRate plan={slow} side={side} group={group} />
      </section>
      <section className={styles.lines}>
        <header>
          <div>
            <h1>Base {plan.body.outline.part ? 'row' : 'round'}</h1>
            <p className="quiet small">
              The first {plan.body.outline.part ? 'row' : 'round'}, worked straight onto your piece. Drag to
              set the stitches on each side.
            </p>
          </div>
          {groups.length < worked.length && together && like.length < plan.sides.length && (
            <label className={styles.together}>
              <Switch size="small" checked={together} onChange={setTogether} /> change matching sides together
            </label>
          )}
        </header>
        <BegunNote plan={slow} rounds={BASE_ROUND} />
        <CountLines plan={plan} side={side} groups={groups} preview={preview} onPick={pick} />
        <Legend />
        <RunOfSide plan={slow} side={side} group={group} />
      </section>
      <section className={styles.corner}>
        <BaseFields plan={slow} side={side} />
        <div className={styles.cornerView}>
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
        <NotFollowed plan={slow} />
        <MoreOfBase plan={slow} />
        <Guard what="The fit" resetKeys={[slow]}>
          <FitList plan={slow} stale={slow !== plan} onPreview={setPreview} onShow={showSide} />
        </Guard>
      </section>
    </div>
  );
}

interface CountLinesProps {
  readonly plan: Plan;
  readonly side: number;
  readonly groups: readonly (readonly number[])[];
  readonly preview: Hem | null;
  readonly onPick: (part: PlanPart) => void;
}

/** A count line for every group of sides that are treated alike. */
function CountLines({ plan, side, groups, preview, onPick }: CountLinesProps) {
  const store = useHemStore();
  const { value: even } = useWorked('evenCounts', plan.hem);
  const few = groups.length <= MOST_LINES;
  const lines = few ? groups : groups.filter((g) => g.includes(side));
  return (
    <>
      {lines.map((group) => {
        const i = group[0]!;
        const { name, corners } = plan.sides[i]!;
        const pickHere = (): void => {
          if (i !== side) onPick({ kind: 'side', side: i });
        };
        return (
          <div
            key={i}
            className={group.includes(side) ? `${styles.sideLine} ${styles.here}` : styles.sideLine}
            onFocus={pickHere}
            onPointerDown={pickHere}
          >
            <h2>
              {group.length > 1
                ? capital(
                    sidesTold(
                      plan,
                      group.map((k) => plan.sides[k]!.name),
                    ),
                  )
                : sideLabel(plan, i)}
            </h2>
            <CountLine
              plan={plan}
              side={i}
              even={even?.[i] ?? NONE}
              preview={preview?.base.sides[i]?.count ?? null}
              onCount={(count, done) => {
                store.do(edits.setCount(name, group, count + corners, corners));
                if (done) store.endJoin();
              }}
              onSpacing={(school) => store.do(edits.chooseSpacing(name, group, school))}
            />
          </div>
        );
      })}
      {!few && <p className="quiet small">Pick another side in the drawing.</p>}
    </>
  );
}

interface OfSideProps {
  readonly plan: Plan;
  readonly side: number;
  /** The sides that are treated like it, itself among them. */
  readonly group: readonly number[];
}

/** The side that is picked, spot by spot and seam by seam. */
const RunOfSide = memo(function RunOfSide({ plan, side, group }: OfSideProps) {
  const store = useHemStore();
  const { name, edge } = plan.sides[side]!;
  const { part } = plan.hem.base;
  const before = beforeStretch(edge);
  return (
    <>
      <Run
        plan={plan}
        side={side}
        onPlace={(spot, stitches, was) =>
          store.do(edits.placeByEye(name, side, spot + before.spots, stitches, was))
        }
        onEnd={
          part &&
          ((spot, which) => store.do(edits.borderAlong({ ...part, [which]: spot + before.spots + 1 })))
        }
        onClear={() => store.do(edits.clearByEye(name, side))}
      />
      <Joins
        plan={plan}
        side={side}
        onCrossing={(join, crossing) => store.do(edits.crossJoin(name, group, join + before.joins, crossing))}
      />
    </>
  );
});

/** Stitch of the base round, and how it goes round corners and over seams. */
const BaseFields = memo(function BaseFields({ plan, side }: { readonly plan: Plan; readonly side: number }) {
  const store = useHemStore();
  const { base, preferences } = plan.hem;
  const turned = turnedCorners(plan.body.outline);
  const joined = plan.body.edges.findIndex((edge) => edge.joins.length > 0);
  const joinOf = joined < 0 ? null : plan.body.edges[side]!.joins.length > 0 ? side : joined;
  return (
    <div className={styles.fields}>
      <label>
        Stitch
        <Select
          aria-label="Stitch of the base round"
          value={base.stitch}
          options={BASE_STITCHES.map((s) => ({ value: s, label: abbreviation(s, preferences.language) }))}
          onChange={(stitch) => store.do(edits.chooseBaseStitch(stitch))}
        />
      </label>
      {turned.length > 0 && (
        <div className="field-like">
          Corners
          <ChosenFromDrawings label="Corners of the base round" name={cornerTreatment(base.corner).name}>
            <Guard what="The choice of corners" resetKeys={[plan]}>
              <CornerTreatments
                plan={plan}
                side={turned.includes(side) ? side : turned[0]!}
                onChange={(corner) => store.do(edits.chooseBaseCorner(corner))}
              />
            </Guard>
          </ChosenFromDrawings>
        </div>
      )}
      {joinOf !== null && (
        <div className="field-like">
          At motif seams
          <ChosenFromDrawings
            label="At motif seams"
            name={crossingName(base.crossing, base.stitch, preferences.language)}
          >
            <JoinTreatments
              plan={plan}
              side={joinOf}
              join={0}
              label="At motif seams"
              value={base.crossing}
              onChange={(crossing) => store.do(edits.crossJoins(crossing))}
            />
          </ChosenFromDrawings>
        </div>
      )}
    </div>
  );
});

function Legend() {
  return (
    <p className={`quiet small ${styles.legend}`}>
      <span className={`${styles.key} ${styles.flatKey}`} /> lies flat{' '}
      <span className={`${styles.key} ${styles.blocksKey}`} /> flattens with blocking{' '}
      <svg className={styles.key} width="14" height="16" aria-hidden="true">
        <path d="M7 15 C 0 11, 1 2, 7 2 S 14 11, 7 15" />
      </svg>{' '}
      every round fits{' '}
      <svg className={styles.key} width="12" height="12" aria-hidden="true">
        <path className={styles.filled} d="M6 2l5 9H1z" />
      </svg>{' '}
      flattest
      <br />
      Flat first. Then move a stitch or two so that the rounds fit. Estimates from your counts: try 4 in (10
      cm) of a side before you work it all.
    </p>
  );
}

/** A rate of one's own, for edges that follow no rule. */
const OwnRate = memo(function OwnRate({ plan, side: at, group }: OfSideProps) {
  const store = useHemStore();
  const side = plan.sides[at]!;
  const circle = isDisc(plan.body.outline);
  const onRate = (stitches: number, spots: number): void =>
    void store.do(edits.setOwnRate(side.name, group, { stitches, spots }));
  const { own, school } = side.choice;
  if (school !== 'own') return null;
  const { noun } = side.edge.numbering;
  return (
    <div className={`${styles.ownRate} small`}>
      Your own spacing{circle ? '' : ` on side ${side.name}`}:{' '}
      <NumberField
        aria-label={`Stitches, own spacing${circle ? '' : ` of side ${side.name}`}`}
        size="small"
        min={1}
        max={50}
        value={own.stitches}
        onChange={(v) => v && onRate(v, own.spots)}
      />{' '}
      for every{' '}
      <NumberField
        aria-label={`For every so many ${plurals(noun)}`}
        size="small"
        min={1}
        max={50}
        value={own.spots}
        onChange={(v) => v && onRate(own.stitches, v)}
      />{' '}
      {plurals(noun)}
    </div>
  );
});
