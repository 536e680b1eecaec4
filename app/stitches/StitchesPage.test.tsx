/** @jest-environment jsdom */
import { describe, expect, test } from '@jest/globals';
import { fireEvent, screen, within } from '@testing-library/react';
import { FAMILIES } from '../../core/rounds/registry.ts';
import { STITCHES } from '../../core/terms/stitches.ts';
import { renderAlone } from '../testing/render.tsx';
import { planComesOutEven } from '../../core/plan/types.ts';
import { sampleOf } from './samples.ts';
import { StitchesPage } from './StitchesPage.tsx';

const renderPage = () => renderAlone(<StitchesPage />);

describe('the reference', () => {
  test('has every stitch and every family with its caution in the language that is chosen; its drawings are mirrored', () => {
    const { container } = renderPage();
    expectEveryFamily(container);
    expectDrawings(container);
    const german = [...container.querySelectorAll('[lang="de"]')].map((e) => e.textContent);
    expect(german).toEqual(expect.arrayContaining(['feste Masche', 'Stäbchen']));
    expect(screen.getAllByText(/French:/).length).toBeGreaterThan(4);
    for (const language of ['us', 'uk'] as const) {
      if (language === 'uk') fireEvent.click(screen.getByText('UK terms'));
      expect(container.textContent.includes('5 htr in next st')).toBe(language === 'uk');
      expect(container.textContent.includes('hdc in next st')).toBe(language === 'us');
      const other = language === 'us' ? 'uk' : 'us';
      const headings = [...container.querySelectorAll('h3')];
      for (const kind of ['sc', 'esc', 'hdc', 'hhdc', 'dc', 'tr', 'dtr'] as const) {
        const { name, abbreviation } = STITCHES[kind][language];
        const own = headings.find((h) => h.textContent.startsWith(`${name} ${abbreviation} `));
        expect([kind, own?.textContent]).toEqual([kind, expect.stringContaining(STITCHES[kind][other].name)]);
      }
    }
  });

  function expectEveryFamily(container: HTMLElement): void {
    const entries = [...container.querySelectorAll('.referenceFamilies > li')];
    expect(entries).toHaveLength(FAMILIES.length);
    FAMILIES.forEach((family, i) => {
      const entry = within(entries[i] as HTMLElement);
      expect(entry.getByRole('heading', { hidden: true }).textContent).toBe(family.name);
      if (family.caution) expect(entry.getByText(family.caution)).toBeTruthy();
      expect(entries[i]!.querySelectorAll('pre')).toHaveLength(family.roundsPerRepeat);
    });
  }

  function expectDrawings(container: HTMLElement): void {
    const transforms = (): ReadonlySet<string | null> =>
      new Set([...container.querySelectorAll('.makingDrawing > g')].map((g) => g.getAttribute('transform')));
    expect(container.querySelectorAll('.makingDrawing').length).toBeGreaterThan(60);
    expect(transforms()).toEqual(new Set(['scale(1 -1)']));
    fireEvent.click(screen.getByText('Left hand'));
    expect(transforms()).toEqual(new Set(['scale(-1 -1)']));
  }
});

test('every round is shown on a piece that it fits', () => {
  for (const family of FAMILIES) {
    const made = sampleOf({ language: 'us', hand: 'right', length: 'cm', paper: 'a4' }, family);
    expect([family.name, planComesOutEven(made)]).toEqual([family.name, true]);
  }
});
