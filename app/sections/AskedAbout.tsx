import type { DoubtedNumber } from '../../core/evidence/slips.ts';
import { slipWords } from '../../core/evidence/slipWords.ts';
import { Button } from '../look/Button.tsx';

interface AskedAboutProps {
  readonly slip: DoubtedNumber;
  /** A number as it is typed, with its unit. */
  readonly say: (value: number) => string;
  readonly onInstead: (value: number) => void;
}

/** Asks about a number that looks like a slip. It can be noted all the same. */
export function AskedAbout({ slip, say, onInstead }: AskedAboutProps) {
  const { instead } = slip;
  return (
    <p role="status">
      {slipWords(slip, say)}{' '}
      {instead !== null && <Button onClick={() => onInstead(instead)}>{`Take ${say(instead)}`}</Button>}
    </p>
  );
}
