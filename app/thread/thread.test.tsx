/** @jest-environment jsdom */
import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { act, cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { readHem } from '../../core/document/check.ts';
import { setCount } from '../../core/edits/base.ts';
import { prefer, rename } from '../../core/edits/hem.ts';
import { colourPiece } from '../../core/edits/piece.ts';
import { addRounds } from '../../core/edits/rounds.ts';
import { entry, rowsHem } from '../../core/testing/hems.ts';
import { StorageHangs } from '../storage/recordStore.ts';
import { testBrowser } from '../testing/storage.ts';
import { renderHem } from '../testing/render.tsx';

const library = testBrowser().openPage();
let saved: (readonly [name: string, text: string])[] = [];
jest.unstable_mockModule('../storage/here.ts', () => ({ library }));
jest.unstable_mockModule('../storage/exports.ts', () => ({
  saveFile: (name: string, text: string) => void saved.push([name, text]),
}));
const { HemHead } = await import('./HemHead.tsx');
const { Thread } = await import('./Thread.tsx');
const { Versions } = await import('./Versions.tsx');

const hem = rowsHem({ rounds: [entry()] });
const head = (storage: Parameters<typeof renderHem>[2] = {}) =>
  renderHem(hem, () => <HemHead onVersions={() => undefined} />, storage);

beforeEach(() => {
  saved = [];
});
afterEach(cleanup);

describe('the head of a hem', () => {
  test('undo and redo say what they bring, in the terms of the hem', () => {
    const { store } = head();
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Undo' }).disabled).toBe(true);
    act(() => void store.do(colourPiece('#3f6b4a')));
    expect(screen.getByRole('button', { name: 'Undo: color of the piece' })).toBeTruthy();
    act(() => store.undo());
    expect(store.get().plan.hem).toMatchObject({ pieceColour: hem.pieceColour });
    act(() => void store.do(prefer('language', 'uk')));
    act(() => void store.do(colourPiece('#3f6b4a')));
    fireEvent.click(screen.getByRole('button', { name: 'Undo: colour of the piece' }));
    expect(store.get().plan.hem).toMatchObject({ pieceColour: hem.pieceColour });
    fireEvent.click(screen.getByRole('button', { name: 'Redo: colour of the piece' }));
    expect(store.get().plan.hem).toMatchObject({ pieceColour: '#3f6b4a' });
  });

  test('a name is taken as it is typed, and is one step of undo; one that is emptied stays', () => {
    const { store } = head();
    const field = screen.getByRole<HTMLInputElement>('textbox', { name: 'Name of this hem' });
    for (const value of ['T', 'Ti', 'Tide']) fireEvent.change(field, { target: { value } });
    expect(store.get().plan.hem.name).toBe('Tide');
    fireEvent.change(field, { target: { value: '' } });
    expect(field.value).toBe('');
    fireEvent.blur(field);
    expect(field.value).toBe(store.get().plan.hem.name);
    expect(store.get().plan.hem.name).not.toBe('');
    act(() => store.undo());
    expect(store.get().plan.hem.name).toBe(hem.name);
    expect(store.get().undoLabel).toBeNull();
  });

  test.each([
    ['refuses', new Error('not allowed'), /this browser refused\. It is tried again\.$/],
    ['is full', new DOMException('no room', 'QuotaExceededError'), /storage is full\. Download the hem file/],
    ['hangs', new StorageHangs(), /does not answer\. It is tried again\.$/],
  ])('storage that %s is said, and what is here can be taken away as a file', async (_, error, words) => {
    const { store } = head({ write: () => Promise.reject(error) });
    expect(screen.getByRole('status').textContent).toBe('Saved in this browser');
    await act(async () => {
      store.do(rename('Tide'));
      await store.flush();
    });
    const status = screen.getByRole('status');
    fireEvent.click(within(status).getByRole('button', { name: 'Download the hem file' }));
    expect(status.firstChild!.textContent).toMatch(words);
    const [[name, text]] = saved as [readonly [string, string]];
    expect(name).toBe('tide.hem.json');
    const outcome = readHem(text);
    expect(outcome.ok && outcome.value.name).toBe('Tide');
  });

  test('a hem that was deleted in another tab can be put back', async () => {
    const put: string[] = [];
    const { store } = head({
      write: () => Promise.resolve({ kind: 'in the bin' }),
      keepAgain: ({ name }) => Promise.resolve(void put.push(name)),
    });
    await act(async () => {
      store.do(rename('Tide'));
      await store.flush();
    });
    expect(screen.getByRole('status').textContent).toContain('It is in the bin of the shelf.');
    fireEvent.click(screen.getByRole('button', { name: 'Put it back' }));
    await waitFor(() => expect(put).toEqual(['Tide']));
  });
});

describe('the thread', () => {
  test('has the line of each stop, and says where something wants looking at, as it changes', () => {
    const { store, container } = renderHem(hem, () => <Thread />);
    const line = (name: RegExp): HTMLElement => screen.getByRole('link', { name });
    expect(line(/^Rounds/).textContent).toBe('Rounds1, all fit');
    expect(within(line(/^Rounds/)).queryByLabelText('Look here:')).toBeNull();
    act(() => void store.do(addRounds('shells', [entry({ id: 's', family: 'shell', stitch: 'hdc' })])));
    expect(line(/^Rounds/).textContent).toBe('Roundsround 2 does not fit');
    expect(within(line(/^Rounds/)).getByLabelText('Look here:')).toBeTruthy();
    expect(screen.getByText(/^Rounds: /).closest('[role=status]')).toBeTruthy();
    // Worked up to the page that is open.
    expect(container.querySelectorAll('.worked')).toHaveLength(2);
    act(() => store.undo());
    expect(within(line(/^Rounds/)).queryByLabelText('Look here:')).toBeNull();
  });
});

describe('earlier versions', () => {
  const open = async () => {
    await library.add([hem], 'new');
    const opened = (await library.open(hem.id))!;
    let closed = 0;
    const storage: Parameters<typeof renderHem>[2] = {
      nextEdit: () => library.nextEdit(),
      write: (writing) => library.write({ ...writing, base: Math.max(writing.base, opened.found.revision) }),
    };
    const versions = () => <Versions id={hem.id} onClose={() => closed++} />;
    const rendered = renderHem(hem, versions, storage, { page: library.page });
    return { ...rendered, closed: () => closed };
  };
  const entries = (): readonly HTMLElement[] => screen.getAllByRole('listitem');

  test('stand with what was done, the present one first; one is looked at, and taken up as a step of undo', async () => {
    const { store, closed } = await open();
    const [side] = store.get().plan.sides;
    await act(async () => {
      store.do(setCount('A', [0], side!.count + 4, 0));
      await store.flush();
    });
    await waitFor(() => expect(entries().length).toBe(2));
    expect(entries()[0]!.textContent).toMatch(/now$/);
    fireEvent.click(within(entries()[0]!).getByRole('button'));
    expect(await screen.findByText('This is how it is now.')).toBeTruthy();
    fireEvent.click(within(entries()[1]!).getByRole('button'));
    fireEvent.click(await screen.findByRole('button', { name: 'Restore this version' }));
    expect(closed()).toBe(1);
    expect(store.get().plan.sides[0]!.count).toBe(side!.count);
    expect(store.get().undoLabel).toBe('restored an earlier version');
    act(() => store.undo());
    expect(store.get().plan.sides[0]!.count).toBe(side!.count + 4);
  });

  test('that cannot be read are said, and the hem is safe', async () => {
    const failing = jest.spyOn(library, 'versions').mockRejectedValue(new Error('gone'));
    await open();
    expect(await screen.findByText(/cannot be read now\. Your hem is safe\.$/)).toBeTruthy();
    failing.mockRestore();
  });
});
