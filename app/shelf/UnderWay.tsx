import { Button } from '../look/Button.tsx';
import type { TaskProgress } from './useIncoming.ts';
import styles from './shelf.module.css';

/** How far something is that takes its time, and a way to end it. */
export function UnderWay({
  progress: { words, done, of },
  onCancel,
}: {
  readonly progress: TaskProgress;
  readonly onCancel: () => void;
}) {
  return (
    <section className={styles.underWay} role="status">
      <p>
        {words}: {done} of {of}
      </p>
      <progress aria-label={words} max={of} value={done} />
      <Button size="small" onClick={onCancel}>
        Cancel
      </Button>
    </section>
  );
}
