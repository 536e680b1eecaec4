import { beforeEach, describe, expect, jest, test } from '@jest/globals';
import type { Hem } from '../../core/document/hem.ts';
import { entry, rowsHem } from '../../core/testing/hems.ts';
import { HemStore } from './store.ts';

beforeEach(() => {
  jest.useFakeTimers();
});

/** A store with a shelf of its own, whose clock stands still until it is moved. */
function opened(save?: (hem: Hem) => Promise<void>) {
  const saved: Hem[] = [];
  const aside: Hem[] = [];
  let minute = 0;
  const store = new HemStore(rowsHem({ rounds: [entry()] }), {
    save:
      save ??
      ((hem) => {
        saved.push(hem);
        return Promise.resolve();
      }),
    setAside: (hem) => aside.push(hem),
    now: () => new Date(Date.UTC(2026, 0, 1, 0, minute++)),
  });
  const count = (): number => store.get().plan.sides[0]!.count;
  const setCount = (value: number, joinKey: string | null = null): void =>
    store.edit(`A to ${value}`, (d) => void (d.base.sides[0]!.count = value), joinKey);
  return { store, saved, aside, count, setCount };
}

describe('the open hem', () => {
  test('every edit is planned at once and can be taken back and done again', () => {
    const { store, count, setCount } = opened();
    setCount(140);
    setCount(141);
    expect(count()).toBe(141);
    expect(store.get().undoLabel).toBe('A to 141');
    store.undo();
    expect(count()).toBe(140);
    store.undo();
    expect(count()).toBe(150);
    expect(store.get()).toMatchObject({ undoLabel: null, redoLabel: 'A to 140' });
    store.redo();
    store.redo();
    expect(count()).toBe(141);
    expect(store.get().redoLabel).toBeNull();
  });

  test('a drag is one step of undo, and the next drag another', () => {
    const { store, count, setCount } = opened();
    for (const value of [151, 152, 153]) setCount(value, 'count 0');
    store.endJoin();
    for (const value of [154, 155]) setCount(value, 'count 0');
    store.endJoin();
    store.undo();
    expect(count()).toBe(153);
    store.undo();
    expect(count()).toBe(150);
    store.redo();
    expect(count()).toBe(153);
  });

  test('an edit after undo drops what was undone', () => {
    const { store, count, setCount } = opened();
    setCount(140);
    store.undo();
    setCount(160);
    expect(store.get().redoLabel).toBeNull();
    store.redo();
    expect(count()).toBe(160);
  });

  test('an edit that changes nothing is no step', () => {
    const { store } = opened();
    store.edit('nothing', (d) => void (d.name = 'Test blanket'));
    expect(store.get().undoLabel).toBeNull();
  });

  test('listeners hear of every change until they leave', () => {
    const { store, setCount } = opened();
    let heard = 0;
    const leave = store.subscribe(() => heard++);
    setCount(140);
    leave();
    setCount(141);
    expect(heard).toBe(1);
  });
});

describe('saving', () => {
  test('waits for a pause, writes the last state once, and says so', async () => {
    const { store, saved, setCount } = opened();
    setCount(140);
    setCount(141);
    expect(store.get().saved).toBe('saving');
    await jest.advanceTimersByTimeAsync(1000);
    expect(saved.map((h) => h.base.sides[0]!.count)).toEqual([141]);
    expect(store.get().saved).toBe('saved');
  });

  test('an unsaved edit is set aside when the page is left, a saved one is not', async () => {
    const { store, aside, setCount } = opened();
    setCount(140);
    store.leave();
    expect(aside.map((h) => h.base.sides[0]!.count)).toEqual([140]);
    await jest.advanceTimersByTimeAsync(1000);
    store.leave();
    expect(aside).toHaveLength(1);
  });

  test('an edit whose write is still under way is set aside too', async () => {
    const { store, aside, setCount } = opened(() => new Promise(() => undefined));
    setCount(140);
    await jest.advanceTimersByTimeAsync(1000);
    store.leave();
    expect(aside.map((h) => h.base.sides[0]!.count)).toEqual([140]);
  });

  test('a refusal is told, and the next edit tries again', async () => {
    let refuse = true;
    const kept: Hem[] = [];
    const { store, setCount } = opened((hem) => {
      if (refuse) return Promise.reject(new Error('no room'));
      kept.push(hem);
      return Promise.resolve();
    });
    setCount(140);
    await jest.advanceTimersByTimeAsync(1000);
    expect(store.get().saved).toBe('failed');
    refuse = false;
    setCount(141);
    await jest.advanceTimersByTimeAsync(1000);
    expect(store.get().saved).toBe('saved');
    expect(kept).toHaveLength(1);
  });

  test('the time of the last change goes with it', async () => {
    const { saved, setCount } = opened();
    setCount(140);
    await jest.advanceTimersByTimeAsync(1000);
    expect(saved[0]!.changed).toBe('2026-01-01T00:00:00.000Z');
  });
});
