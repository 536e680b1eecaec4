/** @jest-environment jsdom */
import { describe, expect, test } from '@jest/globals';
import { act, fireEvent, screen } from '@testing-library/react';
import { constructionOf } from '../../core/edits/constructions.ts';
import { chooseConstruction } from '../../core/edits/piece.ts';
import { removeRound } from '../../core/edits/rounds.ts';
import { planComesOutEven } from '../../core/plan/types.ts';
import { entry, flatBlanket, rowsHem } from '../../core/testing/hems.ts';
import { renderHem } from '../testing/render.tsx';
import { FitList } from './FitList.tsx';

const uneven = rowsHem({
  counts: [152, 170, 152, 170],
  rounds: [
    entry({ id: 'a', cornerOpen: true }),
    entry({ id: 's', family: 'shell', stitch: 'hdc', corner: 'three' }),
  ],
});

let looked: (readonly [round: number, side: number])[] = [];
const shown = (round: number, side: number): void => void looked.push([round, side]);
const renderFit = (stale = false, hem = uneven) =>
  renderHem(hem, (plan) => <FitList plan={plan} stale={stale} onPreview={() => undefined} onShow={shown} />);
const solutions = (): readonly HTMLElement[] =>
  screen.getAllByRole('button').filter((b) => b.className === 'fitSolution');

describe('the fit on the page', () => {
  test('tells the ways, and taking one makes every round fit', async () => {
    const { store } = renderFit();
    await screen.findAllByText(/Then every round fits/);
    expect(planComesOutEven(store.get().plan)).toBe(false);
    fireEvent.click(solutions()[0]!);
    expect(planComesOutEven(store.get().plan)).toBe(true);
    await screen.findByText('Every round fits and lies flat.');
  });

  test('nothing is offered for a plan that the page is about to replace', async () => {
    renderFit(true);
    await screen.findAllByText(/Then every round fits/);
    expect(solutions().every((b) => b.matches(':disabled'))).toBe(true);
  });

  test('an answer about what is no longer there is shown as it was, until the next has come', async () => {
    const { store } = renderFit();
    await screen.findAllByText(/Then every round fits/);
    const before = solutions().map((b) => b.textContent);
    act(() => void store.do(removeRound(uneven.rounds[0]!)));
    expect(solutions().map((b) => b.textContent)).toEqual(before);
    expect(solutions().every((b) => b.matches(':disabled'))).toBe(true);
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

  test('says what is wrong and where, one best remedy, and folds the others', async () => {
    looked = [];
    renderFit();
    await screen.findAllByText(/Then every round fits/);
    expect(
      screen.getByText(/^Round 2 \(shell edge\) does not fit: \d+ stitch(es)? left over on/),
    ).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Show it' }));
    expect(looked).toEqual([[2, 0]]);
    expect(solutions()[0]!.textContent).toMatch(
      /^Base round, .*: \d+ stitches, \d more\. Then every round fits\. Lies flat\.|^Base round.*Then every round fits/,
    );
    const others = screen.getByText(/^Other ways \(\d+\)$/).closest('details')!;
    expect(others.open).toBe(false);
    expect(others.contains(solutions()[0]!)).toBe(false);
    expect(others.contains(solutions()[1]!)).toBe(true);
  });

  test('nothing wrong is one quiet line', async () => {
    renderFit(false, rowsHem({ counts: [153, 164, 153, 164], rounds: [entry({ id: 'a' })] }));
    expect(screen.getByText('Every round fits and lies flat.')).toBeTruthy();
    await screen.findByText((_, element) => element?.getAttribute('aria-busy') === 'false');
    expect(screen.queryByRole('button', { name: /Then every round fits/ })).toBeNull();
  });

  test('sides that face each other and differ are made alike with one press', async () => {
    const { store } = renderFit(
      false,
      rowsHem({ counts: [153, 164, 154, 164], rounds: [entry({ id: 'a' })] }),
    );
    expect(screen.getByText('Sides A and C face each other and differ: 155 and 156 stitches.')).toBeTruthy();
    await screen.findByText((_, element) => element?.getAttribute('aria-busy') === 'false');
    fireEvent.click(screen.getByRole('button', { name: /^Make them alike/ }));
    const [a, , c] = store.get().plan.sides;
    expect(a!.count).toBe(c!.count);
    await screen.findByText('Every round fits and lies flat.');
  });

  test('what does not lie flat is told with its cause, and the nearest cure is taken with one press', async () => {
    const { store } = renderFit(
      false,
      flatBlanket([entry({ id: 'a', stitch: 'dc', corner: 'three', times: 5 })]),
    );
    expect(await screen.findByText(/the corners add 2 stitches a time to each side; 4 would/)).toBeTruthy();
    fireEvent.click(await screen.findByRole('button', { name: /Corners of the plain round.*Lies flat\./ }));
    expect(store.get().plan.hem.rounds[0]!.corner).not.toBe('three');
    await screen.findByText('Every round fits and lies flat.');
    expect(screen.queryByText(/would lie flat/)).toBeNull();
  });
});
