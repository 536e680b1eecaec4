import { Check } from '../look/Check.tsx';
import { plural } from '../../core/say/measures.ts';
import { isDisc } from '../../core/piece/outline.ts';
import { Segmented } from 'antd';
import { useCallback, useId, useMemo, useState } from 'react';
import { landmarksOf } from '../../core/chart/landmarks.ts';
import type { Hem, RoundEntry } from '../../core/document/hem.ts';
import { planComesOutEven, topOf, type Plan } from '../../core/plan/types.ts';
import { capital, inTerms } from '../../core/terms/words.ts';
import { trialPlan } from '../hem/trialPlan.ts';
import { Button } from '../look/Button.tsx';
import { pointing } from '../look/pointing.ts';
import { edgeOf, waysIn, withTrial, type Tried } from '../../core/forecast/nextRound.ts';
import type { StackPosition } from '../../core/edits/rounds.ts';
import { factsOf } from '../../core/rounds/facts.ts';
import type { Family } from '../../core/rounds/family.ts';
import { FAMILIES, familyById, familyWith } from '../../core/rounds/registry.ts';
import { growthWords, needsWords } from '../../core/rounds/familyWords.ts';
import type { OwnWritten } from '../../core/notation/ownRound.schema.ts';
import { KeptRounds } from './KeptRounds.tsx';
import { PasteRounds } from './PasteRounds.tsx';
import { Guard } from '../hem/Guard.tsx';
import { Swatch } from '../drawing/Swatch.tsx';
import { useWorked } from '../workers/useWorked.ts';
import styles from './rounds.module.css';

export interface LibraryProps {
  readonly plan: Plan;
  /** The side whose corner is drawn. */
  readonly side?: number;
  readonly onAdd: (family: Family, where: StackPosition) => void;
  /** The hem with a family that is pointed at; null when none is. */
  readonly onPreview?: (hem: Hem | null) => void;
  /** Without it, rounds of one's own are not offered. */
  readonly onOwn?: (written?: OwnWritten) => void;
  readonly onPaste?: (entries: readonly RoundEntry[]) => void;
}

type Edge = 'all' | Family['edge'];
type Density = 'all' | 'airy' | 'dense';
type Thirst = 'all' | 'thrifty' | 'thirsty';

/** From this share of chains in the width of a round on it is airy, and from this much yarn on it is thirsty. */
const AIRY = 0.15;
const THIRSTY = 1.6;

/** Every family as a swatch: on this piece's corner, in its colours. */
export function FamilyLibrary({ plan, side = 0, onAdd, onPreview, onOwn, onPaste }: LibraryProps) {
  const [pasting, setPasting] = useState(false);
  const [edge, setEdge] = useState<Edge>('all');
  const [density, setDensity] = useState<Density>('all');
  const [thirst, setThirst] = useState<Thirst>('all');
  const [onlyFits, setOnlyFits] = useState(false);
  const [babySafe, setBabySafe] = useState(false);
  const [choosing, setChoosing] = useState<Family | null>(null);
  /** Somebody points at the rounds while they are tried on: none moves away under the pointer. */
  const [still, setStill] = useState(false);
  /** Decided once, when they have been tried on; null until then. */
  const [fitsFirst, setFitsFirst] = useState<boolean | null>(null);
  const { value: found, failed } = useWorked('tryFamilies', plan.hem);
  /** A press is under way: what was found makes cards higher, and waits until it has gone where it was meant. */
  const [pressing, setPressing] = useState(false);
  const [tried, setTried] = useState(found);
  if (!pressing && tried !== found) setTried(found);
  if (tried && fitsFirst === null) setFitsFirst(!still);
  const asked = density !== 'all' || thirst !== 'all' || onlyFits;
  const shown = FAMILIES.map((family) => ({
    family,
    tried: tried?.find((t) => t.family === family.id) ?? null,
  }))
    .filter(
      ({ family, tried: t }) =>
        (edge === 'all' || family.edge === edge) &&
        (!babySafe || family.caution === null) &&
        (!asked ||
          (t !== null &&
            (density === 'all' || (density === 'airy') === t.airy >= AIRY) &&
            (thirst === 'all' || (thirst === 'thirsty') === t.yarn >= THIRSTY) &&
            (!onlyFits || t.fits))),
    )
    // What fits as it is comes first.
    .sort((a, b) => (fitsFirst ? Number(b.tried?.fits ?? false) - Number(a.tried?.fits ?? false) : 0));
  const edgeName = edgeNameOf(plan);
  if (choosing) {
    return (
      <WhereTo
        plan={plan}
        side={side}
        family={choosing}
        onChoose={(where) => onAdd(choosing, where)}
        onBack={() => setChoosing(null)}
      />
    );
  }
  return (
    <section className={styles.library} aria-label="Library of rounds">
      {edgeName && (
        <p className="quiet small">
          Your border ends in {edgeName}: straight rounds are shown under it, other edges in its place.
        </p>
      )}
      <div className={styles.libraryFilters}>
        <details>
          <summary>Show only some</summary>
          <div className={styles.libraryFilters}>
            <Segmented
              size="small"
              aria-label="Show by outer edge"
              value={edge}
              options={[
                { value: 'all', label: 'all' },
                { value: 'straight', label: 'straight' },
                { value: 'lobed', label: 'scalloped' },
                { value: 'fringed', label: 'fringed' },
              ]}
              onChange={setEdge}
            />
            <Segmented
              size="small"
              aria-label="Show by look"
              value={density}
              options={['all', 'airy', 'dense']}
              onChange={setDensity}
            />
            <Segmented
              size="small"
              aria-label="Show by yarn use"
              value={thirst}
              options={[
                { value: 'all', label: 'all' },
                { value: 'thrifty', label: 'little yarn' },
                { value: 'thirsty', label: 'much yarn' },
              ]}
              onChange={setThirst}
            />
            <Check checked={onlyFits} onChange={setOnlyFits}>
              fits as it is
            </Check>
            <Check checked={babySafe} onChange={setBabySafe}>
              no loose parts or long loops
            </Check>
          </div>
        </details>
        {onOwn && (
          <button type="button" className={styles.ownRound} onClick={() => onOwn()}>
            Write a round of your own
          </button>
        )}
        {onPaste && (
          <button
            type="button"
            className={styles.ownRound}
            aria-expanded={pasting}
            onClick={() => setPasting(!pasting)}
          >
            Paste written rounds
          </button>
        )}
      </div>
      {onOwn && <KeptRounds onOwn={onOwn} />}
      {pasting && onPaste && <PasteRounds plan={plan} onRounds={onPaste} />}
      {/* The line stays: what stands below it must not move up under a pointer. */}
      <p className="quiet small" role="status">
        {tried
          ? `${plural(shown.length, 'kind')}, ${shown.filter((s) => s.tried?.fits).length} fit as they are`
          : failed
            ? '\u00a0'
            : 'Trying them on …'}
      </p>
      <ul
        {...(!tried && {
          onPointerMove: () => setStill(true),
          onFocus: () => setStill(true),
        })}
        onPointerDown={() => {
          setStill(true);
          setPressing(true);
        }}
        onClick={() => setPressing(false)}
        onPointerCancel={() => setPressing(false)}
        onPointerLeave={() => setPressing(false)}
      >
        {shown.map(({ family, tried: t }) => (
          <Guard key={family.id} what={family.name} resetKeys={[plan]}>
            <FamilyCard
              plan={plan}
              side={side}
              family={family}
              tried={t}
              onPoint={(here) => onPreview?.(here ? withTrial(plan, family) : null)}
              onAdd={() => {
                onPreview?.(null);
                const ways = waysIn(plan, family);
                if (ways.length === 1 && ways[0] === 'on top') onAdd(family, 'on top');
                else setChoosing(family);
              }}
            />
          </Guard>
        ))}
      </ul>
      {failed && <p className="problem small">Whether they fit could not be worked out. Your hem is safe.</p>}
      {shown.length === 0 && (
        <p className="quiet">{(tried ?? failed) && 'No round matches. Remove a filter.'}</p>
      )}
    </section>
  );
}

interface FamilyCardProps {
  readonly plan: Plan;
  readonly side: number;
  readonly family: Family;
  /** Null until it has been worked out. */
  readonly tried: Tried | null;
  /** It is pointed at, or no longer. */
  readonly onPoint: (here: boolean) => void;
  readonly onAdd: () => void;
}

function FamilyCard({ plan, side, family, tried, onPoint, onAdd }: FamilyCardProps) {
  const facts = useMemo(() => factsOf(family), [family]);
  const circle = isDisc(plan.body.outline);
  const told = useId();
  return (
    <li>
      <button
        type="button"
        className={styles.family}
        onClick={onAdd}
        aria-label={`${family.name}: add it`}
        aria-describedby={`${told} ${told}-care`}
        {...pointing(onPoint)}
      >
        <CornerSwatch plan={plan} side={side} family={family} />
        <span className={styles.familyName}>{family.name}</span>
        {tried && (
          <span className="small" id={told}>
            <span className={tried.fits ? styles.fits : 'odd'}>
              {tried.fits
                ? 'Fits as it is'
                : `Does not fit yet${tried.off > 0 ? `: ${plural(tried.off, 'stitch')} off` : ''}`}
            </span>
            {tried.ground !== null && `, with ${familyWith(tried.ground).name.toLowerCase()} under it`}
          </span>
        )}
        <span className="quiet small family-about">{family.about}</span>
        {tried && (
          <span className="quiet small family-about">
            About {tried.yarn.toFixed(1)} times the yarn of the base round.
          </span>
        )}
        {tried && !tried.fits && (
          <span className="quiet small family-about">
            {inTerms(capital(needsWords(facts, circle)), plan.hem.preferences.language)};{' '}
            {growthWords(facts, family.edge, circle)}.
          </span>
        )}
        {family.caution && (
          <span className="caution small" id={`${told}-care`}>
            {family.caution}
          </span>
        )}
      </button>
    </li>
  );
}

/** The corner of the piece with a family on top, planned when it comes into view. */
function CornerSwatch({
  plan,
  side,
  family,
  where,
}: {
  readonly plan: Plan;
  readonly side: number;
  readonly family: Family;
  readonly where?: StackPosition;
}) {
  const look = useCallback(() => {
    const made = trialPlan(withTrial(plan, family, where) ?? plan.hem);
    const last = topOf(made);
    const landmarks = landmarksOf(made, last.number);
    const corner = landmarks.find((l) => l.kind === 'corner' && l.side === side) ?? landmarks[0]!;
    const step = 5 * made.stitchWidthMm;
    return { plan: made, at: { x: corner.x - step, y: corner.y + 0.36 * step } };
  }, [plan, side, family, where]);
  return <Swatch look={look} across={15} width={200} height={104} />;
}

const WHERE: Readonly<Record<StackPosition, (edge: string) => string>> = {
  under: (edge) => `Under ${edge}`,
  instead: (edge) => `In the place of ${edge}`,
  'on top': (edge) => `On top of ${edge}`,
};

/** The edge that a border ends in, in words; null when it ends straight. */
function edgeNameOf(plan: Plan): string | null {
  const edge = edgeOf(plan);
  return edge && `the ${(familyById(edge.family)?.name ?? 'round of your own').toLowerCase()}`;
}

/** Where a round goes in a border that ends in an edge, each way drawn. */
function WhereTo({
  plan,
  side,
  family,
  onChoose,
  onBack,
}: {
  readonly plan: Plan;
  readonly side: number;
  readonly family: Family;
  readonly onChoose: (where: StackPosition) => void;
  readonly onBack: () => void;
}) {
  const ways = waysIn(plan, family);
  const edge = edgeNameOf(plan) ?? '';
  return (
    <section className={styles.library} aria-label="Where it goes">
      <h3>Where does the {family.name.toLowerCase()} go?</h3>
      {ways.length === 0 && (
        <p className="problem">
          {capital(edge)} has been worked, and nothing of this kind lies well on it. Rip it back first, or
          choose another round.
        </p>
      )}
      <ul>
        {ways.map((where) => (
          <li key={where}>
            <button type="button" className={styles.family} onClick={() => onChoose(where)}>
              <CornerSwatch plan={plan} side={side} family={family} where={where} />
              <span className={styles.familyName}>{WHERE[where](edge)}</span>
              <span className="small">
                <FitsThere plan={plan} family={family} where={where} />
              </span>
            </button>
          </li>
        ))}
      </ul>
      <Button onClick={onBack}>Back to the library</Button>
    </section>
  );
}

function FitsThere({
  plan,
  family,
  where,
}: {
  readonly plan: Plan;
  readonly family: Family;
  readonly where: StackPosition;
}) {
  const fits = useMemo(() => {
    const hem = withTrial(plan, family, where);
    return hem !== null && planComesOutEven(trialPlan(hem));
  }, [plan, family, where]);
  return (
    <span className={fits ? styles.fits : 'odd'}>
      {fits ? 'Fits as it is' : 'Needs a small change to fit'}
    </span>
  );
}
