import { describe, expect, test } from '@jest/globals';
import { chanceOf } from '../chance.ts';
import { seeds } from '../testing/seeds.ts';
import { numberTyped, numbersTyped, type TypedUnit } from './typed.ts';

describe('a bare number', () => {
  test.each([
    ['90,5', 90.5],
    ['90.5', 90.5],
    ['35 1/2', 35.5],
    ['35½', 35.5],
    ['35 ½', 35.5],
    ['1/4', 0.25],
    ['1.200,5', 1200.5],
    ['1,200.5', 1200.5],
    ['1 200', 1200],
    ['1,200,000', 1_200_000],
    [' 7 ', 7],
    ['-90°', -90],
    ['−90', -90],
    ['× 3', 3],
    ['.5', 0.5],
    ['12.', 12],
    ['0,125', 0.125],
    ['12,34', 12.34],
    ['1234,567', 1234.567],
  ])('%s is understood', (text, value) => {
    expect(numbersTyped(text, null)).toEqual([value]);
  });

  test.each(['', 'abc', '12a', '1/0', '1,2,3', '3 4', '--3', '1e9', '35 1/', 'Infinity', '12 cm', '35"'])(
    '%s is no number',
    (text) => {
      expect(numbersTyped(text, null)).toEqual([]);
      expect(numberTyped(text, null)).toBeNaN();
    },
  );

  test.each([
    ['1,200', [1200, 1.2]],
    ['1.200', [1200, 1.2]],
    ['12,500', [12_500, 12.5]],
  ])('%s may be two, and is to be asked about', (text, values) => {
    expect(numbersTyped(text, null)).toEqual(values);
    expect(numberTyped(text, null)).toBeNaN();
  });
});

describe('a number with its unit', () => {
  test.each<[text: string, unit: TypedUnit, value: number]>([
    ['36', 'cm', 36],
    ['36 in', 'cm', 91.44],
    ['36"', 'cm', 91.44],
    ['36”', 'cm', 91.44],
    ['36 inches', 'cm', 91.44],
    ['35 1/2 in', 'cm', 90.17],
    ['35½"', 'in', 35.5],
    ['12 cm', 'cm', 12],
    ['12cm.', 'cm', 12],
    ['1.2 m', 'cm', 120],
    ['1,2 m', 'cm', 120],
    ['1 m 20 cm', 'cm', 120],
    ['3 ft', 'cm', 91.44],
    ["3'", 'in', 36],
    ['3 ft 4 in', 'in', 40],
    ['3 ft 4', 'in', 40],
    ['3\'4"', 'in', 40],
    ['3’ 4½”', 'in', 40.5],
    ['3 feet 4 1/2 inches', 'in', 40.5],
    ['2 yd', 'cm', 182.88],
    ['1 yd 2 ft 3 in', 'in', 63],
    ['900 mm', 'cm', 90],
    ['90 cm', 'in', 35.4330708661],
    ['50 g', 'g', 50],
    ['0.05 kg', 'g', 50],
    ['2 oz', 'g', 56.69904625],
    ['1 lb', 'g', 453.59237],
    ['1 lb 2 oz', 'oz', 18],
    ['7 mm', 'mm', 7],
    ['1/4 in', 'mm', 6.35],
    ['200 yards', 'm', 182.88],
  ])('%s in %s is %s', (text, unit, value) => {
    expect(numbersTyped(text, unit)).toEqual([value]);
  });

  test.each<[text: string, unit: TypedUnit]>([
    ['36 g', 'cm'],
    ['3 cm', 'g'],
    ['3 fx', 'cm'],
    ['3 ft of', 'cm'],
    ['3 in 4 ft', 'in'],
    ['3 ft 14 in', 'in'],
    ['3.5 ft 4 in', 'in'],
    ['3 ft -4 in', 'in'],
    ['1 m 20', 'cm'],
    ['ft', 'cm'],
    ['about 90', 'cm'],
    ['90 cm or so', 'cm'],
    ['1 2 3 cm', 'cm'],
  ])('%s in %s is not understood', (text, unit) => {
    expect(numbersTyped(text, unit)).toEqual([]);
  });

  test('“1,200 m” may be two', () => {
    expect(numbersTyped('1,200 m', 'cm')).toEqual([120_000, 120]);
  });

  test('whatever is written in any unit comes back as it was, by chance', () => {
    const inches = (n: number): string => `${Math.floor(n / 12)} ft ${n % 12} in`;
    for (const seed of seeds(300)) {
      const chance = chanceOf(seed);
      const value = chance.int(1, 4000) / 4;
      const [text, unit, meant] = chance.pick<[string, TypedUnit, number]>([
        [`${value} cm`, 'cm', value],
        [`${value * 10} mm`, 'cm', value],
        [`${value}`.replace('.', ','), 'in', value],
        [inches(Math.floor(value)), 'in', Math.floor(value)],
        [`${Math.floor(value)} ½ in`, 'in', Math.floor(value) + 0.5],
        [`${value}g`, 'g', value],
        [` ${value} OZ `, 'oz', value],
      ]);
      const found = numbersTyped(text, unit);
      expect([seed, text, found.length]).toEqual([seed, text, found.length === 2 ? 2 : 1]);
      expect(Math.min(...found.map((n) => Math.abs(n - meant)))).toBeLessThan(1e-6);
    }
  });

  test('nonsense by chance is nothing, or a number that is one', () => {
    const letters = [...'0123456789.,/½ \'"″-cmintfyd gkozlbx'];
    for (const seed of seeds(400)) {
      const chance = chanceOf(seed);
      const text = Array.from({ length: chance.int(0, 9) }, () => chance.pick(letters)).join('');
      for (const unit of ['cm', 'g', null] as const)
        for (const n of numbersTyped(text, unit)) expect([text, Number.isFinite(n)]).toEqual([text, true]);
    }
  });
});
