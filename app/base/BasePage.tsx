import { sidesTold } from '../../core/print/kinds.ts';
import { isDisc, turnedCorners } from '../../core/piece/outline.ts';
import { Button } from 'antd';
import { ListChoice } from '../look/ListChoice.tsx';
import { crossingOf } from '../../core/base/baseRound.ts';
import { flatnessWords } from '../../core/flat/flatWords.ts';
import { memo, useCallback, useMemo, useState } from 'react';
import * as edits from '../../core/edits/base.ts';
import { capital } from '../../core/terms/words.ts';
import type { Hem } from '../../core/document/hem.ts';
import { beforeStretch } from '../../core/piece/along.ts';
import { likeSides } from '../../core/piece/symmetry.ts';
import { sidesWorked, type Plan } from '../../core/plan/types.ts';
import { stitchName, type StitchKind } from '../../core/terms/stitches.ts';
import { plurals } from '../../core/say/measures.ts';
import { PlanDrawing } from '../drawing/PlanDrawing.tsx';
import { partName, type PlanPart } from '../../drawing/parts.ts';
import type { ViewPart } from '../../drawing/viewParts.ts';
import { Guard } from '../hem/Guard.tsx';
import { StitchView } from '../drawing/StitchView.tsx';
import { useHemStore, usePlan } from '../hem/context.ts';
import { BegunNote } from '../sections/BegunNote.tsx';
import { FitList } from '../sections/FitList.tsx';
import { CornerTreatments, JoinTreatments } from '../sections/Treatment.tsx';
import { Check } from '../look/Check.tsx';
import { Meaning } from '../controls/Meaning.tsx';
import { tryFirstWords } from '../../core/evidence/estimateWords.ts';
import { CountLine } from './CountLine.tsx';
import { LiesOnEdges } from './LiesOnEdges.tsx';
import { MoreOfBase } from './MoreOfBase.tsx';
import { Run } from './Run.tsx';
import { sideLabel } from '../../core/print/placeWords.ts';
import { NotFollowed, StartFields } from '../sections/StartFields.tsx';
import styles from './base.module.css';
import { useAfterPaint } from '../look/afterPaint.ts';
import { NumberField } from '../look/NumberField.tsx';
import { useWorked } from '../workers/useWorked.ts';

const BASE_STITCHES: readonly StitchKind[] = ['sc', 'esc', 'hdc', 'dc'];
/** More groups of sides than this are picked in the drawing alone. */
const MOST_LINES = 6;

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
      <section className={styles.lines}>
        <div className={styles.bar}>
          <h1>Base {plan.body.outline.part ? 'row' : 'round'}</h1>
          <StitchOfBase plan={slow} />
          {groups.length < worked.length && together && like.length < plan.sides.length && (
            <Check checked={together} onChange={setTogether}>
              change matching sides together
            </Check>
          )}
        </div>
        <BegunNote plan={slow} rounds={BASE_ROUND} />
        <CountLines plan={plan} side={side} groups={groups} preview={preview} onPick={pick} />
        <RunOfSide plan={slow} side={side} />
        <OwnRate plan={slow} side={side} group={group} />
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
        <Legend />
      </section>
      <section className={styles.corner}>
        <div className={styles.plan}>
          <Guard what="The drawing of the piece" resetKeys={[slow]}>
            <PlanDrawing plan={slow} parts={PARTS} picked={mark} onPick={pick}>
              <LiesOnEdges plan={slow} />
            </PlanDrawing>
          </Guard>
        </div>
        <Guard what="The part that is touched" resetKeys={[slow, mark]}>
          <TouchedOfBase plan={slow} part={mark} group={group} />
        </Guard>
      </section>
      <section className={styles.rest}>
        <Guard what="The fit" resetKeys={[slow]}>
          <FitList plan={slow} stale={slow !== plan} onPreview={setPreview} onShow={showSide} />
        </Guard>
        <details className={styles.more}>
          <summary>Where rounds start, and how</summary>
          <StartFields plan={slow} />
        </details>
        <NotFollowed plan={slow} />
        <MoreOfBase plan={slow} />
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
  const open = groups.find((g) => g.includes(side));
  const nameOf = (group: readonly number[]): string =>
    group.length > 1
      ? capital(
          sidesTold(
            plan,
            group.map((k) => plan.sides[k]!.name),
          ),
        )
      : sideLabel(plan, group[0]!);
  const i = open?.[0];
  return (
    <>
      {groups.length > 1 && groups.length <= MOST_LINES && (
        <div className={styles.groups} role="group" aria-label="Sides">
          {groups.map((group) => {
            const { name, count, corners } = plan.sides[group[0]!]!;
            return (
              <button
                key={name}
                type="button"
                aria-pressed={group === open}
                onClick={() => onPick({ kind: 'side', side: group[0]! })}
              >
                <b>{nameOf(group)}</b> {count + corners}
                <span className="quiet small">
                  {' '}
                  {flatnessWords(plan.rounds[0]!.sides[group[0]!]!.verdict)}
                </span>
              </button>
            );
          })}
        </div>
      )}
      {open && i !== undefined && (
        <div className={styles.sideLine}>
          {(groups.length === 1 || groups.length > MOST_LINES) && <h2>{nameOf(open)}</h2>}
          <CountLine
            plan={plan}
            side={i}
            even={even?.[i] ?? NONE}
            preview={preview?.base.sides[i]?.count ?? null}
            onCount={(count, done) => {
              const { name, corners } = plan.sides[i]!;
              store.do(edits.setCount(name, open, count + corners, corners));
              if (done) store.endJoin();
            }}
            onSpacing={(school) => store.do(edits.chooseSpacing(plan.sides[i]!.name, open, school))}
          />
        </div>
      )}
      {groups.length > MOST_LINES && <p className="quiet small">Pick another side in the drawing.</p>}
    </>
  );
}

interface OfSideProps {
  readonly plan: Plan;
  readonly side: number;
  /** The sides that are treated like it, itself among them. */
  readonly group: readonly number[];
}

/** The side that is picked, spot by spot. */
const RunOfSide = memo(function RunOfSide({ plan, side }: Omit<OfSideProps, 'group'>) {
  const store = useHemStore();
  const { name, edge } = plan.sides[side]!;
  const { part } = plan.hem.base;
  const before = beforeStretch(edge);
  return (
    <Run
      plan={plan}
      side={side}
      onPlace={(spot, stitches, was) =>
        store.do(edits.placeByEye(name, side, spot + before.spots, stitches, was))
      }
      onEnd={
        part && ((spot, which) => store.do(edits.borderAlong({ ...part, [which]: spot + before.spots + 1 })))
      }
      onClear={() => store.do(edits.clearByEye(name, side))}
    />
  );
});

/** Stitch of the base round. */
const StitchOfBase = memo(function StitchOfBase({ plan }: { readonly plan: Plan }) {
  const store = useHemStore();
  const { base, preferences } = plan.hem;
  return (
    <ListChoice
      label="Stitch of the base round"
      value={base.stitch}
      popupMatchSelectWidth={false}
      options={BASE_STITCHES.map((s) => ({ value: s, label: `in ${stitchName(s, preferences.language)}` }))}
      onChange={(stitch) => store.do(edits.chooseBaseStitch(stitch))}
    />
  );
});

interface TouchedProps {
  readonly plan: Plan;
  readonly part: PlanPart;
  readonly group: readonly number[];
}

/** Choices of what was touched in the drawing: a corner’s or a seam’s ways, drawn; of a side, its seams one by one. */
const TouchedOfBase = memo(function TouchedOfBase({ plan, part, group }: TouchedProps) {
  const store = useHemStore();
  const { base } = plan.hem;
  const turned = turnedCorners(plan.body.outline);
  if (part.kind === 'corner' && turned.length > 0)
    return (
      <>
        <h2>{partName(plan, part)}</h2>
        <CornerTreatments
          plan={plan}
          side={turned.includes(part.side) ? part.side : turned[0]!}
          onChange={(corner) => store.do(edits.chooseBaseCorner(corner))}
        />
      </>
    );
  if (part.kind === 'join') {
    const side = plan.sides[part.side]!;
    const value = crossingOf(base, side.choice, part.join);
    return (
      <>
        <h2>{partName(plan, part)}</h2>
        <JoinTreatments
          plan={plan}
          side={part.side}
          join={part.join}
          label="At this seam"
          value={value}
          onChange={(crossing) =>
            store.do(edits.crossJoin(side.name, group, part.join + beforeStretch(side.edge).joins, crossing))
          }
        />
        <Button onClick={() => store.do(edits.crossJoins(value))} disabled={base.crossing === value}>
          All other seams like this one
        </Button>
      </>
    );
  }
  return (
    <p className="quiet small">
      Touch a corner{plan.body.edges.some((e) => e.joins.length > 0) ? ' or a seam' : ''} in the drawing to
      choose how it is worked.
    </p>
  );
});

function Legend() {
  const { length } = usePlan().hem.preferences;
  return (
    <p className={`quiet small ${styles.legend}`}>
      <span className={`${styles.key} ${styles.flatKey}`} /> lies flat{' '}
      <span className={`${styles.key} ${styles.blocksKey}`} /> flattens with <Meaning of="blocking" />{' '}
      <svg className={styles.key} width="14" height="16" aria-hidden="true">
        <path d="M7 15 C 0 11, 1 2, 7 2 S 14 11, 7 15" />
      </svg>{' '}
      every round fits{' '}
      <svg className={styles.key} width="12" height="12" aria-hidden="true">
        <path className={styles.filled} d="M6 2l5 9H1z" />
      </svg>{' '}
      flattest
      <br />
      Flat first: counted <Meaning of="by gauge" />, a side lies flat. Then move a stitch or two so that the
      rounds fit. All of it is estimated from your counts. {tryFirstWords(length)}
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
