import { useEffect, useState } from 'react';
import { wishesHere } from '../storage/wishes.ts';

/** Whether hints are wanted; none are given before that is known. */
export function useHints(): boolean {
  const [wanted, setWanted] = useState(false);
  useEffect(() => {
    void wishesHere().then(({ hints }) => setWanted(hints));
  }, []);
  return wanted;
}
