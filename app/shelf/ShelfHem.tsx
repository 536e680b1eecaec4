import { Button } from '../look/Button.tsx';
import { Copy, DownloadSimple, Trash } from '@phosphor-icons/react';
import { useEffect, useEffectEvent, useMemo, useRef, useState, type ReactNode } from 'react';
import { ErrorBoundary } from 'react-error-boundary';
import { Link } from 'react-router';
import { fileName } from '../../core/document/fileName.ts';
import { writeHem } from '../../core/document/check.ts';
import type { Hem } from '../../core/document/hem.ts';
import { plan } from '../../core/plan/planner.ts';
import type { Plan } from '../../core/plan/types.ts';
import { plural, sizeWords } from '../../core/words/measures.ts';
import { placeInWords } from '../../core/words/progressWords.ts';
import { isUnderWay } from '../../core/work/progress.ts';
import { capital } from '../../core/terms/words.ts';
import { PlanDrawing } from '../drawing/PlanDrawing.tsx';
import { Guard } from '../hem/Guard.tsx';
import { useLook } from '../look/Look.tsx';
import { whenWords } from '../look/when.ts';
import { saveFile } from '../storage/exports.ts';
import { keepCard, keptCard } from '../storage/pictures.ts';
import { nameOf, type Found } from '../storage/records.ts';
import { inTurn } from './inTurn.ts';
import { Trouble } from './Trouble.tsx';

/** Tells once when an element is about to be seen. */
export function useNear<E extends Element>(onNear: () => void): React.RefObject<E | null> {
  const element = useRef<E>(null);
  const near = useEffectEvent(onNear);
  useEffect(() => {
    const watch = new IntersectionObserver(
      ([entry]) => {
        if (!entry!.isIntersecting) return;
        watch.disconnect();
        near();
      },
      { rootMargin: '300px' },
    );
    watch.observe(element.current!);
    return () => watch.disconnect();
  }, []);
  return element;
}

interface ShelfHemProps {
  readonly found: Found;
  readonly onDuplicate: (hem: Hem) => void;
  readonly onDiscard: () => void;
  readonly onChange: () => void;
}

/** One hem of the shelf, whatever state it is in: a card of its own, which hurts no other. */
export function ShelfHem(props: ShelfHemProps) {
  const { found, onChange } = props;
  const { outcome } = found;
  if (!outcome.ok) {
    return (
      <li className="shelf-hem">
        <Trouble found={found} problems={outcome.problems} onChange={onChange} />
      </li>
    );
  }
  return (
    <ErrorBoundary
      resetKeys={[found]}
      fallback={
        <li className="shelf-hem">
          <Trouble found={found} problems={[]} onChange={onChange} />
        </li>
      }
    >
      <SoundHem {...props} hem={outcome.value} />
    </ErrorBoundary>
  );
}

/** A hem that is sound. When it is about to be seen it is shown as it was kept, or else planned and drawn. */
function SoundHem(props: ShelfHemProps & { readonly hem: Hem }) {
  const { hem, found } = props;
  const { ground } = useLook();
  const [near, setNear] = useState(false);
  const item = useNear<HTMLLIElement>(() => inTurn(() => setNear(true)));
  const stamp = `${found.revision} ${ground}`;
  const kept = useKeptCard(hem.id, near ? stamp : null);
  return (
    <li className="shelf-hem" ref={item}>
      {kept ? (
        <Card
          {...props}
          place={kept.place}
          border={kept.border}
          drawing={<img className="plan bare" src={kept.url} alt={pictureAlt(hem)} />}
        />
      ) : kept === null ? (
        <PlannedHem {...props} stamp={stamp} />
      ) : (
        <Card {...props} place={null} border={null} drawing={null} />
      )}
    </li>
  );
}

const pictureAlt = ({ name }: Hem): string => `${name}: the piece with its border, drawn to scale`;

/** What was kept of a hem; null when nothing is, undefined until that is known. @param stamp null does not ask yet */
function useKeptCard(
  hem: string,
  stamp: string | null,
): { readonly url: string; readonly place: string | null; readonly border: string } | null | undefined {
  const [found, setFound] = useState<{
    readonly stamp: string;
    readonly card: { readonly url: string; readonly place: string | null; readonly border: string } | null;
  } | null>(null);
  useEffect(() => {
    if (stamp === null) return;
    let over = false;
    let url: string | null = null;
    void keptCard(hem, stamp).then((card) => {
      if (over) return;
      url = card && URL.createObjectURL(card.picture);
      setFound({ stamp, card: card && { url: url!, place: card.place, border: card.border } });
    });
    return () => {
      over = true;
      if (url) URL.revokeObjectURL(url);
    };
  }, [hem, stamp]);
  return found && found.stamp === stamp ? found.card : undefined;
}

/** A hem of which nothing is kept: planned and drawn, and then kept. */
function PlannedHem(props: ShelfHemProps & { readonly hem: Hem; readonly stamp: string }) {
  const { hem, stamp } = props;
  const made = useMemo(() => plan(hem), [hem]);
  const place = isUnderWay(made) ? capital(placeInWords(made)) : null;
  const border = borderWords(made);
  return (
    <Card
      {...props}
      place={place}
      border={border}
      drawing={
        <Guard what="The drawing of this hem" resetKeys={[made]}>
          <PlanDrawing
            plan={made}
            bare
            onPainted={(picture) => void keepCard(hem.id, stamp, { picture, place, border })}
          />
        </Guard>
      }
    />
  );
}

function Card({
  hem,
  place,
  border,
  drawing,
  onDuplicate,
  onDiscard,
}: ShelfHemProps & {
  readonly hem: Hem;
  readonly place: string | null;
  /** Null until it is known. */
  readonly border: string | null;
  readonly drawing: ReactNode;
}) {
  return (
    <>
      <Link to={`/hem/${hem.id}/${hem.record.length > 0 ? 'work' : 'base'}`} className="shelf-link">
        <div className="shelf-drawing">{drawing}</div>
        <h2>{hem.name}</h2>
      </Link>
      {border !== null && (
        <>
          <p className="quiet small">
            {place !== null && (
              <>
                <strong>{place}</strong>
                <br />
              </>
            )}
            {border}
            <br />
            changed {whenWords(hem.changed, new Date())}
          </p>
          <div className="shelf-actions">
            <Button
              size="small"
              type="text"
              icon={<Copy />}
              aria-label={`Copy ${hem.name}`}
              onClick={() => onDuplicate(hem)}
            />
            <Button
              size="small"
              type="text"
              icon={<DownloadSimple />}
              aria-label={`Download ${hem.name} as a file`}
              onClick={() => saveFile(fileName(hem.name, '.hem.json'), writeHem(hem), 'application/json')}
            />
            <Button
              size="small"
              type="text"
              icon={<Trash />}
              aria-label={`Delete ${hem.name}`}
              onClick={onDiscard}
            />
          </div>
        </>
      )}
    </>
  );
}

function borderWords({ hem, finishedSize, rounds }: Plan): string {
  const odd = rounds.filter((r) => !r.even).length;
  const fits = odd > 0 ? `${odd} do not fit` : 'all fit';
  return `${sizeWords(finishedSize, hem.preferences.length)} with border. Base round + ${plural(rounds.length - 1, 'round')}, ${fits}.`;
}

/** What is told of a hem that was deleted. */
export const deletedWords = (found: Found): string => `Deleted: ${nameOf(found)}`;
