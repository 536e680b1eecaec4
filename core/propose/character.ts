/** What a border looks like and what it asks of its maker, read from its worked rounds. */
import type { Plan, RoundPlan } from '../plan/types.ts';
import { isChainRun, type Stitch } from '../ring/stitch.ts';
import { familyById } from '../rounds/registry.ts';
import { SKILLS, type Look, type Skill } from './wish.ts';

export interface Character {
  readonly looks: ReadonlySet<Look>;
  readonly skill: Skill;
  /** It has small parts or long loops: a family warns of them, or chains hang free. */
  readonly looseParts: boolean;
}

/** A border of which more than this share of the edge is chains is lacy. */
const LACY = 0.25;
/** Chains that hang free and are longer catch a finger. */
const LONG_CHAIN = 4;

/** Stitches that stand out of the fabric or lie across it. */
const isTextured = ({ form, post }: Stitch): boolean =>
  post !== 'none' || !['plain', 'together', 'picot', 'dot', 'tassel'].includes(form);

export function characterOf({ rounds }: Plan): Character {
  const added = rounds.slice(1);
  const top = rounds.findLast((r) => !r.written?.recipe.surface)!;
  const stitches = added.flatMap((r) => [...new Set(r.ring.made)]);
  const looks = new Set<Look>();
  if (added.some((r) => chainShare(r) > LACY)) looks.add('lacy');
  if (stitches.some(isTextured)) looks.add('textured');
  if (top.written && top.written.edge !== 'straight') looks.add('scalloped');
  else looks.add('straight');
  return {
    looks,
    skill: SKILLS[Math.min(SKILLS.length - 1, Math.max(0, ...added.map(demands)))]!,
    looseParts: added.some(
      (r) =>
        Boolean(familyById(r.written!.entry.family)?.caution) ||
        (r === top && r.ring.made.some((s) => isChainRun(s) && s.chains > LONG_CHAIN)),
    ),
  };
}

function chainShare({ ring, widths }: RoundPlan): number {
  let [chains, all] = [0, 0];
  ring.made.forEach((s, i) => {
    const width = widths?.[i] ?? 1;
    all += width;
    if (isChainRun(s)) chains += width;
  });
  return all > 0 ? chains / all : 0;
}

/** Stitches of several wraps or legs, and those that go round a post. */
const isIntricate = ({ form, post }: Stitch): boolean =>
  post !== 'none' || ['puff', 'popcorn', 'bobble', 'dot'].includes(form);

/** 0 for one stitch after the other, 1 for several in one place, chains between or another way of working, 2 for what is looked up. */
function demands({ ring }: RoundPlan): number {
  const kinds = new Set(ring.made);
  if ([...kinds].some(isIntricate)) return 2;
  const plain = [...kinds].every((s) => s.form === 'plain' && !isChainRun(s));
  return plain && kinds.size <= 2 ? 0 : 1;
}
