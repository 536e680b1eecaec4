/** @jest-environment jsdom */
import { describe, expect, test } from '@jest/globals';
import { act, fireEvent, screen } from '@testing-library/react';
import { constructionOf } from '../../core/edits/constructions.ts';
import { chooseConstruction } from '../../core/edits/piece.ts';
import { removeRound } from '../../core/edits/rounds.ts';
import { comesOutEven } from '../../core/plan/types.ts';
import { entry, rowsHem } from '../../core/testing/hems.ts';
import { renderHem } from '../testing/render.tsx';
import { FitList } from './FitList.tsx';

const uneven = rowsHem({
  counts: [152, 170, 152, 170],
  rounds: [
    entry({ id: 'a', cornerOpen: true }),
    entry({ id: 's', family: 'shell', stitch: 'hdc', corner: 'three' }),
  ],
});

const renderFit = (stale = false) =>
  renderHem(uneven, (plan) => <FitList plan={plan} stale={stale} onPreview={() => undefined} />);
const solutions = (): readonly HTMLElement[] => screen.getAllByRole('button');

describe('the fit on the page', () => {
  test('tells the ways, and taking one makes every round fit', async () => {
    const { store } = renderFit();
    await screen.findAllByRole('button');
    expect(comesOutEven(store.get().plan)).toBe(false);
    fireEvent.click(solutions()[0]!);
    expect(comesOutEven(store.get().plan)).toBe(true);
    await screen.findByText(/Every round fits/);
  });

  test('nothing is offered for a plan that the page is about to replace', async () => {
    const { store } = renderFit(true);
    await screen.findAllByRole('button');
    const { plan } = store.get();
    expect(solutions().every((b) => (b as HTMLButtonElement).disabled)).toBe(true);
    fireEvent.click(solutions()[0]!);
    expect(store.get().plan).toBe(plan);
  });

  test('an answer about what is no longer there is shown as it was, until the next has come', async () => {
    const { store } = renderFit();
    await screen.findAllByRole('button');
    const before = solutions().map((b) => b.textContent);
    act(() => void store.do(removeRound(uneven.rounds[0]!)));
    expect(solutions().map((b) => b.textContent)).toEqual(before);
    expect(solutions().every((b) => (b as HTMLButtonElement).disabled)).toBe(true);
    act(
      () =>
        void store.do(
          chooseConstruction('by hand', {
            kind: 'counted',
            sides: [{ lengthCm: 90, stitches: 120, turnDegrees: 0 }],
          }),
        ),
    );
    expect(solutions().map((b) => b.textContent)).toEqual(before);
    act(() => void store.do(chooseConstruction('cloth', constructionOf('cloth', store.get().plan.hem))));
    expect(screen.getByRole('region', { name: 'Fit' }).getAttribute('aria-busy')).toBe('true');
    await screen.findByText((_, element) => element?.getAttribute('aria-busy') === 'false');
  });
});
