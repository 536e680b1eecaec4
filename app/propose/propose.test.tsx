/** @jest-environment jsdom */
import { useState } from 'react';
import { describe, expect, test } from '@jest/globals';
import { act, fireEvent, screen, waitFor, within } from '@testing-library/react';
import { plan } from '../../core/plan/planner.ts';
import type { Plan } from '../../core/plan/types.ts';
import { lengthWords, timeWords } from '../../core/say/measures.ts';
import type { BorderFound } from '../../core/propose/found.ts';
import { KEEP_NOTHING, type Keep } from '../../core/propose/grammar.ts';
import { prove, type Proposal } from '../../core/propose/prove.ts';
import { searchSlice, slicesOf } from '../../core/propose/search.ts';
import { NO_WISH, type Wish } from '../../core/propose/wish.ts';
import { newOwnEntry } from '../../core/stack/stack.ts';
import { entry, flatBlanket } from '../../core/testing/hems.ts';
import { workedUpTo } from '../../core/work/progress.ts';
import { recipeOf } from '../../core/notation/parse.ts';
import { renderHem } from '../testing/render.tsx';
import { ProposalCard } from './ProposalCard.tsx';
import { ProposePage } from './ProposePage.tsx';
import { Sentence } from './Sentence.tsx';

const hem = flatBlanket([entry({ id: 'mine' })]);
const wish: Wish = { ...NO_WISH, widthCm: 3 };
/** As a style has it. */
const rgbOf = (hex: string): string =>
  `rgb(${[1, 3, 5].map((at) => parseInt(hex.slice(at, at + 2), 16)).join(', ')})`;

describe('the sentence of a wish', () => {
  /** The last wish that was said. */
  function said(of = hem) {
    let last: Wish = wish;
    function Said({ plan }: { readonly plan: Plan }) {
      const [now, setNow] = useState(wish);
      last = now;
      return <Sentence plan={plan} wish={now} onWish={(part) => setNow({ ...now, ...part })} />;
    }
    renderHem(of, (plan) => <Said plan={plan} />);
    return () => last;
  }
  const choose = (label: string, value: string): void =>
    void fireEvent.change(screen.getByLabelText(label), { target: { value } });
  function type(label: string, value: string): void {
    fireEvent.change(screen.getByLabelText(label), { target: { value } });
    fireEvent.blur(screen.getByLabelText(label));
  }

  test('every word of it can be changed, and left out again', () => {
    const rich = { ...hem, yarns: hem.yarns.map((y) => ({ ...y, haveG: 100 })) };
    const last = said(rich);
    choose('Look', 'lacy');
    choose('Look that is not wanted', 'textured');
    choose('Yarn', 'used up');
    choose('How much it asks of its maker', 'easy');
    choose('Loose parts', 'none');
    choose('What stays', 'rounds');
    type('Hours that there are for it', '2.5');
    type('Width of the border in cm', '5');
    expect(last()).toEqual({
      widthCm: 5,
      size: null,
      look: 'lacy',
      notLook: 'textured',
      skill: 'easy',
      noLooseParts: true,
      basket: 'used up',
      minutes: 150,
      onRounds: true,
    });
    expect(screen.getByText(/from what is in the basket \(200 g\)/)).toBeTruthy();
    choose('Look', '');
    choose('Look that is not wanted', '');
    choose('Yarn', 'any');
    choose('How much it asks of its maker', '');
    choose('Loose parts', '');
    choose('What stays', '');
    type('Hours that there are for it', '');
    type('Width of the border in cm', '');
    expect(last()).toEqual(NO_WISH);
  });

  test('a size of the whole takes the place of the width, and the width that of the size', () => {
    const last = said();
    choose('Width of the border, or size of the whole', 'size');
    expect(last().size).toEqual({ widthCm: 51, heightCm: 53 });
    type('Width of the whole in cm', '60');
    type('Height of the whole in cm', '');
    expect(last().size).toEqual({ widthCm: 60, heightCm: null });
    choose('Width of the border, or size of the whole', 'width');
    expect([last().size, last().widthCm]).toEqual([null, 3]);
  });

  test('the basket can be wished from when it has been said what is there', () => {
    said({ ...hem, yarns: hem.yarns.map((y) => ({ ...y, haveG: null })) });
    const option = screen.getByText(/say on the Yarn page/);
    expect((option as HTMLOptionElement).disabled).toBe(true);
  });
});

describe('a border that is proposed', () => {
  const found = ((): BorderFound => {
    for (let slice = 0; slice < slicesOf(hem); slice++) {
      const whole = searchSlice(hem, wish, slice).found.find(
        ({ shape, asItIs }) => shape.ground && shape.middle && shape.edge && asItIs,
      );
      if (whole) return whole;
    }
    throw new Error('nothing suits');
  })();
  const proposal: Proposal = prove(hem, wish, found)!;

  function card() {
    let keep: Keep = KEEP_NOTHING;
    let like: Proposal | null = null;
    let unlike = 0;
    const opened = renderHem(hem, (plan) => (
      <ProposalCard
        plan={plan}
        wish={wish}
        proposal={proposal}
        liked={false}
        onLike={(liked) => (like = liked)}
        onKeep={(part) => (keep = { ...keep, ...part })}
        onUnlike={() => unlike++}
      />
    ));
    return { ...opened, keep: () => keep, like: () => like, unlike: () => unlike };
  }

  test('is tried on with one press; what was there is put aside by itself, and undo takes it off', () => {
    const { store } = card();
    const before = store.get().plan.hem;
    fireEvent.click(screen.getByRole('button', { name: /^Try it on/ }));
    const { hem: worn } = store.get().plan;
    expect(worn.rounds.map((r) => [r.family, r.stitch, r.times, r.yarns])).toEqual(
      proposal.rounds.map((r) => [r.family, r.stitch, r.times, r.yarns]),
    );
    // Its entries are the hem’s own now.
    expect(worn.rounds.some((r) => r.id.startsWith('proposed'))).toBe(false);
    expect(worn.kept.map((k) => k.rounds)).toEqual([before.rounds]);
    act(() => store.undo());
    expect(store.get().plan.hem.rounds).toEqual(before.rounds);
    expect(store.get().plan.hem.kept).toEqual([]);
  });

  test('tells the numbers of its own plan', () => {
    const { store, container } = card();
    const made = plan({ ...store.get().plan.hem, base: proposal.base, rounds: proposal.rounds });
    const grams = made.yarns.reduce((sum, y) => sum + y.quantity.grams * (1 + y.quantity.spread), 0);
    expect(container.textContent).toContain(`${lengthWords(made.borderWidthMm, 'cm')} wide`);
    expect(container.textContent).toContain(`up to ${Math.round(grams)} g`);
    expect(container.textContent).toContain(`about ${timeWords(made.minutes)}`);
    const bands = [...container.querySelectorAll<HTMLElement>('[aria-hidden] > span')].slice(1);
    const shares = bands.map((b) => Number(b.style.flexGrow));
    const height = (yarn: string): number =>
      made.rounds.reduce((sum, r) => sum + (r.yarnId === yarn ? r.ownHeightMm : 0), 0);
    // At real proportion: what the bands of a yarn come to is its part of the border.
    for (const { id, colour } of made.hem.yarns) {
      const rgb = rgbOf(colour);
      const shown = shares.reduce((sum, s, k) => sum + (bands[k]!.style.background === rgb ? s : 0), 0);
      expect(shown).toBeCloseTo(height(id) / made.borderWidthMm, 1);
    }
  });

  test('goes beside the border in hand, which stays; pressed again it is there once', () => {
    const { store } = card();
    const before = store.get().plan.hem.rounds;
    fireEvent.click(screen.getByRole('button', { name: /^Compare/ }));
    const { rounds, kept } = store.get().plan.hem;
    expect(rounds).toBe(before);
    fireEvent.click(screen.getByRole('button', { name: /^Compare/ }));
    expect(store.get().plan.hem.kept).toEqual(kept);
    expect(kept.map((k) => k.rounds.map((r) => r.family))).toEqual([proposal.rounds.map((r) => r.family)]);
  });

  test('can be liked, not be wanted, or lend a part of it', () => {
    const { keep, like, unlike } = card();
    fireEvent.click(screen.getByRole('button', { name: /^More like this/ }));
    fireEvent.click(screen.getByRole('button', { name: /^Not this/ }));
    expect([like(), unlike()]).toEqual([proposal, 1]);
    const part = screen.getByLabelText(/^Keep a part of/);
    for (const value of ['edge', 'rounds', 'yarns']) fireEvent.change(part, { target: { value } });
    expect(keep().edge).toEqual(proposal.shape.edge);
    expect(keep().under).toEqual({ ground: proposal.shape.ground, middle: proposal.shape.middle });
    expect(keep().yarns!.length).toBeGreaterThan(0);
  });
});

describe('the page', () => {
  test('searches, shows a handful that can be told apart, and takes back what was not wanted', async () => {
    const { container } = renderHem(hem, () => <ProposePage />);
    await waitFor(() => expect(container.textContent).toMatch(/\d+ suit as they are/), { timeout: 60_000 });
    const names = (): readonly string[] =>
      screen.getAllByRole('article').map((a) => a.getAttribute('aria-label')!);
    const first = names();
    expect(first).toHaveLength(8);
    expect(new Set(first).size).toBe(8);
    const [card] = screen.getAllByRole('article');
    fireEvent.click(within(card!).getByRole('button', { name: /^Not this/ }));
    await waitFor(() => expect(names()).not.toContain(first[0]));
    await waitFor(() => expect(container.textContent).toMatch(/\d+ suit as they are/), { timeout: 60_000 });
    // Nothing else went or moved under the hand; what came in its stead comes last.
    const stayed = first.filter((name) => names().includes(name));
    expect(names().slice(0, stayed.length)).toEqual(stayed);
    expect(stayed.length).toBeGreaterThan(5);
    expect(names()).toHaveLength(8);
    fireEvent.click(screen.getByRole('button', { name: 'Bring back what I did not want (1)' }));
    await waitFor(() => expect(names()).toEqual(first));
    const third = screen.getAllByRole('article')[2]!;
    expect(container.textContent).toContain('each different');
    fireEvent.click(within(third).getByRole('button', { name: /^More like this/ }));
    await waitFor(() => expect(container.textContent).toContain('the most like the one that you picked'), {
      timeout: 60_000,
    });
    expect(container.textContent).not.toContain('each different');
    const like = first[2]!.split(',')[0]!;
    expect(names()[0]).toBe(first[2]);
    expect(names().filter((name) => name.startsWith(like)).length).toBeGreaterThan(4);
    // Findings of one wish are never told as the answer to the next.
    fireEvent.change(screen.getByLabelText('Look'), { target: { value: 'lacy' } });
    expect(container.textContent).toMatch(/suit so far/);
  }, 90_000);

  test('says which word stands in the way of all, and leaves it out when that is wanted', async () => {
    const { container } = renderHem({ ...hem, pace: 2 }, () => <ProposePage />);
    fireEvent.change(screen.getByLabelText('Hours that there are for it'), { target: { value: '0.5' } });
    fireEvent.blur(screen.getByLabelText('Hours that there are for it'));
    await waitFor(() => expect(container.textContent).toContain('Nothing suits'), { timeout: 60_000 });
    const line = screen.getByText(/^But for the time, up to \d+ borders would suit\./);
    fireEvent.click(within(line.closest('li')!).getByRole('button', { name: 'Leave it out' }));
    await waitFor(() => expect(screen.getAllByRole('article').length).toBeGreaterThan(0), {
      timeout: 60_000,
    });
  }, 90_000);

  const nothing = () => screen.findByRole('heading', { name: 'Nothing suits' }, { timeout: 60_000 });

  test('on an edge that is worked nothing goes: it is to be ripped back', async () => {
    const edged = flatBlanket([entry({ id: 'edge', family: 'shell', stitch: 'hdc' })]);
    const { store } = renderHem(edged, () => <ProposePage />);
    act(() => void store.note(...workedUpTo(store.get().plan, 1)));
    await nothing();
    expect(screen.getByRole('link', { name: 'rip it back' }).getAttribute('href')).toBe(
      `/hem/${edged.id}/work`,
    );
  }, 90_000);

  test('an edge under a round of one’s own can be left out', async () => {
    const edged = flatBlanket([
      entry({ id: 'edge', family: 'shell', stitch: 'hdc' }),
      newOwnEntry(
        'over',
        'y1',
        'us',
        recipeOf('side: *sl st in next st*\ncorner: sl st in corner\nsurface: yes'),
      ),
    ]);
    renderHem(edged, () => <ProposePage />);
    fireEvent.change(screen.getByLabelText('What stays'), { target: { value: 'rounds' } });
    await nothing();
    fireEvent.click(screen.getByRole('button', { name: 'Leave it out' }));
    expect(screen.getByLabelText<HTMLSelectElement>('What stays').value).toBe('');
    expect(screen.queryByText(/^What stays ends in an edge/)).toBeNull();
  }, 90_000);
});
