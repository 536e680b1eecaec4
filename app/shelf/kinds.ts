/** Kind of a file, told from its first bytes and its name, so that one of another kind is answered in plain words. */
import { shelfProblem } from './problems.ts';
import { type Problem, inAll } from '../../core/problems.ts';

type FileKind = 'hem' | 'zip' | 'table' | 'other';

export interface Told {
  readonly kind: FileKind;
  /** Why a file of another kind is not opened, and what would work. */
  readonly problem: Problem | null;
}

const PATTERN = 'The pattern cannot be read back from it. Open the hem file that it was made from.';
const PICTURE = 'A picture holds no counts. Open a hem file, or describe the piece on its first page.';

interface Mark {
  readonly starts: readonly string[];
  readonly kind: string;
  readonly remedy: string;
}

/** Beginnings of files, as Latin letters. */
const MARKS: readonly Mark[] = [
  { starts: ['%PDF'], kind: 'a PDF', remedy: PATTERN },
  {
    starts: ['\u0089PNG', '\u00ff\u00d8\u00ff', 'GIF8', 'BM', 'II*\0', 'MM\0*'],
    kind: 'a picture',
    remedy: PICTURE,
  },
  {
    starts: ['\u00d0\u00cf\u0011\u00e0'],
    kind: 'an office document',
    remedy: 'Save the table in it as CSV, then open that.',
  },
  {
    starts: ['7z\u00bc\u00af', 'Rar!', '\u001f\u008b'],
    kind: 'a packed file',
    remedy: 'Unpack it, then open the hem files in it.',
  },
  {
    starts: ['{\\rtf'],
    kind: 'a text document',
    remedy: 'Copy the rounds in it, and paste them under “Add a round”.',
  },
];

const TEXTS: readonly { readonly name: RegExp; readonly kind: string; readonly remedy: string }[] = [
  { name: /\.svg$/i, kind: 'a drawing', remedy: PICTURE },
  {
    name: /\.(md|markdown)$/i,
    kind: 'a pattern as Markdown',
    remedy: 'Copy the rounds in it, and paste them under “Add a round”. ',
  },
  {
    name: /\.(txt|text)$/i,
    kind: 'a text',
    remedy: 'Copy the rounds in it, and paste them under “Add a round”. ',
  },
  {
    name: /\.(html?|xml)$/i,
    kind: 'a web page',
    remedy: 'Choose a hem file (.hem.json) or a backup (.zip).',
  },
  {
    name: /\.(docx?|xlsx?|odt|ods|pages|numbers)$/i,
    kind: 'an office document',
    remedy: 'Save the table in it as CSV, then open that.',
  },
  { name: /\.(jpe?g|png|gif|webp|heic|avif|bmp|tiff?)$/i, kind: 'a picture', remedy: PICTURE },
];

/** Letters below it are in no text. */
const TAB = 9;

/** Tells what a file is. @param head its first bytes, a few hundred are enough */
export function fileKind(name: string, head: Uint8Array): Told {
  const start = String.fromCharCode(...head.subarray(0, 256));
  const other = (kind: string, remedy: string): Told => ({
    kind: 'other',
    problem: shelfProblem('file-of-another-kind', inAll('the file'), { kind, remedy: remedy.trim() }),
  });
  const mark = MARKS.find((m) => m.starts.some((s) => start.startsWith(s)));
  if (mark) return other(mark.kind, mark.remedy);
  if (/^RIFF....WEBP/s.test(start) || /^....ftyp/s.test(start)) return other('a picture or a film', PICTURE);
  const text = TEXTS.find((t) => t.name.test(name));
  if (/\.zip$/i.test(name)) return { kind: 'zip', problem: null };
  if (start.startsWith('PK')) return text ? other(text.kind, text.remedy) : { kind: 'zip', problem: null };
  const first = start.replace(/^\u00ef\u00bb\u00bf/, '').trimStart();
  if (/^<svg|^<\?xml[\s\S]*<svg/i.test(first)) return other('a drawing', PICTURE);
  if (/^<(!doctype|html|\?xml)/i.test(first))
    return other('a web page', 'Choose a hem file (.hem.json) or a backup (.zip).');
  if (/^[{[]/.test(first)) return { kind: 'hem', problem: null };
  if (/\.(csv|tsv)$/i.test(name)) return { kind: 'table', problem: null };
  if (text) return other(text.kind, text.remedy);
  if ([...start].some((c) => c.charCodeAt(0) < TAB))
    return other('a file of another program', 'Choose a hem file (.hem.json) or a backup (.zip).');
  return { kind: 'hem', problem: null };
}
