/** @jest-environment jsdom */
import { describe, expect, test } from '@jest/globals';
import { fireEvent, screen } from '@testing-library/react';
import * as edits from '../../core/edits/base.ts';
import { rowsHem } from '../../core/testing/hems.ts';
import { useHemStore } from '../hem/context.ts';
import { renderHem } from '../testing/render.tsx';
import { Run } from './Run.tsx';

function SideA({ plan }: { readonly plan: Parameters<typeof Run>[0]['plan'] }) {
  const store = useHemStore();
  return (
    <Run
      plan={plan}
      side={0}
      onPlace={(spot, stitches, was) => store.do(edits.placeByEye('A', 0, spot, stitches, was))}
      onClear={() => store.do(edits.clearByEye('A', 0))}
      onEnd={null}
    />
  );
}

describe('a side, stitch by stitch', () => {
  test('a place that is touched takes one more, one fewer or none', () => {
    const { store, container } = renderHem(rowsHem(), (plan) => <SideA plan={plan} />);
    const at = (): number => store.get().plan.sides[0]!.placement[6]!;
    fireEvent.click(container.querySelectorAll('.spot')[6]!);
    expect(screen.getByText('st 7: 1 stitch')).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'One more' }));
    expect([at(), store.get().plan.sides[0]!.count]).toEqual([2, 151]);
    fireEvent.click(screen.getByRole('button', { name: 'None' }));
    expect([at(), store.get().plan.sides[0]!.count]).toEqual([0, 149]);
    expect(container.textContent).toContain('1 in each st, but none in st 7.');
    fireEvent.click(screen.getByRole('button', { name: 'Nothing by eye here' }));
    expect(at()).toBe(1);
  });

  test('the same with keys', () => {
    const { store } = renderHem(rowsHem(), (plan) => <SideA plan={plan} />);
    const run = screen.getByRole('application', { name: /^Side A, stitch by stitch/ });
    for (const key of ['ArrowRight', 'ArrowRight', '+', '+']) fireEvent.keyDown(run, { key });
    expect(store.get().plan.sides[0]!.placement.slice(0, 3)).toEqual([1, 3, 1]);
    fireEvent.keyDown(run, { key: '-' });
    expect(store.get().plan.sides[0]!.placement[1]).toBe(2);
    fireEvent.keyDown(run, { key: 'Backspace' });
    expect(store.get().plan.hem.base.sides[0]!.spots).toEqual({});
  });
});
