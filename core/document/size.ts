/** How large a hem is as a file. */
import { rememberedBy } from '../remembered.ts';
import type { Hem } from './hem.ts';

/**
 * Bytes of a hem as JSON in UTF-8, without line breaks. Parts that were measured before are not measured again, for
 * what an edit leaves alone stays the same object.
 */
export const hemBytes = (hem: Hem): number => bytesOf(hem, 2);

const bytesOf = (value: unknown, depth: number): number =>
  typeof value === 'object' && value !== null
    ? bytesOfParts(value, depth)
    : utf8Bytes(JSON.stringify(value) ?? '');

const bytesOfParts = rememberedBy((whole: object, depth: number): number => {
  if (depth === 0) return utf8Bytes(JSON.stringify(whole));
  const parts = Array.isArray(whole)
    ? whole.map((part) => bytesOf(part, depth - 1))
    : Object.entries(whole).map(([key, part]) => utf8Bytes(key) + 3 + bytesOf(part, depth - 1));
  return Math.max(
    2,
    parts.reduce((sum, part) => sum + part + 1, 1),
  );
});

/** Bytes of a text in UTF-8: one for a letter of ASCII, up to three for any other unit of UTF-16. */
function utf8Bytes(text: string): number {
  let bytes = text.length;
  for (let i = 0; i < text.length; i++) {
    const unit = text.charCodeAt(i);
    if (unit > 0x7f) bytes += unit > 0x7ff ? 2 : 1;
  }
  return bytes;
}
