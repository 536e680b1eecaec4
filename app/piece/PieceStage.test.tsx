/** @jest-environment jsdom */
import { describe, expect, test } from '@jest/globals';
import { act, fireEvent, screen, within } from '@testing-library/react';
import { changePiece } from '../../core/document/changePiece.ts';
import type { Hem } from '../../core/document/hem.ts';
import { constructionOf } from '../../core/edits/constructions.ts';
import type { Piece } from '../../core/piece/piece.ts';
import { fitted } from '../../core/fit/fitted.ts';
import { planComesOutEven } from '../../core/plan/types.ts';
import { shell } from '../../core/rounds/shell.ts';
import { newEntry } from '../../core/stack/stack.ts';
import { PIECE_KINDS } from '../../core/piece/registry.ts';
import { entry, rowsHem } from '../../core/testing/hems.ts';
import { renderHem } from '../testing/render.tsx';
import { PiecePage } from './PiecePage.tsx';

const base = rowsHem({ rounds: [entry()] });
const of = (piece: Piece): Hem => ({ ...base, ...changePiece(base, piece) });
const banded: Piece = {
  ...(base.piece as Extract<Piece, { kind: 'rows' }>),
  rows: [
    { stitch: 'sc', count: 4 },
    { stitch: 'dc', count: 60 },
    { stitch: 'hdc', count: 20 },
  ],
};
const drawn = () => within(screen.getByRole('region', { name: 'The piece, drawn' }));
const type = (name: string, value: string): void => {
  const field = drawn().getByRole('spinbutton', { name });
  fireEvent.change(field, { target: { value } });
  fireEvent.blur(field);
};
const rowsOf = (hem: Hem) => (hem.piece as Extract<Piece, { kind: 'rows' }>).rows;

describe('numbers on the edges', () => {
  test('are typed where they stand', () => {
    const { store } = renderHem(base, () => <PiecePage />);
    type('Width in cm', '80');
    type('Stitches in a row', '111');
    type('Height in cm', '99.5');
    expect(store.get().plan.hem.piece).toMatchObject({ widthCm: 80, heightCm: 99.5, stitches: 111 });
  });

  test.each(PIECE_KINDS)('of %s can all be set, and what is set is what is shown', (kind) => {
    const { store } = renderHem(of(constructionOf(kind, base)), () => <PiecePage />);
    const names = drawn()
      .getAllByRole('spinbutton')
      .map((f) => f.getAttribute('aria-label')!);
    expect(names.length).toBeGreaterThan(1);
    for (const name of names) {
      const before = store.get().plan.hem.piece;
      type(name, '9');
      expect(store.get().plan.hem.piece).not.toBe(before);
      expect(Number(drawn().getByRole<HTMLInputElement>('spinbutton', { name }).value)).toBe(9);
    }
  });

  test('where counts and tape differ, it is said beside them', () => {
    renderHem(base, () => <PiecePage />);
    type('Height in cm', '90');
    expect(drawn().getByText(/^counted [\d.]+ cm$/)).toBeTruthy();
  });
});

describe('edges of the piece', () => {
  test('are pulled by keys, a centimetre at a time', () => {
    const { store } = renderHem(base, () => <PiecePage />);
    const { widthCm, heightCm } = base.piece as Extract<Piece, { kind: 'rows' }>;
    fireEvent.keyDown(screen.getByRole('slider', { name: 'Pull the piece to its width' }), {
      key: 'ArrowRight',
    });
    fireEvent.keyDown(screen.getByRole('slider', { name: 'Pull the piece to its height' }), {
      key: 'ArrowLeft',
    });
    expect(store.get().plan.hem.piece).toMatchObject({ widthCm: widthCm + 1, heightCm: heightCm - 1 });
  });

  test('of joined motifs come and go by motifs', () => {
    const { store } = renderHem(of(constructionOf('grid', base)), () => <PiecePage />);
    const cells = () => (store.get().plan.hem.piece as Extract<Piece, { kind: 'grid' }>).cells;
    const [across, down] = [cells()[0]!.length, cells().length];
    fireEvent.keyDown(screen.getByRole('slider', { name: 'Pull the piece to its width' }), {
      key: 'ArrowRight',
    });
    fireEvent.keyDown(screen.getByRole('slider', { name: 'Pull the piece to its height' }), {
      key: 'ArrowDown',
    });
    expect([cells()[0]!.length, cells().length]).toEqual([across + 1, down - 1]);
  });
});

describe('sides with and without a border', () => {
  const press = (name: string): void => void fireEvent.click(screen.getByRole('button', { name }));
  const along = (hem: Hem) => hem.base.part && [hem.base.part.first, hem.base.part.sides];

  test('are said where they are touched, and both ends of a piece can have the same', () => {
    const { store } = renderHem(base, () => <PiecePage />);
    const hem = () => store.get().plan.hem;
    press('Side B');
    press('No border along this side');
    expect(along(hem())).toEqual([2, 3]);
    press('A border along this side too');
    expect(along(hem())).toBeNull();
    press('Side A');
    press('A border along this side alone');
    expect(along(hem())).toEqual([0, 1]);
    press('The same along side C');
    expect(hem().alike).toMatchObject({ count: 2, join: 'not joined' });
    expect(screen.getByText(/^Make 2: along sides A and C of one piece, each begun anew/)).toBeTruthy();
    press('All the way around');
    expect(along(hem())).toBeNull();
  });

  test('go on to fit where the border did, in one step', () => {
    const edged = fitted(rowsHem({ rounds: [newEntry(shell, 'edge', base.yarns[0]!.id)] }));
    const { store } = renderHem(edged, () => <PiecePage />);
    expect(planComesOutEven(store.get().plan)).toBe(true);
    for (const side of ['Side A', 'Side B']) {
      press(side);
      press('A border along this side alone');
      expect(planComesOutEven(store.get().plan)).toBe(true);
    }
    for (let k = 0; k < 2; k++) act(() => store.undo());
    expect(store.get().plan.hem.base).toEqual(edged.base);
  });
});

describe('runs of rows on the drawing', () => {
  test('are picked, pulled by their edges, and split', () => {
    const { store } = renderHem(of(banded), () => <PiecePage />);
    fireEvent.click(screen.getByRole('button', { name: 'Rows 5–64, 60 rows of double crochet' }));
    expect(screen.getByRole('heading', { name: 'Rows 5–64, 60 rows of double crochet' })).toBeTruthy();
    const edge = screen.getByRole('slider', { name: 'Edge above row 64' });
    for (let k = 0; k < 3; k++) fireEvent.keyDown(edge, { key: 'ArrowUp' });
    expect(rowsOf(store.get().plan.hem).map((r) => r.count)).toEqual([4, 63, 17]);
    fireEvent.click(screen.getByRole('button', { name: 'Split in two' }));
    expect(rowsOf(store.get().plan.hem).map((r) => r.count)).toEqual([4, 31, 32, 17]);
  });

  test('some are cut out by a drag across them, and are picked then', () => {
    const { store, container } = renderHem(of(banded), () => <PiecePage />);
    const svg = container.querySelector<SVGSVGElement>('svg.plan')!;
    // Without a layout, the page is the drawing.
    Object.assign(svg, { createSVGPoint: undefined });
    const band = screen.getByRole('button', { name: 'Rows 5–64, 60 rows of double crochet' });
    const y = Number(band.getAttribute('y'));
    const high = Number(band.getAttribute('height'));
    const at = (share: number) => ({ clientX: 0, clientY: y + high * (1 - share), view: window });
    fireEvent.mouseDown(band, at(0.1));
    fireEvent.mouseMove(window, at(0.15));
    fireEvent.mouseMove(window, at(0.2));
    fireEvent.mouseUp(window, at(0.2));
    const counts = rowsOf(store.get().plan.hem).map((r) => r.count);
    expect(counts).toHaveLength(5);
    expect(counts.reduce((sum, n) => sum + n, 0)).toBe(84);
    expect(counts[2]).toBeGreaterThanOrEqual(6);
    expect(
      screen.getByRole('heading', { name: /^Rows \d+–\d+, [678] rows of double crochet$/ }),
    ).toBeTruthy();
  });
});
