import { useEffect, useState } from 'react';
import { wishesHere } from '../storage/wishes.ts';

/** Whether hints are wanted; they are until it is known that they are not. */
export function useHints(): boolean {
  const [wanted, setWanted] = useState(true);
  useEffect(() => {
    void wishesHere().then(({ hints }) => setWanted(hints));
  }, []);
  return wanted;
}
