import { useEffect, useState } from 'react';
import type { HandsWishes } from '../../core/hands/wishes.ts';
import type { OwnWritten } from '../../core/notation/ownRound.schema.ts';
import { Button } from '../look/Button.tsx';
import { TrashIcon } from '../look/icons.ts';
import { keepWishes, wishesHere } from '../storage/wishes.ts';
import styles from './rounds.module.css';

/** Rounds of one's own that are kept for other hems; nothing where there are none. */
export function KeptRounds({ onOwn }: { readonly onOwn: (written: OwnWritten) => void }) {
  const [wishes, setWishes] = useState<HandsWishes | null>(null);
  useEffect(() => {
    let here = true;
    void wishesHere().then((found) => here && setWishes(found));
    return () => {
      here = false;
    };
  }, []);
  if (!wishes || wishes.rounds.length === 0) return null;
  const discard = async ({ name }: OwnWritten): Promise<void> => {
    // Others may have been kept meanwhile.
    const now = await wishesHere();
    const without = { ...now, rounds: now.rounds.filter((r) => r.name !== name) };
    await keepWishes(without);
    setWishes(without);
  };
  return (
    <div className={styles.keptRounds}>
      <h3>Your rounds</h3>
      <ul aria-label="Your rounds">
        {wishes.rounds.map((round) => (
          <li key={round.name}>
            <button type="button" className={styles.ownRound} onClick={() => onOwn(round)}>
              {round.name}
            </button>
            {round.note && <span className="quiet small">{round.note}</span>}
            <Button
              type="text"
              size="small"
              aria-label={`Discard ${round.name}`}
              icon={<TrashIcon />}
              onClick={() => void discard(round)}
            />
          </li>
        ))}
      </ul>
    </div>
  );
}
