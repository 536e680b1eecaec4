/** @jest-environment jsdom */
import { describe, expect, test } from '@jest/globals';
import { act, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { changePiece } from '../../core/document/changePiece.ts';
import type { Hem } from '../../core/document/hem.ts';
import type { Piece } from '../../core/piece/piece.ts';
import { entry, rowsHem } from '../../core/testing/hems.ts';
import { renderHem } from '../testing/render.tsx';
import { PiecePage } from './PiecePage.tsx';

/** Small: every stitch of a piece is drawn. */
const base = rowsHem({
  stitches: 38,
  rows: [{ stitch: 'dc', count: 21 }],
  widthCm: 27,
  heightCm: 30,
  rounds: [entry()],
});
const of = (piece: Piece): Hem => ({ ...base, ...changePiece(base, piece) });
const renderPiece = (hem: Hem) => {
  const rendered = renderHem(hem, () => <PiecePage />);
  const fields = screen.getByText('All of it as fields').closest('details')!;
  fields.open = true;
  fireEvent(fields, new Event('toggle'));
  return rendered;
};
const madeAs = (): void => void fireEvent.click(screen.getByRole('button', { name: /^How it was made/ }));

function type(name: string | RegExp, value: string): void {
  const [field] = screen.getAllByRole('spinbutton', { name });
  fireEvent.change(field!, { target: { value } });
  fireEvent.blur(field!);
}

describe('how the piece was made', () => {
  test('every construction can be taken, the border stays on it, and undo goes back one by one', () => {
    const { store } = renderPiece(base);
    const names = [
      'One big motif',
      'Corner to corner',
      'Joined motifs',
      'Cloth or fleece',
      'Counted by hand',
      'Rows',
    ];
    madeAs();
    for (const name of names) {
      fireEvent.click(screen.getByRole('radio', { name }));
      expect(screen.getByRole('radio', { name }).getAttribute('aria-checked')).toBe('true');
      const { plan } = store.get();
      // Blocks bring the round that fills their loops.
      expect(plan.rounds).toHaveLength(name === 'Corner to corner' ? 3 : 2);
      expect(plan.rounds[0]!.total).toBeGreaterThan(10);
    }
    for (let k = 0; k < names.length; k++) act(() => store.undo());
    expect(store.get().plan.hem.piece).toEqual(base.piece);
  });

  test('rows: a run is added on top, moved down, changed and taken out', () => {
    const { store } = renderPiece(base);
    const runs = () => (store.get().plan.hem.piece as Extract<Piece, { kind: 'rows' }>).rows;
    fireEvent.click(screen.getByRole('button', { name: 'Add rows at the top' }));
    expect(runs()).toEqual([
      { stitch: 'dc', count: 21 },
      { stitch: 'dc', count: 4 },
    ]);
    type('Number of rows, section 2', '7');
    fireEvent.click(screen.getAllByRole('button', { name: 'Move these rows down' })[0]!);
    expect(runs().map((r) => r.count)).toEqual([7, 21]);
    fireEvent.click(screen.getAllByRole('button', { name: 'Remove these rows' })[1]!);
    expect(runs()).toEqual([{ stitch: 'dc', count: 21 }]);
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Remove these rows' }).disabled).toBe(true);
  });

  test('a grid: a motif is left out and the outline steps, then the whole grid is filled again', () => {
    const { store } = renderPiece(
      of({
        kind: 'grid',
        lattice: 'squares',
        halves: false,
        halfStitches: null,
        cornerChains: 2,
        cells: ['##', '##'],
        edge: { kind: 'solid', stitch: 'dc', stitches: 20, between: false },
        motifCm: 14,
      }),
    );
    fireEvent.click(screen.getByRole('button', { name: 'Leave out' }));
    fireEvent.click(screen.getByRole('button', { name: 'Leave out motif 2 of row 1' }));
    expect(store.get().plan.hem.piece).toMatchObject({ cells: ['#.', '##'] });
    expect(store.get().plan.sides).toHaveLength(6);
    fireEvent.click(screen.getByRole('button', { name: 'Fill the whole field' }));
    expect(store.get().plan.sides).toHaveLength(4);
  });

  test('counted by hand: sides come and go, and an outline that does not close is said', () => {
    const { store } = renderPiece(
      of({
        kind: 'counted',
        sides: [60, 60, 60].map((n) => ({ lengthCm: n, stitches: 84, turnDegrees: 120 })),
      }),
    );
    type('Stitches on B', '90');
    expect(store.get().plan.sides[1]!.count).toBe(90);
    fireEvent.click(screen.getByRole('button', { name: 'Another side' }));
    expect(screen.getByText(/the corners do not close the outline: 480°/)).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Remove side D' }));
    expect(screen.queryByText(/do not close/)).toBeNull();
  });

  test('a corner moves by the arrow keys; lengths, angle and counts follow, and all still closes', () => {
    const { store } = renderPiece(
      of({
        kind: 'counted',
        sides: [60, 40, 60, 40].map((n) => ({ lengthCm: n, stitches: n, turnDegrees: 90 })),
      }),
    );
    const handle = screen.getByRole('button', { name: /corner between D and A: drag it/i });
    for (let k = 0; k < 5; k++) fireEvent.keyDown(handle, { key: 'ArrowRight' });
    const { piece } = store.get().plan.hem;
    if (piece.kind !== 'counted') throw new Error('a counted piece was wanted');
    expect(piece.sides[0]!.lengthCm).toBeCloseTo(65, 0);
    expect(piece.sides[0]!.stitches).toBeCloseTo(65, -1);
    expect(piece.sides.reduce((sum, s) => sum + s.turnDegrees, 0)).toBeCloseTo(360, 0);
    expect(screen.queryByText(/do not close/)).toBeNull();
  });

  test('a corner of a hexagon that moves out makes all its sides longer', () => {
    const { store } = renderPiece(
      of({
        kind: 'motif',
        corners: 6,
        cornerChains: 2,
        edge: { kind: 'solid', stitch: 'dc', stitches: 30, between: false },
        sideCm: 20,
      }),
    );
    fireEvent.keyDown(screen.getByRole('button', { name: /corner between F and A: drag it/i }), {
      key: 'ArrowRight',
    });
    expect(store.get().plan.body.outline.sides.map((s) => s.lengthMm / 10)).toEqual(
      Array.from({ length: 6 }, () => store.get().plan.body.outline.sides[0]!.lengthMm / 10),
    );
    expect(store.get().plan.body.outline.sides[0]!.lengthMm).toBeGreaterThan(200);
  });

  test('what is half typed or out of range changes nothing', () => {
    const { store } = renderPiece(base);
    const before = store.get().plan.hem.piece;
    const [field] = screen.getAllByRole('spinbutton', { name: 'Stitches in a row' });
    fireEvent.change(field!, { target: { value: '' } });
    fireEvent.change(field!, { target: { value: 'abc' } });
    expect(store.get().plan.hem.piece).toEqual(before);
  });

  test('a table of sides takes their place; one with a fault leaves them', async () => {
    const { store } = renderPiece(
      of({
        kind: 'counted',
        sides: [60, 60, 60].map((n) => ({ lengthCm: n, stitches: 84, turnDegrees: 120 })),
      }),
    );
    const chooser = screen.getByLabelText('Sides from a CSV file', { selector: 'input' });
    const file = (text: string): File =>
      Object.assign(new File([text], 's.csv'), { text: () => Promise.resolve(text) });
    fireEvent.change(chooser, { target: { files: [file('length,stitches\n60,none')] } });
    await waitFor(() => expect(screen.getByRole('alert').textContent).toContain('line 2, column “stitches”'));
    expect(store.get().plan.sides).toHaveLength(3);
    fireEvent.change(chooser, { target: { files: [file('length,stitches\n50,70\n50,70\n50,70\n50,70')] } });
    await waitFor(() => expect(store.get().plan.sides.map((s) => s.count)).toEqual([70, 70, 70, 70]));
    expect(screen.queryByRole('alert')).toBeNull();
  });
});

describe('the color of a part', () => {
  const press = (name: string | RegExp): void => void fireEvent.click(screen.getByRole('button', { name }));

  test('is picked from the basket or the card, slid, and given back to the piece', async () => {
    const { store } = renderPiece(base);
    const own = (): unknown => store.get().plan.hem.partColours;
    press('Color of section 1');
    const basket = within(await screen.findByRole('radiogroup', { name: 'From the basket' }));
    fireEvent.click(basket.getByRole('radio', { name: base.yarns[1]!.name }));
    expect(own()).toEqual({ '0': base.yarns[1]!.colour });
    fireEvent.click(screen.getByRole('radio', { name: 'full teal' }));
    const { '0': teal } = own() as Record<string, string>;
    expect(teal).toMatch(/^#[0-9a-f]{6}$/);
    fireEvent.change(screen.getByRole('slider', { name: 'Lightness' }), { target: { value: '80' } });
    expect(own()).not.toEqual({ '0': teal });
    press('As the rest of the piece');
    expect(own()).toEqual({});
  });

  test('motifs of a grid are colored with a brush, and left out without', () => {
    const grid: Piece = {
      kind: 'grid',
      lattice: 'squares',
      halves: false,
      halfStitches: null,
      cornerChains: 2,
      cells: ['##', '##'],
      edge: { kind: 'solid', stitch: 'dc', stitches: 12, between: false },
      motifCm: 12,
    };
    const { store } = renderPiece(of(grid));
    press(`Paint with ${base.yarns[0]!.name}`);
    press('Color motif 2 of row 1');
    expect(store.get().plan.hem.partColours).toEqual({ '1': base.yarns[0]!.colour });
    press('Whole rows');
    press('Color motif 1 of row 2');
    expect(Object.keys(store.get().plan.hem.partColours)).toEqual(['1', '60', '61']);
    press('Alternately');
    expect(store.get().plan.hem.partColours).not.toHaveProperty('0');
    press('Paint with the color of the piece');
    press('Color motif 1 of row 2');
    expect(Object.keys(store.get().plan.hem.partColours)).not.toContain('60');
    press('Leave out');
    press('Leave out motif 2 of row 1');
    expect(store.get().plan.hem.piece).toMatchObject({ cells: ['#.', '##'] });
    press('Leave out motif 2 of row 1, left out');
    expect(store.get().plan.hem.piece).toMatchObject({ cells: ['##', '##'] });
  });

  test('motifs take another shape, half ones and rings, and keep their number', () => {
    const { store } = renderPiece(
      of({
        kind: 'grid',
        lattice: 'squares',
        halves: false,
        halfStitches: null,
        cornerChains: 2,
        cells: ['###', '###'],
        edge: { kind: 'solid', stitch: 'dc', stitches: 12, between: false },
        motifCm: 12,
      }),
    );
    const sides = (): number => store.get().plan.sides.length;
    fireEvent.click(screen.getByRole('radio', { name: 'Hexagons, a point up' }));
    expect(sides()).toBe(18);
    expect(store.get().plan.hem.base.corner).toBe('angle');
    fireEvent.click(screen.getByRole('radio', { name: 'Squares on their point' }));
    fireEvent.click(screen.getByRole('checkbox', { name: /half motifs/ }));
    expect(sides()).toBe(4);
    expect(screen.getAllByRole('spinbutton', { name: 'Motifs across' })[0]!).toHaveProperty('value', '3');
    const long = screen.getByRole('spinbutton', { name: 'Stitches on a half motif’s long side' });
    expect(long.getAttribute('placeholder')).toBe('18');
    type('Stitches on a half motif’s long side', '20');
    expect(store.get().plan.hem.piece).toMatchObject({ halfStitches: 20 });
    fireEvent.click(screen.getByRole('radio', { name: 'Hexagons, a flat side up' }));
    press('rings around one motif');
    expect(sides()).toBe(30);
  });
});
