/** @jest-environment jsdom */
import { describe, expect, test, jest } from '@jest/globals';
import { act, fireEvent, screen } from '@testing-library/react';
import type { RoundEntry } from '../../core/document/hem.ts';
import { parseRound } from '../../core/notation/parse.ts';
import { changePiece } from '../../core/document/changePiece.ts';
import { newOwnEntry } from '../../core/stack/stack.ts';
import { entry, rowsHem } from '../../core/testing/hems.ts';
import { renderHem } from '../testing/render.tsx';
import { OwnRound } from './OwnRound.tsx';
import { PasteRounds } from './PasteRounds.tsx';
import { Stack } from './Stack.tsx';
import { StrainStrip } from './StrainStrip.tsx';

describe('pasted rounds', () => {
  const renderPaste = () => {
    const pasted: (readonly RoundEntry[])[] = [];
    renderHem(rowsHem(), (plan) => <PasteRounds plan={plan} onRounds={(r) => pasted.push(r)} />);
    return { pasted, text: screen.getByRole('textbox', { name: 'Written rounds' }) };
  };

  test('are read as they are typed, in the language that is chosen', () => {
    const { pasted, text } = renderPaste();
    fireEvent.change(text, {
      target: { value: 'Rounds 1–2\nEach side: *dc in next st*\nCorner: 3 dc in corner' },
    });
    fireEvent.click(screen.getByText('UK terms'));
    fireEvent.click(screen.getByRole('button', { name: 'Add 2 rounds' }));
    expect(pasted[0]).toHaveLength(1);
    const [added] = pasted[0]!;
    expect(added).toMatchObject({ family: 'own', times: 2, yarns: ['y1'], written: { language: 'uk' } });
    const read = parseRound(added!.written!.text, 'uk');
    expect(read.ok && read.value.corner.group.map((s) => s.kind)).toEqual(['sc', 'sc', 'sc']);
  });

  test('keep quiet changes on the sides that the piece has', () => {
    const { pasted, text } = renderPaste();
    fireEvent.change(text, {
      target: {
        value:
          'Round 1\nEach side: *sc in next st*\nCorner: 3 sc in corner\nQuiet change: on B 2 in one place 3 times, evenly; on Q 2 together once.',
      },
    });
    fireEvent.click(screen.getByRole('button', { name: 'Add 1 round' }));
    expect(pasted[0]![0]!.changes).toEqual({ '0': [0, 3, 0, 0] });
  });

  test('with a fault are not taken, and the text stays', () => {
    const { pasted, text } = renderPaste();
    fireEvent.change(text, { target: { value: 'Round 1\nEach side: *knit in next st*' } });
    expect(screen.getByRole('alert').textContent).toContain('line 2: cannot read “knit”');
    fireEvent.click(screen.getByRole('button', { name: 'Add them' }));
    expect(pasted).toEqual([]);
    expect((text as HTMLTextAreaElement).value).toContain('knit');
  });
});

describe('an own round', () => {
  test('says its multiple, and points at what cannot be read without losing it', () => {
    const own = newOwnEntry('o', 'y1', 'us');
    const { store } = renderHem(rowsHem({ rounds: [own] }), (plan) => (
      <OwnRound entry={plan.hem.rounds[0]!} language="uk" />
    ));
    const text = screen.getByRole('textbox', { name: 'Own round in US terms' });
    expect(screen.getByText(/Fits any count\. Written in US terms\./)).toBeTruthy();
    fireEvent.change(text, {
      target: { value: 'side: *sk 1, 5 dc in next st, sk 1, sl st in next st*\ncorner: 7 dc in corner' },
    });
    expect(screen.getByText(/multiple of 4 and 0 more/)).toBeTruthy();
    fireEvent.change(text, { target: { value: 'side: *sk 1, 5 zz in next st*' } });
    expect(screen.getAllByRole('alert')[0]!.textContent).toMatch(/line 1, column 16: cannot read “zz”/);
    expect((text as HTMLTextAreaElement).value).toContain('zz');
    expect(document.querySelector('mark')!.textContent).toBe('zz');
    expect(store.get().plan.hem.rounds[0]!.written!.text).toContain('zz');
  });

  test('undo and redo in the box do what the box shows, a pause at a time', () => {
    jest.useFakeTimers();
    const own = newOwnEntry('o', 'y1', 'us');
    const { store } = renderHem(rowsHem({ rounds: [own] }), (plan) => (
      <OwnRound entry={plan.hem.rounds[0]!} language="us" />
    ));
    const box = (): HTMLTextAreaElement => screen.getByRole('textbox', { name: 'Own round in US terms' });
    const before = box().value;
    for (const typed of ['s', 'si', 'sid']) fireEvent.change(box(), { target: { value: typed } });
    act(() => jest.advanceTimersByTime(1000));
    fireEvent.change(box(), { target: { value: 'side: x' } });
    fireEvent.keyDown(box(), { key: 'z', ctrlKey: true });
    expect(box().value).toBe('sid');
    fireEvent.keyDown(box(), { key: 'z', ctrlKey: true });
    expect(box().value).toBe(before);
    fireEvent.keyDown(box(), { key: 'z', ctrlKey: true, shiftKey: true });
    expect(box().value).toBe('sid');
    expect(store.get().plan.hem.rounds[0]!.written!.text).toBe('sid');
    jest.useRealTimers();
  });
});

describe('the stack', () => {
  const two = rowsHem({
    rounds: [entry(), entry({ id: 'r2', family: 'shell', stitch: 'hdc', yarn: 'y2' })],
  });

  test('shows every entry with its counts, the outermost on top, and what is not even', () => {
    const { container, store } = renderHem(two, (plan) => (
      <Stack plan={plan} looked={null} onLook={() => undefined} />
    ));
    const text = container.textContent;
    expect(text.indexOf('Shell edge')).toBeLessThan(text.indexOf('Plain round'));
    expect(text.indexOf('Plain round')).toBeLessThan(text.indexOf('Base round'));
    const { plan } = store.get();
    expect(text).toContain(`${plan.rounds[1]!.total} in all`);
    expect(text).toMatch(/Does not fit: A \d over/);
  });

  test('what is counted of an entry is what its last ring holds, chain spaces beside the stitches', () => {
    const moss = rowsHem({ counts: [149, 167, 149, 167], rounds: [entry({ family: 'moss', times: 2 })] });
    const { container, store } = renderHem(moss, (plan) => (
      <Stack plan={plan} looked={null} onLook={() => undefined} />
    ));
    const { plan } = store.get();
    const { tally } = plan.rounds[2]!.sides[0]!;
    expect(tally.spaces).toBeGreaterThan(0);
    expect(container.textContent).toContain(`A ${tally.stitches} and ${tally.spaces} spaces`);
  });

  test('stripes give every round its yarn, and an entry may start elsewhere', () => {
    const { store } = renderHem(rowsHem({ rounds: [entry({ times: 3 })] }), (plan) => (
      <Stack plan={plan} looked={null} onLook={() => undefined} />
    ));
    fireEvent.click(screen.getByRole('button', { name: 'Stripes' }));
    expect(
      store
        .get()
        .plan.rounds.slice(1)
        .map((r) => r.yarnId),
    ).toEqual(['y1', 'y2', 'y1']);
    fireEvent.click(screen.getByRole('button', { name: 'One fewer' }));
    expect(store.get().plan.hem.rounds[0]!.yarns).toEqual(['y1']);
    fireEvent.click(screen.getByRole('checkbox', { name: 'Plain round starts elsewhere' }));
    expect(store.get().plan.hem.rounds[0]!.start).toMatchObject({ at: 'corner', side: 0 });
    fireEvent.click(screen.getByRole('checkbox', { name: 'Plain round starts elsewhere' }));
    expect(store.get().plan.hem.rounds[0]!.start).toBeNull();
  });

  test('on a circle nothing is said of corners', () => {
    const start = rowsHem();
    const disc = {
      ...start,
      ...changePiece(start, {
        kind: 'motif',
        corners: 0,
        cornerChains: 0,
        edge: { kind: 'solid', stitch: 'dc', stitches: 80 },
        sideCm: 57,
      }),
      rounds: [entry()],
    };
    renderHem(disc, (plan) => <Stack plan={plan} looked={null} onLook={() => undefined} />);
    expect(screen.queryByRole('combobox', { name: 'Corner' })).toBeNull();
    expect(screen.queryByText('fit may choose it')).toBeNull();
  });

  test('a round is taken out with one click, and comes back with undo', () => {
    const { store } = renderHem(two, (plan) => <Stack plan={plan} looked={null} onLook={() => undefined} />);
    fireEvent.click(screen.getByRole('button', { name: 'Take Shell edge off' }));
    expect(store.get().plan.hem.rounds.map((r) => r.id)).toEqual(['r1']);
    act(() => store.undo());
    expect(store.get().plan.hem.rounds.map((r) => r.id)).toEqual(['r1', 'r2']);
  });

  test('a round is looked at by its name, and let go the same way', () => {
    const looked: (number | null)[] = [];
    renderHem(two, (plan) => <Stack plan={plan} looked={1} onLook={(r) => looked.push(r)} />);
    fireEvent.click(screen.getByRole('button', { name: /^2 Shell edge/ }));
    fireEvent.click(screen.getByRole('button', { name: /^1 Plain round/, pressed: true }));
    expect(looked).toEqual([2, null]);
  });
});

test('lay-flat has a bar for every side of every round, to the side that its strain says', () => {
  const { container, store } = renderHem(
    rowsHem({ counts: [180, 150, 180, 150], rounds: [entry()] }),
    (plan) => <StrainStrip plan={plan} />,
  );
  const { rounds } = store.get().plan;
  const bars = [...container.querySelectorAll('rect.ripple, rect.cup')];
  expect(bars).toHaveLength(rounds.length * 4);
  const ripples = rounds.flatMap((r) => r.sides).filter((s) => s.strain > 0).length;
  expect(container.querySelectorAll('rect.ripple')).toHaveLength(ripples);
  expect(ripples).toBeGreaterThan(0);
  expect(bars[0]!.querySelector('title')!.textContent).toMatch(/^Plain round, side A: \+\d+\.\d %, ripples$/);
});
