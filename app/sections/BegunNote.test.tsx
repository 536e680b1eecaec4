/** @jest-environment jsdom */
import { expect, test } from '@jest/globals';
import { act, screen } from '@testing-library/react';
import { plan } from '../../core/plan/planner.ts';
import { entry, rowsHem } from '../../core/testing/hems.ts';
import { workedUpTo } from '../../core/work/progress.ts';
import { renderHem } from '../testing/render.tsx';
import { BegunNote } from './BegunNote.tsx';

test('where a round is changed that has been begun, it says that it stays as begun', () => {
  const hem = rowsHem({ rounds: [entry({ times: 3 })] });
  const { store } = renderHem(hem, (made) => <BegunNote plan={made} rounds={[1, 2, 3]} />);
  expect(screen.queryByText(/begun/)).toBeNull();
  act(() => void store.note(...workedUpTo(plan(hem), 1)));
  expect(screen.getByText(/^Round 1 has been begun: it stays so/)).toBeTruthy();
  act(() => void store.note(...workedUpTo(plan(hem), 2)));
  expect(screen.getByText(/^Round 1 and what follows have been begun/)).toBeTruthy();
  expect(screen.getByRole('link', { name: 'rip it back' }).getAttribute('href')).toBe('/hem/test/work');
});
