/** A hem as a code to be read by a camera: its link, drawn. The only place where such codes are made. */
import QRCode from 'qrcode';
import type { Hem } from '../../core/document/hem.ts';
import { carriedLinks } from './carry.ts';
import { linkOf } from './link.ts';

/** Letters of a code that a phone still reads off paper at the size of a stamp. */
const MOST_LETTERS = 1800;

/** Whether an address can be opened on another device: not where the application is served to this one alone. */
export const isElsewhere = (hostname: string): boolean =>
  !/^(localhost|.*\.localhost|127(\.\d+){3}|\[?::1\]?|0\.0\.0\.0)$/i.test(hostname);

/** The code of a hem as SVG; null where its address cannot be opened elsewhere, or it is too large for a code. */
export async function codeOf(
  hem: Hem,
  { origin, hostname }: { readonly origin: string; readonly hostname: string },
): Promise<string | null> {
  if (!isElsewhere(hostname)) return null;
  const link = linkOf(hem, origin);
  if (link === null || link.length > MOST_LETTERS) return null;
  return drawn(link);
}

const drawn = (link: string): Promise<string> =>
  QRCode.toString(link, { type: 'svg', errorCorrectionLevel: 'L', margin: 2 });

/** Letters of a code that a phone reads off a screen at once. */
const SCREEN_LETTERS = 1000;

/** The codes that bring a hem with its record to another device, in their order; null where none can, or there would be too many. */
export async function carriedCodes(
  hem: Hem,
  { origin, hostname }: { readonly origin: string; readonly hostname: string },
): Promise<readonly string[] | null> {
  const links = isElsewhere(hostname) ? carriedLinks(hem, origin, SCREEN_LETTERS) : null;
  return links && Promise.all(links.map(drawn));
}
