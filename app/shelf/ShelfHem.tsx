import { held } from '../../core/held.ts';
import { fetched } from '../look/fetched.ts';
import { Suspense, useEffect, useEffectEvent, useRef, useState } from 'react';
import { ErrorBoundary } from 'react-error-boundary';
import type { Hem } from '../../core/document/hem.ts';
import { useTheme } from '../look/ThemeAndNotices.tsx';
import type { ThemeName } from '../look/tokens.ts';
import type { Glanced } from '../storage/glance.ts';
import { keptCard } from '../storage/pictures.ts';
import { nameOf, type RecordFound } from '../storage/records.ts';
import { HemCard } from './HemCard.tsx';
import type { CardWords } from './PlannedHem.tsx';
import { inTurn } from './inTurn.ts';
import { TroubleCard } from './Trouble.tsx';
import styles from './shelf.module.css';

// What plans is fetched when something has to be planned: a shelf that is kept does without.
const PlannedHem = fetched(async () => (await import('./PlannedHem.tsx')).PlannedHem);

/** Tells once when an element is about to be seen. */
export function useNear<E extends Element>(onNear: () => void): React.RefObject<E | null> {
  const element = useRef<E>(null);
  const near = useEffectEvent(onNear);
  useEffect(() => {
    const watch = new IntersectionObserver(
      ([entry]) => {
        if (!held(entry, 'an observer tells of at least one change').isIntersecting) return;
        watch.disconnect();
        near();
      },
      { rootMargin: '300px' },
    );
    watch.observe(held(element.current, 'it is on the page while effects and events run'));
    return () => watch.disconnect();
  }, []);
  return element;
}

interface ShelfHemProps {
  /** Null until the shelf has been read. */
  readonly found: RecordFound | null;
  /** Last picture of it; null when that is not known. There is one of the two. */
  readonly glanced: Glanced | null;
  readonly onDuplicate: (hem: Hem) => void;
  readonly onDiscard: (found: RecordFound) => void;
  readonly onChange: () => void;
  /** Picture that was made anew, and kept. */
  readonly onKept: () => void;
}

/** One hem of the shelf, whatever state it is in: a card of its own, which hurts no other. */
export function ShelfHem(props: ShelfHemProps) {
  const { found, onChange } = props;
  if (found && !found.outcome.ok) {
    return (
      <li className={styles.hem}>
        <TroubleCard found={found} problems={found.outcome.problems} onChange={onChange} />
      </li>
    );
  }
  return (
    <ErrorBoundary
      resetKeys={[found]}
      fallback={
        <li className={styles.hem}>
          {found && <TroubleCard found={found} problems={[]} onChange={onChange} />}
        </li>
      }
    >
      <SoundHem {...props} />
    </ErrorBoundary>
  );
}

/** All that what is shown of a hem depends on. */
export const cardStamp = (
  { revision, aside }: Pick<RecordFound, 'revision' | 'aside'>,
  theme: ThemeName,
): string => [revision, aside, theme].filter((part) => part !== null).join(' ');

/** A hem that is sound, as it was kept; or else, when it is about to be seen, planned and drawn. */
function SoundHem({ found, glanced, onDuplicate, onDiscard, onKept }: ShelfHemProps) {
  const hem = found?.outcome.ok ? found.outcome.value : null;
  const theme = useTheme();
  const [near, setNear] = useState(false);
  const item = useNear<HTMLLIElement>(() => inTurn(() => setNear(true)));
  const stamp = found && cardStamp(found, theme);
  const kept = useKeptCard(found?.id ?? null, stamp);
  const [planned, setPlanned] = useState<CardWords | null>(null);
  const words = kept ?? planned ?? glanced;
  const { id, name, changed } = hem ?? held(glanced, 'asked only of a hem that was glanced at');
  const url = kept ? kept.url : glanced?.picture;
  const picture = url ? <img className="plan bare" src={url} alt={pictureAlt(name)} /> : null;
  // One card from the first to the last: what is pressed on it while it fills is not lost.
  return (
    <li className={styles.hem} ref={item}>
      <HemCard
        id={id}
        name={name}
        changed={changed}
        place={words?.place ?? null}
        border={words?.border ?? null}
        drawing={
          kept === null && near && hem && stamp !== null ? (
            <Suspense fallback={picture}>
              <PlannedHem hem={hem} stamp={stamp} onPlanned={setPlanned} onKept={onKept} />
            </Suspense>
          ) : (
            picture
          )
        }
        hem={hem}
        onDuplicate={onDuplicate}
        onDiscard={() => found && onDiscard(found)}
      />
    </li>
  );
}

const pictureAlt = (name: string): string => `${name}: the piece with its border, drawn to scale`;

async function decoded(url: string): Promise<void> {
  const image = new Image();
  image.src = url;
  await image.decode().catch(() => undefined);
}

interface ShownCard extends CardWords {
  readonly url: string;
}

/** Kept picture of a hem; null when nothing is, undefined until that is known. */
function useKeptCard(hem: string | null, stamp: string | null): ShownCard | null | undefined {
  const [found, setFound] = useState<{ readonly stamp: string; readonly card: ShownCard | null } | null>(
    null,
  );
  useEffect(() => {
    if (hem === null || stamp === null) return;
    let over = false;
    let url: string | null = null;
    const read = async (): Promise<void> => {
      const card = await keptCard(hem, stamp);
      if (over) return;
      url = card && URL.createObjectURL(card.picture);
      // Until it can be painted, what is shown stays.
      if (url) await decoded(url);
      if (!over)
        setFound({
          stamp,
          card: card && {
            url: held(url, 'shown only when there is one'),
            place: card.place,
            border: card.border,
          },
        });
    };
    void read();
    return () => {
      over = true;
      if (url) URL.revokeObjectURL(url);
    };
  }, [hem, stamp]);
  return found && found.stamp === stamp ? found.card : undefined;
}

/** Message about a hem that was deleted. */
export const deletedWords = (found: RecordFound): string => `Deleted: ${nameOf(found)}`;
