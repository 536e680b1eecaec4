/** Edits of the basket and of what was weighed. */
import { editProblem } from './problems.ts';
import type { Hem, WeighIn } from '../document/hem.ts';
import { familyById } from '../rounds/registry.ts';
import { inAll, type Problem } from '../problems.ts';
import type { Yarn } from '../yarn/yarn.ts';
import { edit, gone, type Edit } from './edit.ts';

export const addYarn = (yarn: Yarn): Edit =>
  edit(`added ${yarn.name}`, (hem) => ({ yarns: [...hem.yarns, yarn] }));

/** Something that is said of a yarn. @param what for undo: “price” */
export const describeYarn = (id: string, what: string, part: Partial<Omit<Yarn, 'id'>>): Edit =>
  edit(
    `yarn: ${what}`,
    (hem) =>
      hem.yarns.some((y) => y.id === id)
        ? { yarns: hem.yarns.map((y) => (y.id === id ? { ...y, ...part } : y)) }
        : gone('that yarn'),
    `${what} ${id}`,
  );

/** Takes a yarn out of the basket, unless something still needs it. */
export const removeYarn = (id: string): Edit =>
  edit('removed a yarn', (hem) => {
    const yarn = hem.yarns.find((y) => y.id === id);
    if (!yarn) return {};
    return whyYarnStays(hem, id) ?? { yarns: hem.yarns.filter((y) => y.id !== id) };
  });

/** Why a yarn cannot be taken out of the basket; null when it can. */
export function whyYarnStays(hem: Hem, id: string): Problem | null {
  if (hem.yarns.length === 1) return editProblem('yarn-last', inAll('the basket'));
  const where = [
    ...(hem.base.yarn === id ? ['in the base round'] : []),
    ...(hem.alike.yarn === id ? ['for joining the pieces'] : []),
    ...hem.rounds.flatMap((r) =>
      r.yarns.includes(id) ? [`in the ${(familyById(r.family)?.name ?? 'your round').toLowerCase()}`] : [],
    ),
    ...(hem.weighIns.some((w) => w.yarn === id) ? ['in what was weighed'] : []),
    ...hem.kept.flatMap((k) =>
      k.base.yarn === id || k.rounds.some((r) => r.yarns.includes(id))
        ? [`in the saved border “${k.name}”`]
        : [],
    ),
  ];
  if (where.length === 0) return null;
  const yarn = hem.yarns.find((y) => y.id === id)?.name ?? 'this yarn';
  return editProblem('yarn-in-use', inAll('the basket'), { yarn, where: [...new Set(where)].join(', ') });
}

export const noteWeighing = (weighIn: WeighIn): Edit =>
  edit('weighed', (hem) => ({ weighIns: [...hem.weighIns, weighIn] }));

export const removeWeighing = (id: string): Edit =>
  edit('removed a weighing', (hem) => ({ weighIns: hem.weighIns.filter((w) => w.id !== id) }));
