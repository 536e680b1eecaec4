/**
 * @jest-environment jsdom
 * @jest-environment-options {"url": "https://hems.example/hem/test/carry"}
 */
import { afterEach, describe, expect, jest, test } from '@jest/globals';
import { cleanup, fireEvent, screen, within } from '@testing-library/react';
import type { Hem } from '../../core/document/hem.ts';
import { rowsHem } from '../../core/testing/hems.ts';
import { demoHems } from '../../demo/read.ts';
import { renderHem } from '../testing/render.tsx';

const taken: Hem[] = [];
jest.unstable_mockModule('../storage/here.ts', () => ({
  library: { keepCarried: (hem: Hem) => Promise.resolve(void taken.push(hem)) },
}));
const { CarryPage } = await import('./CarryPage.tsx');

const begun = demoHems().find((hem) => hem.record.length > 20)!;
const open = (hem: Hem) => renderHem(hem, () => <CarryPage />);
afterEach(cleanup);

describe('at an address that other devices can open', () => {
  test('the codes are gone through one by one, and a code that is seen counts as taken along', async () => {
    open(begun);
    await screen.findByRole('heading', { name: 'By camera' });
    const figure = screen.getByRole('figure');
    const [, at, all] = /Code (\d+) of (\d+)/.exec(figure.textContent)!;
    expect([at, Number(all) > 1]).toEqual(['1', true]);
    const seen = new Set<string>();
    for (let k = 1; k <= Number(all); k++) {
      expect(figure.textContent).toContain(`Code ${k} of ${all}`);
      seen.add(figure.querySelector('svg')!.outerHTML);
      fireEvent.click(within(figure).getByRole('button', { name: 'The next one' }));
    }
    expect(seen.size).toBe(Number(all));
    expect(taken.map((hem) => hem.id)).toEqual([begun.id]);
  });

  test('what fits into one code needs no leafing, and its link can be copied', async () => {
    const copied: string[] = [];
    Object.assign(navigator, {
      clipboard: { writeText: (text: string) => Promise.resolve(void copied.push(text)) },
    });
    open(rowsHem());
    expect(await screen.findByText('Point the camera of the other device here.')).toBeTruthy();
    expect(screen.queryByRole('button', { name: 'The next one' })).toBeNull();
    fireEvent.click(screen.getByRole('button', { name: 'Copy a link' }));
    expect(await screen.findByText('Open it on the other device.')).toBeTruthy();
    expect(copied).toHaveLength(1);
    expect(copied[0]).toMatch(/^https:\/\/hems\.example\/open#/);
  });
});
