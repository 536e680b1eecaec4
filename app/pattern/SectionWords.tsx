import { TICK, type PatternLine, type Section } from '../../core/print/section.ts';
import styles from './pattern.module.css';

const LOOKS: Readonly<Partial<Record<PatternLine['kind'], string | undefined>>> = {
  care: 'problem',
  caution: 'caution',
  counts: styles.counts,
};

/** A section of the pattern, line by line. */
export function SectionWords({ section: { heading, runIn, lines } }: { readonly section: Section }) {
  return (
    <section className={runIn && styles.runIn}>
      {!runIn && (
        <h2>
          <Ticked text={heading} />
        </h2>
      )}
      {lines.map(({ kind, text }, i) => (
        <p key={i} className={LOOKS[kind]}>
          {runIn && i === 0 && (
            <>
              <strong>
                <Ticked text={heading} />:
              </strong>{' '}
            </>
          )}
          <Ticked text={text} />
        </p>
      ))}
    </section>
  );
}

/** Words with boxes to tick before them. */
function Ticked({ text }: { readonly text: string }) {
  let words = text;
  let boxes = 0;
  for (; words.startsWith(TICK); words = words.slice(TICK.length)) boxes++;
  if (boxes === 0) return text;
  return (
    <>
      {Array.from({ length: boxes }, (_, k) => (
        <span key={k} className={styles.tick} aria-hidden />
      ))}
      {words}
    </>
  );
}
