/** The demo hems, planned, for tests: file name and plan. */
import { readFileSync, readdirSync } from 'node:fs';
import { readHem } from '../core/document/check.ts';
import { plan } from '../core/plan/planner.ts';
import type { Plan } from '../core/plan/types.ts';
import { problemLine } from '../core/problems.ts';

export function demoPlans(): readonly (readonly [file: string, plan: Plan])[] {
  const files = readdirSync('demo').filter((file) => file.endsWith('.hem.json'));
  return files.map((file) => {
    const outcome = readHem(readFileSync(`demo/${file}`, 'utf8'));
    if (!outcome.ok) throw new Error(`${file}: ${outcome.problems.map(problemLine).join('; ')}`);
    return [file, plan(outcome.value)];
  });
}
