import { describe, expect, test } from '@jest/globals';
import { demoPlans } from '../../demo/read.ts';
import { PATTERN_FORM_IDS, USUAL_LOOK, patternAs } from './forms.ts';
import { patternMarkdown, patternText } from './patternText.ts';
import { readPattern } from './readPattern.ts';
import { TICK } from './section.ts';

describe.each(demoPlans())('the pattern of %s', (_, made) => {
  test.each(PATTERN_FORM_IDS)('has a box for each round on wish, as %s', (form) => {
    const boxes = (ticks: boolean): number =>
      patternText(patternAs(made, { ...USUAL_LOOK, form, ticks })).split(TICK).length - 1;
    expect(boxes(false)).toBe(0);
    expect(boxes(true)).toBe(made.rounds.length);
  });

  test('reads back the same with boxes, ticked or not', () => {
    const { language } = made.hem.preferences;
    const text = (ticks: boolean): string =>
      patternText(patternAs(made, { ...USUAL_LOOK, form: 'steps', ticks }));
    const read = readPattern(text(false), language);
    expect(readPattern(text(true), language)).toEqual(read);
    expect(readPattern(text(true).replaceAll(TICK, '[x] '), language)).toEqual(read);
  });

  test('says for whom and when it was made, where that is said', () => {
    const of = (madeFor: string, madeOn: string): readonly string[] => {
      const pattern = patternAs({ ...made, hem: { ...made.hem, madeFor, madeOn } }, USUAL_LOOK);
      return patternText(pattern).split('\n').slice(2, 3);
    };
    expect(of('', '')).toEqual(['']);
    expect(of('Ada', 'winter 2026')).toEqual(['Made for Ada, winter 2026']);
    expect(of('Ada', ' ')).toEqual(['Made for Ada']);
    expect(of('', 'winter 2026')).toEqual(['Made winter 2026']);
    const marked = patternAs({ ...made, hem: { ...made.hem, madeFor: '*Ada*' } }, USUAL_LOOK);
    expect(patternMarkdown(marked)).toContain('Made for \\*Ada\\*');
  });
});
