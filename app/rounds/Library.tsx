import { Segmented, Switch } from 'antd';
import { useMemo, useState } from 'react';
import { landmarksOf } from '../../core/chart/landmarks.ts';
import type { RoundEntry } from '../../core/document/hem.ts';
import { createPlanner, type Plan } from '../../core/plan.ts';
import { tallyRing, type Tally } from '../../core/ring/ring.ts';
import { factsOf } from '../../core/rounds/facts.ts';
import type { Family } from '../../core/rounds/family.ts';
import { FAMILIES, familyById } from '../../core/rounds/registry.ts';
import { entriesOnto } from '../../core/stack/stack.ts';
import { growthWords, needsWords } from '../../core/words/families.ts';
import { PasteRounds } from './PasteRounds.tsx';
import { Guard } from '../look/Guard.tsx';
import { Swatch } from '../drawing/Swatch.tsx';

export interface LibraryProps {
  readonly plan: Plan;
  readonly onAdd: (families: readonly Family[]) => void;
  readonly onOwn: () => void;
  readonly onPaste: (entries: readonly RoundEntry[]) => void;
}

type Edge = 'all' | Family['edge'];
type Density = 'all' | 'airy' | 'dense';
type Thirst = 'all' | 'thrifty' | 'thirsty';

/** From this share of chains in the width of a round on it is airy, and from this much yarn on it is thirsty. */
const AIRY = 0.15;
const THIRSTY = 1.6;

/** Every family as a swatch: on this piece's corner, in its colours. */
export function Library({ plan, onAdd, onOwn, onPaste }: LibraryProps) {
  const [pasting, setPasting] = useState(false);
  const [edge, setEdge] = useState<Edge>('all');
  const [density, setDensity] = useState<Density>('all');
  const [thirst, setThirst] = useState<Thirst>('all');
  const [onlyFits, setOnlyFits] = useState(false);
  const [babySafe, setBabySafe] = useState(false);
  const tried = useMemo(() => tryFamilies(plan), [plan]);
  const shown = tried.filter(
    ({ family, fits, airy, yarn }) =>
      (edge === 'all' || family.edge === edge) &&
      (density === 'all' || (density === 'airy') === airy >= AIRY) &&
      (thirst === 'all' || (thirst === 'thirsty') === yarn >= THIRSTY) &&
      (!onlyFits || fits) &&
      (!babySafe || family.caution === null),
  );
  return (
    <section className="library" aria-label="Library of rounds">
      <div className="library-filters">
        <Segmented
          size="small"
          aria-label="Outer edge"
          value={edge}
          options={[
            { value: 'all', label: 'all' },
            { value: 'straight', label: 'straight' },
            { value: 'lobed', label: 'lobed' },
            { value: 'fringed', label: 'fringed' },
          ]}
          onChange={setEdge}
        />
        <Segmented
          size="small"
          aria-label="Density"
          value={density}
          options={['all', 'airy', 'dense']}
          onChange={setDensity}
        />
        <Segmented
          size="small"
          aria-label="Yarn"
          value={thirst}
          options={['all', 'thrifty', 'thirsty']}
          onChange={setThirst}
        />
        <label>
          <Switch size="small" checked={onlyFits} onChange={setOnlyFits} /> fits as it is
        </label>
        <label>
          <Switch size="small" checked={babySafe} onChange={setBabySafe} /> no loose parts or long loops
        </label>
        <button type="button" className="own-round" onClick={onOwn}>
          Write a round of your own
        </button>
        <button
          type="button"
          className="own-round"
          aria-expanded={pasting}
          onClick={() => setPasting(!pasting)}
        >
          Paste written rounds
        </button>
      </div>
      {pasting && <PasteRounds plan={plan} onRounds={onPaste} />}
      <ul>
        {shown.map((t) => (
          <Guard key={t.family.id} what={t.family.name} resetKeys={[t]}>
            <FamilyCard tried={t} onAdd={() => onAdd(t.ground ? [t.ground, t.family] : [t.family])} />
          </Guard>
        ))}
      </ul>
      {shown.length === 0 && <p className="quiet">Nothing here; loosen the filters.</p>}
    </section>
  );
}

interface Tried {
  readonly family: Family;
  /** A family that must come first. */
  readonly ground: Family | null;
  readonly plan: Plan;
  readonly fits: boolean;
  /** Share of the width of the added rounds that is chains, 0 to 1. */
  readonly airy: number;
  /** Yarn of an added round over that of the base round. */
  readonly yarn: number;
}

const planner = createPlanner();

/** Puts every family on top of the stack, one at a time. The rounds below are planned once. */
function tryFamilies(plan: Plan): readonly Tried[] {
  const colour =
    plan.hem.yarns.find((y) => y.id !== plan.rounds[plan.rounds.length - 1]!.yarnId) ?? plan.hem.yarns[0]!;
  const top = [...plan.rounds].reverse().find((r) => !r.written?.recipe.surface)!;
  return FAMILIES.map((family) => {
    const added = entriesOnto(top.ring, family, colour.id, ['trial ground', 'trial']);
    const ground = added.length > 1 ? familyById(added[0]!.family)! : null;
    const tried = planner({ ...plan.hem, rounds: [...plan.hem.rounds, ...added] });
    const extra = tried.rounds.slice(plan.rounds.length);
    return {
      family,
      ground,
      plan: tried,
      fits: extra.every((r) => r.even),
      airy: share(extra.map((r) => tallyRing(r.ring))),
      yarn: extra.reduce((sum, r) => sum + r.yarnM, 0) / extra.length / plan.rounds[0]!.yarnM,
    };
  });
}

function share(tallies: readonly Tally[]): number {
  const sum = (of: (t: Tally) => number): number => tallies.reduce((total, t) => total + of(t), 0);
  return (
    sum((t) => t.chains) /
    Math.max(
      1,
      sum((t) => t.width),
    )
  );
}

function FamilyCard({ tried, onAdd }: { readonly tried: Tried; readonly onAdd: () => void }) {
  const { family, ground, fits, yarn } = tried;
  const facts = useMemo(() => factsOf(family), [family]);
  return (
    <li>
      <button type="button" className="family" onClick={onAdd} aria-label={`Add ${family.name}`}>
        <CornerSwatch plan={tried.plan} />
        <span className="family-name">{family.name}</span>
        <span className="quiet small">{family.about}</span>
        <span className="quiet small">
          Needs {needsWords(facts)}; {growthWords(facts, family.edge)}.
        </span>
        <span className="small">
          <span className={fits ? 'fits' : 'odd'}>{fits ? 'Fits as it is' : 'Not even as it is'}</span> ·{' '}
          <span className="estimate">{yarn.toFixed(1)} × the yarn of the base round</span>
          {ground && ` · brings ${ground.name.toLowerCase()} with it`}
        </span>
        {family.caution && <span className="caution small">{family.caution}</span>}
      </button>
    </li>
  );
}

/** The corner of a plan with its outermost rounds. */
function CornerSwatch({ plan }: { readonly plan: Plan }) {
  const at = useMemo(() => {
    const last = plan.rounds.findLast((r) => !r.written?.recipe.surface)!;
    const corner = landmarksOf(plan, last.number)[0]!;
    const step = 5 * plan.stitchWidthMm;
    return { x: corner.x - step, y: corner.y + 0.36 * step };
  }, [plan]);
  return <Swatch plan={plan} at={at} across={15} width={236} height={118} />;
}
