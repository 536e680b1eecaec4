/** A pattern as plain text and as Markdown. */
import type { WrittenPattern } from './pattern.ts';

/** Plain text: headings at the margin, lines indented. */
export function patternText({ title, sections }: WrittenPattern): string {
  const told = sections.map((s) => `${s.heading}\n${s.lines.map((l) => `  ${l.text}`).join('\n')}`);
  return `${title}\n${'='.repeat(title.length)}\n\n${told.join('\n\n')}\n`;
}

/** Markdown: what would be taken for its marks is escaped, counts are strong, cautions and faults are quoted. */
export function patternMarkdown({ title, sections }: WrittenPattern): string {
  const told = sections.map(({ heading, lines }) => {
    const body = lines.map(({ kind, text }) => {
      const plain = escaped(text);
      if (kind === 'counts') return `- **${plain}**`;
      return kind === 'care' || kind === 'caution' ? `> ${plain}\n` : `- ${plain}`;
    });
    return `## ${escaped(heading)}\n\n${body.join('\n')}`;
  });
  return `# ${escaped(title)}\n\n${told.join('\n\n')}\n`;
}

/** Marks of Markdown, and the colon of an address that could do something when it is followed. */
const escaped = (text: string): string =>
  text.replace(/[\\`*_[\]<>#]/g, '\\$&').replace(/\b(javascript|vbscript|data|file)(\s*):/gi, '$1$2\\:');
