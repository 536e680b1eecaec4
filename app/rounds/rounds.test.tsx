/** @jest-environment jsdom */
import { describe, expect, test, jest } from '@jest/globals';
import { act, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { wishesHere } from '../storage/wishes.ts';
import type { Hem, RoundEntry } from '../../core/document/hem.ts';
import { parseRound } from '../../core/notation/parse.ts';
import { changePiece } from '../../core/document/changePiece.ts';
import { newOwnEntry } from '../../core/stack/stack.ts';
import { flatBlanket, entry, rowsHem } from '../../core/testing/hems.ts';
import { renderHem } from '../testing/render.tsx';
import { OwnRound } from './OwnRound.tsx';
import { PasteRounds } from './PasteRounds.tsx';
import { Choices } from './Choices.tsx';
import { Compare } from './Compare.tsx';
import { StackList } from './Stack.tsx';
import { usualGauge } from '../../core/hands/gauge.ts';
import { StrainStrip } from './StrainStrip.tsx';

describe('pasted rounds', () => {
  const renderPaste = () => {
    const pasted: (readonly RoundEntry[])[] = [];
    renderHem(rowsHem(), (plan) => <PasteRounds plan={plan} onRounds={(r) => pasted.push(r)} />);
    return { pasted, text: screen.getByRole('textbox', { name: 'Written rounds' }) };
  };

  test('are read as they are typed, in the language that is chosen', () => {
    const { pasted, text } = renderPaste();
    fireEvent.change(text, {
      target: { value: 'Rounds 1–2\nEach side: *dc in next st*\nCorner: 3 dc in corner' },
    });
    fireEvent.click(screen.getByText('UK terms'));
    fireEvent.click(screen.getByRole('button', { name: 'Add 2 rounds' }));
    expect(pasted[0]).toHaveLength(1);
    const [added] = pasted[0]!;
    expect(added).toMatchObject({ family: 'own', times: 2, yarns: ['y1'], written: { language: 'uk' } });
    const read = parseRound(added!.written!.text, 'uk');
    expect(read.ok && read.value.corner.group.map((s) => s.kind)).toEqual(['sc', 'sc', 'sc']);
  });

  test('keep quiet changes on the sides that the piece has', () => {
    const { pasted, text } = renderPaste();
    fireEvent.change(text, {
      target: {
        value:
          'Round 1\nEach side: *sc in next st*\nCorner: 3 sc in corner\nQuiet change: on B 2 in one place 3 times, evenly; on Q 2 together once.',
      },
    });
    fireEvent.click(screen.getByRole('button', { name: 'Add 1 round' }));
    expect(pasted[0]![0]!.changes).toEqual({ '0': [0, 3, 0, 0] });
  });

  test('that say nothing of the corners are asked about them, and are worked as is answered', () => {
    const { pasted, text } = renderPaste();
    fireEvent.change(text, { target: { value: 'Rnd 1: tr in each st around, join with sl st.' } });
    expect(screen.getByText(/One round says nothing of the corners/)).toBeTruthy();
    const add = screen.getByRole<HTMLButtonElement>('button', { name: 'Add 1 round' });
    expect(add.disabled).toBe(true);
    fireEvent.click(screen.getByRole('radio', { name: '2, ch 2, 2' }));
    fireEvent.click(add);
    const read = parseRound(pasted[0]![0]!.written!.text, 'us');
    expect(read.ok && read.value.corner.group.map((s) => s.kind)).toEqual(['tr', 'tr', 'ch', 'tr', 'tr']);
    fireEvent.click(screen.getByRole('radio', { name: 'no increase' }));
    fireEvent.click(add);
    expect(pasted[1]![0]!.written!.text).toContain('corner: walk round');
  });

  test('with a fault are not taken, and the text stays', () => {
    const { pasted, text } = renderPaste();
    fireEvent.change(text, { target: { value: 'Round 1\nEach side: *knit in next st*' } });
    expect(screen.getByRole('alert').textContent).toContain('line 2: “knit” was not understood');
    fireEvent.click(screen.getByRole('button', { name: 'Add them' }));
    expect(pasted).toEqual([]);
    expect((text as HTMLTextAreaElement).value).toContain('knit');
  });
});

describe('an own round', () => {
  test('says its multiple, and points at what cannot be read without losing it', () => {
    const own = newOwnEntry('o', 'y1', 'us');
    const { store } = renderHem(rowsHem({ rounds: [own] }), (plan) => (
      <OwnRound entry={plan.hem.rounds[0]!} language="uk" />
    ));
    const text = screen.getByRole('textbox', { name: 'Own round in US terms' });
    expect(screen.getByText(/Fits any count\. Written in US terms\./)).toBeTruthy();
    fireEvent.change(text, {
      target: { value: 'side: *sk 1, 5 dc in next st, sk 1, sl st in next st*\ncorner: 7 dc in corner' },
    });
    expect(screen.getByText(/multiple of 4 and 0 more/)).toBeTruthy();
    fireEvent.change(text, { target: { value: 'side: *sk 1, 5 zz in next st*' } });
    expect(screen.getAllByRole('alert')[0]!.textContent).toMatch(
      /line 1, column 16: “zz” was not understood/,
    );
    expect((text as HTMLTextAreaElement).value).toContain('zz');
    expect(document.querySelector('mark')!.textContent).toBe('zz');
    expect(store.get().plan.hem.rounds[0]!.written!.text).toContain('zz');
  });

  test('undo and redo in the box do what the box shows, a pause at a time', () => {
    jest.useFakeTimers();
    const own = newOwnEntry('o', 'y1', 'us');
    const { store } = renderHem(rowsHem({ rounds: [own] }), (plan) => (
      <OwnRound entry={plan.hem.rounds[0]!} language="us" />
    ));
    const box = (): HTMLTextAreaElement => screen.getByRole('textbox', { name: 'Own round in US terms' });
    const before = box().value;
    for (const typed of ['s', 'si', 'sid']) fireEvent.change(box(), { target: { value: typed } });
    act(() => jest.advanceTimersByTime(1000));
    fireEvent.change(box(), { target: { value: 'side: x' } });
    fireEvent.keyDown(box(), { key: 'z', ctrlKey: true });
    expect(box().value).toBe('sid');
    fireEvent.keyDown(box(), { key: 'z', ctrlKey: true });
    expect(box().value).toBe(before);
    fireEvent.keyDown(box(), { key: 'z', ctrlKey: true, shiftKey: true });
    expect(box().value).toBe('sid');
    expect(store.get().plan.hem.rounds[0]!.written!.text).toBe('sid');
    jest.useRealTimers();
  });
});

const two = rowsHem({
  rounds: [entry(), entry({ id: 'r2', family: 'shell', stitch: 'hdc', yarn: 'y2' })],
});

describe('the stack', () => {
  const lines = (): readonly string[] =>
    screen.getAllByRole('button', { name: /round|edge/i, pressed: false }).map((b) => b.textContent);
  const renderStack = (hem = two, onPick: (entry: string | null) => void = () => undefined) =>
    renderHem(hem, (plan) => <StackList plan={plan} picked="none" onPick={onPick} />);

  test('has a line for every entry, the outermost on top: its counts, what does not fit, how flat it lies', () => {
    const { store } = renderStack();
    const [shell, plainRound, base] = lines();
    expect(shell).toMatch(/^2Shell edge\d left over/);
    const { plan } = store.get();
    const { tally } = plan.rounds[1]!.sides[0]!;
    expect(plainRound).toMatch(new RegExp(`^1Plain round.*A ${tally.stitches}`));
    expect(base).toContain('Base round');
    const flat = plan.rounds[0]!.sides.every((s) => s.verdict === 'flat');
    expect(screen.getAllByRole('img', { name: /lies flat|flattens|ripples|pulls in/ })).toHaveLength(3);
    expect(screen.queryAllByRole('img', { name: 'lies flat' }).length > 0).toBe(flat);
  });

  test('a round is taken out with one click, and comes back with undo', () => {
    const { store } = renderStack();
    fireEvent.click(screen.getByRole('button', { name: /^Remove Shell edge, round/ }));
    expect(store.get().plan.hem.rounds.map((r) => r.id)).toEqual(['r1']);
    act(() => store.undo());
    expect(store.get().plan.hem.rounds.map((r) => r.id)).toEqual(['r1', 'r2']);
  });

  test('rounds are picked by their line', () => {
    const picked: (string | null)[] = [];
    renderStack(rowsHem({ rounds: [entry({ times: 3 }), entry({ id: 'r2', family: 'shell' })] }), (r) =>
      picked.push(r),
    );
    for (const name of [/^4 ?Shell/, /^1–3 ?Plain/, /^Base/])
      fireEvent.click(screen.getByRole('button', { name }));
    expect(picked).toEqual(['r2', 'r1', null]);
  });
});

describe('borders compared', () => {
  const kept = (id: string, stitch: RoundEntry['stitch'], times: number) => ({
    id,
    name: `Border ${id}`,
    base: two.base,
    rounds: [entry({ stitch, times })],
  });

  test('stand side by side, the best of every number marked', async () => {
    renderHem({ ...two, kept: [kept('k', 'tr', 9)] }, (plan) => <Compare plan={plan} />);
    const row = (name: RegExp): HTMLElement => screen.getByRole('row', { name });
    await within(row(/^Yarn/)).findByText('best');
    const cells = (name: RegExp): readonly string[] =>
      within(row(name))
        .getAllByRole('cell')
        .map((c) => c.textContent);
    // Ten rounds of trebles take more than two small rounds; they fit, and shells on such a base do not.
    expect(cells(/^Yarn/).map((c) => c.endsWith('best'))).toEqual([true, false]);
    expect(cells(/^Time/).map((c) => c.endsWith('best'))).toEqual([true, false]);
    expect(cells(/^Fits/)).toEqual(['not yet', 'every round fits best']);
    expect(cells(/^Rounds/)).toEqual(['shell edgeplain roundbase round', '9 × plain roundbase round']);
  });

  test('are saved, copied, used and discarded; of many, three are seen beside this one', () => {
    const { store } = renderHem({ ...two, kept: [kept('k', 'dc', 2)] }, (plan) => <Compare plan={plan} />);
    const press = (name: string): void => void fireEvent.click(screen.getAllByRole('button', { name })[0]!);
    const names = (): readonly string[] => store.get().plan.hem.kept.map((k) => k.name);
    press('Copy Border k');
    press('Save this border');
    expect(names()).toEqual(['Border k', 'Border k (copy)', 'Border 3']);
    press('Save this border');
    expect(screen.getAllByRole('columnheader')).toHaveLength(4);
    const boxes = (): readonly HTMLInputElement[] => screen.getAllByRole('checkbox');
    expect(boxes().map((b) => [b.checked, b.disabled])).toEqual([
      [false, true],
      [true, false],
      [true, false],
      [true, false],
    ]);
    fireEvent.click(boxes()[1]!);
    fireEvent.click(boxes()[0]!);
    expect(boxes().map((b) => b.checked)).toEqual([true, false, true, true]);
    press('Use this one');
    expect(store.get().plan.hem.rounds.map((r) => r.stitch)).toEqual(['dc']);
    press('Discard Border 3');
    expect(names()).not.toContain('Border 3');
  });
});

describe('the choices of a round', () => {
  function renderChoices(hem: Hem, base = false) {
    const previews: (Hem | null)[] = [];
    const pointed: boolean[] = [];
    const { store } = renderHem(hem, (plan) => (
      <Choices
        plan={plan}
        entry={base ? null : plan.hem.rounds[0]!}
        side={0}
        onPreview={(h) => previews.push(h)}
        pointing={pointed.length % 2 === 1}
        onPointing={(now) => pointed.push(now)}
      />
    ));
    const first = (): RoundEntry => store.get().plan.hem.rounds[0]!;
    return { store, previews, pointed, first };
  }
  const tab = (name: string): void => void fireEvent.click(screen.getByRole('button', { name }));
  const option = (name: string): HTMLElement => screen.getByRole('radio', { name });

  test('are pictures: what is pointed at is tried on, what is pressed is taken', () => {
    const { previews, first } = renderChoices(rowsHem({ rounds: [entry()] }));
    expect(screen.getByRole('radiogroup', { name: 'Corner' })).toBeTruthy();
    fireEvent.pointerEnter(option('1, ch 2, 1'), { pointerType: 'mouse' });
    expect(previews.at(-1)!.rounds[0]!.corner).toBe('chain-2');
    fireEvent.pointerLeave(option('1, ch 2, 1'));
    expect(previews.at(-1)).toBeNull();
    fireEvent.click(option('1, ch 2, 1'));
    expect(first().corner).toBe('chain-2');
    expect(option('1, ch 2, 1').getAttribute('aria-checked')).toBe('true');
    tab('Loop');
    fireEvent.click(option('back loop'));
    tab('Facing');
    fireEvent.click(option('wrong side facing'));
    tab('Stitch');
    fireEvent.click(option('hdc'));
    expect(first()).toMatchObject({ loop: 'back', facing: 'wrong', stitch: 'hdc' });
  });

  test('what has no choice is not asked, and on a circle nothing is said of corners', () => {
    const start = rowsHem();
    const piece = {
      kind: 'motif',
      corners: 0,
      cornerChains: 0,
      edge: { kind: 'solid', stitch: 'dc', stitches: 80, between: false },
      sideCm: 57,
    } as const;
    renderChoices({ ...start, ...changePiece(start, piece), rounds: [entry()] });
    expect(screen.queryByRole('button', { name: 'Corner' })).toBeNull();
    tab('More');
    expect(screen.queryByText(/corner may change/)).toBeNull();
  });

  test('how often, stripes, and another start', () => {
    const { store, first } = renderChoices(rowsHem({ rounds: [entry()] }));
    for (let k = 0; k < 2; k++) tab('One more of Plain round');
    expect(first().times).toBe(3);
    tab('Stripes');
    const yarns = (): readonly string[] =>
      store
        .get()
        .plan.rounds.slice(1)
        .map((r) => r.yarnId);
    expect(yarns()).toEqual(['y1', 'y2', 'y1']);
    fireEvent.click(within(screen.getByRole('radiogroup', { name: 'Yarn 1' })).getAllByRole('radio')[1]!);
    expect(yarns()).toEqual(['y2', 'y2', 'y2']);
    tab('One fewer');
    expect(first().yarns).toEqual(['y2']);
    tab('More');
    fireEvent.click(screen.getByRole('checkbox', { name: 'Plain round starts elsewhere' }));
    expect(first().start).toMatchObject({ at: 'corner', side: 0 });
    fireEvent.click(screen.getByRole('checkbox', { name: 'Plain round starts elsewhere' }));
    expect(first().start).toBeNull();
  });

  test('a round of one’s own that cannot be read is there to be mended', () => {
    const own = newOwnEntry('o', 'y1', 'us');
    renderChoices(rowsHem({ rounds: [{ ...own, written: { ...own.written!, text: 'side: *3 foo*' } }] }));
    const text = screen.getByRole<HTMLTextAreaElement>('textbox', { name: 'Own round in US terms' });
    expect(text.value).toBe('side: *3 foo*');
    expect(screen.getAllByRole('alert')[0]!.textContent).toContain('foo');
    expect(screen.getByRole<HTMLButtonElement>('button', { name: 'Keep for other hems' }).disabled).toBe(
      true,
    );
  });

  test('a round of one’s own has a name and a note, and is kept for other hems', async () => {
    const { first } = renderChoices(rowsHem({ rounds: [newOwnEntry('o', 'y1', 'us')] }));
    fireEvent.change(screen.getByRole('textbox', { name: 'Name of this round' }), {
      target: { value: 'Sea foam' },
    });
    fireEvent.change(screen.getByRole('textbox', { name: /^Note on this round/ }), {
      target: { value: 'Loosely.' },
    });
    expect(first().written).toMatchObject({ name: 'Sea foam', note: 'Loosely.' });
    expect(screen.getByRole('heading', { name: 'Sea foam' })).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Keep for other hems' }));
    await waitFor(async () => expect((await wishesHere()).rounds).toEqual([first().written]));
  });

  test('a plain round goes into chain spaces too, or between the stitches, where loops are none', () => {
    const { first } = renderChoices(two);
    tab('Where');
    fireEvent.click(screen.getByRole('radio', { name: 'between the stitches' }));
    expect(first().into).toBe('between');
    expect(screen.queryByRole('button', { name: 'Loop' })).toBeNull();
  });

  test('a start of its own can be pointed out in the drawing, or counted', () => {
    const { pointed, first } = renderChoices(two);
    tab('More');
    fireEvent.click(screen.getByRole('checkbox', { name: /starts elsewhere$/ }));
    fireEvent.click(screen.getByRole('button', { name: 'Point at it in the drawing' }));
    expect(pointed).toEqual([true]);
    expect(first().start).toMatchObject({ at: 'corner', stitches: 1, chains: null });
  });

  test('the base round has its yarn', () => {
    const { store } = renderChoices(two, true);
    fireEvent.click(screen.getAllByRole('radio', { checked: false })[0]!);
    expect(store.get().plan.hem.base.yarn).toBe('y2');
  });
});

test('lay-flat has a bar for every side of every round, to the side that its strain says', () => {
  const { container, store } = renderHem(
    rowsHem({ counts: [180, 150, 180, 150], rounds: [entry()] }),
    (plan) => <StrainStrip plan={plan} />,
  );
  const { rounds } = store.get().plan;
  const bars = [...container.querySelectorAll('rect.ripple, rect.cup')];
  expect(bars).toHaveLength(rounds.length * 4);
  const ripples = rounds.flatMap((r) => r.sides).filter((s) => s.strain > 0).length;
  expect(container.querySelectorAll('rect.ripple')).toHaveLength(ripples);
  expect(ripples).toBeGreaterThan(0);
  expect(bars[0]!.querySelector('title')!.textContent).toMatch(/^Plain round, side A: \+\d+\.\d%, ripples$/);
});

test('lay-flat outlines the sides of which it cannot be known, and says how it is found out', () => {
  const blanket = flatBlanket([entry()]);
  const { weight } = blanket.yarns[0]!;
  const counted = renderHem(blanket, (plan) => <StrainStrip plan={plan} />).container;
  const usual = renderHem({ ...blanket, gauge: usualGauge(weight, null) }, (plan) => (
    <StrainStrip plan={plan} />
  )).container;
  const outlined = (of: HTMLElement): number => of.querySelectorAll('rect.open').length;
  expect(outlined(usual)).toBeGreaterThan(outlined(counted));
  expect(usual.textContent).toMatch(/It cannot be known.*before you try 10 cm.*only outlined/);
  for (const strip of [usual, counted])
    expect(strip.textContent.includes('only outlined')).toBe(outlined(strip) > 0);
});
