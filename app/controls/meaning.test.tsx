/** @jest-environment jsdom */
import { expect, test } from '@jest/globals';
import { fireEvent, screen } from '@testing-library/react';
import { rowsHem } from '../../core/testing/hems.ts';
import { renderHem } from '../testing/render.tsx';
import { Meaning, WithMeanings } from './Meaning.tsx';

test('a word says what it means when it is pressed, in the terms of the hem, and where it is drawn', async () => {
  const hem = rowsHem();
  renderHem({ ...hem, preferences: { ...hem.preferences, language: 'uk' } }, () => (
    <p>
      <Meaning of="gauge" as="Gauge" /> <Meaning of="third loop" />
    </p>
  ));
  fireEvent.click(screen.getByRole('button', { name: 'Tension' }));
  expect(await screen.findByText(/^How many stitches there are in 10 cm/)).toBeTruthy();
  fireEvent.click(screen.getByRole('button', { name: 'third loop' }));
  const drawn = await screen.findByRole('link', { name: 'See it drawn' });
  expect(drawn.getAttribute('href')).toBe('/stitches?terms=uk&hand=right&hem=test#loops');
});

test('words of a sentence are explained where they first stand, and the sentence stays as it is', () => {
  const { container } = renderHem(rowsHem(), () => (
    <WithMeanings of={['dye lot', 'blocking']}>Blocking helps. Have 1 ball more, same dye lot.</WithMeanings>
  ));
  expect(container.textContent).toContain('Blocking helps. Have 1 ball more, same dye lot.');
  expect(screen.getAllByRole('button').map((b) => b.textContent)).toEqual(['Blocking', 'dye lot']);
});
