import { readFileSync } from 'node:fs';
import { describe, expect, test } from '@jest/globals';
import { demoPlan, demoPlans } from '../../../demo/read.ts';
import { patternText } from '../patternText.ts';
import { publishedPattern } from './published.ts';

describe('the pattern as it would be published', () => {
  const clover = demoPlan('clover');

  test('reads as it was read aloud and found good', () => {
    expect(patternText(publishedPattern(clover))).toBe(
      readFileSync('core/print/published/clover-lap.txt', 'utf8'),
    );
  });

  test('lists each abbreviation that it prints, and none that it does not', () => {
    for (const [, plan] of demoPlans()) {
      const { sections } = publishedPattern(plan);
      const listed = sections.find((s) => s.heading.startsWith('Abbreviations'))!.lines[0]!.text;
      const rest = sections
        .filter((s) => !s.heading.startsWith('Abbreviations'))
        .flatMap((s) => [s.heading, ...s.lines.map((l) => l.text)])
        .join(' ');
      for (const word of ['ch', 'sc', 'hdc', 'dc', 'tr', 'htr', 'rnd', 'rep', 'pm', 'sk', 'RS', 'WS', 'BLO'])
        expect([word, new RegExp(`(?:^|· )${word} `).test(listed)]).toEqual([
          word,
          new RegExp(`\\b${word === 'rnd' ? '[Rr]nds?' : word === 'ch' ? '[Cc]h' : word}\\b(?!-)`).test(rest),
        ]);
    }
  });

  test('tells what is alike once', () => {
    for (const [, plan] of demoPlans()) {
      const lines = publishedPattern(plan).sections.flatMap((s) => s.lines.map((l) => l.text));
      const long = lines.filter((l) => l.length > 40 && !l.startsWith('('));
      expect(
        long.filter((l, k) => long.indexOf(l) < k && !/^(?:Corner|Each side|To end|Ch \d)/.test(l)),
      ).toEqual([]);
    }
  });
});
