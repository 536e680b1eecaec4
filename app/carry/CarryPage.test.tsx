/** @jest-environment jsdom */
import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { cleanup, fireEvent, screen, waitFor } from '@testing-library/react';
import { readHem } from '../../core/document/check.ts';
import type { Hem } from '../../core/document/hem.ts';
import { rowsHem } from '../../core/testing/hems.ts';
import { demoHems } from '../../demo/read.ts';
import { renderHem } from '../testing/render.tsx';

/** Hems as they were taken along, and what was saved as files. */
let taken: Hem[] = [];
let saved: (readonly [name: string, text: string])[] = [];
jest.unstable_mockModule('../storage/here.ts', () => ({
  library: { keepCarried: (hem: Hem) => Promise.resolve(void taken.push(hem)) },
}));
jest.unstable_mockModule('../storage/exports.ts', () => ({
  saveFile: (name: string, text: string) => void saved.push([name, text]),
}));
const { CarryPage } = await import('./CarryPage.tsx');

const begun = demoHems().find((hem) => hem.record.length > 20)!;
const open = (hem: Hem) => renderHem(hem, () => <CarryPage />);

beforeEach(() => {
  taken = [];
  saved = [];
});
afterEach(() => {
  cleanup();
  Reflect.deleteProperty(navigator, 'share');
  Reflect.deleteProperty(navigator, 'canShare');
});

describe('to another device', () => {
  test('the file holds the hem with all that was done, and is known to have been taken along', () => {
    open(begun);
    expect(document.body.textContent).toContain(`With its log (${begun.record.length} entries).`);
    fireEvent.click(screen.getByRole('button', { name: 'Download the hem file' }));
    const [[name, text]] = saved as [readonly [string, string]];
    expect(name).toMatch(/\.hem\.json$/);
    const outcome = readHem(text);
    expect(outcome.ok && outcome.value.record).toEqual(begun.record);
    expect(taken.map((hem) => hem.id)).toEqual([begun.id]);
  });

  test('where the address can be opened on this device only, no code and no link is offered, and it is said why', async () => {
    open(rowsHem());
    expect(await screen.findByText(/^A code would not help: this address can only be opened/)).toBeTruthy();
    expect(screen.queryByRole('heading', { name: 'By camera' })).toBeNull();
    expect(screen.queryByRole('button', { name: 'Copy a link' })).toBeNull();
    expect(screen.queryByRole('button', { name: 'Share it' })).toBeNull();
    expect(taken).toEqual([]);
  });

  test('a share sheet that is there is given the file; closing it is no fault, a refusal is said with what to do', async () => {
    const shared: File[] = [];
    let answer: Error | null = null;
    Object.assign(navigator, {
      canShare: ({ files }: { files: File[] }) => files.every((file) => file.type === 'text/plain'),
      share: ({ files }: { files: File[] }) => {
        shared.push(...files);
        return answer ? Promise.reject(answer) : Promise.resolve();
      },
    });
    open(begun);
    const press = (): void => void fireEvent.click(screen.getByRole('button', { name: 'Share it' }));
    press();
    await waitFor(() => expect(shared).toHaveLength(1));
    expect(shared[0]!.name).toMatch(/\.hem\.txt$/);
    answer = new DOMException('closed', 'AbortError');
    press();
    await waitFor(() => expect(shared).toHaveLength(2));
    expect(screen.queryByText('It was not shared')).toBeNull();
    answer = new DOMException('no', 'NotAllowedError');
    press();
    const notice = await screen.findByText('It was not shared');
    expect(notice.closest('[role]')!.textContent).toContain('Download the hem file, and send that.');
    expect(taken).toHaveLength(3);
  });
});
