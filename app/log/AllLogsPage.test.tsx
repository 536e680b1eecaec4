/** @jest-environment jsdom */
import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { cleanup, fireEvent, screen, within } from '@testing-library/react';
import { parse } from 'papaparse';
import type { Hem } from '../../core/document/hem.ts';
import { logOf } from '../../core/log/log.ts';
import { rowsHem } from '../../core/testing/hems.ts';
import { demoHems } from '../../demo/read.ts';
import { renderAlone } from '../testing/render.tsx';

let onShelf: readonly Hem[] | Error;
let saved: (readonly [name: string, text: string])[] = [];
jest.unstable_mockModule('../storage/here.ts', () => ({
  shelf: () =>
    onShelf instanceof Error
      ? Promise.reject(onShelf)
      : Promise.resolve([
          { id: 'damaged', outcome: { ok: false, problems: [] } },
          ...onShelf.map((hem) => ({ id: hem.id, outcome: { ok: true, value: hem } })),
        ]),
}));
jest.unstable_mockModule('../storage/exports.ts', () => ({
  saveFile: (name: string, text: string) => void saved.push([name, text]),
}));
const { AllLogsPage } = await import('./AllLogsPage.tsx');

const demo = demoHems().find((hem) => hem.record.some((e) => e.did === 'weighed'))!;
/** Another hem of the same maker, worked a day later. */
const other: Hem = {
  ...demo,
  id: 'other',
  name: 'Tide wrap',
  record: demo.record.map((event) => ({
    ...event,
    at: new Date(Date.parse(event.at) + 24 * 3_600_000).toISOString(),
  })),
};
const open = () => renderAlone(<AllLogsPage />);

beforeEach(() => {
  onShelf = [demo, other, rowsHem()];
  saved = [];
});
afterEach(cleanup);

describe('the log of all hems', () => {
  test('has the entries of every hem that was worked on in the order of time, each with the name of its hem', async () => {
    open();
    expect(await screen.findByText(/^2 hems, \d+ days, about .* of work\.$/)).toBeTruthy();
    const names = new Set(
      screen
        .getAllByRole('listitem')
        .flatMap((line) => /Clover lap blanket|Tide wrap/.exec(line.textContent)?.[0] ?? []),
    );
    expect([...names].sort()).toEqual(['Clover lap blanket', 'Tide wrap']);
  });

  test('draws minutes and stitches of every day', async () => {
    open();
    const days = await screen.findByRole('group', { name: 'By day' });
    const drawing = (): string => days.closest('figure')!.querySelector('svg')!.innerHTML;
    const minutes = drawing();
    fireEvent.click(within(days).getByRole('button', { name: 'Stitches a day' }));
    expect(within(days).getByRole('button', { pressed: true }).textContent).toBe('Stitches a day');
    expect(drawing()).not.toBe(minutes);
    fireEvent.click(within(days).getByRole('button', { name: 'Minutes a day' }));
    expect(drawing()).toBe(minutes);
  });

  test('is saved as a table with a row for every entry', async () => {
    open();
    fireEvent.click(await screen.findByRole('button', { name: 'Download the log (CSV)' }));
    const [[name, text]] = saved as [readonly [string, string]];
    expect(name).toBe('log.csv');
    const { data, errors } = parse<Record<string, string>>(text.trim(), { header: true });
    expect(errors).toEqual([]);
    expect(data).toHaveLength(logOf(demo).length + logOf(other).length);
    for (const row of data) expect(Object.values(row).join(' ')).not.toMatch(/undefined|NaN|\[object/);
  });

  test('without any work says where it comes from; storage that refuses is said', async () => {
    onShelf = [rowsHem()];
    open();
    expect(await screen.findByText(/^Nothing has been noted yet\./)).toBeTruthy();
    expect(screen.queryByRole('button', { name: 'Download the log (CSV)' })).toBeNull();
    cleanup();
    onShelf = new Error('it is not allowed here');
    open();
    expect(await screen.findByText(/cannot be read now\. Nothing is lost: reload the page\./)).toBeTruthy();
  });
});
