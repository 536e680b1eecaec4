/** @jest-environment jsdom */
import { beforeEach, describe, expect, test } from '@jest/globals';
import { fireEvent, screen } from '@testing-library/react';
import { PIECE_KINDS, CONSTRUCTIONS } from '../../core/piece/registry.ts';
import { renderAlone } from '../testing/render.tsx';
import { StartPage } from './StartPage.tsx';

beforeEach(() => {
  renderAlone(<StartPage />);
});
const press = (name: string): void => void fireEvent.click(screen.getByRole('button', { name }));
/** What is known of the hands comes first. */
const made = async (name: string): Promise<void> => {
  press(name);
  await screen.findAllByRole('spinbutton');
};
const fields = (): readonly string[] =>
  screen.getAllByRole('spinbutton').map((f) => f.getAttribute('aria-label')!);

describe('a new hem', () => {
  test('is told by a picture and a few numbers, whatever was made', async () => {
    expect(screen.getByRole('heading', { name: 'What did you make?' })).toBeTruthy();
    for (const kind of PIECE_KINDS) {
      await made(CONSTRUCTIONS[kind].name);
      expect(fields()).toEqual([...CONSTRUCTIONS[kind].asked.map((a) => a.what), 'Width of the border']);
      press('Something else');
    }
  });

  test('has its size at once', async () => {
    await made('Rows');
    expect(screen.getByText(/^90 × 91 cm\. Worsted yarn/)).toBeTruthy();
    const width = screen.getByRole('spinbutton', { name: 'Width' });
    fireEvent.change(width, { target: { value: '60' } });
    fireEvent.blur(width);
    // Its rows are as high as they are wide: a third less is a third less high.
    expect(screen.getByText(/^60 × 6\d(\.5)? cm\./)).toBeTruthy();
  });

  test('takes numbers while they are typed, and the stitch of its rows', async () => {
    await made('Rows');
    fireEvent.change(screen.getByRole('spinbutton', { name: 'Width' }), { target: { value: '45' } });
    expect(screen.getByText(/^45 × 4\d(\.5)? cm\./)).toBeTruthy();
    fireEvent.click(screen.getByRole('radio', { name: 'single crochet' }));
    // Single crochet is half as high as double, or less.
    expect(screen.getByText(/^45 × [12]\d(\.5)? cm\./)).toBeTruthy();
  });

  test('keeps what was typed while something else is looked at', async () => {
    await made('Rows');
    const typed = { Width: '110', Height: '140', Rows: '120' };
    for (const [name, value] of Object.entries(typed)) {
      const field = screen.getByRole('spinbutton', { name });
      fireEvent.change(field, { target: { value } });
      fireEvent.blur(field);
    }
    press('Something else');
    await made('One big motif');
    press('Something else');
    await made('Rows');
    for (const [name, value] of Object.entries(typed))
      expect(Number(screen.getByRole<HTMLInputElement>('spinbutton', { name }).value)).toBe(Number(value));
    expect(screen.getByText(/^110 × 140 cm\./)).toBeTruthy();
  });

  test('is shown the edges on what was made, without rounds of one’s own', async () => {
    await made('One big motif');
    press('Choose an edge');
    expect(screen.getByRole('heading', { name: 'Which edge?' })).toBeTruthy();
    expect(screen.getByRole('button', { name: 'Shell edge: add it' })).toBeTruthy();
    expect(screen.queryByRole('button', { name: 'Write a round of your own' })).toBeNull();
    press('Back to the piece');
    expect(fields()).toHaveLength(4);
  });
});
