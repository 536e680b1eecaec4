import { isDisc } from '../../core/piece/outline.ts';
import { Link } from 'react-router';
import { crossingOf } from '../../core/base/baseRound.ts';
import { listWords } from '../../core/say/lists.ts';
import { basis, spotNoun } from '../../core/base/spacings.ts';
import { borderAlong, chooseBaseCorner, crossJoin } from '../../core/edits/base.ts';
import { measureSide, readAgain, splitRows, takeMiddle } from '../../core/edits/piece.ts';
import { beforeStretch, wholeEdge } from '../../core/piece/along.ts';
import { isWorkedSide, partAlong, sidesChanged, type SidesAlong } from '../../core/piece/part.ts';
import { fitted } from '../../core/fit/fitted.ts';
import { otherEnd } from '../../core/print/alike.ts';
import { workedRounds } from '../../core/record/record.ts';
import { describeAlike } from '../../core/edits/hem.ts';
import type { Piece } from '../../core/piece/piece.ts';
import { planComesOutEven, type Plan } from '../../core/plan/types.ts';
import { lengthWords, plural } from '../../core/say/measures.ts';
import { CornerTreatments, JoinTreatments } from '../sections/Treatment.tsx';
import { partName, type PlanPart } from '../../drawing/parts.ts';
import { useHemStore } from '../hem/context.ts';
import { readingsWords } from '../../core/plan/readingWords.ts';
import { Button } from '../look/Button.tsx';
import { Meaning } from '../controls/Meaning.tsx';
import { LengthInput } from '../controls/LengthInput.tsx';
import { RunOfRows } from './kinds/rows.tsx';
import { editingOf } from './editors.ts';
import styles from './piece.module.css';

export interface PartPanelProps {
  readonly plan: Plan;
  readonly part: PlanPart | null;
  readonly onPiece: (label: string, piece: Piece) => void;
}

/** Words and settings for the part of the piece that is picked in its drawing. */
export function PartPanel({ plan, part, onPiece }: PartPanelProps) {
  if (!part || !isThere(plan, part)) {
    // A round piece has no part that is told from the rest.
    if (isDisc(plan.body.outline)) return null;
    return (
      <div className={`${styles.partPanel} ${styles.none}`}>
        <p className="quiet small">
          Pick a side{plan.hem.piece.kind === 'rows' ? ', a run of rows' : ''}
          {plan.body.edges.some((e) => e.joins.length > 0) ? ', a motif seam' : ''} or a corner in the drawing
          to describe it.
        </p>
      </div>
    );
  }
  return (
    <section className={styles.partPanel} aria-label="The part that is picked">
      <h2>{partName(plan, part)}</h2>
      {part.kind === 'side' && <SidePart plan={plan} side={part.side} onPiece={onPiece} />}
      {part.kind === 'corner' && <CornerPart plan={plan} side={part.side} onPiece={onPiece} />}
      {part.kind === 'join' && <JoinPart plan={plan} side={part.side} join={part.join} />}
      {part.kind === 'rows' && <RowsPart plan={plan} run={part.run} onPiece={onPiece} />}
    </section>
  );
}

/** Whether the piece, which may have changed, still has a part. */
function isThere({ hem, sides, body }: Plan, part: PlanPart): boolean {
  switch (part.kind) {
    case 'side':
      return part.side < sides.length;
    case 'corner':
      return part.side < body.outline.turns.length;
    case 'join':
      return part.join < (sides[part.side]?.edge.joins.length ?? 0);
    case 'rows':
      return hem.piece.kind === 'rows' && part.run < hem.piece.rows.length;
  }
}

interface SidePartProps extends Pick<PartPanelProps, 'plan' | 'onPiece'> {
  readonly side: number;
}

function SidePart({ plan, side, onPiece }: SidePartProps) {
  const store = useHemStore();
  const { preferences } = plan.hem;
  const { name, count, edge: worked } = plan.sides[side]!;
  // It is measured whole, whatever is worked of it.
  const edge = wholeEdge(worked);
  const offers = basis(
    edge,
    edge.spots.map(() => 1),
  ).map((p) => plural(p.spots, spotNoun(p, preferences.language)));
  const readings = readingsWords(plan, side);
  const off = edge.computedMm / edge.measuredMm - 1;
  const { Side } = editingOf(plan.hem.piece);
  return (
    <>
      <p>The hook can go into {listWords(offers)}.</p>
      {Side && <Side piece={plan.hem.piece} onChange={onPiece} side={side} />}
      <div className={styles.runLine}>
        <span>Measured length</span>
        <LengthInput
          label={`Length of ${name}`}
          cm={edge.measuredMm / 10}
          unit={preferences.length}
          onChange={(cm) => store.do(measureSide(name, side, cm))}
        />
      </div>
      <div className={styles.runLine}>
        <span>Measured again</span>
        <LengthInput
          label={`Second reading of ${name}`}
          cm={plan.hem.secondReadings[String(side)] ?? null}
          unit={preferences.length}
          onChange={(cm) => store.do(readAgain(name, side, cm))}
          onEmpty={() => store.do(readAgain(name, side, null))}
        />
      </div>
      {readings && (
        <p className="problem small">
          {readings}{' '}
          <Button size="small" onClick={() => store.do(takeMiddle(name, side))}>
            Use the middle
          </Button>
        </p>
      )}
      {Math.abs(off) > 0.001 && (
        <p className="quiet small">
          Your counts suggest {lengthWords(edge.computedMm, preferences.length)}. Check both.
        </p>
      )}
      <WithBorder plan={plan} side={side} />
      <p className="quiet small">
        The base round works {plural(count, 'stitch')} along it. <Link to="../base">Set the count</Link>
      </p>
    </>
  );
}

/** Whether a side has a border: all sides, this one alone, or not this one; and the end that faces it. */
function WithBorder({ plan, side }: { readonly plan: Plan; readonly side: number }) {
  const store = useHemStore();
  const { base, record, alike } = plan.hem;
  const sides = plan.sides.length;
  if (isDisc(plan.body.outline) || sides < 2 || workedRounds(record).length > 0) return null;
  const worked = isWorkedSide(base.part ? partAlong(base.part, sides) : undefined, side, sides);
  const changed = sidesChanged(base.part, side, !worked, sides);
  // A border that fits goes on to fit: at its ends rows count other stitches than rounds.
  const then = planComesOutEven(plan) ? fitted : undefined;
  const set = (along: SidesAlong | null): void =>
    void store.do(borderAlong(along && { ...along, from: 0, to: null, cut: base.part?.cut ?? false }, then));
  const other = otherEnd(plan);
  return (
    <p className={styles.runLine}>
      {changed !== undefined && (
        <Button size="small" onClick={() => set(changed)}>
          {worked ? 'No border along this side' : 'A border along this side too'}
        </Button>
      )}
      {!(base.part?.sides === 1 && worked) && (
        <Button size="small" onClick={() => set({ first: side, sides: 1 })}>
          A border along this side alone
        </Button>
      )}
      {base.part && (
        <Button size="small" onClick={() => set(null)}>
          All the way around
        </Button>
      )}
      {worked && other !== null && alike.count === 1 && (
        <Button
          size="small"
          onClick={() => store.do(describeAlike({ count: 2, join: 'not joined' }))}
        >{`The same along side ${plan.sides[other]!.name}`}</Button>
      )}
    </p>
  );
}

function CornerPart({ plan, side, onPiece }: SidePartProps) {
  const store = useHemStore();
  const { Corner } = editingOf(plan.hem.piece);
  const degrees = Math.round((plan.body.outline.turns[side]! * 180) / Math.PI);
  return (
    <>
      <p>
        {degrees < 0 ? 'An inner corner: the border turns' : 'The border turns'} by {Math.abs(degrees)}° here.
        The base round goes into {plan.body.cornerPlaces[side]}
        {degrees < 0 ? ', two stitches together whatever the outer corners take' : ''}.
      </p>
      {Corner && <Corner piece={plan.hem.piece} onChange={onPiece} />}
      <p className="quiet small">All outer corners of the base round are worked alike:</p>
      <CornerTreatments plan={plan} side={side} onChange={(corner) => store.do(chooseBaseCorner(corner))} />
    </>
  );
}

function JoinPart({
  plan,
  side,
  join,
}: {
  readonly plan: Plan;
  readonly side: number;
  readonly join: number;
}) {
  const store = useHemStore();
  const { name, edge } = plan.sides[side]!;
  return (
    <>
      <p>
        Two motifs meet here: a <Meaning of="motif seam" />. How do you want to work across it?
      </p>
      <JoinTreatments
        plan={plan}
        side={side}
        join={join}
        label="At this seam"
        value={crossingOf(plan.hem.base, plan.sides[side]!.choice, join)}
        onChange={(crossing) => store.do(crossJoin(name, [side], join + beforeStretch(edge).joins, crossing))}
      />
    </>
  );
}

interface RowsPartProps extends Pick<PartPanelProps, 'plan' | 'onPiece'> {
  readonly run: number;
}

function RowsPart({ plan, run, onPiece }: RowsPartProps) {
  const store = useHemStore();
  const { piece } = plan.hem;
  if (piece.kind !== 'rows') return null;
  const { count, stitch } = piece.rows[run]!;
  return (
    <>
      <div className={styles.runLine}>
        <RunOfRows piece={piece} run={run} onChange={onPiece} />
      </div>
      <p className={styles.runLine}>
        {count > 1 && (
          <Button size="small" onClick={() => store.do(splitRows(run, Math.floor(count / 2), count))}>
            Split in two
          </Button>
        )}
        <Button
          size="small"
          onClick={() =>
            onPiece('added rows', {
              ...piece,
              rows: [...piece.rows.slice(0, run + 1), { stitch, count: 4 }, ...piece.rows.slice(run + 1)],
            })
          }
        >
          Rows above these
        </Button>
      </p>
      {count > 1 && (
        <p className="quiet small">
          Drag across rows in the drawing to give them a stitch or a yarn of their own.
        </p>
      )}
    </>
  );
}
