import type { Hem } from '../../core/document/hem.ts';
import { Button } from '../look/Button.tsx';
import { listWords } from '../../core/say/lists.ts';
import { plural } from '../../core/say/measures.ts';
import { TwoCopies } from './Meeting.tsx';
import { type Differing, type Incoming, type ShelfStanding } from './incoming.ts';
import styles from './shelf.module.css';

export interface IncomingHemsProps {
  readonly incoming: readonly Incoming[];
  /** Takes what is wanted; null when nothing is. */
  readonly onChoice: (differing: Differing | null) => void;
  /** Takes these, the one that goes on last. */
  readonly onHems: (hems: readonly Hem[]) => void;
}

const STANDING_WORDS: Readonly<Record<ShelfStanding, string>> = {
  new: 'new',
  same: 'the same as on your shelf',
  older: 'older than on your shelf',
  newer: 'newer than on your shelf',
};

/** Files that were opened, and how it stands to the shelf: asked before anything is put there. */
export function IncomingHems({ incoming, onChoice, onHems }: IncomingHemsProps) {
  const of = (standing: ShelfStanding): readonly Incoming[] =>
    incoming.filter((i) => i.standing === standing);
  const counts = (['new', 'same', 'newer', 'older'] as const).filter((s) => of(s).length > 0);
  const differing = [...of('newer'), ...of('older')];
  const fresh = of('new').length;
  const only = incoming.length === 1 ? incoming[0]! : null;
  const total = listWords(counts.map((s) => `${of(s).length} ${STANDING_WORDS[s]}`));
  return (
    <section className={styles.incoming} role="alert" aria-label="What was opened">
      <h2>
        {plural(incoming.length, 'hem')} opened: {total}
      </h2>
      {differing.length > 0 && (
        <ul className="small">
          {differing.slice(0, 8).map(({ hem, standing }, i) => (
            <li key={i}>
              {hem.name}: {STANDING_WORDS[standing]}
            </li>
          ))}
          {differing.length > 8 && <li>and {differing.length - 8} more</li>}
        </ul>
      )}
      {only?.here && (
        <TwoCopies
          here={only.here}
          there={only.hem}
          versions={only.versions}
          onChoice={(goesOn, kept) => onHems([...kept, goesOn])}
        />
      )}
      <p className={styles.refusedChoices}>
        {fresh > 0 && (
          <Button type="primary" size="small" onClick={() => onChoice('leave')}>
            Add {fresh === 1 ? 'the new one' : `the ${fresh} new ones`}
          </Button>
        )}
        {differing.length > 0 && (
          <>
            {!only?.here && (
              <Button size="small" onClick={() => onChoice('together')}>
                Put them together with mine
              </Button>
            )}
            <Button size="small" onClick={() => onChoice('copy')}>
              {fresh > 0 ? 'Add all, those that differ as copies' : 'Add as copies'}
            </Button>
            <Button size="small" onClick={() => onChoice('replace')}>
              Replace mine; mine stay as earlier versions
            </Button>
          </>
        )}
        <Button size="small" onClick={() => onChoice(null)}>
          {fresh + differing.length > 0 ? 'Add nothing' : 'Close'}
        </Button>
      </p>
    </section>
  );
}
