import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useEffectEvent, useState } from 'react';
import { useTheme } from '../look/ThemeAndNotices.tsx';
import type { Glanced } from '../storage/glance.ts';
import { glance, library, shelf } from '../storage/here.ts';
import type { RecordFound } from '../storage/records.ts';
import { SHELF, shelfChanged } from '../storage/shelfQuery.ts';
import { cardStamp } from './ShelfHem.tsx';

/** How long what was shown last is seen before the shelf is read. */
const GLANCED_FOR_MS = 150;
/** A shelf that could not be read is read again after so long. */
const ASK_AGAIN_MS = 3000;
/** Cards that are made anew follow each other. */
const GLANCE_AFTER_MS = 1000;

export interface Shelf {
  /** All hems, the last changed first; undefined until they have been read. */
  readonly all: readonly RecordFound[] | undefined;
  /** When they were read: another time is another shelf. */
  readonly read: number;
  readonly error: Error | null;
  readonly again: () => void;
  /** Last pictures of the shelf, by the ids of its hems. */
  readonly glanced: ReadonlyMap<string, Glanced>;
  /** A card that is among the first has been drawn: it is kept for the next time. */
  readonly drawn: () => void;
  /** Reads the shelf once more. */
  readonly refresh: () => void;
}

/** The shelf as it is, what it showed last until it has been read, and what it shows now kept for the next time. */
export function useShelf(): Shelf {
  const queries = useQueryClient();
  const theme = useTheme();
  const [glanced] = useState(() => new Map(glance.read().map((card) => [card.id, card])));
  const query = useQuery({
    ...SHELF,
    // What was shown last is seen before a long shelf takes up the page.
    queryFn: async () => {
      if (glanced.size > 0 && !query.data) await new Promise((done) => setTimeout(done, GLANCED_FOR_MS));
      return shelf();
    },
    // Storage that does not answer may do so a moment later: another page may just be letting go of it.
    refetchInterval: ({ state }) => (state.status === 'error' ? ASK_AGAIN_MS : false),
  });
  const { data: all, dataUpdatedAt: read, error, refetch } = query;
  const [kept, setKept] = useState(0);
  useEffect(() => {
    if (!all) return;
    const wait = setTimeout(
      () => void glance.keep(all, (found) => cardStamp(found, theme)).catch(() => undefined),
      GLANCE_AFTER_MS,
    );
    return () => clearTimeout(wait);
  }, [all, theme, kept]);
  const refresh = (): void => void shelfChanged(queries);
  const changed = useEffectEvent(refresh);
  useEffect(() => library.tabs.hear(() => changed()), []);
  return {
    all,
    read,
    error,
    again: () => void refetch(),
    glanced,
    drawn: () => setKept((count) => count + 1),
    refresh,
  };
}
