/** @jest-environment jsdom */
import { describe, expect, test } from '@jest/globals';
import { cleanup, fireEvent, screen, within } from '@testing-library/react';
import type { RoundEntry } from '../../core/document/hem.ts';
import { tryFamilies } from '../../core/forecast/nextRound.ts';
import { plan } from '../../core/plan/planner.ts';
import { FAMILIES } from '../../core/rounds/registry.ts';
import type { Family } from '../../core/rounds/family.ts';
import { entry, rowsHem } from '../../core/testing/hems.ts';
import { renderHem } from '../testing/render.tsx';
import { FamilyLibrary } from './Library.tsx';

function renderLibrary(rounds: readonly RoundEntry[] = [entry()]) {
  const added: string[] = [];
  const pasted: (readonly RoundEntry[])[] = [];
  let own = 0;
  renderHem(rowsHem({ counts: [151, 169, 151, 169], rounds }), (plan) => (
    <FamilyLibrary
      plan={plan}
      onAdd={(family, where) => added.push(`${family.id} ${where}`)}
      onOwn={() => own++}
      onPaste={(entries) => pasted.push(entries)}
    />
  ));
  return { added, pasted, own: () => own };
}
const shown = (): readonly string[] =>
  screen
    .queryAllByRole('button', { name: /: add it$/ })
    .map((b) => b.getAttribute('aria-label')!.slice(0, -8));
/** Whether they fit is worked in a worker. */
const triedOn = async (): Promise<void> => void (await screen.findAllByText('Fits as it is'));
const names = (of: (f: Family) => boolean): readonly string[] => FAMILIES.filter(of).map((f) => f.name);

describe('the library', () => {
  test('has every family, and filters by edge and by what is safe for babies', () => {
    renderLibrary();
    expect(shown()).toEqual(names(() => true));
    fireEvent.click(screen.getByText('scalloped'));
    expect([...shown()].sort()).toEqual([...names((f) => f.edge === 'lobed')].sort());
    fireEvent.click(screen.getByRole('checkbox', { name: /no loose parts or long loops/ }));
    expect([...shown()].sort()).toEqual([...names((f) => f.edge === 'lobed' && f.caution === null)].sort());
  });

  test('says how many kinds there are and fit, as the core has it', async () => {
    const fitting = tryFamilies(plan(rowsHem({ counts: [151, 169, 151, 169], rounds: [entry()] }))).filter(
      (t) => t.fits,
    );
    renderLibrary();
    await triedOn();
    expect(screen.getByRole('status').textContent).toBe(
      `${FAMILIES.length} kinds, ${fitting.length} fit as they are`,
    );
  });

  test('puts what fits first, but moves nothing away from under a pointer', async () => {
    renderLibrary();
    await triedOn();
    expect(shown()).not.toEqual(names(() => true));
    cleanup();
    renderLibrary();
    fireEvent.pointerMove(screen.getByRole('button', { name: `${FAMILIES[3]!.name}: add it` }));
    await triedOn();
    expect(shown()).toEqual(names(() => true));
  });

  test('shows nothing that is found while a press is under way, which would not go where it was meant', async () => {
    renderLibrary();
    const list = screen.getAllByRole('list').at(-1)!;
    fireEvent.pointerDown(screen.getByRole('button', { name: 'Shell edge: add it' }));
    await new Promise((resolve) => setTimeout(resolve, 1500));
    expect(list.textContent).not.toMatch(/Fits as it is/);
    fireEvent.click(list);
    await triedOn();
    expect(list.textContent).toMatch(/Fits as it is/);
  });

  test('airy and dense, little and much yarn part all families in two', async () => {
    renderLibrary();
    await triedOn();
    for (const [a, b] of [
      ['airy', 'dense'],
      ['little yarn', 'much yarn'],
    ] as const) {
      fireEvent.click(screen.getByText(a));
      const first = shown();
      fireEvent.click(screen.getByText(b));
      const second = shown();
      expect(first.length).toBeGreaterThan(3);
      expect(second.length).toBeGreaterThan(3);
      expect([...first, ...second].sort()).toEqual([...names(() => true)].sort());
      if (a === 'airy') {
        expect(first).toContain('Filet mesh');
        expect(second).toContain('Plain round');
      } else expect(second).toContain('Crocodile stitch');
      fireEvent.click(screen.getAllByText('all')[a === 'airy' ? 1 : 2]!);
    }
  });

  test('what fits as it is says so, and only that is left when asked for', async () => {
    renderLibrary();
    await triedOn();
    const all = shown();
    fireEvent.click(screen.getByRole('checkbox', { name: /fits as it is/ }));
    const fitting = shown();
    expect(fitting.length).toBeLessThan(all.length);
    // They stood first among all.
    expect(all.slice(0, fitting.length)).toEqual(fitting);
    // 151 and 169 at the base are 155 and 173 after a plain round: one over for shells.
    expect(fitting).toContain('Plain round');
    expect(screen.queryAllByText('Does not fit yet')).toHaveLength(0);
  });

  test('a family that is pressed comes on top of straight rounds', () => {
    const { added, own } = renderLibrary();
    fireEvent.click(screen.getByRole('button', { name: 'Shell edge: add it' }));
    fireEvent.click(screen.getByRole('button', { name: 'Scallops in gaps: add it' }));
    expect(added).toEqual(['shell on top', 'gap-scallop on top']);
    fireEvent.click(screen.getByRole('button', { name: 'Write a round of your own' }));
    expect(own()).toBe(1);
  });

  test('in a border that ends in an edge it is asked where a round goes', () => {
    const { added } = renderLibrary([
      entry(),
      entry({ id: 's', family: 'scallop', stitch: 'dc', corner: 'three' }),
    ]);
    expect(screen.getByText(/Your border ends in the scallop edge/)).toBeTruthy();
    fireEvent.click(screen.getByRole('button', { name: 'Plain round: add it' }));
    const ways = (): readonly string[] =>
      within(screen.getByRole('region', { name: 'Where it goes' }))
        .getAllByRole('button')
        .map((b) => b.textContent.replace(/(Fits|Needs).*/, ''));
    expect(ways()).toEqual([
      'Under the scallop edge',
      'In the place of the scallop edge',
      'Back to the library',
    ]);
    fireEvent.click(screen.getByRole('button', { name: 'Back to the library' }));
    fireEvent.click(screen.getByRole('button', { name: 'Shell edge: add it' }));
    expect(ways()).toEqual(['In the place of the scallop edge', 'Back to the library']);
    fireEvent.click(screen.getByRole('button', { name: /^In the place/ }));
    expect(added).toEqual(['shell instead']);
  });
});
