/** A small hem as a link: compressed in the part after “#”, which a browser sends to nobody. */
import { storageProblem } from './problems.ts';
import { deflateSync, strFromU8, strToU8 } from 'fflate';
import { checkHem } from '../../core/document/check.ts';
import type { Hem } from '../../core/document/hem.ts';
import { inflated } from '../../core/document/zip.ts';
import { LIMITS } from '../../core/limits.ts';
import { failed, type Outcome, inAll } from '../../core/problems.ts';
import { WORDS_OF_LINKS } from './wordsOfLinks.ts';

/** Letters of a link that mail and messages still carry whole. */
export const LONGEST_LINK = 8000;

export const LINK_PATH = '/open';

/** The address of a hem, or null when it is too long to be carried. Borders that were put aside, and what was done, stay behind. */
export function linkOf(hem: Hem, origin: string): string | null {
  const link = `${origin}${LINK_PATH}#${lettersOf({ ...hem, kept: [], record: [] })}`;
  return link.length > LONGEST_LINK ? null : link;
}

/** Mark of letters that are packed with the words of a usual hem; those before had none. */
const PACKED_WITH_WORDS = '.';

/** A hem as letters that an address may have. */
export function lettersOf(hem: Hem): string {
  const bytes = deflateSync(strToU8(JSON.stringify(hem)), { level: 9, dictionary: strToU8(WORDS_OF_LINKS) });
  let text = '';
  for (const byte of bytes) text += String.fromCharCode(byte);
  return PACKED_WITH_WORDS + btoa(text).replaceAll('+', '-').replaceAll('/', '_').replace(/=+$/, '');
}

/** The hem in the fragment of a link, with or without its “#”. It is unpacked only as far as a hem can reach. */
export function hemOfLink(fragment: string): Outcome<Hem> {
  if (fragment.length > LIMITS.linkLetters) return failed(storageProblem('link-too-long', inAll('the link')));
  let value: unknown;
  try {
    const marked = fragment.replace(/^#/, '');
    const withWords = marked.startsWith(PACKED_WITH_WORDS);
    const letters = marked
      .slice(withWords ? 1 : 0)
      .replaceAll('-', '+')
      .replaceAll('_', '/');
    const packed = Uint8Array.from(atob(letters), (c) => c.charCodeAt(0));
    const bytes = inflated(packed, LIMITS.fileBytes, withWords ? strToU8(WORDS_OF_LINKS) : undefined);
    if (bytes === null) return failed(storageProblem('link-too-long', inAll('the link')));
    value = JSON.parse(strFromU8(bytes));
  } catch {
    return failed(storageProblem('link-broken', inAll('the link')));
  }
  return checkHem(value);
}
