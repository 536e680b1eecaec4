import { useEffect, useMemo, useRef, useState, useSyncExternalStore } from 'react';
import type { Hem } from '../../core/document/hem.ts';
import type { Keep } from '../../core/propose/grammar.ts';
import { picked, type Liked, type Taste } from '../../core/propose/pick.ts';
import type { Proposal } from '../../core/propose/prove.ts';
import type { Wish } from '../../core/propose/wish.ts';
import { workers } from '../workers/pool.ts';
import { NOT_BEGUN, Searching, type SearchState } from './searching.ts';

export interface Proposals extends Omit<SearchState, 'proven'> {
  /** The handful that is shown: proved, near to the wish, different from each other. */
  readonly shown: readonly Proposal[];
  /** The search goes on, or what would be shown is still being proved. */
  readonly working: boolean;
  /** All has been searched, and so much of what is to be shown is proved, 0 to 1; null while it is searched. */
  readonly proving: { readonly done: number } | null;
  readonly stop: () => void;
}

/** Typing goes on for a moment, ms. */
const PAUSE_MS = 250;
/** Proposals seen at a time. */
const SHOWN = 8;
/** The search is a sum of many parts. */
const ALL = 0.999;

/** Borders shown of a search and a liking since all was found, in its order, by the keys. */
interface Seen {
  readonly searching: Searching | null;
  readonly like: Liked | null;
  readonly unlike: Taste['unlike'];
  readonly keys: readonly string[];
}

const NOT_SEEN: readonly string[] = [];

const never = (): (() => void) => () => undefined;

/** Searches in the workers; what has been found is there at once. */
export function useProposals(hem: Hem, wish: Wish, keep: Keep, taste: Taste): Proposals {
  const [begun, setBegun] = useState<Searching | null>(null);
  const wishes = useRef(0);
  useEffect(() => {
    let search: Searching | undefined;
    // The first wish is not being typed.
    const pause = wishes.current++ === 0 ? 0 : PAUSE_MS;
    const wait = setTimeout(() => {
      search = new Searching(hem, wish, keep, workers());
      setBegun(search);
      search.begin();
    }, pause);
    return () => {
      clearTimeout(wait);
      search?.end();
    };
  }, [hem, wish, keep]);
  // Borders of another hem may be in yarns that are gone; those of another wish are looked at until there are new ones.
  const searching = begun?.hem === hem ? begun : null;
  const { proven, ...state } = useSyncExternalStore(
    searching?.subscribe ?? never,
    searching?.snapshot ?? (() => NOT_BEGUN),
  );
  // As soon as another wish is said, the search goes on: what is shown is not yet for it.
  const answers = searching !== null && searching.isFor(wish, keep);
  const over = state.stopped || state.done > ALL;
  const { found } = state.searched;
  const [last, setLast] = useState<Seen>({ searching, ...taste, keys: NOT_SEEN });
  const seen = useMemo(() => {
    if (last.searching !== searching || last.like !== taste.like) return NOT_SEEN;
    // What is wanted again and was not seen in this search would else give way to something like it.
    const again = last.unlike.filter((one) => !taste.unlike.includes(one)).map(({ key }) => key);
    return [...again.filter((key) => !last.keys.includes(key)), ...last.keys];
  }, [last, searching, taste]);
  const { shown, open } = useMemo(
    // A change of counts is looked for when it is known what fits without.
    () => picked(over ? found : found.filter((f) => f.asItIs), proven, SHOWN, taste, seen),
    [found, over, proven, taste, seen],
  );
  useEffect(() => searching?.prove(open), [searching, open]);
  const working = !answers || !over || open.length > 0;
  const fresh = shown.map(({ key }) => key).filter((key) => !seen.includes(key));
  if (!working && (fresh.length > 0 || last.unlike !== taste.unlike))
    setLast({ searching, ...taste, keys: [...seen, ...fresh] });
  const proving = over && answers ? { done: shown.length / Math.max(1, shown.length + open.length) } : null;
  return {
    ...state,
    ...(!answers && { done: 0, stopped: false }),
    shown,
    working,
    proving,
    stop: () => searching?.stop(),
  };
}
