/** @jest-environment jsdom */
import { placeInWords } from '../../core/work/progressWords.ts';
import { describe, expect, test } from '@jest/globals';
import { act, cleanup, fireEvent, screen, within } from '@testing-library/react';
import { held } from '../../core/held.ts';
import { placesToRipTo, workedUpTo } from '../../core/work/progress.ts';
import { plan } from '../../core/plan/planner.ts';
import { removeRound } from '../../core/edits/rounds.ts';
import { entry, flatBlanket, rowsHem } from '../../core/testing/hems.ts';
import { demoHem } from '../../demo/read.ts';
import { workedInto } from '../../core/testing/worked.ts';
import { NO_WISHES } from '../../core/hands/wishes.ts';
import { keepWishes } from '../storage/wishes.ts';
import { renderHem } from '../testing/render.tsx';
import { WorkPage } from './WorkPage.tsx';

const hem = rowsHem({
  counts: [31, 37, 31, 37],
  rounds: [entry({ id: 'a', times: 2 }), entry({ id: 's', family: 'shell', stitch: 'hdc' })],
});
const renderWork = () => renderHem(hem, () => <WorkPage />);
const press = (name: string | RegExp): void => void fireEvent.click(screen.getByRole('button', { name }));
/** Two touches within a moment count as one: a person takes longer. */
const later = (): Promise<void> => new Promise((resolve) => setTimeout(resolve, 230));
const now = (): string => screen.getByRole('region', { name: 'What to do now' }).textContent;

describe('work', () => {
  test('goes on and back step by step', async () => {
    const { store } = renderWork();
    expect(now()).toContain('The base round begins');
    press('Started');
    expect(now()).toContain('2–11 of 33');
    expect(store.get().plan.rounds[0]!.done!.stitches).toBe(1);
    await later();
    press('Done');
    expect(now()).toContain('12–21 of 33');
    await later();
    press('Undo last step');
    expect(now()).toContain('2–11 of 33');
    await later();
    press('Done to the corner');
    expect(now()).toContain('Corner A/B');
    // What was done is no step of undo.
    expect(store.get().undoLabel).toBeNull();
  });

  test('keys do the same, but not while something is typed', async () => {
    const { store } = renderWork();
    fireEvent.keyDown(window, { key: ' ', code: 'Space' });
    await later();
    fireEvent.keyDown(window, { key: 'ArrowRight', code: 'ArrowRight' });
    expect(store.get().plan.rounds[0]!.done!.stitches).toBe(11);
    await later();
    fireEvent.keyDown(window, { key: 'ArrowLeft', code: 'ArrowLeft' });
    expect(store.get().plan.rounds[0]!.done!.stitches).toBe(1);
    press('Count');
    fireEvent.keyDown(screen.getByRole('textbox', { name: /^Side A/ }), {
      key: 'ArrowRight',
      code: 'ArrowRight',
    });
    expect(store.get().plan.rounds[0]!.done!.stitches).toBe(1);
  });

  test('a wrong count is explained, and going on with it changes what comes', async () => {
    const { store } = renderWork();
    act(() => void store.note(...workedUpTo(plan(hem), 0)));
    expect(now()).toContain('Round 1 begins');
    press('Count');
    fireEvent.change(screen.getByRole('textbox', { name: /^Side B/ }), { target: { value: '38' } });
    expect(screen.getByText(/hides behind the corner/)).toBeTruthy();
    expect(screen.getByText('B faces D, which is to have 39.')).toBeTruthy();
    const ways = within(screen.getByRole('group', { name: 'Count' })).getAllByRole('button', {
      name: /Then/,
    });
    // Those after which all fits come first, the cheapest of them at the top.
    expect(ways.map((w) => w.textContent.split('.')[0])).toEqual([
      expect.stringMatching(/^Go on, and adjust the next rounds to match: Keep the base round/),
      'Rip back to the corner',
      'Go on, and make up for it in round 1: 1 stitch more on side B',
      'Rip back to the beginning of the round',
      'Go on with what is there',
    ]);
    expect(ways[4]!.textContent).toContain('B stays 6 sts short of D.');
    expect(ways[3]!.textContent).toContain('Undoes 148 sts, about 5 min of work; frees about');
    // It is shown before it is done.
    fireEvent.click(ways[4]!);
    expect(store.get().plan.hem.record.some((e) => e.did === 'counted')).toBe(false);
    press('Do this');
    expect(store.get().plan.hem.record.at(-1)).toMatchObject({ did: 'repaired', by: 'leave' });
    expect(store.get().plan.rounds[0]!.sides[1]!.tally.stitches).toBe(38);
    expect(screen.queryByRole('group', { name: 'Count' })).toBeNull();
    await later();
    press('Count');
    fireEvent.change(screen.getByRole('textbox', { name: /^Side B/ }), { target: { value: '38' } });
    press('Note that it is right');
    expect(store.get().plan.rounds[0]!.done!.found[1]).toBe(38);
  });

  test('what is begun stays as it was begun, whatever is taken off the design', () => {
    const { store } = renderWork();
    act(() => void store.note(...workedUpTo(plan(hem), 2)));
    act(() => void store.do(removeRound(hem.rounds[0]!)));
    expect(store.get().plan.rounds.map((r) => r.written?.entry.id ?? 'base')).toEqual([
      'base',
      'a',
      'a',
      's',
    ]);
    act(() => store.undo());
    expect(store.get().plan.rounds[2]!.done!.finished).toBe(true);
  });

  test('rips back, and comes in mid-way', () => {
    const { store } = renderWork();
    press('I’ve already started');
    fireEvent.change(screen.getByLabelText(/Worked up to/), { target: { value: '3' } });
    press('Note 4 rounds');
    expect(now()).toContain('Finishing');
    press('Rip back');
    // Nothing more is made while one waits.
    expect(screen.queryByText('Rip now, or can it wait?')).toBeNull();
    fireEvent.click(screen.getByRole('button', { name: /^All of round 2/ }));
    expect(store.get().plan.rounds.map((r) => r.done?.finished ?? null)).toEqual([true, true, null, null]);
    expect(now()).toContain('Round 2 begins');
    press('Rip back');
    const waiting = screen.getByText('Rip now, or can it wait?').closest('details');
    expect(waiting?.textContent).toMatch(/Now about .* of work come off; after .* about/);
    expect(waiting?.querySelectorAll('circle').length).toBeGreaterThan(2);
  });

  test('shows where to look for what may be wrong', () => {
    const { store } = renderWork();
    act(() => void store.note(...workedUpTo(plan(hem), 0)));
    press('Count');
    fireEvent.change(screen.getByRole('textbox', { name: /^Side B/ }), { target: { value: '38' } });
    fireEvent.click(screen.getAllByRole('button', { name: 'Show me' })[0]!);
    expect(screen.getByRole('group', { name: 'Count' })).toBeTruthy();
  });

  test('notes how it lies, its size and what there is to say', () => {
    const { store } = renderWork();
    act(() => void store.note(...workedUpTo(plan(hem), 1)));
    press('Look');
    const note = (): HTMLButtonElement => screen.getByRole('button', { name: 'Note it' });
    expect(note().disabled).toBe(true);
    fireEvent.change(screen.getByRole('combobox', { name: /^Side B/ }), { target: { value: 'ripples' } });
    fireEvent.change(screen.getByLabelText(/^Across, /), { target: { value: '118,5' } });
    fireEvent.change(screen.getByLabelText(/^Down/), { target: { value: '126' } });
    fireEvent.change(screen.getByLabelText(/^Note/), { target: { value: 'a softer yarn' } });
    fireEvent.click(note());
    expect(store.get().plan.hem.record.at(-1)).toMatchObject({
      did: 'looked',
      lies: [null, 'ripples', null, null],
      sizeCm: [118.5, 126],
      note: 'a softer yarn',
    });
    press('Look');
    expect(screen.getByText(/B ripples; 118.5 × 126 cm; a softer yarn/)).toBeTruthy();
  });

  test('a key belongs to what has the focus', async () => {
    const { store } = renderWork();
    press('Started');
    const made = (): number => store.get().plan.rounds[0]!.done!.stitches;
    const before = made();
    fireEvent.keyDown(screen.getByText('What these numbers rest on'), { key: ' ', code: 'Space' });
    for (const name of ['Count', 'Weigh', 'Log of this hem'])
      fireEvent.keyDown(screen.getByText(name), { key: 'ArrowRight', code: 'ArrowRight' });
    expect(made()).toBe(before);
    // On the buttons that go on and back the arrows do so.
    await later();
    fireEvent.keyDown(screen.getByRole('button', { name: 'Done' }), {
      key: 'ArrowRight',
      code: 'ArrowRight',
    });
    expect(made()).toBeGreaterThan(before);
  });

  test('has its ends as dots, and those that were touched are still woven in when it is opened again', () => {
    const { store, unmount } = renderWork();
    act(() => void store.note(...workedUpTo(plan(hem), plan(hem).rounds.length - 1)));
    const end = (n: number) => screen.getByRole('checkbox', { name: new RegExp(`^End ${n},`) });
    fireEvent.click(end(2));
    fireEvent.keyDown(end(1), { key: 'Enter' });
    fireEvent.click(end(1));
    expect(screen.getByText(/^1 of \d+ ends woven in$/)).toBeTruthy();
    const { hem: noted } = store.get().plan;
    expect(noted.record.at(-1)).toMatchObject({ did: 'tidied', ends: 1, which: [1] });
    unmount();
    renderHem(noted, () => <WorkPage />);
    expect([1, 2].map((n) => end(n).getAttribute('aria-checked'))).toEqual(['false', 'true']);
    press('One more');
    expect(end(1).getAttribute('aria-checked')).toBe('true');
  });

  test('is closed by one press; what was said of ends and pins stays, and missing pins are told until they are back', () => {
    const { store } = renderWork();
    act(() => void store.note(...workedUpTo(plan(hem), 3)));
    const type = (what: string, text: string): void => {
      const field = screen.getByLabelText(what);
      fireEvent.change(field, { target: { value: text } });
      fireEvent.blur(field);
    };
    press('One more');
    type('Pins put in', '40');
    type('Pins taken back', '39');
    expect(screen.getByText(/1 pin still in the blanket/)).toBeTruthy();
    // Neither a look nor a count sets it back.
    press('Look');
    press('Close');
    expect(now()).toMatch(/1 of 2 ends woven in/);
    expect(screen.getByLabelText<HTMLInputElement>('Pins taken back').value).toBe('39');
    press('It is done');
    expect(store.get().plan.hem.record.at(-1)).toMatchObject({ did: 'closed', ends: 1, pins: 39 });
    expect(now()).toMatch(/1 of 2 ends woven in, 39 of 40 pins back in the box/);
    expect(placeInWords(store.get().plan)).toBe('done; 1 pin not counted back');
    type('Pins taken back', '40');
    press('One more');
    expect(now()).toMatch(/2 of 2 ends woven in, 40 of 40 pins back in the box/);
    expect(screen.queryByText(/still in the blanket/)).toBeNull();
    expect(placeInWords(store.get().plan)).toBe('done');
  });

  test('types a count with large keys', () => {
    const { store } = renderWork();
    act(() => void store.note(...workedUpTo(plan(hem), 0)));
    press('Count');
    const keys = within(screen.getByRole('group', { name: 'Keys for Side A' }));
    for (const digit of ['3', '4', '9']) fireEvent.click(keys.getByRole('button', { name: digit }));
    press('Take the last digit away');
    expect(screen.getByRole<HTMLInputElement>('textbox', { name: /^Side A/ }).value).toBe('34');
    fireEvent.focus(screen.getByRole('textbox', { name: /^Side C/ }));
    fireEvent.click(
      within(screen.getByRole('group', { name: 'Keys for Side C' })).getByRole('button', { name: '3' }),
    );
    expect(screen.getByRole<HTMLInputElement>('textbox', { name: /^Side C/ }).value).toBe('3');
  });

  test('weighs the ball, and says whether it lasts', async () => {
    const { store } = renderWork();
    press('Started');
    press('Weigh');
    const note = (): HTMLButtonElement => screen.getByRole('button', { name: 'Note it' });
    const type = (grams: string): void =>
      void fireEvent.change(screen.getByLabelText(/^Left of the ball/), { target: { value: grams } });
    type('heavy');
    expect(screen.getByText(/such as 41.5/)).toBeTruthy();
    expect(note().disabled).toBe(true);
    type('50');
    expect(screen.getByText(/^Enough for this round/)).toBeTruthy();
    fireEvent.click(note());
    expect(store.get().plan.hem.record.at(-1)).toMatchObject({
      did: 'weighed',
      stitches: 1,
      yarn: 'y1',
      ball: 'new',
      grams: 50,
    });
    await later();
    press('Done to the corner');
    press('Weigh');
    type('51');
    expect(screen.getByText(/does not get heavier/)).toBeTruthy();
    expect(note().disabled).toBe(true);
    type('48,5');
    fireEvent.click(note());
    expect(store.get().plan.hem.record.at(-1)).toMatchObject({ ball: 'same', grams: 48.5 });
    expect(store.get().plan.yarns[0]!.calibration.observations).toBe(1);
  });

  test('puts the hook down, and takes it up with the next step', async () => {
    const { store } = renderWork();
    press('Started');
    press('Pause');
    expect(now()).toContain('Paused. Your next step resumes.');
    expect(screen.queryByRole('button', { name: 'Pause' })).toBeNull();
    await later();
    press('Done');
    expect(now()).toContain('min at this sitting');
    expect(store.get().plan.hem.record.map((e) => e.did)).toEqual(['began', 'made', 'paused', 'made']);
  });

  test('a side with one more on the table is ended as its maker picks, and so is the one that faces it', async () => {
    const near = flatBlanket([entry({ id: 'a', corner: 'three' }), entry({ id: 'b', corner: 'three' })]);
    const { store } = renderHem(workedInto(near, 1, 0.15).hem, () => <WorkPage />);
    const planned = plan(near).rounds[1]!.sides.map((s) => s.tally.stitches);
    const { textContent } = await screen.findByText(/^\d+ sts of the round below are left on side A/);
    const places = parseInt(textContent, 10);
    press(`I have ${places + 1}`);
    expect(now()).toContain(`${places + 1} sts on the table`);
    press('One more on the table');
    expect(now()).toContain('Work 2 together twice');
    press('One fewer on the table');
    press('Later');
    press('Do this');
    const { done, sides } = store.get().plan.rounds[1]!;
    expect(sides.map((s) => s.tally.stitches)).toEqual(planned);
    expect(done!.begun.entry!.changesAt['0']![0]).toHaveLength(1);
    // The rest of side A, all of side B, and side C up to its end.
    let said = now();
    for (let k = 0; k < 24 && !now().includes('End it as side A'); k++) {
      await later();
      press('Done');
      said += now();
    }
    expect(said).toMatch(/over the next 2 sts/);
    expect(now()).toContain('End it as side A');
  });

  test('a seam is crossed otherwise, the next one as last time with one touch', async () => {
    const { store } = renderHem(demoHem('orchard'), () => <WorkPage />);
    press('Started');
    for (let k = 0; k < 12 && !screen.queryByText(/ seam 1 of side A: /); k++) {
      await later();
      press('Done');
    }
    const planned = store.get().plan.rounds[0]!.done!.planned;
    press('Cross it otherwise');
    press(/^Two together across the spaces: /);
    press('Do this');
    const crossed = store.get().plan.rounds[0]!.done!.planned;
    expect(crossed[0]).not.toBe(planned[0]);
    expect(crossed.slice(1)).toEqual(planned.slice(1));
    for (let k = 0; k < 12 && !screen.queryByRole('button', { name: 'As last time' }); k++) {
      await later();
      press('Done');
    }
    press('As last time');
    expect(now()).toMatch(/seam 2 of side A: two together across the spaces, as last time/);
  });

  test('asks once for a reading of the tape, and goes on with other counts by it', async () => {
    const { store } = renderHem(workedInto(flatBlanket([entry()]), 0, 0.08).hem, () => <WorkPage />);
    await screen.findByText(/^10(\.0)? cm are made\. Will it lie\?/);
    press('Measure');
    fireEvent.change(screen.getByLabelText(/^The edge beneath/), { target: { value: '8.8' } });
    press('Note it');
    expect(now()).toMatch(
      /If it goes on like this, it ripples from the base round on: 1 fewer in every \d+ would lie flat\./,
    );
    press(/^Go on from here with A \d+/);
    press('Do this');
    const [base] = store.get().plan.rounds;
    expect(base!.done!.planned[1]).toBeLessThan(61);
    expect(now()).not.toContain('Will it lie?');
    expect(store.get().plan.hem.record.map((e) => e.did)).toEqual([
      'began',
      'made',
      'made',
      'gauged',
      'altered',
    ]);
  });

  test('says how the side ends before it does, unless hints are not wanted', async () => {
    // Of 61 stitches of side A some 25 are left.
    const { hem: near } = workedInto(flatBlanket([entry({ times: 3 })]), 1, 0.15);
    renderHem(near, () => <WorkPage />);
    await screen.findByText(/^Up to the corner, (\d+) sts: 1 sc in each of the next \1 sts\.$/);
    cleanup();
    await keepWishes({ ...NO_WISHES, hints: false });
    renderHem(near, () => <WorkPage />);
    // Long after it is known.
    await act(later);
    expect(screen.queryByText('Where it may end sooner')).toBeNull();
    expect(now()).not.toContain('Up to the corner, ');
    await keepWishes(NO_WISHES);
  });

  test('ends sooner where it may, and that is taken back', async () => {
    const { store } = renderHem(workedInto(flatBlanket([entry({ times: 3 })]), 1, 0.4).hem, () => (
      <WorkPage />
    ));
    const shown = held(
      (await screen.findByText('Where it may end sooner')).closest('details'),
      'it can be opened',
    );
    shown.open = true;
    fireEvent(shown, new Event('toggle'));
    await screen.findByText(/^The shortest border from here that looks finished ends with round 1/);
    press(/^End it with round 1: /);
    expect(store.get().plan.rounds.length).toBe(2);
    act(() => store.undo());
    expect(store.get().plan.rounds.length).toBe(4);
  });

  test('says why a side ripples as foretold, and the nearest cure that is still open', async () => {
    const rippling = rowsHem({
      stitches: 61,
      rows: [{ stitch: 'dc', count: 32 }],
      widthCm: 43,
      heightCm: 45,
      counts: [61, 63, 61, 63],
      rounds: [entry({ id: 'a' }), entry({ id: 'b', times: 2, corner: 'threes' })],
    });
    const { store } = renderHem(workedInto(rippling, 1, 0.6).hem, () => <WorkPage />);
    press('Look');
    fireEvent.change(screen.getByRole('combobox', { name: /^Side A/ }), { target: { value: 'cups' } });
    expect(screen.queryByText(/would lie flat\.$/)).toBeNull();
    fireEvent.change(screen.getByRole('combobox', { name: /^Side A/ }), { target: { value: 'ripples' } });
    await screen.findByText(
      /^In rounds 2 and 3 \(plain round\) the corners add 7 stitches a time to sides A and C; 2 would lie flat\.$/,
    );
    const [begun, , , outer] = store.get().plan.rounds;
    press('Corners of the plain round: 3 in one');
    const { rounds } = store.get().plan;
    expect(rounds[0]!.sides[0]!.tally).toEqual(begun!.sides[0]!.tally);
    expect(rounds[3]!.sides[0]!.strain).toBeLessThan(outer!.sides[0]!.strain / 3);
  });

  test('goes from corner to corner, if that is one step, and says how much is left', async () => {
    const { store } = renderWork();
    fireEvent.change(screen.getByLabelText('One step is'), { target: { value: 'corner' } });
    press('Started');
    expect(now()).toContain('Corner A/B: ');
    const { total } = store.get().plan.rounds[0]!;
    expect(now()).toContain(`To the end of the round${total - 1} sts`);
    await later();
    press('Done');
    expect(now()).toContain('Side B');
    const [made] = store
      .get()
      .plan.hem.record.filter((e) => e.did === 'made')
      .slice(-1);
    expect(now()).toContain(`To the end of the round${total - made!.stitches} sts`);
    // It is remembered, so the next test starts from what is usual.
    fireEvent.change(screen.getByLabelText('One step is'), { target: { value: 'repeat' } });
  });

  test('says down to where it is good before anything is ripped', () => {
    const { store } = renderWork();
    act(() => void store.note(...workedUpTo(plan(hem), 2)));
    act(
      () =>
        void store.note({
          did: 'counted',
          round: { entry: 'a', index: 0 },
          counts: [33, 39, 33, 39].map((n) => n + 2),
        }),
    );
    press('Rip back');
    expect(screen.getByText('Good through round 1, by its count or its look.')).toBeTruthy();
    expect(screen.getByRole('button', { name: /^All of round 2/ }).textContent).toContain(
      'Down to the last good round.',
    );
  });

  test('ripped out to the last stitch, it can be begun anew, and nothing is there to be looked at', () => {
    const { store } = renderWork();
    act(() => void store.note(...workedUpTo(plan(hem), 1)));
    press('Rip back');
    press(/^All of the border/);
    expect(now()).toContain('The base round begins');
    for (const name of ['Look', 'Weigh', 'Count', 'Rip back'])
      expect(screen.getByRole<HTMLButtonElement>('button', { name }).disabled).toBe(true);
    expect(screen.getByRole('button', { name: 'I’ve already started' })).toBeTruthy();
    expect(screen.queryByRole('button', { name: 'Pause' })).toBeNull();
    press('Started');
    expect(store.get().plan.rounds[0]!.done!.stitches).toBe(1);
    press('Look');
    expect(screen.getByRole('group', { name: 'Look' })).toBeTruthy();
    // On another page of this browser it is ripped out meanwhile.
    const out = placesToRipTo(store.get().plan).at(-1)!.deed;
    act(() => void store.note(out));
    expect(screen.queryByRole('group', { name: 'Look' })).toBeNull();
    expect(now()).toContain('The base round begins');
  });
});
