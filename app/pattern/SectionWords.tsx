import type { PatternLine, Section } from '../../core/print/pattern.ts';
import styles from './pattern.module.css';

const LOOKS: Readonly<Partial<Record<PatternLine['kind'], string | undefined>>> = {
  care: 'problem',
  caution: 'caution',
  counts: styles.counts,
};

/** A section of the pattern, line by line. */
export function SectionWords({ section: { heading, lines } }: { readonly section: Section }) {
  return (
    <section>
      <h2>{heading}</h2>
      {lines.map(({ kind, text }, i) => (
        <p key={i} className={LOOKS[kind]}>
          {text}
        </p>
      ))}
    </section>
  );
}
