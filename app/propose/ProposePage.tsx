import { useEffect, useState, type ReactNode } from 'react';
import { Link, useSearchParams } from 'react-router';
import type { Hem } from '../../core/document/hem.ts';
import { KEEP_NOTHING, type Keep } from '../../core/propose/grammar.ts';
import { NO_TASTE, type Taste } from '../../core/propose/pick.ts';
import { endsInEdge } from '../../core/propose/candidates.ts';
import type { Obstacle } from '../../core/propose/suits.ts';
import { wantedWidthMm, type Wish } from '../../core/propose/wish.ts';
import { plural } from '../../core/say/measures.ts';
import { obstacleWords } from '../../core/propose/proposeWords.ts';
import { RestsOn } from '../sections/RestsOn.tsx';
import { Guard } from '../hem/Guard.tsx';
import { useInTerms, usePlan } from '../hem/context.ts';
import { Button } from '../look/Button.tsx';
import { ProposalCard } from './ProposalCard.tsx';
import { Sentence } from './Sentence.tsx';
import { askedFor, wishAsked } from './asked.ts';
import { useProposals, type Proposals } from './useProposals.ts';
import styles from './propose.module.css';

interface SaidOfBorders {
  readonly keep: Keep;
  readonly taste: Taste;
}

/** Opinions of borders that were seen, by the hem, as long as the page is open. */
const SAID = new Map<string, SaidOfBorders>();

const saidOf = ({ id }: Hem): SaidOfBorders => SAID.get(id) ?? { keep: KEEP_NOTHING, taste: NO_TASTE };

/** “What could I do with this?”: borders for this piece, this yarn and this wish, drawn on this piece. */
export function ProposePage() {
  const plan = usePlan();
  const [asked, setAsked] = useSearchParams();
  const [wish, setWish] = useState<Wish>(() => wishAsked(asked));
  const [keep, setKeep] = useState<Keep>(() => saidOf(plan.hem).keep);
  const [taste, setTaste] = useState<Taste>(() => saidOf(plan.hem).taste);
  const proposals = useProposals(plan.hem, wish, keep, taste);
  const { shown, working, failed, searched } = proposals;
  useEffect(() => void SAID.set(plan.hem.id, { keep, taste }), [plan.hem.id, keep, taste]);
  const wishes = (part: Partial<Wish>): void => {
    const wished = { ...wish, ...part };
    setWish(wished);
    // Whoever comes back from trying one on finds the sentence as it was.
    setAsked(askedFor(wished), { replace: true });
  };
  const tastes = (part: Partial<Taste>): void => setTaste({ ...taste, ...part });
  const keeps = (part: Partial<Keep>): void => setKeep({ ...keep, ...part });
  const wanted = wantedWidthMm(wish, plan);
  return (
    <div className={styles.propose}>
      <h1>What could I do with this?</h1>
      <Sentence plan={plan} wish={wish} onWish={wishes} />
      <Progress {...proposals} liked={taste.like !== null} />
      <Said keep={keep} onKeep={keeps} taste={taste} onTaste={tastes} />
      {failed && <p className="problem small">Some could not be tried. Your hem is safe.</p>}
      {!working && shown.length === 0 && (
        <Nothing
          obstacles={searched.obstacles}
          reason={
            endsInEdge(plan.hem, wish) ? (
              <OnEdge hem={plan.hem} wish={wish} onWish={wishes} />
            ) : wanted !== null && wanted <= 0 ? (
              'The piece is as large as that without a border.'
            ) : null
          }
          kept={Object.values(keep).some((part) => part !== null) || taste.unlike.length > 0}
          onGiveUp={(obstacle) => wishes(withoutWish(obstacle))}
        />
      )}
      <ul className={styles.cards}>
        {shown.map((p) => (
          <li key={p.key}>
            <Guard what="This border" resetKeys={[p]}>
              <ProposalCard
                plan={plan}
                wish={wish}
                proposal={p}
                liked={taste.like !== null && taste.like.key === p.key}
                onLike={(like) => tastes({ like })}
                onKeep={keeps}
                onUnlike={() =>
                  tastes({
                    unlike: [...taste.unlike, p],
                    ...(taste.like && taste.like.key === p.key && { like: null }),
                  })
                }
              />
            </Guard>
          </li>
        ))}
      </ul>
      <RestsOn plan={plan} />
    </div>
  );
}

/** Share of the work that is searching; the rest is planning again what is shown. */
const SEARCH_SHARE = 0.8;

/** How far the search is, and what it has come to. */
function Progress({
  searched,
  shown,
  done,
  stopped,
  working,
  stop,
  liked,
  proving,
}: Proposals & { readonly liked: boolean }) {
  const tried = `${plural(searched.tried, 'border')} tried`;
  return (
    <p className={styles.progress} role="status">
      {working && !stopped ? (
        <>
          <progress
            value={SEARCH_SHARE * done + (1 - SEARCH_SHARE) * (proving ? proving.done : 0)}
            aria-label="How much has been searched"
          />{' '}
          {tried}, {searched.suit} suit so far{proving ? '; making sure that what is shown fits' : ''} …{' '}
          <Button size="small" onClick={stop}>
            Stop
          </Button>
        </>
      ) : (
        <span className="quiet">
          {tried}
          {stopped && ' before it was stopped'}: {searched.suit} suit as they are.
          {shown.length > 0 &&
            (liked
              ? ' These are the most like the one that you picked.'
              : ' These come closest to your wish, each different.')}
        </span>
      )}
    </p>
  );
}

interface SaidProps {
  readonly keep: Keep;
  readonly onKeep: (part: Partial<Keep>) => void;
  readonly taste: Taste;
  readonly onTaste: (part: Partial<Taste>) => void;
}

/** Opinions of borders that were seen, each to be taken back. */
function Said({ keep, onKeep, taste, onTaste }: SaidProps) {
  const inTerms = useInTerms();
  const { unlike } = taste;
  const said: readonly (readonly [boolean, string, () => void])[] = [
    [keep.edge !== null, 'Any edge again', () => onKeep({ edge: null })],
    [keep.under !== null, 'Any rounds again', () => onKeep({ under: null })],
    [keep.yarns !== null, inTerms('Any colors again'), () => onKeep({ yarns: null })],
    [taste.like !== null, 'Not only like that one', () => onTaste({ like: null })],
    [unlike.length > 0, `Bring back what I did not want (${unlike.length})`, () => onTaste({ unlike: [] })],
  ];
  const there = said.filter(([is]) => is);
  if (there.length === 0) return null;
  return (
    <p className={styles.tools}>
      {there.map(([, words, takeBack]) => (
        <Button key={words} size="small" onClick={takeBack}>
          {words}
        </Button>
      ))}
    </p>
  );
}

/** The wish without what stands in the way; what is no word of it stays. */
function withoutWish(obstacle: Obstacle): Partial<Wish> {
  switch (obstacle) {
    case 'width':
      return { widthCm: null, size: null };
    case 'look':
      return { look: null, notLook: null };
    case 'skill':
      return { skill: null };
    case 'loose parts':
      return { noLooseParts: false };
    case 'basket':
      return { basket: 'any' };
    case 'time':
      return { minutes: null };
    case 'fit':
    case 'flatness':
      return {};
  }
}

interface OnEdgeProps {
  readonly hem: Hem;
  readonly wish: Wish;
  readonly onWish: (part: Partial<Wish>) => void;
}

/** Says that the rounds that stay end in an edge: one that is worked is ripped back first, another is not kept. */
function OnEdge({ hem, wish, onWish }: OnEdgeProps) {
  return (
    <>
      What stays ends in an edge, and nothing goes on top of an edge.{' '}
      {endsInEdge(hem, { ...wish, onRounds: false }) ? (
        <>
          To have another border, <Link to={`/hem/${hem.id}/work`}>rip it back</Link>.
        </>
      ) : (
        <Button size="small" onClick={() => onWish({ onRounds: false })}>
          Leave it out
        </Button>
      )}
    </>
  );
}

interface NothingProps {
  readonly obstacles: Readonly<Partial<Record<Obstacle, number>>>;
  /** Why nothing can, whatever is left out of the wish; null where that is not known. */
  readonly reason: ReactNode;
  /** Something of what was seen was to stay, or was not wanted. */
  readonly kept: boolean;
  readonly onGiveUp: (obstacle: Obstacle) => void;
}

/** Nothing suits: which word of the wish stands in the way, and what giving it up would bring. */
function Nothing({ obstacles, reason, kept, onGiveUp }: NothingProps) {
  const lines = obstacleWords(obstacles);
  return (
    <section>
      <h2>Nothing suits</h2>
      {reason ? (
        <p>{reason}</p>
      ) : kept ? (
        <p>Nothing else goes with what is to stay, or with what you did not want: take some of it back.</p>
      ) : (
        lines.length === 0 && <p>Several words of the wish cannot be met together: leave some of them out.</p>
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
