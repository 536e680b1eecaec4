/**
 * Reads what people type where a number is asked for: “90,5”, “35 1/2”, “35½”, “1.200,5”, “36 in”, “3 ft 4”, “1.2 m”.
 * A number that can be read in two ways is asked about; one that is not understood is nothing.
 */
import { held } from '../held.ts';
import { convert } from 'convert';

const LENGTHS = ['mm', 'cm', 'm', 'in', 'ft', 'yd'] as const;
type LengthIn = (typeof LENGTHS)[number];
type WeightIn = 'g' | 'kg' | 'oz' | 'lb';
/** Units that are understood. */
export type TypedUnit = LengthIn | WeightIn;

/** Numbers that a text may mean: none, one, or two that are to be asked about. */
export type Readings = readonly number[];

/** Names of units, all in small letters. */
const NAMES: Readonly<Record<TypedUnit, readonly string[]>> = {
  mm: ['mm', 'millimeter', 'millimetre', 'millimeters', 'millimetres'],
  cm: ['cm', 'centimeter', 'centimetre', 'centimeters', 'centimetres'],
  m: ['m', 'meter', 'metre', 'meters', 'metres'],
  in: ['in', 'inch', 'inches', '"', '”', '“', '″', "''", '’’'],
  ft: ['ft', 'foot', 'feet', "'", '’', '′'],
  yd: ['yd', 'yds', 'yard', 'yards'],
  g: ['g', 'gr', 'gram', 'grams', 'gramme', 'grammes'],
  kg: ['kg', 'kilo', 'kilos', 'kilogram', 'kilograms'],
  oz: ['oz', 'ounce', 'ounces'],
  lb: ['lb', 'lbs', 'pound', 'pounds'],
};

const GLYPHS: Readonly<Record<string, number>> = {
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

/** A number with what follows it up to the next number: “3 ft”, “4 1/2 in”. */
const TERM = /\s*(-?[\d.,\s\u00a0\u202f⁄/¼½¾⅓⅔⅛⅜⅝⅞]*[\d¼½¾⅓⅔⅛⅜⅝⅞]\.?)\s*([a-z]+\.?|["”“″]|''|’’|['’′])?/giy;

/**
 * The numbers that a text may mean, in the unit that is asked for.
 *
 * @param unit null where a bare number is asked for; then it may have a sign, °, % or ×
 * @returns two where “1,200” may be 1200 or 1.2; none for what is not understood, another kind of unit included
 * @example numbersTyped('35 1/2', null) // [35.5]
 * @example numbersTyped('36 in', 'cm') // [91.44]
 * @example numbersTyped('3 ft 4', 'in') // [40]
 */
export function numbersTyped(text: string, unit: TypedUnit | null): Readings {
  const bare = text.trim().replace(/^[−–]/, '-');
  if (unit === null)
    return bareNumbers(
      bare
        .replace(/\s*[°×%]$/, '')
        .replace(/^(×|x)\s*/i, '')
        .trim(),
    );
  const plain = bareNumbers(bare);
  if (plain.length > 0) return plain;
  const terms = termsOf(bare);
  if (terms === null || terms.length === 0 || terms.length > 3) return [];
  const units = terms.map((t) => t.unit);
  // “3 ft 4”: the inches need not be said.
  if (units.length > 1 && units.at(-1) === null && units.at(-2) === 'ft') units[units.length - 1] = 'in';
  if (units.some((u) => u === null || kindOf(u) !== kindOf(unit))) return [];
  const readings = terms.map(({ numbers }, i) => numbers.map((n) => inUnit(n, units[i]!, unit)));
  if (readings.length === 1) return readings[0]!;
  // One after the other, each smaller than one of the unit before it, and without a choice.
  const [first, ...rest] = terms;
  if (terms.some(({ numbers }) => numbers.length !== 1 || numbers[0]! < 0)) return [];
  if (!Number.isInteger(held(first, 'what is typed has a number').numbers[0]!)) return [];
  const fits = rest.every(
    ({ numbers }, i) =>
      inUnit(1, units[i + 1]!, unit) < inUnit(1, units[i]!, unit) &&
      inUnit(numbers[0]!, units[i + 1]!, unit) < inUnit(1, units[i]!, unit),
  );
  return fits ? [rounded(readings.reduce((sum, [n]) => sum + held(n, 'what is typed has a number'), 0))] : [];
}

/**
 * The number in a text that cannot be asked about: as {@link numbersTyped} where that finds one.
 *
 * @returns NaN for what is no number, or may be two
 */
export function numberTyped(text: string, unit: TypedUnit | null): number {
  const found = numbersTyped(text, unit);
  return found.length === 1 ? found[0]! : NaN;
}

interface Term {
  readonly numbers: Readings;
  /** Null where none is said. */
  readonly unit: TypedUnit | null;
}

/** The numbers of a text with their units; null where something in it is neither. */
function termsOf(text: string): readonly Term[] | null {
  const terms: Term[] = [];
  TERM.lastIndex = 0;
  while (TERM.lastIndex < text.length) {
    const found = TERM.exec(text);
    if (!found) return null;
    const name = found[2]?.toLowerCase().replace(/\.$/, '') ?? null;
    const unit = name === null ? null : unitCalled(name);
    const numbers = bareNumbers(found[1]!.trim());
    if (unit === undefined || numbers.length === 0) return null;
    terms.push({ numbers, unit });
  }
  return terms;
}

const unitCalled = (name: string): TypedUnit | undefined =>
  (Object.keys(NAMES) as TypedUnit[]).find((unit) => NAMES[unit].includes(name));

const kindOf = (unit: TypedUnit): 'length' | 'weight' =>
  (LENGTHS as readonly string[]).includes(unit) ? 'length' : 'weight';

/** Both are of one kind. */
function inUnit(value: number, from: TypedUnit, to: TypedUnit): number {
  const said =
    kindOf(from) === 'length'
      ? convert(value, from as LengthIn).to(to as LengthIn)
      : convert(value, from as WeightIn).to(to as WeightIn);
  return rounded(said);
}

/** Without what computing adds in the last places. */
const rounded = (value: number): number => Number(value.toPrecision(12));

/**
 * A number without a unit. Comma and point both set decimals apart; where both stand, the last one does and the other
 * groups thousands; one alone before three figures may do either.
 */
function bareNumbers(text: string): Readings {
  const fraction = /^(-?)(\d+\s+)?(\d+)\s*[/⁄]\s*(\d+)$/.exec(text);
  if (fraction) {
    const [, sign, whole = '0', over, under] = fraction;
    const value = Number(whole) + Number(over) / Number(under);
    return Number.isFinite(value) ? [sign === '-' ? -value : value] : [];
  }
  const glyph = /^(-?)(\d*)\s*([¼½¾⅓⅔⅛⅜⅝⅞])$/.exec(text);
  if (glyph) return [(glyph[1] === '-' ? -1 : 1) * (Number(glyph[2] || '0') + GLYPHS[glyph[3]!]!)];
  const spaced = text.replace(/(\d)[\s\u00a0\u202f](?=\d{3}\b)/g, '$1');
  if (/^-?[1-9]\d{0,2}[.,]\d{3}$/.test(spaced)) {
    const [grouped, decimal] = [spaced.replace(/[.,]/, ''), spaced.replace(',', '.')];
    return [Number(grouped), Number(decimal)];
  }
  if (/^-?[1-9]\d{0,2}(,\d{3}){2,}$|^-?[1-9]\d{0,2}(\.\d{3}){2,}$/.test(spaced))
    return [Number(spaced.replaceAll(/[.,]/g, ''))];
  const last = Math.max(spaced.lastIndexOf(','), spaced.lastIndexOf('.'));
  const both = spaced.includes(',') && spaced.includes('.');
  const plain = both
    ? `${spaced.slice(0, last).replaceAll(/[.,]/g, '')}.${spaced.slice(last + 1)}`
    : spaced.replace(',', '.');
  return /^-?(\d+\.?\d*|\.\d+)$/.test(plain) ? [Number(plain)] : [];
}
