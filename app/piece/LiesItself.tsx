import { bodyLiesWords } from '../../core/document/partWords.ts';
import { sayHowItLies } from '../../core/edits/piece.ts';
import { IconChoice, pathIcon } from '../controls/IconChoice.tsx';
import { useHemStore, usePlan } from '../hem/context.ts';

/** Each way to lie with its name and its picture, a path in a box of 32 by 32. */
const LIES = [
  ['flat', 'lies flat', 'M3 20h26'],
  ['ripples', 'waves', 'M3 18q3.25 -8 6.5 0t6.5 0t6.5 0t6.5 0'],
  ['cups', 'pulls in', 'M3 10q2 12 13 12t13 -12'],
] as const;

/** How the piece itself lies, before it has a border. */
export function LiesItself() {
  const store = useHemStore();
  const { hem } = usePlan();
  const words = bodyLiesWords(hem);
  return (
    <div>
      <p className="quiet small">Without a border it …</p>
      <IconChoice
        label="How the piece itself lies"
        value={hem.bodyLies}
        options={LIES.map(([value, name, path]) => ({ value, name, icon: pathIcon(path) }))}
        onChoose={(value) => store.do(sayHowItLies(value))}
      />
      {words && <p className="problem small">{words}</p>}
    </div>
  );
}
