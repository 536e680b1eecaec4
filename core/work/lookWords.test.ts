import { expect, test } from '@jest/globals';
import { plan } from '../plan/planner.ts';
import { entry, rowsHem } from '../testing/hems.ts';
import { workedInto } from '../testing/worked.ts';
import { lookAnswer } from './lookWords.ts';

test('a side that is seen to ripple or pull in has an answer, with its count and the nearest ways', () => {
  // As many stitches as lie flat.
  const flat = plan(rowsHem()).sides.map((s) => Math.round(s.flatCount));
  const hem = rowsHem({ counts: flat, rounds: [entry({ times: 2 })] });
  const at = workedInto(hem, 0, 1);
  const [base] = at.rounds;
  expect(base!.sides[1]!.verdict).toBe('flat');
  const count = base!.sides[1]!.tally.stitches;
  expect(lookAnswer(at, base!, 1, 'flat')).toBeNull();
  expect(lookAnswer(at, base!, 1, 'ripples')).toBe(
    `Side B ripples, though it should lie flat. Count it first: ${count}. If that is right, use a US 7 (4.5 mm) hook, or work 3 stitches fewer on side B in round 1.`,
  );
  const full = rowsHem({ counts: flat.map((n) => Math.round(n * 1.1)), rounds: [entry()] });
  const ripply = workedInto(full, 0, 1);
  expect(ripply.rounds[0]!.sides[1]!.verdict).toBe('ripples');
  expect(lookAnswer(ripply, ripply.rounds[0]!, 1, 'ripples')).toMatch(
    /^Side B ripples: it has about \d+ stitches too many\. Rip it back, or work \d+ stitches fewer on side B in round 1\.$/,
  );
  // Nothing that is to come can make up for it.
  const last = plan(hem).rounds.at(-1)!;
  expect(lookAnswer(plan(hem), last, 0, 'cups')).toMatch(/or rip it back\.$/);
});
