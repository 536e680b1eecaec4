import { held } from '../held.ts';
/** Numbers with units, as a pattern prints them. */

export type LengthUnit = 'cm' | 'in';

/** A length of the piece: whole or half centimetres, or quarter inches. @example lengthWords(1525, 'cm') // '152.5 cm' */
export function lengthWords(mm: number, unit: LengthUnit): string {
  return `${lengthNumber(mm, unit)} ${unit}`;
}

/** The number alone: to half a centimetre, or to a quarter inch. */
function lengthNumber(mm: number, unit: LengthUnit): string {
  return unit === 'cm' ? String(Math.round(mm / 5) / 2) : String(Math.round((mm / 25.4) * 4) / 4);
}

/**
 * A length no longer than a stitch or two: to a tenth of a millimetre, or a hundredth of an inch.
 *
 * @example smallLengthWords(7.37, 'cm') // '7.4 mm'
 */
export const smallLengthWords = (mm: number, unit: LengthUnit): string =>
  unit === 'cm' ? `${mm.toFixed(1)} mm` : `${(mm / 25.4).toFixed(2)} in`;

/** Width by height. @example sizeWords({ widthMm: 1180, heightMm: 1520 }, 'cm') // '118 × 152 cm' */
export function sizeWords(
  size: { readonly widthMm: number; readonly heightMm: number },
  unit: LengthUnit,
): string {
  return `${lengthNumber(size.widthMm, unit)} × ${lengthNumber(size.heightMm, unit)} ${unit}`;
}

/** A yard, m. */
const M_OF_YARD = 0.9144;

/** Yarn length: metres, or yards where lengths are in inches; below one, tenths. @example yarnLengthWords(0.34, 'cm') // '0.3 m' */
export function yarnLengthWords(metres: number, unit: LengthUnit): string {
  const length = unit === 'cm' ? metres : metres / M_OF_YARD;
  const told = length === 0 || length >= 1 ? Math.round(length) : Math.max(1, Math.round(length * 10)) / 10;
  return `${told} ${unit === 'cm' ? 'm' : 'yd'}`;
}

/** A signed percentage to one decimal. @example percentWords(-0.0132) // '−1.3%' */
export function percentWords(fraction: number): string {
  const tenths = Math.round(fraction * 1000) / 10;
  const sign = tenths > 0 ? '+' : tenths < 0 ? '−' : '';
  return `${sign}${Math.abs(tenths).toFixed(1)}%`;
}

/** Whole numbers that a range spans when an estimate may be off by a fraction either way. */
export function rangeWords(value: number, spread: number): string {
  return `${Math.round(value * (1 - spread))}–${Math.round(value * (1 + spread))}`;
}

/** The range of a length of yarn. @example yarnRangeWords(20, 0.1, 'cm') // '18–22 m' */
export function yarnRangeWords(metres: number, spread: number, unit: LengthUnit): string {
  return unit === 'cm' ? `${rangeWords(metres, spread)} m` : `${rangeWords(metres / M_OF_YARD, spread)} yd`;
}

/** @example plural(2, 'stitch') // '2 stitches' */
export function plural(count: number, noun: string): string {
  return `${count} ${count === 1 ? noun : plurals(noun)}`;
}

/** @example plurals('gap between groups') // 'gaps between groups' */
export function plurals(noun: string): string {
  const [, head, of] = /^(\S+)( (?:between|of) .+)$/.exec(noun) ?? [];
  const [, one, other] = /^(\S+) or (.+)$/.exec(noun) ?? [];
  if (one !== undefined && other !== undefined) return `${plurals(one)} and ${plurals(other)}`;
  if (head !== undefined) return plurals(head) + held(of, 'a fraction is near every number');
  // “cluster stitch” takes -es, “row ends” and “between stitches” are many already.
  if (/(stitches|ends|gaps|holes|chains)$/.test(noun)) return noun;
  if (/[^aeiou]y$/.test(noun)) return noun.replace(/y$/, 'ies');
  return /(s|ch|x)$/.test(noun) ? `${noun}es` : `${noun}s`;
}

/**
 * A time of work, min: in fives, as far as it can be known; what is less than five to the minute, for a day's share or
 * the few stitches that are ripped back.
 *
 * @example timeWords(96) // '1 h 35 min'
 * @example timeWords(1.2) // '1 min'
 */
export function timeWords(minutes: number): string {
  const whole = minutes < 5 ? Math.max(1, Math.round(minutes)) : Math.round(minutes / 5) * 5;
  const hours = Math.floor(whole / 60);
  const rest = whole % 60;
  if (hours === 0) return `${whole} min`;
  return rest === 0 ? `${hours} h` : `${hours} h ${rest} min`;
}
