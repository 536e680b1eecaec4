import { lazy, Suspense, useEffect, useEffectEvent, useRef, useState } from 'react';
import { ErrorBoundary } from 'react-error-boundary';
import type { Hem } from '../../core/document/hem.ts';
import { useLook } from '../look/Look.tsx';
import { keptCard } from '../storage/pictures.ts';
import { nameOf, type Found } from '../storage/records.ts';
import { HemCard } from './HemCard.tsx';
import type { CardWords } from './PlannedHem.tsx';
import { inTurn } from './inTurn.ts';
import { Trouble } from './Trouble.tsx';

// What plans is fetched when something has to be planned: a shelf that is kept does without.
const PlannedHem = lazy(async () => ({ default: (await import('./PlannedHem.tsx')).PlannedHem }));

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

/** A hem that is sound, as it was kept; or else, when it is about to be seen, planned and drawn. */
function SoundHem(props: ShelfHemProps & { readonly hem: Hem }) {
  const { hem, found } = props;
  const { ground } = useLook();
  const [near, setNear] = useState(false);
  const item = useNear<HTMLLIElement>(() => inTurn(() => setNear(true)));
  const stamp = `${found.revision} ${ground}`;
  const kept = useKeptCard(hem.id, stamp);
  const [planned, setPlanned] = useState<CardWords | null>(null);
  const words = kept ?? planned;
  // One card from the first to the last: what is pressed on it while it fills is not lost.
  return (
    <li className="shelf-hem" ref={item}>
      <HemCard
        {...props}
        place={words?.place ?? null}
        border={words?.border ?? null}
        drawing={
          kept ? (
            <img className="plan bare" src={kept.url} alt={pictureAlt(hem)} />
          ) : kept === null && near ? (
            <Suspense fallback={null}>
              <PlannedHem hem={hem} stamp={stamp} onPlanned={setPlanned} />
            </Suspense>
          ) : null
        }
      />
    </li>
  );
}

const pictureAlt = ({ name }: Hem): string => `${name}: the piece with its border, drawn to scale`;

/** What was kept of a hem; null when nothing is, undefined until that is known. */
function useKeptCard(
  hem: string,
  stamp: string,
): { readonly url: string; readonly place: string | null; readonly border: string } | null | undefined {
  const [found, setFound] = useState<{
    readonly stamp: string;
    readonly card: { readonly url: string; readonly place: string | null; readonly border: string } | null;
  } | null>(null);
  useEffect(() => {
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

/** What is told of a hem that was deleted. */
export const deletedWords = (found: Found): string => `Deleted: ${nameOf(found)}`;
