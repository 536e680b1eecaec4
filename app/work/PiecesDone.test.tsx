/** @jest-environment jsdom */
import { expect, test } from '@jest/globals';
import { act, fireEvent, screen } from '@testing-library/react';
import { ONE_PIECE } from '../../core/alike/alike.ts';
import { identityOfRound } from '../../core/plan/types.ts';
import { entry, rowsHem } from '../../core/testing/hems.ts';
import { workedUpTo } from '../../core/work/progress.ts';
import { renderHem } from '../testing/render.tsx';
import { PiecesDone } from './PiecesDone.tsx';

const many = (count: number) => ({ ...rowsHem({ rounds: [entry()] }), alike: { ...ONE_PIECE, count } });

test('pieces are ticked and unticked', () => {
  const { store } = renderHem(many(24), () => <PiecesDone />);
  fireEvent.click(screen.getByRole('button', { name: 'Piece 5' }));
  expect(screen.getByText('5 of 24 done.')).toBeTruthy();
  fireEvent.click(screen.getByRole('button', { name: 'Piece 3' }));
  expect(store.get().plan.hem.alike.done).toBe(2);
});

test('more than can be ticked are counted', () => {
  renderHem(many(200), () => <PiecesDone />);
  fireEvent.click(screen.getByRole('button', { name: 'One more' }));
  expect(screen.getByText('1 of 200 done.')).toBeTruthy();
  fireEvent.click(screen.getByRole('button', { name: 'One fewer' }));
  expect(screen.getByText('0 of 200 done.')).toBeTruthy();
});

test('when the border is done the next piece is taken up, of which nothing is made', () => {
  const { store } = renderHem(many(3), () => <PiecesDone />);
  expect(screen.queryByRole('button', { name: /the next piece/ })).toBeNull();
  act(() => {
    store.note(...workedUpTo(store.get().plan, 1));
    const round = identityOfRound(store.get().plan.rounds.at(-1)!);
    store.note({ did: 'closed', round, ends: 2, pins: null });
  });
  const events = store.get().plan.hem.record.length;
  fireEvent.click(screen.getByRole('button', { name: 'This one is done: the next piece' }));
  const { plan } = store.get();
  expect(plan.hem.alike.done).toBe(1);
  expect(plan.hem.record).toHaveLength(events + 1);
  expect(plan.rounds.every((r) => r.done === null)).toBe(true);
  expect(screen.queryByRole('button', { name: /the next piece/ })).toBeNull();
});
