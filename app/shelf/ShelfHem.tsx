import { Button } from '../look/Button.tsx';
import { Copy, DownloadSimple, Trash } from '@phosphor-icons/react';
import { useEffect, useEffectEvent, useMemo, useRef, useState } from 'react';
import { ErrorBoundary } from 'react-error-boundary';
import { Link } from 'react-router';
import { fileName } from '../../core/document/fileName.ts';
import { writeHem } from '../../core/document/check.ts';
import type { Hem } from '../../core/document/hem.ts';
import { plan } from '../../core/plan/planner.ts';
import type { Plan } from '../../core/plan/types.ts';
import { plural, sizeWords } from '../../core/words/measures.ts';
import { placeInWords } from '../../core/words/progressWords.ts';
import { isUnderWay } from '../../core/work/progress.ts';
import { capital } from '../../core/terms/words.ts';
import { PlanDrawing } from '../drawing/PlanDrawing.tsx';
import { Guard } from '../hem/Guard.tsx';
import { whenWords } from '../look/when.ts';
import { saveFile } from '../storage/exports.ts';
import { nameOf, type Found } from '../storage/records.ts';
import { inTurn } from './inTurn.ts';
import { Trouble } from './Trouble.tsx';

/** Tells once when an element is about to be seen. */
export function useNear<E extends Element>(onNear: () => void): React.RefObject<E | null> {
  const element = useRef<E>(null);
  const near = useEffectEvent(onNear);
  useEffect(() => {
    const watch = new IntersectionObserver(
      ([entry]) => {
        if (!entry!.isIntersecting) return;
        watch.disconnect();
        near();
      },
      { rootMargin: '300px' },
    );
    watch.observe(element.current!);
    return () => watch.disconnect();
  }, []);
  return element;
}

interface ShelfHemProps {
  readonly found: Found;
  readonly onDuplicate: (hem: Hem) => void;
  readonly onDiscard: () => void;
  readonly onChange: () => void;
}

/** One hem of the shelf, whatever state it is in: a card of its own, which hurts no other. */
export function ShelfHem(props: ShelfHemProps) {
  const { found, onChange } = props;
  const { outcome } = found;
  if (!outcome.ok) {
    return (
      <li className="shelf-hem">
        <Trouble found={found} problems={outcome.problems} onChange={onChange} />
      </li>
    );
  }
  return (
    <ErrorBoundary
      resetKeys={[found]}
      fallback={
        <li className="shelf-hem">
          <Trouble found={found} problems={[]} onChange={onChange} />
        </li>
      }
    >
      <SoundHem {...props} hem={outcome.value} />
    </ErrorBoundary>
  );
}

/** A hem that is sound. It is planned and drawn when it is about to be seen. */
function SoundHem({
  hem,
  found: { revision },
  onDuplicate,
  onDiscard,
}: ShelfHemProps & { readonly hem: Hem }) {
  const [near, setNear] = useState(false);
  const item = useNear<HTMLLIElement>(() => inTurn(() => setNear(true)));
  const made = useMemo(() => (near ? plan(hem) : null), [hem, near]);
  return (
    <li className="shelf-hem" ref={item}>
      <Link to={`/hem/${hem.id}/${hem.record.length > 0 ? 'work' : 'base'}`} className="shelf-link">
        <div className="shelf-drawing">
          {made && (
            <Guard what="The drawing of this hem" resetKeys={[made]}>
              <PlanDrawing plan={made} bare revision={revision} />
            </Guard>
          )}
        </div>
        <h2>{hem.name}</h2>
      </Link>
      {made && (
        <>
          <p className="quiet small">
            {isUnderWay(made) && (
              <>
                <strong>{capital(placeInWords(made))}</strong>
                <br />
              </>
            )}
            {borderWords(made)}
            <br />
            changed {whenWords(hem.changed, new Date())}
          </p>
          <div className="shelf-actions">
            <Button
              size="small"
              type="text"
              icon={<Copy />}
              aria-label={`Copy ${hem.name}`}
              onClick={() => onDuplicate(hem)}
            />
            <Button
              size="small"
              type="text"
              icon={<DownloadSimple />}
              aria-label={`Download ${hem.name} as a file`}
              onClick={() => saveFile(fileName(hem.name, '.hem.json'), writeHem(hem), 'application/json')}
            />
            <Button
              size="small"
              type="text"
              icon={<Trash />}
              aria-label={`Delete ${hem.name}`}
              onClick={onDiscard}
            />
          </div>
        </>
      )}
    </li>
  );
}

function borderWords({ hem, finishedSize, rounds }: Plan): string {
  const odd = rounds.filter((r) => !r.even).length;
  const fits = odd > 0 ? `${odd} do not fit` : 'all fit';
  return `${sizeWords(finishedSize, hem.preferences.length)} with border. Base round + ${plural(rounds.length - 1, 'round')}, ${fits}.`;
}

/** What is told of a hem that was deleted. */
export const deletedWords = (found: Found): string => `Deleted: ${nameOf(found)}`;
