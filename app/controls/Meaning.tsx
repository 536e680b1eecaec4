import { Popover } from 'antd';
import { Link } from 'react-router';
import { meaningOf, type MeaningId } from '../../core/terms/meanings.ts';
import { useHem, useInTerms } from '../hem/context.ts';
import styles from './meaning.module.css';

interface MeaningProps {
  readonly of: MeaningId;
  /** The word as it stands here, where it is not as it usually stands. */
  readonly as?: string;
}

/** A word of the craft where it stands; pressed, it says what it means. */
export function Meaning({ of, as }: MeaningProps) {
  const inTerms = useInTerms();
  const { language, hand } = useHem((state) => state.plan.hem.preferences);
  const id = useHem((state) => state.plan.hem.id);
  const { word, line, shownAt } = meaningOf(of);
  const content = (
    <p className={styles.line}>
      {inTerms(line)}
      {shownAt !== null && (
        <>
          {' '}
          <Link to={`/stitches?terms=${language}&hand=${hand}&hem=${id}#${shownAt}`}>See it drawn</Link>
        </>
      )}
    </p>
  );
  return (
    <Popover trigger="click" content={content} destroyOnHidden>
      <button type="button" className={styles.word} aria-haspopup="dialog">
        {inTerms(as ?? word)}
      </button>
    </Popover>
  );
}

interface WithMeaningsProps {
  readonly of: readonly MeaningId[];
  /** A sentence in which the words may stand. */
  readonly children: string;
}

/** A sentence, each of the words explained where it first stands. */
export function WithMeanings({ of, children }: WithMeaningsProps) {
  const [first, ...others] = of;
  if (first === undefined) return children;
  const { word } = meaningOf(first);
  const at = children.toLowerCase().indexOf(word);
  if (at < 0) return <WithMeanings of={others}>{children}</WithMeanings>;
  const end = at + word.length;
  return (
    <>
      <WithMeanings of={others}>{children.slice(0, at)}</WithMeanings>
      <Meaning of={first} as={children.slice(at, end)} />
      <WithMeanings of={others}>{children.slice(end)}</WithMeanings>
    </>
  );
}
