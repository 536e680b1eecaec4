/** @jest-environment jsdom */
import { describe, expect, test } from '@jest/globals';
import { act, fireEvent, screen, waitFor } from '@testing-library/react';
import { PATTERN_FORMS, type PatternForm } from '../../core/print/forms.ts';
import { entry, rowsHem } from '../../core/testing/hems.ts';
import { NoticesProvider } from '../look/notices.tsx';
import { renderHem } from '../testing/render.tsx';
import { drawingsOf } from '../../drawing/patternDrawings.ts';
import { PatternPage } from './PatternPage.tsx';
import { ReadAloud } from './Reading.tsx';
import { prefer } from '../../core/edits/hem.ts';

const hem = rowsHem({
  rounds: [entry({ times: 3 }), entry({ id: 'p', family: 'puff', yarn: 'y2' })],
});
const renderPage = () =>
  renderHem(hem, () => (
    <NoticesProvider>
      <PatternPage />
    </NoticesProvider>
  ));

describe('the page of the pattern', () => {
  test('shows every line of the pattern, and follows language and notes', () => {
    const { store, container } = renderPage();
    const lines = (): readonly string[] =>
      [...container.querySelectorAll('.sheet section p')].map((p) => p.textContent);
    const told = (form: PatternForm): readonly string[] =>
      PATTERN_FORMS[form]
        .pattern(store.get().plan)
        .sections.flatMap((s) =>
          s.lines.map((l, k) => (s.runIn && k === 0 ? `${s.heading}: ${l.text}` : l.text)),
        );
    expect(lines()).toEqual(told('published'));
    act(() => void store.do(prefer('language', 'uk')));
    expect(lines()).toEqual(told('published'));
    expect(screen.getByRole('heading', { name: 'Abbreviations (UK)' })).toBeTruthy();
    fireEvent.click(screen.getByText('Step by step'));
    expect(lines()).toEqual(told('steps'));
    fireEvent.change(screen.getByRole('textbox', { name: /Your own notes/ }), {
      target: { value: 'Wash cold.' },
    });
    expect(lines()).toContain('Wash cold.');
    expect(store.get().undoLabel).toBe('notes');
  });

  test('the form that is chosen is kept; a card has a line a round and no charts', async () => {
    const { unmount } = renderPage();
    fireEvent.click(screen.getByText('Card'));
    expect(screen.queryByRole('heading', { name: 'Charts' })).toBeNull();
    expect(screen.getByText(/^4: Other yarn · \*?\[?sk next st, puff in next st/)).toBeTruthy();
    unmount();
    renderPage();
    expect(await screen.findByRole('heading', { name: 'Rounds' })).toBeTruthy();
    fireEvent.click(screen.getByText('As published'));
    expect(screen.getByText(/^Rnd 1:/)).toBeTruthy();
  });

  test('boxes, large print, and for whom it is made are chosen; what was chosen is there again', async () => {
    const { store, container, unmount } = renderPage();
    const boxes = (): number => container.querySelectorAll('.sheet .tick').length;
    expect(boxes()).toBe(0);
    fireEvent.click(screen.getByRole('checkbox', { name: 'boxes to tick' }));
    fireEvent.click(screen.getByRole('checkbox', { name: 'large print' }));
    expect(boxes()).toBe(store.get().plan.rounds.length);
    expect(container.querySelector('.sheet.large')).not.toBeNull();
    fireEvent.change(screen.getByRole('textbox', { name: /^Made for/ }), { target: { value: 'Ada' } });
    fireEvent.change(screen.getByRole('textbox', { name: 'Date' }), { target: { value: 'winter 2026' } });
    expect(screen.getByText('Made for Ada, winter 2026')).toBeTruthy();
    unmount();
    renderPage();
    await waitFor(() =>
      expect(screen.getByRole<HTMLInputElement>('checkbox', { name: 'large print' }).checked).toBe(true),
    );
    fireEvent.click(screen.getByRole('checkbox', { name: 'large print' }));
    fireEvent.click(screen.getByRole('checkbox', { name: 'boxes to tick' }));
  });

  test('names of the stitches in another language stand beside it on wish', () => {
    renderPage();
    expect(screen.queryByText(/feste Masche/)).toBeNull();
    fireEvent.mouseDown(screen.getByRole('combobox', { name: /^Stitch names in another language/ }));
    fireEvent.click(screen.getByText('with German names'));
    expect(screen.getByText(/^ch = Luftmasche \(Lm\) · sc = feste Masche \(fM\)/)).toBeTruthy();
  });

  test('is laid out for the paper that is chosen', () => {
    const { store, container } = renderPage();
    expect(container.querySelector('.sheet.a4')).toBeTruthy();
    fireEvent.click(screen.getByText('Letter'));
    expect(container.querySelector('.sheet.letter')).toBeTruthy();
    expect(store.get().plan.hem.preferences.paper).toBe('letter');
  });

  test('draws the plan, the charts and a legend of just the symbols that they use', () => {
    const { store, container } = renderPage();
    const drawings = drawingsOf(store.get().plan);
    expect(container.querySelectorAll('.charts figure svg')).toHaveLength(drawings.charts.length);
    expect(drawings.charts.map((c) => c.name)).toEqual(['Corner D/A', 'Side A']);
    expect(drawings.legend.map((l) => l.words).sort()).toEqual(
      ['ch chain', 'puff', 'sc single crochet'].sort(),
    );
    const ids = [...container.querySelectorAll('[id]')].map((e) => e.id);
    expect(new Set(ids).size).toBe(ids.length);
    // Whatever is placed is defined in the same drawing.
    for (const use of container.querySelectorAll('use')) {
      const id = use.getAttribute('href')!.slice(1);
      expect(use.closest('svg')!.querySelector(`[id="${id}"]`)).toBeTruthy();
    }
  });
});

describe('read part by part', () => {
  const sections = ['Terms', 'Piece', 'One', 'Two'].map((heading, i) => ({
    heading,
    rounds: i < 2 ? [] : [i - 1],
    lines: [{ kind: 'plain' as const, text: `What is in ${heading.toLowerCase()}.` }],
  }));
  const renderReading = (id: string) =>
    renderHem(rowsHem(), () => (
      <ReadAloud hem={id} sections={sections}>
        <p>The charts</p>
      </ReadAloud>
    ));
  const press = (name: string): void => void fireEvent.click(screen.getByRole('button', { name }));

  test('all before the first round, then one at a time, the charts last; where one was is kept', async () => {
    const { unmount } = renderReading('h1');
    expect(screen.getByRole('heading', { name: 'Terms' })).toBeTruthy();
    expect(screen.getByRole('heading', { name: 'Piece' })).toBeTruthy();
    expect(screen.queryByRole('heading', { name: 'One' })).toBeNull();
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'The part before' }).disabled).toBe(true);
    press('The next part');
    expect(screen.getByText('What is in one.')).toBeTruthy();
    press('The next part');
    expect(screen.getByText('What is in two.')).toBeTruthy();
    expect(screen.queryByText('What is in one.')).toBeNull();
    unmount();
    renderReading('h1');
    expect(await screen.findByText('What is in two.')).toBeTruthy();
    fireEvent.change(screen.getByRole('combobox', { name: 'Part of the pattern' }), {
      target: { value: '3' },
    });
    expect(screen.getByText('The charts')).toBeTruthy();
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'The next part' }).disabled).toBe(true);
  });
});
