/** The demo hems, for tests. */
import { readFileSync, readdirSync } from 'node:fs';
import { readHem } from '../core/document/check.ts';
import type { Hem } from '../core/document/hem.ts';
import { held } from '../core/held.ts';
import { plan } from '../core/plan/planner.ts';
import type { Plan } from '../core/plan/types.ts';
import { problemLine } from '../core/problems.ts';

/** Names of their files. */
export const DEMO_FILES: readonly string[] = readdirSync('demo').filter((file) => file.endsWith('.hem.json'));

/** A demo hem, by the beginning of its file's name, the first for an empty one; throws where it is not sound. */
export function demoHem(start: string): Hem {
  const file = held(
    DEMO_FILES.find((f) => f.startsWith(start)),
    'there is a demo of that name',
  );
  const outcome = readHem(readFileSync(`demo/${file}`, 'utf8'));
  if (!outcome.ok) throw new Error(`${file}: ${outcome.problems.map(problemLine).join('; ')}`);
  return outcome.value;
}

export const demoHems = (): readonly Hem[] => DEMO_FILES.map(demoHem);

const planned = new Map<string, Plan>();

/** A demo hem, planned, by the beginning of its file's name. Planning takes its time: each is planned once. */
export function demoPlan(start: string): Plan {
  const made = planned.get(start) ?? plan(demoHem(start));
  planned.set(start, made);
  return made;
}

/** File name and plan of each. */
export const demoPlans = (): readonly (readonly [file: string, plan: Plan])[] =>
  DEMO_FILES.map((file) => [file, demoPlan(file)]);
