/** @jest-environment jsdom */
import { describe, expect, test } from '@jest/globals';
import { act, fireEvent, screen, within } from '@testing-library/react';
import { changePiece } from '../../core/document/changePiece.ts';
import { describePiece } from '../../core/edits/piece.ts';
import type { Hem } from '../../core/document/hem.ts';
import { rowsHem } from '../../core/testing/hems.ts';
import type { PlanPart } from '../../drawing/parts.ts';
import { renderHem } from '../testing/render.tsx';
import { PartPanel } from './PartPanel.tsx';

const rows = rowsHem();
const grid: Hem = {
  ...rows,
  ...changePiece(rows, {
    kind: 'grid',
    lattice: 'squares',
    halves: false,
    halfStitches: null,
    cornerChains: 2,
    cells: ['##', '#.'],
    edge: { kind: 'solid', stitch: 'dc', stitches: 20, between: false },
    motifCm: 14,
  }),
};

function renderPart(hem: Hem, part: PlanPart | null) {
  const rendered = renderHem(hem, (plan) => (
    <PartPanel
      plan={plan}
      part={part}
      onPiece={(label, piece) => rendered.store.do(describePiece(label, piece))}
    />
  ));
  return rendered;
}

describe('the part that is picked', () => {
  test('with nothing picked says what can be', () => {
    renderPart(rows, null);
    expect(screen.getByText(/Pick a side, a run of rows or a corner in the drawing/)).toBeTruthy();
  });

  test('a side that is measured twice says a difference, and takes the middle', () => {
    const { store } = renderPart(rows, { kind: 'side', side: 1 });
    const { measuredMm } = store.get().plan.body.edges[1]!;
    const again = screen.getByRole('spinbutton', { name: 'Second reading of B in cm' });
    fireEvent.change(again, { target: { value: `${measuredMm / 10 + 6}` } });
    fireEvent.blur(again);
    expect(screen.getByText(/Your two readings are 6 cm apart/)).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Use the middle' }));
    expect(store.get().plan.body.edges[1]!.measuredMm).toBeCloseTo(measuredMm + 30, 6);
    expect(screen.queryByText(/two readings/)).toBeNull();
  });

  test('a side: what it offers, its tape, and how far the two differ', () => {
    const { store } = renderPart(rows, { kind: 'side', side: 1 });
    expect(screen.getByText('The hook can go into 84 dc row ends.')).toBeTruthy();
    const tape = screen.getByRole('spinbutton', { name: 'Length of B in cm' });
    fireEvent.change(tape, { target: { value: '130' } });
    fireEvent.blur(tape);
    expect(store.get().plan.hem.piece).toMatchObject({ widthCm: 110, heightCm: 130 });
    expect(screen.getByText(/Your counts suggest .* Check both\./)).toBeTruthy();
  });

  test('a corner: its angle, and the ways to work it, all outer ones alike', () => {
    const { store } = renderPart(rows, { kind: 'corner', side: 2 });
    expect(
      screen.getByText(/The border turns by 90° here\. The base round goes into the end chain\./),
    ).toBeTruthy();
    const choice = screen.getByRole('radiogroup', { name: 'Corners of the base round' });
    expect(within(choice).getByRole('radio', { name: '3 in one' }).getAttribute('aria-checked')).toBe('true');
    fireEvent.click(within(choice).getByRole('radio', { name: '2, ch 2, 2' }));
    expect(store.get().plan.hem.base.corner).toBe('twos');
    expect(within(choice).getByRole('radio', { name: '2, ch 2, 2' }).getAttribute('aria-checked')).toBe(
      'true',
    );
  });

  test('an inner corner says that it takes two together', () => {
    const { store } = renderPart(grid, null);
    const inner = store.get().plan.body.outline.turns.findIndex((t) => t < 0);
    renderPart(grid, { kind: 'corner', side: inner });
    expect(
      screen.getByText(/An inner corner: the border turns by 90° here.*two stitches together/),
    ).toBeTruthy();
  });

  test('a join is crossed in its own way', () => {
    const side = 0;
    const { store } = renderPart(grid, { kind: 'join', side, join: 0 });
    const before = store.get().plan.sides[side]!.count;
    fireEvent.click(screen.getByRole('radio', { name: 'skip it' }));
    expect(store.get().plan.hem.base.sides[side]!.crossings).toEqual({ '0': 'skip' });
    expect(store.get().plan.sides[side]!.count).toBe(before - 2);
  });

  test('a run of rows: how many, of which stitch', () => {
    const { store } = renderPart(rows, { kind: 'rows', run: 0 });
    const count = screen.getByRole('spinbutton', { name: 'Number of rows, section 1' });
    fireEvent.change(count, { target: { value: '90' } });
    fireEvent.blur(count);
    expect(store.get().plan.hem.piece).toMatchObject({ rows: [{ stitch: 'dc', count: 90 }] });
  });

  test('a part that the piece no longer has is let go', () => {
    const { store } = renderPart(grid, { kind: 'join', side: 0, join: 0 });
    expect(screen.getByRole('region')).toBeTruthy();
    act(() => void store.do(describePiece('rows', rows.piece)));
    return screen.findByText(/Pick a side/).then((hint) => expect(hint).toBeTruthy());
  });
});
