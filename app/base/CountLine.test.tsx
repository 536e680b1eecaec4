/** @jest-environment jsdom */
import { describe, expect, test } from '@jest/globals';
import { act, fireEvent, screen } from '@testing-library/react';
import { evenCounts } from '../../core/fit/task.ts';
import { entry, rowsHem } from '../../core/testing/hems.ts';
import { renderHem } from '../testing/render.tsx';
import { CountLine } from './CountLine.tsx';
import { setCount } from '../../core/edits/base.ts';

const shelled = rowsHem({ rounds: [entry({ family: 'shell', stitch: 'hdc', corner: 'three' })] });

function renderLine(side = 0) {
  return renderHem(shelled, (plan) => <Line side={side} plan={plan} />);
}

function Line({
  side,
  plan,
}: {
  readonly side: number;
  readonly plan: Parameters<typeof CountLine>[0]['plan'];
}) {
  return (
    <CountLine
      plan={plan}
      side={side}
      even={evenCounts(plan, side)}
      onCount={(count) => counted.push(count)}
      onSpacing={(id) => spacings.push(id)}
    />
  );
}
const counted: number[] = [];
const spacings: string[] = [];

describe('the count line', () => {
  test('steps by one, and jumps to the next count at which all comes out even', () => {
    const { store } = renderLine();
    const { plan } = store.get();
    const now = plan.sides[0]!.count;
    const even = evenCounts(plan, 0);
    const handle = screen.getByRole('slider', { name: 'Stitches along side A' });
    expect(handle.getAttribute('aria-valuenow')).toBe(String(plan.rounds[0]!.sides[0]!.tally.stitches));
    counted.length = 0;
    fireEvent.keyDown(handle, { key: 'ArrowRight' });
    fireEvent.keyDown(handle, { key: 'ArrowLeft' });
    fireEvent.keyDown(handle, { key: 'PageUp' });
    fireEvent.keyDown(handle, { key: 'PageDown' });
    expect(counted).toEqual([now + 1, now - 1, even.find((c) => c > now), even.findLast((c) => c < now)]);
  });

  test('the buttons do what the keys do', () => {
    const { store } = renderLine(1);
    const now = store.get().plan.sides[1]!.count;
    counted.length = 0;
    fireEvent.click(screen.getByRole('button', { name: 'One stitch more on side B' }));
    fireEvent.click(screen.getByRole('button', { name: 'One stitch fewer on side B' }));
    expect(counted).toEqual([now + 1, now - 1]);
  });

  test('every spacing has its flag, which chooses it', () => {
    const { store } = renderLine(1);
    const { spacings: flags, corners } = store.get().plan.sides[1]!;
    expect(flags.length).toBeGreaterThan(2);
    spacings.length = 0;
    for (const { label, count } of flags) {
      fireEvent.click(screen.getByRole('button', { name: new RegExp(`^${label}.*${count + corners}`) }));
    }
    expect(spacings).toEqual(flags.map((f) => f.id));
  });

  test('no number of the axis is half hidden by the tag with the count', () => {
    const { store, container } = renderLine();
    const { count } = store.get().plan.sides[0]!;
    const x = (g: Element): number => Number(/translate\((\S+) /.exec(g.getAttribute('transform')!)![1]);
    let hidden = 0;
    for (let by = -6; by <= 6; by++) {
      act(() => void store.do(setCount('A', [0], count + by, 0)));
      const at = x(screen.getByRole('slider'));
      for (const tick of container.querySelectorAll('.tick')) {
        const far = Math.abs(x(tick) - at) > 36;
        expect(tick.querySelector('text') !== null).toBe(far);
        if (!far) hidden++;
      }
    }
    expect(hidden).toBeGreaterThan(0);
  });

  test('a count that is not even says so, one that is says that too', () => {
    const { store, container } = renderLine();
    const handle = () => screen.getByRole('slider').getAttribute('aria-valuetext');
    expect(handle()).not.toContain('every round fits');
    const even = evenCounts(store.get().plan, 0)[0]!;
    expect(container.querySelectorAll('.evenMark').length).toBeGreaterThan(3);
    act(() => void store.do(setCount('A', [0], even, 0)));
    return screen.findByText(/Every round fits/i).then(() => {
      expect(handle()).toContain('every round fits');
    });
  });
});
