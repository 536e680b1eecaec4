/** What people type where a number is asked for, understood: “90,5”, “35 1/2”, “35½”, “1.200,5”, “12 cm”. */

const PARTS: Readonly<Record<string, number>> = {
  '¼': 0.25,
  '½': 0.5,
  '¾': 0.75,
  '⅓': 1 / 3,
  '⅔': 2 / 3,
  '⅛': 0.125,
  '⅜': 0.375,
  '⅝': 0.625,
  '⅞': 0.875,
};

/**
 * The number in a text. Comma and point both set decimals apart; where both stand, the last one does and the other
 * groups thousands. A unit behind the number is passed over.
 *
 * @returns NaN for what is no number
 * @example numberTyped('35 1/2') // 35.5
 */
export function numberTyped(text: string): number {
  const bare = text
    .trim()
    .replace(/\s*(cm|mm|in|inch|inches|m|yd|g|oz|°|"|”|″|×|%)\.?$/i, '')
    .replace(/^(×|x)\s*/i, '')
    .replace(/^[−–]/, '-');
  const fraction = /^(-?)(\d+\s+)?(\d+)\s*[/⁄]\s*(\d+)$/.exec(bare);
  if (fraction) {
    const [, sign, whole = '0', over, under] = fraction;
    const value = Number(whole) + Number(over) / Number(under);
    return Number.isFinite(value) ? (sign === '-' ? -value : value) : NaN;
  }
  const glyph = /^(-?)(\d*)\s*([¼½¾⅓⅔⅛⅜⅝⅞])$/.exec(bare);
  if (glyph) return (glyph[1] === '-' ? -1 : 1) * (Number(glyph[2] || '0') + PARTS[glyph[3]!]!);
  const spaced = bare.replace(/(\d)[\s\u00a0\u202f'’](?=\d{3}\b)/g, '$1');
  const last = Math.max(spaced.lastIndexOf(','), spaced.lastIndexOf('.'));
  const both = spaced.includes(',') && spaced.includes('.');
  const plain = both
    ? `${spaced.slice(0, last).replaceAll(/[.,]/g, '')}.${spaced.slice(last + 1)}`
    : spaced.replace(',', '.');
  return /^-?(\d+\.?\d*|\.\d+)$/.test(plain) ? Number(plain) : NaN;
}
