const LISTED = 0x02014b50;
const SIZE = 24;
const NAME_BYTES = 28;
const LOCAL_AT = 42;
const NAME = 46;

/** Where the list of a zip file has its entries; without the signature of an entry among what is packed. */
function listed(zip: Uint8Array): readonly number[] {
  const view = new DataView(zip.buffer, zip.byteOffset, zip.byteLength);
  return Array.from({ length: Math.max(0, zip.length - 4) }, (_, i) => i).filter(
    (i) => view.getUint32(i, true) === LISTED,
  );
}

/** A zip file whose list says of files in it that each unpacks to so many bytes. @param which by their names; all of them else */
export function saying(zip: Uint8Array, bytes: number, which = /(?:)/): Uint8Array {
  const said = zip.slice();
  const view = new DataView(said.buffer);
  for (const i of listed(said)) {
    const name = Buffer.from(said.subarray(i + NAME, i + NAME + view.getUint16(i + NAME_BYTES, true)));
    if (which.test(name.toString())) view.setUint32(i + SIZE, bytes, true);
  }
  return said;
}

/** A zip file whose list has its second file where the first is. */
export function overlapping(zip: Uint8Array): Uint8Array {
  const said = zip.slice();
  const view = new DataView(said.buffer);
  const [first, second] = listed(said);
  view.setUint32(second! + LOCAL_AT, view.getUint32(first! + LOCAL_AT, true), true);
  return said;
}
