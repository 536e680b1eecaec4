import type { Section } from '../../core/print/pattern.ts';

/** A section of the pattern, line by line. */
export function SectionWords({ section: { heading, lines } }: { readonly section: Section }) {
  return (
    <section>
      <h2>{heading}</h2>
      {lines.map(({ kind, text }, i) => (
        <p key={i} className={kind === 'care' ? 'problem' : kind}>
          {text}
        </p>
      ))}
    </section>
  );
}
