/** A pattern as plain text and as Markdown. */
import type { WrittenPattern } from './section.ts';

/** Plain text: headings at the margin, lines indented. */
export function patternText({ title, made, sections }: WrittenPattern): string {
  const told = sections.map(({ heading, runIn, lines }) => {
    const [first, ...others] = lines.map((l) => l.text);
    const led = runIn
      ? `${heading}: ${first ?? ''}`
      : `${heading}${first === undefined ? '' : `\n  ${first}`}`;
    return [led, ...others.map((text) => `  ${text}`)].join('\n');
  });
  return `${title}\n${'='.repeat(title.length)}\n${made === null ? '' : `${made}\n`}\n${told.join('\n\n')}\n`;
}

/** Markdown: what would be taken for its marks is escaped, counts are strong, cautions and faults are quoted. */
export function patternMarkdown({ title, made, sections }: WrittenPattern): string {
  const told = sections.map(({ heading, runIn, lines }) => {
    const body = lines.map(({ kind, text }, k) => {
      const lead = runIn && k === 0 ? `**${escaped(heading)}:** ` : '';
      const plain = `${lead}${escaped(text)}`;
      if (kind === 'counts') return `- **${plain}**`;
      return kind === 'care' || kind === 'caution' ? `> ${plain}\n` : `- ${plain}`;
    });
    return runIn ? body.join('\n') : `## ${escaped(heading)}\n\n${body.join('\n')}`;
  });
  return `# ${escaped(title)}\n\n${made === null ? '' : `${escaped(made)}\n\n`}${told.join('\n\n')}\n`;
}

/** Marks of Markdown, and the colon of an address that could do something when it is followed. */
const escaped = (text: string): string =>
  text.replace(/[\\`*_[\]<>#]/g, '\\$&').replace(/\b(javascript|vbscript|data|file)(\s*):/gi, '$1$2\\:');
