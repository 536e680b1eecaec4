/** @jest-environment jsdom */
import { expect, test } from '@jest/globals';
import { fireEvent, screen } from '@testing-library/react';
import { PIECES, on, small } from '../../core/testing/anyHem.ts';
import { entry } from '../../core/testing/hems.ts';
import { renderHem } from '../testing/render.tsx';
import { AlongPart } from './AlongPart.tsx';

const pieceOf = (called: string) => PIECES.find(([name]) => name === called)![1];
const hem = on(pieceOf('a solid square'), small({ rounds: [entry()] }));

const choose = (name: string, option: string): void => {
  fireEvent.mouseDown(screen.getByRole('combobox', { name: new RegExp(`^${name}`) }));
  fireEvent.click(screen.getByText(option));
};

test('a border goes all around till a part is chosen, and is worked in rows then', () => {
  const { store } = renderHem(hem, () => <AlongPart />);
  fireEvent.click(screen.getByText('Only a part'));
  expect(screen.queryByRole('combobox', { name: /^Corner at which rows begin/ })).toBeNull();
  choose('How far the border goes', 'in rows, turned');
  expect(store.get().plan.hem.base.part).toEqual({ first: 0, sides: 1, from: 0, to: null, cut: false });
  expect(
    screen.getByText(/^Work in rows along side A alone, from corner D\/A to corner A\/B\./),
  ).toBeTruthy();
  const field = screen.getByRole('spinbutton', { name: 'Sides along which it goes' });
  fireEvent.change(field, { target: { value: '3' } });
  fireEvent.blur(field);
  choose('Corner at which rows begin', 'B/C');
  expect(screen.getByText(/along sides C, D and A alone/)).toBeTruthy();
  expect(store.get().plan.rounds.map((r) => r.facing)).toEqual(['right', 'wrong']);
});

test('a stretch can be let go again', () => {
  const part = { first: 0, sides: 1, from: 3, to: 20, cut: true };
  const { store } = renderHem({ ...hem, base: { ...hem.base, part } }, () => <AlongPart />);
  expect(screen.getByText(/from st 3 of side A to st 20 of side A\. Cut the yarn/)).toBeTruthy();
  fireEvent.click(screen.getByRole('button', { name: 'From corner to corner again' }));
  expect(store.get().plan.hem.base.part).toEqual({ ...part, from: 0, to: null });
});

test('a circle has no part', () => {
  const { container } = renderHem(on(pieceOf('a disc')), () => <AlongPart />);
  expect(container.textContent).not.toContain('Only a part');
});
