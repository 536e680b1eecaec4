import { nanoid } from 'nanoid';
import { useMemo, useState } from 'react';
import { useNavigate, useSearchParams } from 'react-router';
import { landmarksOf } from '../../core/chart/landmarks.ts';
import { tryOn } from '../../core/edits/rounds.ts';
import { plan as planOf } from '../../core/plan/planner.ts';
import type { Plan } from '../../core/plan/types.ts';
import type { Obstacle, Proposal } from '../../core/propose/search.ts';
import { LOOKS, SKILLS, type Look, type Skill, type Wish } from '../../core/propose/wish.ts';
import { capital } from '../../core/terms/words.ts';
import { plural } from '../../core/words/measures.ts';
import { obstacleWords, reasonsOf, shapeWords } from '../../core/words/proposeWords.ts';
import { LengthInput } from '../controls/LengthInput.tsx';
import { RestsOn } from '../controls/RestsOn.tsx';
import { Swatch } from '../drawing/Swatch.tsx';
import { Guard } from '../hem/Guard.tsx';
import { useHemStore, usePlan } from '../hem/context.ts';
import { Button } from '../look/Button.tsx';
import { NumberField } from '../look/NumberField.tsx';
import { wishAsked } from './asked.ts';
import { shownOf, useProposals } from './useProposals.ts';
import styles from './propose.module.css';

/** “What could I do with this?”: borders for this piece, this yarn and this wish, drawn on this piece. */
export function ProposePage() {
  const plan = usePlan();
  const [asked] = useSearchParams();
  const [wish, setWish] = useState<Wish>(() => wishAsked(asked));
  const [like, setLike] = useState<Proposal | null>(null);
  const [unlike, setUnlike] = useState<readonly Proposal[]>([]);
  /** An edge that is to stay, whatever is under it. */
  const [edge, setEdge] = useState<string | null>(null);
  const { all, planned, obstacles, done, failed, stop } = useProposals(plan.hem, wish);
  const shown = useMemo(
    () => shownOf(edge === null ? all : all.filter((p) => p.shape.edge === edge), like, unlike),
    [all, like, unlike, edge],
  );
  const searching = done < 0.999;
  const wishes = (part: Partial<Wish>): void => setWish({ ...wish, ...part });
  return (
    <div className={styles.propose}>
      <h1>What could I do with this?</h1>
      <Sentence plan={plan} wish={wish} onWish={wishes} />
      <p className="quiet" role="status">
        {searching
          ? `${plural(planned, 'border')} tried, ${Math.round(100 * done)} % …`
          : `${plural(planned, 'border')} tried: ${all.length} suit.`}{' '}
        {searching && (
          <Button size="small" onClick={stop}>
            Stop
          </Button>
        )}
        {(like !== null || edge !== null || unlike.length > 0) && (
          <Button
            size="small"
            onClick={() => {
              setLike(null);
              setEdge(null);
              setUnlike([]);
            }}
          >
            All of them again
          </Button>
        )}
      </p>
      {failed && <p className="problem small">Some could not be tried. Your hem is safe.</p>}
      {!searching && shown.length === 0 && (
        <Nothing obstacles={obstacles} onGiveUp={(obstacle) => wishes(withoutWish(obstacle))} />
      )}
      <ul className={styles.cards}>
        {shown.map((p) => (
          <li key={JSON.stringify(p.shape)}>
            <Guard what="This border" resetKeys={[p]}>
              <Card
                plan={plan}
                proposal={p}
                liked={p === like}
                onLike={() => setLike(p)}
                onEdge={p.shape.edge === null || edge !== null ? null : () => setEdge(p.shape.edge)}
                onUnlike={() => {
                  setUnlike([...unlike, p]);
                  if (p === like) setLike(null);
                }}
              />
            </Guard>
          </li>
        ))}
      </ul>
      <RestsOn plan={plan} />
    </div>
  );
}

interface SentenceProps {
  readonly plan: Plan;
  readonly wish: Wish;
  readonly onWish: (part: Partial<Wish>) => void;
}

const HOUR = 60;

/** The wish as a sentence whose words can be changed; every one may be left out. */
function Sentence({ plan, wish, onWish }: SentenceProps) {
  const said = plan.hem.yarns.some((y) => y.haveG !== null);
  return (
    <div className={styles.sentence}>
      About{' '}
      <LengthInput
        label="Width of the border"
        unit={plan.hem.preferences.length}
        cm={wish.widthCm}
        onChange={(widthCm) => onWish({ widthCm })}
        onEmpty={() => onWish({ widthCm: null })}
      />{' '}
      wide,{' '}
      <select
        aria-label="Look"
        value={wish.look ?? ''}
        onChange={(e) => onWish({ look: (e.target.value || null) as Look | null })}
      >
        <option value="">of any look</option>
        {LOOKS.map((look) => (
          <option key={look} value={look}>
            {look}
          </option>
        ))}
      </select>
      ,{' '}
      <select
        aria-label="How much it asks of its maker"
        value={wish.skill ?? ''}
        onChange={(e) => onWish({ skill: (e.target.value || null) as Skill | null })}
      >
        <option value="">easy or not</option>
        {SKILLS.map((skill) => (
          <option key={skill} value={skill}>
            {skill === 'easy' ? 'easy' : `up to ${skill}`}
          </option>
        ))}
      </select>
      ,{' '}
      <select
        aria-label="Yarn"
        value={wish.fromBasket ? 'basket' : ''}
        onChange={(e) => onWish({ fromBasket: e.target.value === 'basket' })}
      >
        <option value="">whatever yarn it takes</option>
        <option value="basket" disabled={!said}>
          {said ? 'from what is in the basket' : 'from the basket (say on the Yarn page what is there)'}
        </option>
      </select>
      ,{' '}
      <select
        aria-label="Loose parts"
        value={wish.noLooseParts ? 'none' : ''}
        onChange={(e) => onWish({ noLooseParts: e.target.value === 'none' })}
      >
        <option value="">with loose parts and loops or not</option>
        <option value="none">no loose parts or loops</option>
      </select>
      , in{' '}
      <NumberField
        size="small"
        optional
        aria-label="Hours that there are for it"
        min={0.5}
        max={500}
        step={0.5}
        placeholder="any"
        value={wish.minutes === null ? null : wish.minutes / HOUR}
        onChange={(hours) => onWish({ minutes: hours === null ? null : hours * HOUR })}
      />{' '}
      hours.
    </div>
  );
}

/** The wish without what stands in the way; what is no word of it stays. */
function withoutWish(obstacle: Obstacle): Partial<Wish> {
  switch (obstacle) {
    case 'width':
      return { widthCm: null };
    case 'look':
      return { look: null };
    case 'skill':
      return { skill: null };
    case 'loose parts':
      return { noLooseParts: false };
    case 'basket':
      return { fromBasket: false };
    case 'time':
      return { minutes: null };
    case 'fit':
    case 'flatness':
      return {};
  }
}

interface NothingProps {
  readonly obstacles: Readonly<Partial<Record<Obstacle, number>>>;
  readonly onGiveUp: (obstacle: Obstacle) => void;
}

/** Nothing suits: which word of the wish stands in the way, and what giving it up would bring. */
function Nothing({ obstacles, onGiveUp }: NothingProps) {
  const lines = obstacleWords(obstacles);
  return (
    <section>
      <h2>Nothing suits</h2>
      {lines.length === 0 && (
        <p>Several words of the wish stand in the way together: leave some of them out.</p>
      )}
      <ul className={styles.obstacles}>
        {lines.map(({ obstacle, words }) => (
          <li key={obstacle}>
            {words}{' '}
            {obstacle !== 'fit' && obstacle !== 'flatness' && (
              <Button size="small" onClick={() => onGiveUp(obstacle)}>
                Leave it out
              </Button>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}

interface CardProps {
  readonly plan: Plan;
  readonly proposal: Proposal;
  readonly liked: boolean;
  readonly onLike: () => void;
  /** Keeps its edge; null where there is none, or one is kept already. */
  readonly onEdge: (() => void) | null;
  readonly onUnlike: () => void;
}

/** How far from the corner the middle of the picture lies, in stitch widths. */
const ASIDE = 8;

function Card({ plan, proposal, liked, onLike, onEdge, onUnlike }: CardProps) {
  const store = useHemStore();
  const navigate = useNavigate();
  const name = shapeWords(plan, proposal);
  const look = useMemo(() => {
    const { base, rounds } = proposal;
    return () => {
      const made = planOf({ ...plan.hem, base, rounds });
      const top = made.rounds.findLast((r) => !r.written?.recipe.surface)!;
      const [corner] = landmarksOf(made, top.number);
      // So that the border turns the corner within the picture.
      const step = ASIDE * made.stitchWidthMm;
      return { plan: made, at: { x: corner!.x - step, y: corner!.y + 0.45 * step } };
    };
  }, [plan.hem, proposal]);
  const wear = (): void => {
    const { base, rounds } = proposal;
    const whole = rounds.map((r) =>
      plan.hem.rounds.some((own) => own.id === r.id) ? r : { ...r, id: nanoid(8) },
    );
    if (store.do(tryOn({ base, rounds: whole }, nanoid(6), name)))
      void navigate(`/hem/${plan.hem.id}/rounds`);
  };
  return (
    <article className={liked ? styles.liked : styles.card} aria-label={name}>
      <Swatch look={look} across={20} width={236} height={150} withPiece />
      <h2>{name}</h2>
      <p className={styles.reasons}>{capital(reasonsOf(plan, proposal).join(', '))}.</p>
      <p className={styles.tools}>
        <Button type="primary" size="small" onClick={wear}>
          Try it on
        </Button>
        <Button size="small" aria-pressed={liked} onClick={onLike}>
          More like this
        </Button>
        {onEdge && (
          <Button size="small" onClick={onEdge}>
            Keep this edge
          </Button>
        )}
        <Button size="small" onClick={onUnlike}>
          Not this
        </Button>
      </p>
    </article>
  );
}
