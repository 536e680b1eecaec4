/** @jest-environment jsdom */
import { afterEach, beforeEach, describe, expect, jest, test } from '@jest/globals';
import { cleanup, fireEvent, screen, waitFor, within } from '@testing-library/react';
import type { Hem } from '../../core/document/hem.ts';
import { USUAL_START, habitsOf } from '../../core/base/start.ts';
import { NO_WISHES, type HandsWishes } from '../../core/hands/wishes.ts';
import { demoHems } from '../../demo/read.ts';
import { renderAlone } from '../testing/render.tsx';

let onShelf: readonly Hem[] | Error;
const kept = new Map<string, unknown>();
jest.unstable_mockModule('../storage/here.ts', () => ({
  shelf: () =>
    onShelf instanceof Error
      ? Promise.reject(onShelf)
      : Promise.resolve(onShelf.map((hem) => ({ id: hem.id, outcome: { ok: true, value: hem } }))),
}));
jest.unstable_mockModule('../storage/settings.ts', () => ({
  readSetting: (key: string) => Promise.resolve(kept.get(key) ?? null),
  writeSetting: (key: string, value: unknown) => Promise.resolve(kept.set(key, value)),
}));
const { HandsPage } = await import('./HandsPage.tsx');
const { handsToBegin } = await import('../workers/hands.ts');

const demo = demoHems().find((hem) => hem.record.some((e) => e.did === 'weighed'))!;
/** As if the visitor had worked the border of the demo, and had noted it here. */
const worked: Hem = {
  ...demo,
  record: demo.record.map((event) => ({ ...event, id: { ...event.id, device: 'mine' } })),
};

const open = () => renderAlone(<HandsPage />);
const wishes = (): HandsWishes => (kept.get('hands') as HandsWishes | undefined) ?? NO_WISHES;
const part = async (name: string): Promise<HTMLElement> =>
  (await screen.findByRole('heading', { name })).closest('section')!;

beforeEach(() => {
  kept.clear();
  onShelf = [worked];
});
afterEach(cleanup);

describe('my hands', () => {
  test('say what was learned, from what, and draw each with its range', async () => {
    open();
    const pace = await part('Pace');
    expect(pace.textContent).toMatch(/From \d+ observations?\./);
    const drawn = within(pace)
      .getByRole('img', { name: /^all stitches/ })
      .getAttribute('aria-label')!;
    expect(drawn).toMatch(/^all stitches: [\d.]+ times the usual, [\d.]+ to [\d.]+\. /);
    for (const [, value, low, high] of drawn.matchAll(/: (\d+\.\d+) times[^,]*, (\d+\.\d+) to (\d+\.\d+)/g)) {
      expect(Number(low)).toBeLessThanOrEqual(Number(value));
      expect(Number(value)).toBeLessThanOrEqual(Number(high));
    }
    expect((await part('Counts')).textContent).toMatch(/of \d+ counted sides? had another count/);
  });

  test('what a demo hem came with teaches nothing', async () => {
    onShelf = [demo];
    open();
    for (const name of ['Pace', 'Yarn', 'Height of rounds', 'Width of stitches'])
      expect((await part(name)).textContent).toContain('Typical value; nothing logged yet.');
    expect((await part('Counts')).textContent).toContain('No side has been counted yet.');
    expect(await handsToBegin()).toEqual({ hands: null, pace: null, habits: null });
  });

  test('what is not wanted is not begun with, and can be wanted again', async () => {
    open();
    const use = within(await part('Pace')).getByRole<HTMLInputElement>('checkbox');
    expect(use.checked).toBe(true);
    expect((await handsToBegin()).pace).toBeGreaterThan(1);
    fireEvent.click(use);
    await waitFor(() => expect(wishes().off).toEqual(['time']));
    expect((await handsToBegin()).pace).toBeNull();
    fireEvent.click(use);
    await waitFor(() => expect(wishes().off).toEqual([]));
  });

  test('one’s own word stands in for what was learned until it is emptied; what cannot be is said', async () => {
    open();
    const yarn = await part('Yarn');
    const learned = yarn.textContent;
    const field = within(yarn).getByRole('spinbutton', { name: /^Your own word: yarn/ });
    const say = (value: string): void => {
      fireEvent.focus(field);
      fireEvent.change(field, { target: { value } });
      fireEvent.blur(field);
    };
    say('12');
    await waitFor(() => expect(wishes().own).toEqual({ yarn: 1.12 }));
    await waitFor(() => expect(yarn.textContent).toContain('Your own word.'));
    expect((await handsToBegin()).hands!.yarn!.all).toMatchObject({ ratio: 1.12, basis: 'own word' });
    // A stitch of which nothing is known follows it.
    const begun = await handsToBegin();
    expect(begun.hands!.yarn!.all.basis).toBe('own word');
    fireEvent.change(within(yarn).getByRole('spinbutton'), { target: { value: '' } });
    fireEvent.blur(within(yarn).getByRole('spinbutton'));
    await waitFor(() => expect(wishes().own).toEqual({}));
    await waitFor(() => expect(yarn.textContent).toBe(learned));
    fireEvent.change(within(yarn).getByRole('spinbutton'), { target: { value: '900' } });
    fireEvent.blur(within(yarn).getByRole('spinbutton'));
    expect(within(yarn).getByRole('alert').textContent).toBe('900 is not possible: from -80 to 400.');
    expect(wishes().own).toEqual({});
  });

  test('ways to begin and to close that were kept are told, begun with, and forgotten', async () => {
    const habits = habitsOf({ ...USUAL_START, first: 'standing', close: 'stitch' });
    kept.set('hands', { ...NO_WISHES, habits });
    open();
    const section = await part('How you begin and close rounds');
    expect(section.textContent).toContain('rounds: a last chain space closed with a stitch');
    expect((await handsToBegin()).habits).toEqual(habits);
    fireEvent.click(within(section).getByRole('button', { name: 'Forget it' }));
    await waitFor(() => expect(section.textContent).toContain('As is usual.'));
    await waitFor(() => expect(wishes().habits).toBeNull());
  });

  test('hints at work are given until they are not wanted', async () => {
    open();
    const box = within(await part('Hints at work')).getByRole<HTMLInputElement>('checkbox');
    expect(box.checked).toBe(true);
    fireEvent.click(box);
    await waitFor(() => expect(wishes().hints).toBe(false));
    expect(box.checked).toBe(false);
  });

  test('starting afresh leaves the log as it is, and is taken back', async () => {
    open();
    const learned = (await part('Pace')).textContent;
    fireEvent.click(screen.getByRole('button', { name: 'Start afresh from now' }));
    await waitFor(async () => expect((await part('Pace')).textContent).toContain('Typical value'));
    expect(Date.parse(wishes().since!)).toBeGreaterThan(Date.parse(worked.record.at(-1)!.at));
    fireEvent.click(screen.getByRole('button', { name: 'Take everything into account again' }));
    await waitFor(async () => expect((await part('Pace')).textContent).toBe(learned));
    expect(wishes().since).toBeNull();
  });

  test('storage that refuses is said, and a new hem begins without', async () => {
    onShelf = new Error('it is not allowed here');
    open();
    expect(await screen.findByText(/cannot be read now\. Nothing is lost: reload the page\./)).toBeTruthy();
    expect(await handsToBegin()).toEqual({ hands: null, pace: null, habits: null });
  });

  test('what is kept of wishes and unsound counts as none', async () => {
    kept.set('hands', { since: 'yesterday', off: ['everything'], own: { yarn: 99 } });
    open();
    expect(within(await part('Yarn')).getByRole<HTMLInputElement>('checkbox').checked).toBe(true);
    expect((await part('Yarn')).textContent).not.toContain('Your own word.');
  });
});
