import { Button, Popover } from 'antd';
import { useCallback, useMemo } from 'react';
import { changePiece } from '../../core/document/changePiece.ts';
import type { Piece } from '../../core/piece/piece.ts';
import { CROSSING_IDS, type CrossingId } from '../../core/base/crossings.ts';
import { landmarksOf, type Landmark } from '../../core/chart/landmarks.ts';
import type { Hem } from '../../core/document/hem.ts';
import type { Plan } from '../../core/plan/types.ts';
import { plain } from '../../core/rounds/plain.ts';
import { type CornerId, cornerTreatment } from '../../core/terms/corners.ts';
import { crossingName } from '../../core/print/steps/baseRoundWords.ts';
import { PictureChoice } from '../controls/PictureChoice.tsx';
import { trialPlan } from '../hem/trialPlan.ts';
import { CaretDownIcon } from '../look/icons.ts';
import styles from './treatment.module.css';

interface TreatmentsProps<Id extends string> {
  readonly plan: Plan;
  readonly label: string;
  readonly ids: readonly Id[];
  readonly nameOf: (id: Id) => string;
  /** Null when there is no single one in force. */
  readonly value: Id | null;
  readonly onChange: (id: Id) => void;
  /** The base round with the treatment, and the part of the border to look at. */
  readonly tryOut: (hem: Hem, id: Id) => Hem;
  readonly kind: Landmark['kind'];
  readonly side: number;
  readonly join: number;
}

/** Ways to work a corner or a join, each drawn on this piece. Only the base round is drawn: it is what differs. */
function Treatments<Id extends string>({
  plan,
  ids,
  nameOf,
  value,
  onChange,
  tryOut,
  kind,
  side,
  join,
  label,
}: TreatmentsProps<Id>) {
  const tried = useMemo(
    () =>
      ids.map((id) => {
        const made = trialPlan(tryOut({ ...plan.hem, rounds: [], record: [] }, id));
        const at = landmarksOf(made, 0).find((l) => l.kind === kind && l.side === side && l.join === join);
        return { id, look: at ? () => ({ plan: made, at }) : null };
      }),
    [plan, ids, tryOut, kind, side, join],
  );
  return (
    <PictureChoice
      label={label}
      across={9}
      withPiece
      pictures={tried.map(({ id, look }) => ({
        name: nameOf(id),
        look,
        chosen: id === value,
        onChoose: () => onChange(id),
      }))}
    />
  );
}

interface CornerProps {
  readonly plan: Plan;
  /** The corner before this side is drawn. */
  readonly side: number;
  readonly onChange: (id: CornerId) => void;
}

const withCorner = (hem: Hem, corner: CornerId): Hem => ({ ...hem, base: { ...hem.base, corner } });
const cornerName = (id: CornerId): string => cornerTreatment(id).name;

/** Around the point of the piece itself nothing is rounded yet. */
const BASE_CORNERS = plain.corners.filter((id) => id !== 'rounded');

/** Corners of the base round, chosen from drawings. */
export function CornerTreatments({ plan, side, onChange }: CornerProps) {
  return (
    <>
      <Treatments
        plan={plan}
        label="Corners of the base round"
        ids={BASE_CORNERS}
        nameOf={cornerName}
        value={plan.hem.base.corner}
        onChange={onChange}
        tryOut={withCorner}
        kind="corner"
        side={side}
        join={0}
      />
      <p className="quiet small">{cornerTreatment(plan.hem.base.corner).told}</p>
    </>
  );
}

interface JoinProps {
  readonly plan: Plan;
  readonly side: number;
  readonly join: number;
  readonly value: CrossingId | null;
  readonly label: string;
  readonly onChange: (id: CrossingId) => void;
}

const withCrossing = (hem: Hem, crossing: CrossingId): Hem => ({
  ...hem,
  base: { ...hem.base, crossing, sides: hem.base.sides.map((s) => ({ ...s, crossings: {} })) },
});

/** How the base round crosses a join, chosen from drawings. */
export function JoinTreatments({ plan, side, join, value, label, onChange }: JoinProps) {
  return (
    <Treatments
      plan={plan}
      label={label}
      ids={CROSSING_IDS}
      nameOf={(id) => crossingName(id, plan.hem.base.stitch, plan.hem.preferences.language)}
      value={value}
      onChange={onChange}
      tryOut={withCrossing}
      kind="join"
      side={side}
      join={join}
    />
  );
}

interface PlaceProps<Id extends string> {
  readonly plan: Plan;
  readonly label: string;
  readonly side: number;
  readonly ids: readonly Id[];
  readonly value: Id;
  /** The piece that is worked into so; the same function gives the same. */
  readonly pieceWith: (id: Id) => Piece;
  readonly onChange: (id: Id) => void;
}

/** Places along an edge for the hook, chosen from drawings. */
export function PlaceTreatments<Id extends string>({ pieceWith, ...rest }: PlaceProps<Id>) {
  const tryOut = useCallback(
    (hem: Hem, id: Id): Hem => ({ ...hem, ...changePiece(hem, pieceWith(id)) }),
    [pieceWith],
  );
  return <Treatments {...rest} nameOf={(id) => id} tryOut={tryOut} kind="side" join={0} />;
}

interface ChosenProps {
  readonly label: string;
  readonly name: string;
  readonly children: React.ReactNode;
}

/** The choice in force, and behind it the drawings to choose from. */
export function ChosenFromDrawings({ label, name, children }: ChosenProps) {
  return (
    <Popover trigger="click" placement="bottomRight" content={children} destroyOnHidden>
      <Button
        className={styles.chosen ?? ''}
        aria-label={`${label}: ${name}`}
        icon={<CaretDownIcon size={13} />}
        iconPlacement="end"
      >
        {name}
      </Button>
    </Popover>
  );
}
