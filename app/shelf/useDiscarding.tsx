import { useEffect, useEffectEvent, useRef } from 'react';
import { tinykeys } from 'tinykeys';
import { Button } from '../look/Button.tsx';
import type { Notices } from '../look/notices.tsx';
import { library } from '../storage/here.ts';
import type { RecordFound } from '../storage/records.ts';
import { deletedWords } from './ShelfHem.tsx';
import type { Attempt } from './telling.ts';

/** Hems go into the bin, and come back by a press or by the keys of undo, the last one first. */
export function useDiscarding(attempt: Attempt, notices: Notices): (found: RecordFound) => Promise<void> {
  const discarded = useRef<string[]>([]);
  const putBack = (id: string | undefined): void => {
    if (id === undefined) return;
    void attempt(() => library.putBack(id)).then(() => {
      discarded.current = discarded.current.filter((d) => d !== id);
    });
  };
  const undo = useEffectEvent(() => putBack(discarded.current.at(-1)));
  useEffect(
    () =>
      tinykeys(window, {
        '$mod+z': (event) => {
          event.preventDefault();
          undo();
        },
      }),
    [],
  );
  return async (found) => {
    const gone = await attempt(() => library.remove(found.id).then(() => true));
    if (!gone) return;
    discarded.current.push(found.id);
    notices.info({
      key: found.id,
      title: deletedWords(found),
      description: 'It stays in the bin for 30 days.',
      duration: 12,
      actions: (
        <Button
          size="small"
          onClick={() => {
            notices.destroy(found.id);
            putBack(found.id);
          }}
        >
          Undo
        </Button>
      ),
    });
  };
}
