import { Link } from 'react-router';
import type { Plan } from '../../core/plan/types.ts';
import styles from './begunNote.module.css';

export interface BegunNoteProps {
  readonly plan: Plan;
  /** Worked rounds that are changed where this stands. */
  readonly rounds: readonly number[];
}

/** Where a round is changed that has been begun: it stays as it was begun, or it is ripped back. */
export function BegunNote({ plan, rounds }: BegunNoteProps) {
  const begun = rounds.filter((number) => plan.rounds[number]?.done);
  const [first] = begun;
  if (first === undefined) return null;
  const ripBack = <Link to={`/hem/${plan.hem.id}/work`}>rip it back</Link>;
  if (first === 0) {
    return (
      <p className={`${styles.begunNote} small`}>
        The base round has been begun: it and the piece stay as they were then. To change them, {ripBack}.
      </p>
    );
  }
  return (
    <p className={`${styles.begunNote} small`}>
      Round {first}{' '}
      {begun.length > 1 ? 'and what follows have been begun: they stay' : 'has been begun: it stays'} so,
      whatever is changed here. To work it anew, {ripBack}.
    </p>
  );
}
