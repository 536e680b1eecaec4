import { held } from '../../core/held.ts';
import { nanoid } from 'nanoid';
import { useMemo } from 'react';
import { useNavigate } from 'react-router';
import { landmarksOf } from '../../core/chart/landmarks.ts';
import type { Hem, RoundEntry } from '../../core/document/hem.ts';
import { putAside, tryOn } from '../../core/edits/rounds.ts';
import { plan as planOf } from '../../core/plan/planner.ts';
import { topOf, type Plan } from '../../core/plan/types.ts';
import { colourAtEdge } from '../../core/propose/edgeColour.ts';
import { yarnsOf, type Keep } from '../../core/propose/grammar.ts';
import type { Proposal } from '../../core/propose/prove.ts';
import type { Wish } from '../../core/propose/wish.ts';
import { capital } from '../../core/terms/words.ts';
import { dressingWords, reasonsOf, shapeWords } from '../../core/propose/proposeWords.ts';
import { copyLink } from '../look/copyLink.tsx';
import { Swatch } from '../drawing/Swatch.tsx';
import { useHemStore, useInTerms } from '../hem/context.ts';
import { Button } from '../look/Button.tsx';
import { DownloadSimpleIcon, LinkSimpleIcon } from '../look/icons.ts';
import { useNotices } from '../look/notices.tsx';
import { fileName } from '../../core/document/fileName.ts';
import { saveBlob } from '../storage/exports.ts';
import { pictureOf } from '../workers/picture.ts';
import { linkOf } from '../storage/link.ts';
import styles from './propose.module.css';

interface ProposalCardProps {
  readonly plan: Plan;
  readonly wish: Wish;
  readonly proposal: Proposal;
  readonly liked: boolean;
  readonly onLike: (like: Proposal | null) => void;
  readonly onKeep: (part: Partial<Keep>) => void;
  readonly onUnlike: () => void;
}

/** Pixels of the longer side of a picture that is saved. */
const PICTURE_PIXELS = 1500;

/** How far from the corner the middle of the picture lies, in stitch widths. */
const ASIDE = 8;

/** A border that is proposed: how it looks on this piece, what speaks for it, and what can be done with it. */
export function ProposalCard({ plan, wish, proposal, liked, onLike, onKeep, onUnlike }: ProposalCardProps) {
  const store = useHemStore();
  const navigate = useNavigate();
  const notices = useNotices();
  const name = shapeWords(plan, proposal);
  const yarns = dressingWords(plan, proposal);
  const look = useMemo(() => {
    const { base, rounds } = proposal;
    return () => {
      const made = planOf({ ...plan.hem, base, rounds });
      const top = topOf(made);
      const [corner] = landmarksOf(made, top.number);
      // So that the border turns the corner within the picture.
      const step = ASIDE * made.stitchWidthMm;
      return {
        plan: made,
        at: {
          x: held(corner, 'a border that is proposed has a corner').x - step,
          y: held(corner, 'a border that is proposed has a corner').y + 0.45 * step,
        },
      };
    };
  }, [plan.hem, proposal]);
  const border = (): Pick<Hem, 'base' | 'rounds'> => ({
    base: proposal.base,
    rounds: ownIds(plan.hem, proposal.rounds),
  });
  const savePicture = async (): Promise<void> => {
    try {
      const picture = await pictureOf({ ...plan.hem, ...border() }, '#ffffff', PICTURE_PIXELS).done;
      // Not every browser can write the first.
      const end = picture.type === 'image/webp' ? '.webp' : '.png';
      saveBlob(fileName(`${plan.hem.name} ${name}`, end), picture);
    } catch {
      notices.error({
        title: 'The picture could not be painted',
        description: 'Try the border on, and save a picture on the Pattern page. Your hem is safe.',
      });
    }
  };
  const short = [...name].slice(0, 100).join('');
  return (
    <article className={liked ? styles.liked : styles.card} aria-label={yarns ? `${name}, ${yarns}` : name}>
      <Swatch look={look} across={20} width={250} height={150} withPiece />
      <Bands plan={plan} proposal={proposal} />
      <h2>{name}</h2>
      {yarns && <p className={styles.yarns}>{capital(yarns)}.</p>}
      <p className={styles.reasons}>
        {capital(reasonsOf(plan, proposal, wish).join(', '))}. {proposal.why}
      </p>
      <p className={styles.tools}>
        <Button
          type="primary"
          size="small"
          aria-label={`Try it on: ${name}`}
          onClick={() => {
            if (store.do(tryOn(border(), nanoid(6), name))) void navigate(`/hem/${plan.hem.id}/rounds`);
          }}
        >
          Try it on
        </Button>
        <Button
          size="small"
          aria-label={`Compare: ${name}`}
          onClick={() => {
            if (store.do(putAside(border(), nanoid(6), short)))
              void navigate(`/hem/${plan.hem.id}/rounds?compare`);
          }}
        >
          Compare
        </Button>
        <Keep proposal={proposal} name={name} several={plan.hem.yarns.length > 1} onKeep={onKeep} />
      </p>
      <p className={styles.tools}>
        <Button
          size="small"
          aria-label={`More like this: ${name}`}
          aria-pressed={liked}
          onClick={() => onLike(liked ? null : proposal)}
        >
          More like this
        </Button>
        <Button size="small" aria-label={`Not this: ${name}`} onClick={onUnlike}>
          Not this
        </Button>
        <Button
          size="small"
          icon={<DownloadSimpleIcon />}
          aria-label={`Save a picture of ${name}`}
          title="Save a picture of this border"
          onClick={() => void savePicture()}
        />
        <Button
          size="small"
          icon={<LinkSimpleIcon />}
          aria-label={`Copy a link to ${name}`}
          title="Copy a link to this border"
          onClick={() => {
            const link = linkOf({ ...plan.hem, ...border() }, window.location.origin);
            if (link)
              void copyLink(
                notices,
                link,
                'It holds this piece with this border; whoever opens it gets a copy.',
              );
            else
              notices.info({
                title: 'This hem is too large for a link',
                description: 'Try the border on, and save the hem file on the Pattern page.',
              });
          }}
        />
      </p>
    </article>
  );
}

/** New rounds get ids of their own; those that stay keep theirs. */
const ownIds = (hem: Hem, rounds: readonly RoundEntry[]): readonly RoundEntry[] =>
  rounds.map((r) => (hem.rounds.some((own) => own.id === r.id) ? r : { ...r, id: nanoid(8) }));

/** The yarns of a border from the piece outwards, at their real proportion. */
function Bands({ plan, proposal }: Pick<ProposalCardProps, 'plan' | 'proposal'>) {
  const { yarns } = plan.hem;
  const piece = useMemo(() => colourAtEdge(plan.hem), [plan.hem]);
  if (yarns.length < 2) return null;
  return (
    <div className={styles.bands} aria-hidden>
      <span style={{ flexGrow: PIECE_SHARE, background: piece }} />
      {proposal.yarns.map(({ yarn, share }, k) => (
        <span
          key={k}
          style={{
            flexGrow: Math.max(SEEN_SHARE, share),
            background: yarns.find((y) => y.id === yarn)?.colour,
          }}
        />
      ))}
    </div>
  );
}

/** As much of the piece is shown beside the border, as a share of its width; what lies on a round has some width to the eye. */
const PIECE_SHARE = 0.5;
const SEEN_SHARE = 0.05;

/** The part of a border to keep while others are looked for. */
function Keep({
  proposal,
  name,
  several,
  onKeep,
}: Pick<ProposalCardProps, 'proposal' | 'onKeep'> & { readonly name: string; readonly several: boolean }) {
  const inTerms = useInTerms();
  const { ground, middle, edge } = proposal.shape;
  const keep = (what: string): void => {
    if (what === 'edge') onKeep({ edge });
    if (what === 'rounds') onKeep({ under: { ground, middle } });
    if (what === 'yarns') onKeep({ yarns: yarnsOf(proposal.rounds) });
  };
  return (
    <select aria-label={`Keep a part of ${name}`} value="" onChange={(e) => keep(e.target.value)}>
      <option value="">Keep …</option>
      {edge && <option value="edge">its edge</option>}
      {(ground !== null || middle !== null) && <option value="rounds">the rounds under its edge</option>}
      {several && <option value="yarns">{inTerms('its colors')}</option>}
    </select>
  );
}
