/** Acts of a procedure, picked out by what is done. */
import type { Plan } from '../plan/types.ts';
import type { Act, Procedure } from '../procedure/procedure.ts';

export type ActOf<D extends Act['do']> = Extract<Act, { do: D }>;

export function actOf<D extends Act['do']>({ acts }: Procedure, what: D): ActOf<D> | undefined {
  return acts.find((a): a is ActOf<D> => a.do === what);
}

export function actsOf<D extends Act['do']>({ acts }: Procedure, what: D): readonly ActOf<D>[] {
  return acts.filter((a): a is ActOf<D> => a.do === what);
}

/** Name of a yarn by its id. */
export const yarnName = (plan: Plan, id: string): string => plan.hem.yarns.find((y) => y.id === id)!.name;

/** One act for each side, in the order of their names. */
export const wholeSides = (procedure: Procedure): readonly ActOf<'side'>[] =>
  actsOf(procedure, 'side')
    .filter((a) => a.part !== 'up to the start')
    .sort((a, b) => a.side - b.side);
