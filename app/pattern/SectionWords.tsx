import type { PatternLine, Section } from '../../core/print/section.ts';
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
      {!runIn && <h2>{heading}</h2>}
      {lines.map(({ kind, text }, i) => (
        <p key={i} className={LOOKS[kind]}>
          {runIn && i === 0 && (
            <>
              <strong>{heading}:</strong>{' '}
            </>
          )}
          {text}
        </p>
      ))}
    </section>
  );
}
