/** How large a hem is as a file. */
import type { Hem } from './hem.ts';

const known = new WeakMap<object, number>();

/**
 * Bytes of a hem as JSON in UTF-8, without line breaks. Parts that were measured before are not measured again, for
 * what an edit leaves alone stays the same object.
 */
export const hemBytes = (hem: Hem): number => bytesOf(hem, 2);

function bytesOf(value: unknown, depth: number): number {
  if (typeof value !== 'object' || value === null) return utf8Bytes(JSON.stringify(value) ?? '');
  const before = known.get(value);
  if (before !== undefined) return before;
  const parts = Array.isArray(value)
    ? value.map((part) => bytesOf(part, depth - 1))
    : Object.entries(value).map(([key, part]) => utf8Bytes(key) + 3 + bytesOf(part, depth - 1));
  const bytes =
    depth === 0
      ? utf8Bytes(JSON.stringify(value))
      : Math.max(
          2,
          parts.reduce((sum, part) => sum + part + 1, 1),
        );
  known.set(value, bytes);
  return bytes;
}

/** Bytes of a text in UTF-8: one for a letter of ASCII, up to three for any other unit of UTF-16. */
function utf8Bytes(text: string): number {
  let bytes = text.length;
  for (let i = 0; i < text.length; i++) {
    const unit = text.charCodeAt(i);
    if (unit > 0x7f) bytes += unit > 0x7ff ? 2 : 1;
  }
  return bytes;
}
