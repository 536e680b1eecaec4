/** @jest-environment jsdom */
import { describe, expect, test } from '@jest/globals';
import { fireEvent, screen, within } from '@testing-library/react';
import { changePiece } from '../../core/document/changePiece.ts';
import type { Hem } from '../../core/document/hem.ts';
import { rowsHem } from '../../core/testing/hems.ts';
import { renderHem } from '../testing/render.tsx';
import { PlanDrawing } from './PlanDrawing.tsx';
import { partName, type PlanPart } from '../../drawing/parts.ts';
import { partBox, partsOfDrawing } from '../../drawing/viewParts.ts';
import { bandsOf } from '../../core/piece/piece.ts';

const banded = rowsHem({
  rows: [
    { stitch: 'sc', count: 1 },
    { stitch: 'dc', count: 60 },
    { stitch: 'hdc', count: 8 },
  ],
});
const grid: Hem = {
  ...banded,
  ...changePiece(banded, {
    kind: 'grid',
    lattice: 'squares',
    halves: false,
    halfStitches: null,
    cornerChains: 2,
    cells: ['###', '##.'],
    edge: { kind: 'solid', stitch: 'dc', stitches: 20, between: false },
    motifCm: 14,
  }),
};
const disc: Hem = {
  ...banded,
  ...changePiece(banded, {
    kind: 'motif',
    corners: 0,
    cornerChains: 0,
    edge: { kind: 'solid', stitch: 'dc', stitches: 200, between: false },
    sideCm: 150,
  }),
};
const ALL = ['side', 'corner', 'join', 'rows'] as const;

function renderPlan(hem: Hem) {
  const picked: PlanPart[] = [];
  const rendered = renderHem(hem, (plan) => (
    <PlanDrawing
      plan={plan}
      parts={ALL}
      picked={picked[picked.length - 1] ?? null}
      onPick={(p) => picked.push(p)}
    />
  ));
  return { ...rendered, picked };
}

describe('what can be picked in the plan', () => {
  test('sides and corners, by click and by key', () => {
    const { picked } = renderPlan(banded);
    fireEvent.click(screen.getByRole('button', { name: 'Side B' }));
    fireEvent.keyDown(screen.getByRole('button', { name: 'Corner between B and C' }), { key: 'Enter' });
    expect(picked).toEqual([
      { kind: 'side', side: 1 },
      { kind: 'corner', side: 2 },
    ]);
    expect(screen.queryByRole('button', { name: /^Seam/ })).toBeNull();
  });

  test('every join of a grid, and no rows', () => {
    const { store } = renderPlan(grid);
    const joins = store.get().plan.body.edges.reduce((sum, e) => sum + e.joins.length, 0);
    expect(joins).toBe(4);
    expect(screen.getAllByRole('button', { name: /^Motif seam \d+ on side [A-F]$/ })).toHaveLength(joins);
    expect(screen.queryByRole('button', { name: /^Row/ })).toBeNull();
  });

  test('a disc has nothing but itself', () => {
    renderPlan(disc);
    expect(screen.queryAllByRole('button')).toHaveLength(0);
    expect(within(screen.getByRole('group')).queryAllByText(/cm$/)).toHaveLength(0);
  });

  test('a drawing without picks is a picture with a name', () => {
    renderHem(banded, (plan) => <PlanDrawing plan={plan} bare />);
    expect(screen.getByRole('img', { name: /Test blanket: the piece with its border/ })).toBeTruthy();
  });

  test('counts stand at their sides; for the left hand the drawing is mirrored', () => {
    const xOf = (hand: 'left' | 'right'): number => {
      const { container, unmount } = renderHem(
        { ...banded, preferences: { ...banded.preferences, hand } },
        (plan) => <PlanDrawing plan={plan} />,
      );
      const b = [...container.querySelectorAll('text')].find((t) => t.textContent.startsWith('B '))!;
      expect(b.textContent).toMatch(/^B \d+ · 118 cm$/);
      const x = Number(b.getAttribute('x'));
      unmount();
      return x;
    };
    expect(xOf('right')).toBeLessThan(0);
    expect(xOf('left')).toBeCloseTo(-xOf('right'), 6);
  });
});

describe('parts', () => {
  test('bands of rows fill the piece from the foundation up', () => {
    const { store } = renderPlan(banded);
    const { plan } = store.get();
    const bands = bandsOf(plan.hem.piece);
    expect(bands.map((b) => [b.from, b.to])).toEqual([
      [0, 1],
      [1, 61],
      [61, 69],
    ]);
    expect(bands[0]!.bottom).toBeCloseTo(plan.bodySize.heightMm / 2, 6);
    expect(bands[2]!.top).toBeCloseTo(-plan.bodySize.heightMm / 2, 6);
    expect(bands[1]!.bottom).toBe(bands[0]!.top);
    expect(partName(plan, { kind: 'rows', run: 2 })).toBe('Rows 62–69, 8 rows of half double crochet');
  });

  test('a close-up has its part in the middle, the whole piece all of it', () => {
    const { store } = renderPlan(grid);
    const { plan } = store.get();
    const parts = [...partsOfDrawing(plan).values()];
    expect(new Set(parts.map((p) => p.label)).size).toBe(parts.length);
    const { minX, maxX, minY, maxY } = partBox(plan, { kind: 'whole' });
    expect(maxX - minX).toBeGreaterThan(plan.finishedSize.widthMm);
    expect(maxY - minY).toBeGreaterThan(plan.finishedSize.heightMm);
    const join = partBox(plan, { kind: 'join', side: 0, join: 0 });
    expect((join.minX + join.maxX) / 2).toBeCloseTo(70, 0);
    expect(join.maxX - join.minX).toBeCloseTo(17 * plan.stitchWidthMm, 6);
  });
});
