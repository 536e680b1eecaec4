/** A small hem as a link: compressed in the part after “#”, which a browser sends to nobody. */
import { deflateSync, inflateSync, strFromU8, strToU8 } from 'fflate';
import { checkHem } from '../../core/document/check.ts';
import type { Hem } from '../../core/document/hem.ts';
import { failed, problem, type Outcome } from '../../core/problems.ts';

/** Letters of a link that mail and messages still carry whole. */
export const LONGEST_LINK = 8000;

const LINK_PATH = '/open';

/** The address of a hem, or null when it is too long to be carried. Borders that were put aside stay behind. */
export function linkOf(hem: Hem, origin: string): string | null {
  const bytes = deflateSync(strToU8(JSON.stringify({ ...hem, kept: [] })), { level: 9 });
  const letters = btoa(String.fromCharCode(...bytes))
    .replaceAll('+', '-')
    .replaceAll('/', '_')
    .replace(/=+$/, '');
  const link = `${origin}${LINK_PATH}#${letters}`;
  return link.length > LONGEST_LINK ? null : link;
}

/** The hem in the fragment of a link, with or without its “#”. */
export function hemOfLink(fragment: string): Outcome<Hem> {
  let value: unknown;
  try {
    const letters = fragment.replace(/^#/, '').replaceAll('-', '+').replaceAll('_', '/');
    const bytes = Uint8Array.from(atob(letters), (c) => c.charCodeAt(0));
    value = JSON.parse(strFromU8(inflateSync(bytes)));
  } catch (error) {
    return failed(problem('link-broken', 'the link', { detail: (error as Error).message }));
  }
  return checkHem(value);
}
