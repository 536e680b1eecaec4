/** @jest-environment jsdom */
import { expect, test } from '@jest/globals';
import { fireEvent, screen } from '@testing-library/react';
import { demoHems } from '../../demo/read.ts';
import dayjs from 'dayjs';
import { paceKnown, paceOf } from '../../core/evidence/estimates.ts';
import { plan as planOf } from '../../core/plan/planner.ts';
import { leftOf } from '../../core/work/progress.ts';
import { plural, timeWords } from '../../core/say/measures.ts';
import { rowsHem } from '../../core/testing/hems.ts';
import { renderHem } from '../testing/render.tsx';
import { LogPage } from './LogPage.tsx';

const begun = demoHems().find((hem) => hem.record.some((e) => e.did === 'weighed'))!;

test('without work the log says where it comes from', () => {
  renderHem(rowsHem(), () => <LogPage />);
  expect(screen.getByRole('link', { name: 'Work page' })).toBeTruthy();
});

test('entries are filtered by kind', () => {
  renderHem(begun, () => <LogPage />);
  const all = screen.getAllByRole('listitem').length;
  fireEvent.click(screen.getByRole('button', { name: 'Counts' }));
  const counted = screen.getAllByRole('listitem');
  expect(counted.length).toBeLessThan(all);
  for (const line of counted) expect(line.textContent).toMatch(/counted:/);
});

test('a count is struck and counts again; a weight is put right', () => {
  const { store } = renderHem(begun, () => <LogPage />);
  const done = () => store.get().plan.hem.record.filter((e) => e.did === 'struck');
  fireEvent.click(screen.getAllByRole('button', { name: /^Cross out: .*counted/ })[0]!);
  expect(done().at(-1)).toMatchObject({ counts: false, grams: null });
  fireEvent.click(screen.getByRole('button', { name: /^Count it again, as noted/ }));
  expect(done().at(-1)).toMatchObject({ counts: true });

  const before = store.get().plan.hem.record.length;
  fireEvent.click(screen.getAllByRole('button', { name: /^Correct: .* weighed/ })[0]!);
  const field = screen.getByRole('spinbutton', { name: /What the scale should have said/ });
  fireEvent.change(field, { target: { value: '33' } });
  fireEvent.blur(field);
  fireEvent.click(screen.getByRole('button', { name: 'Note it' }));
  expect(store.get().plan.hem.record).toHaveLength(before + 1);
  expect(screen.getByText(/33 g \(noted as \d+(\.\d+)? g\)/)).toBeTruthy();
});

test('a day by which it is to be ready says what a day must bring', () => {
  renderHem(begun, () => <LogPage />);
  fireEvent.change(screen.getByLabelText(/To be ready by/), { target: { value: '2001-01-01' } });
  expect(screen.getByText(/That day has gone by/)).toBeTruthy();
  fireEvent.change(screen.getByLabelText(/To be ready by/), { target: { value: '2999-01-01' } });
  expect(screen.getByText(/a day, today included/)).toBeTruthy();
});

test('what is left and a day’s share of it are those of the core', () => {
  const { store } = renderHem(begun, () => <LogPage />);
  const { plan } = store.get();
  // As the log has it, which is another pace than the one that the hem reckons with.
  const pace = paceOf(paceKnown(plan));
  expect(pace).not.toBe(plan.hem.pace);
  const left = leftOf(planOf({ ...plan.hem, pace })).border.minutes;
  const said = `About ${timeWords(left)} of work are left, at ${pace} stitches a minute as your log says.`;
  expect(screen.getByText((words) => words.startsWith(said))).toBeTruthy();
  for (const days of [1, 4, 24]) {
    const by = dayjs()
      .add(days - 1, 'day')
      .format('YYYY-MM-DD');
    fireEvent.change(screen.getByLabelText(/To be ready by/), { target: { value: by } });
    const share = `Work about ${timeWords(left / days)} a day, today included (${plural(days, 'day')}).`;
    expect(screen.getByText((words) => words.startsWith(share))).toBeTruthy();
  }
  expect(screen.getByText(/^Work about/).textContent).toMatch(/^Work about [1-4] min a day/);
});

test('the pace that the log tells can be taken', () => {
  const { store } = renderHem(begun, () => <LogPage />);
  const before = store.get().plan.hem.pace;
  fireEvent.click(screen.getByRole('button', { name: /^Use \d+ a minute$/ }));
  expect(store.get().plan.hem.pace).not.toBe(before);
  expect(screen.queryByRole('button', { name: /^Use/ })).toBeNull();
});
