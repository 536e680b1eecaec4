import { colourPart } from '../../core/edits/piece.ts';
import { ColourButton } from '../controls/ColourButton.tsx';
import { useHem, useHemStore, useInTerms } from '../hem/context.ts';

interface PartColourProps {
  /** Number of the part. */
  readonly part: number;
  readonly label: string;
}

/** The colour of a part of the piece: its own, or that of the piece. */
export function PartColour({ part, label }: PartColourProps) {
  const store = useHemStore();
  const inTerms = useInTerms();
  const own = useHem((state) => state.plan.hem.partColours[String(part)]);
  const whole = useHem((state) => state.plan.hem.pieceColour);
  return (
    <ColourButton
      small
      label={inTerms(label)}
      colour={own ?? whole}
      onColour={(colour) => store.do(colourPart(part, colour))}
      onClear={own === undefined ? undefined : () => store.do(colourPart(part, null))}
    />
  );
}
