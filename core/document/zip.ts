/**
 * Reads zip files of anybody's making: the list at their end, then one file after the other, each no further than the
 * list says (format: PKWARE's APPNOTE 6.3.10, sections 4.3.7, 4.3.12 and 4.3.16; without encryption and zip64).
 */
import { held } from '../held.ts';
import { Inflate, strFromU8 } from 'fflate';

/** A file in a zip file, as its list has it. */
export interface ZipEntry {
  readonly name: string;
  /** Bytes that it says it unpacks to. */
  readonly size: number;
  readonly packed: Uint8Array;
  readonly method: number;
}

/** The bytes are no sound zip file. */
class ZipUnsound extends Error {}

const LOCAL = { signature: 0x04034b50, bytes: 30 } as const;
const LISTED = { signature: 0x02014b50, bytes: 46 } as const;
const END = { signature: 0x06054b50, bytes: 22 } as const;
const LONGEST_COMMENT = 65_535;
const STORED = 0;
const DEFLATED = 8;
/** Packed bytes that are unpacked at a time: at most a thousandfold, which is no burden. */
const SLICE = 1024;

/**
 * The files that a zip file lists.
 *
 * @throws ZipUnsound when it is cut off, or two of its files lie over each other
 */
export function zipEntries(bytes: Uint8Array): readonly ZipEntry[] {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const end = endOfList(view);
  const count = view.getUint16(end + 10, true);
  const listAt = view.getUint32(end + 16, true);
  const entries: ZipEntry[] = [];
  const taken: (readonly [from: number, to: number])[] = [[listAt, end]];
  let at = listAt;
  for (let k = 0; k < count; k++) {
    if (at + LISTED.bytes > end || view.getUint32(at, true) !== LISTED.signature) throw new ZipUnsound();
    const flags = view.getUint16(at + 8, true);
    const method = view.getUint16(at + 10, true);
    const packedSize = view.getUint32(at + 20, true);
    const size = view.getUint32(at + 24, true);
    const [nameBytes, extraBytes, commentBytes] = [28, 30, 32].map((o) => view.getUint16(at + o, true));
    const local = view.getUint32(at + 42, true);
    const name = strFromU8(
      bytes.subarray(
        at + LISTED.bytes,
        at + LISTED.bytes + held(nameBytes, 'a listed file says its lengths'),
      ),
      !(flags & 2048),
    );
    if (local + LOCAL.bytes > listAt || view.getUint32(local, true) !== LOCAL.signature)
      throw new ZipUnsound();
    const head = LOCAL.bytes + view.getUint16(local + 26, true) + view.getUint16(local + 28, true);
    const from = local + head;
    if (from + packedSize > listAt || flags & 1) throw new ZipUnsound();
    taken.push([local, from + packedSize]);
    entries.push({ name, size, packed: bytes.subarray(from, from + packedSize), method });
    at +=
      LISTED.bytes +
      held(nameBytes, 'a listed file says its lengths') +
      held(extraBytes, 'a listed file says its lengths') +
      held(commentBytes, 'a listed file says its lengths');
  }
  taken.sort((a, b) => a[0] - b[0]);
  if (taken.some(([from], i) => i > 0 && from < taken[i - 1]![1])) throw new ZipUnsound();
  return entries;
}

function endOfList(view: DataView): number {
  const last = view.byteLength - END.bytes;
  for (let at = last; at >= Math.max(0, last - LONGEST_COMMENT); at--)
    if (view.getUint32(at, true) === END.signature) return at;
  throw new ZipUnsound();
}

/**
 * Unpacked bytes of a file.
 *
 * @throws ZipUnsound when that is not as many bytes as the list says; it is not unpacked beyond them
 */
export function unpacked({ packed, size, method }: ZipEntry): Uint8Array {
  if (method !== STORED && method !== DEFLATED) throw new ZipUnsound();
  const whole = method === STORED ? packed : inflated(packed, size);
  if (whole?.length !== size) throw new ZipUnsound();
  return whole;
}

/**
 * Unpacks deflated bytes, slice by slice.
 *
 * @param most bytes that it may be
 * @param words that it was packed with
 * @returns null when it is more
 * @throws ZipUnsound when the bytes are damaged or cut off
 */
export function inflated(bytes: Uint8Array, most: number, words?: Uint8Array): Uint8Array | null {
  const parts: Uint8Array[] = [];
  let size = 0;
  let whole = false;
  const inflate = new Inflate({ ...(words && { dictionary: words }) }, (part, last) => {
    parts.push(part);
    size += part.length;
    whole = last;
  });
  try {
    for (let at = 0; at < bytes.length && size <= most; at += SLICE)
      inflate.push(bytes.subarray(at, at + SLICE), at + SLICE >= bytes.length);
  } catch {
    throw new ZipUnsound();
  }
  if (size > most) return null;
  if (!whole) throw new ZipUnsound();
  const all = new Uint8Array(size);
  let at = 0;
  for (const part of parts) {
    all.set(part, at);
    at += part.length;
  }
  return all;
}
