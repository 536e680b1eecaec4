/** @jest-environment jsdom */
import { afterEach, describe, expect, test } from '@jest/globals';
import { act, fireEvent, screen } from '@testing-library/react';
import type { Hem } from '../../core/document/hem.ts';
import { ONE_PIECE } from '../../core/alike/alike.ts';
import { rangeWords, timeWords } from '../../core/say/measures.ts';
import { planComesOutEven, type YarnPlan } from '../../core/plan/types.ts';
import { entry, flatBlanket, rowsHem } from '../../core/testing/hems.ts';
import { renderHem } from '../testing/render.tsx';
import { ballEnds, basketReach } from '../../core/forecast/supply.ts';
import { BallsOnPiece } from './BallsOnPiece.tsx';
import { Basket } from './Basket.tsx';
import { HowFar } from './HowFar.tsx';
import { RoundsChart } from './RoundsChart.tsx';
import { WeighIns } from './WeighIns.tsx';
import { YarnPage } from './YarnPage.tsx';

const hem = rowsHem({ rounds: [entry({ times: 2 }), entry({ id: 'b', yarn: 'y2' })] });

/** Types a number into a field and leaves it. */
function type(name: string | RegExp, value: string): void {
  const [field] = screen.getAllByRole('spinbutton', { name });
  fireEvent.change(field!, { target: { value } });
  fireEvent.blur(field!);
}

describe('the basket', () => {
  test('says what each colour takes, and whether it lasts once it is known what is there', () => {
    const { store, container } = renderHem(hem, () => <Basket />);
    const [plain] = store.get().plan.yarns;
    expect(container.textContent).toContain(`${rangeWords(plain!.quantity.grams, plain!.quantity.spread)} g`);
    expect(container.textContent).toContain('Enter what you have to see if it is enough.');
    type('Grams of Plain yarn in the basket', '5');
    expect(container.textContent).toContain('Not enough. Have ');
    type('Grams of Plain yarn in the basket', '900');
    expect(container.textContent).toContain('Enough.');
    expect(store.get().plan.hem.yarns[0]!.haveG).toBe(900);
  });

  test('another label gives other balls', () => {
    const { store } = renderHem(hem, () => <Basket />);
    const before = store.get().plan.yarns[0]!.quantity;
    type('Meters in 100 g of Plain yarn', String(190 / 2));
    const after = store.get().plan.yarns[0]!.quantity;
    expect(after.metres).toBeCloseTo(before.metres, 6);
    expect(after.grams).toBeCloseTo(2 * before.grams, 6);
  });

  test('a yarn in use stays, one that is not can be taken out, and undo brings it back', () => {
    const unused = rowsHem({ rounds: [entry()] });
    const { store } = renderHem(unused, () => <Basket />);
    const out = (name: string) => screen.getByRole('button', { name: `Remove ${name} from the basket` });
    expect((out('Plain yarn') as HTMLButtonElement).disabled).toBe(true);
    fireEvent.click(out('Other yarn'));
    expect(store.get().plan.hem.yarns).toHaveLength(1);
    act(() => store.undo());
    expect(store.get().plan.hem.yarns).toHaveLength(2);
  });
});

test('of many alike the basket says for how many it is enough, and the time is that of all', () => {
  const { store } = renderHem({ ...hem, alike: { ...ONE_PIECE, count: 24 } }, () => <YarnPage />);
  const plain = (): YarnPlan => store.get().plan.yarns[0]!;
  const each = plain().quantity.grams / 24;
  type('Grams of Plain yarn in the basket', String(Math.ceil(5 * each * (1 + plain().quantity.spread))));
  expect(screen.getByText(/^Your yarn: surely enough for 5 of 24 pieces, at most for/)).toBeTruthy();
  expect(document.body.textContent).toContain(
    `All 24, joining included: ${timeWords(store.get().plan.minutesInAll)}.`,
  );
});

describe('where balls end', () => {
  test('is marked on the piece and said; what is there and what is to buy is drawn', () => {
    const thirsty = { ...hem, yarns: hem.yarns.map((y) => ({ ...y, metresPer100G: 60, haveG: 70 })) };
    const { container, store } = renderHem(thirsty, () => (
      <>
        <BallsOnPiece />
        <Basket />
      </>
    ));
    const ends = ballEnds(store.get().plan);
    expect(ends.length).toBeGreaterThan(1);
    expect(container.querySelectorAll('.mark')).toHaveLength(ends.length);
    expect(screen.getAllByRole('listitem')[0]!.textContent).toMatch(/Ball 1 of .* ends about here, on side/);
    const { toBuy } = store.get().plan.yarns[0]!;
    expect(
      screen.getAllByRole('img', { name: `2 balls here, ${toBuy} balls to buy` }).length,
    ).toBeGreaterThan(0);
  });

  test('a border within one ball of each yarn has none', () => {
    renderHem(rowsHem(), () => <BallsOnPiece />);
    expect(screen.getByText('No ball ends within this border.')).toBeTruthy();
  });
});

describe('weigh-ins', () => {
  test('a swatch narrows the range of its yarn, and can be taken out again', () => {
    const { store } = renderHem(hem, () => <WeighIns />);
    const spread = (): number => store.get().plan.yarns[0]!.quantity.spread;
    const before = spread();
    const note = screen.getByRole('button', { name: 'Note it' });
    // Nothing is noted while no weight is typed.
    fireEvent.click(note);
    expect(spread()).toBe(before);
    type('Stitches of the swatch', '400');
    type('Grams weighed', '9');
    fireEvent.click(note);
    expect(store.get().plan.hem.weighIns).toMatchObject([
      { yarn: 'y1', of: { kind: 'swatch', stitches: 400 }, grams: 9 },
    ]);
    expect(spread()).toBeLessThan(before);
    fireEvent.click(screen.getByRole('button', { name: /^Remove 400 \w+: 9 g/ }));
    expect(store.get().plan.hem.weighIns).toEqual([]);
    expect(spread()).toBe(before);
  });
});

describe('the chart of rounds', () => {
  const { innerWidth } = window;
  afterEach(() => {
    window.innerWidth = innerWidth;
  });

  const chart = (of: Hem) => renderHem(of, () => <RoundsChart />);

  test('has a row for every round with its range, the outermost on top', () => {
    const { container, store } = chart(hem);
    const titles = [...container.querySelectorAll('svg > g > title')].map((t) => t.textContent);
    const rounds = [...store.get().plan.rounds].reverse();
    expect(titles).toHaveLength(rounds.length);
    rounds.forEach((r, i) => {
      expect(titles[i]).toContain(`${r.total} stitches, ${rangeWords(r.yarnM, 0.2)} m`);
    });
    const label = screen.getByRole('img', { name: /^Yarn for each round: / }).getAttribute('aria-label');
    rounds.forEach((r) => expect(label).toContain(`${r.name}: ${rangeWords(r.yarnM, 0.2)} m`));
  });

  test('where lengths are in inches, yarn is in yards', () => {
    const { container } = chart({ ...hem, preferences: { ...hem.preferences, length: 'in' } });
    expect(container.textContent).toMatch(/\d+–\d+ yd/);
    expect(container.textContent).not.toMatch(/\d m\b/);
  });

  test('on a phone names and amounts stand above the bars, which take the whole width', () => {
    window.innerWidth = 390;
    const { container } = chart(hem);
    const bars = [...container.querySelectorAll('rect.bar')];
    expect(bars.map((b) => b.getAttribute('x'))).toEqual(bars.map(() => '0'));
    for (const words of container.querySelectorAll('g > text')) {
      expect(Number(words.getAttribute('y'))).toBeLessThan(Number(bars[0]!.getAttribute('y')));
    }
  });
});

describe('how far the yarn goes', () => {
  const shell = entry({ id: 'edge', family: 'shell', stitch: 'hdc' });
  const short = (haveG: number | null, ballG = 50) => {
    const of = flatBlanket([entry({ id: 'a', times: 4 }), shell]);
    return { ...of, yarns: of.yarns.map((y) => ({ ...y, haveG, ballG })) };
  };

  test('stops where the basket is surely enough, every way planned again', async () => {
    const { store } = renderHem(short(30), () => <HowFar />);
    expect(basketReach(store.get().plan)!.doubtful).not.toBeNull();
    fireEvent.click(screen.getByRole('button', { name: 'Stop where the basket is surely enough' }));
    const [way] = await screen.findAllByRole('button', { name: /^Leave off / });
    fireEvent.click(way!);
    expect(basketReach(store.get().plan)!.doubtful).toBeNull();
    expect(planComesOutEven(store.get().plan)).toBe(true);
    expect(screen.queryByRole('button', { name: /^Stop where/ })).toBeNull();
    act(() => store.undo());
    expect(store.get().plan.hem.rounds).toHaveLength(2);
  });

  test('an edge that saves balls is taken with a press, and saves them', async () => {
    const { store } = renderHem(short(null, 2), () => <HowFar />);
    const balls = (): number => store.get().plan.yarns.reduce((sum, y) => sum + y.quantity.balls, 0);
    const before = balls();
    const [offer] = await screen.findAllByRole('button', { name: / saves \d+ balls?$/ });
    const said = Number(/saves (\d+)/.exec(offer!.textContent)![1]);
    fireEvent.click(offer!);
    expect(before - balls()).toBe(said);
    expect(store.get().plan.hem.rounds.map((r) => r.family)).not.toContain('shell');
  });

  test('asks for whole borders only where it has been said what is there', () => {
    renderHem(short(null), () => <HowFar />);
    expect(screen.queryByRole('link', { name: /basket/ })).toBeNull();
    renderHem(short(500), () => <HowFar />);
    const asked = screen.getAllByRole('link').map((a) => a.getAttribute('href'));
    expect(asked).toEqual(['?basket', '?useup', '?useup&on'].map((wish) => `/hem/test/propose${wish}`));
    expect(screen.queryByRole('button', { name: /^Stop where/ })).toBeNull();
  });
});
