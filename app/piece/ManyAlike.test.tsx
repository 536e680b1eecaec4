/** @jest-environment jsdom */
import { expect, test } from '@jest/globals';
import { fireEvent, screen } from '@testing-library/react';
import { ONE_PIECE } from '../../core/alike/alike.ts';
import { PIECES, on, small } from '../../core/testing/anyHem.ts';
import { entry } from '../../core/testing/hems.ts';
import { renderHem } from '../testing/render.tsx';
import { ManyAlike } from './ManyAlike.tsx';

const square = PIECES.find(([name]) => name === 'a solid square')![1];
const hem = { ...on(square, small({ rounds: [entry()] })), alike: ONE_PIECE };

const type = (name: string, value: string): void => {
  const field = screen.getByRole('spinbutton', { name });
  fireEvent.change(field, { target: { value } });
  fireEvent.blur(field);
};

test('a single piece is asked for no more than how many there are', () => {
  renderHem(hem, () => <ManyAlike />);
  fireEvent.click(screen.getByText('Many alike'));
  expect(screen.queryByRole('combobox', { name: /^How they are joined/ })).toBeNull();
  type('Pieces with this border', '24');
  expect(screen.getByText('24 alike')).toBeTruthy();
  expect(screen.getByText('Make 24.')).toBeTruthy();
});

test('how they lie, what joining takes, and sides that do not pair off, which one press mends', () => {
  const sides = hem.base.sides.map((s, i) => (i === 2 ? { ...s, count: 24 } : s));
  const { store } = renderHem(
    {
      ...hem,
      base: { ...hem.base, sides },
      alike: { ...ONE_PIECE, count: 24, across: 4, join: 'slip stitch' },
    },
    () => <ManyAlike />,
  );
  expect(screen.getByText(/4 across, 6 down: 8 seams, \d+ joins, about .* of Plain yarn and/)).toBeTruthy();
  expect(screen.getByText('Sides A and C meet, with 25 and 28 places to join.')).toBeTruthy();
  fireEvent.click(screen.getByRole('button', { name: 'Do it' }));
  expect(store.get().plan.joining!.unequal).toEqual([]);
  expect(screen.queryByText(/places to join/)).toBeNull();
  type('Pieces across', '6');
  expect(screen.getByText(/^6 across, 4 down/)).toBeTruthy();
});

test('what cannot be joined says why', () => {
  renderHem({ ...hem, alike: { ...ONE_PIECE, count: 4, join: 'as they are made' } }, () => <ManyAlike />);
  expect(screen.getByText(/has no chain spaces along its sides/)).toBeTruthy();
});
