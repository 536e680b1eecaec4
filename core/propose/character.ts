/** Looks of a border and its demands on its maker, read from its worked rounds. */
import { held } from '../held.ts';
import type { RoundPlan } from '../plan/types.ts';
import { census } from '../ring/ring.ts';
import { isChainRun, type Stitch } from '../ring/stitch.ts';
import { WISH_SKILLS, type EdgeLook, type WishSkill } from './wish.ts';

export interface Character {
  readonly looks: ReadonlySet<EdgeLook>;
  readonly skill: WishSkill;
  /** It has small parts or long loops: a family warns of them, or chains hang free. */
  readonly looseParts: boolean;
}

/** A round beyond the base round, as far as it bears on the character. */
export type CharacterRound = Pick<RoundPlan, 'ring' | 'widths' | 'written'>;

/** A border of which more than this share of the edge is chains is lacy. */
const LACY = 0.25;
/** Chains that hang free and are longer catch a finger. */
const LONG_CHAIN = 4;

/** @param rounds those beyond the base round */
export function characterOf(rounds: readonly CharacterRound[]): Character {
  const top = rounds.findLast((r) => !r.written?.recipe.surface);
  const looks = new Set<EdgeLook>();
  if (rounds.some((r) => chainShare(r) > LACY)) looks.add('lacy');
  if (rounds.some((r) => [...census(r.ring).keys()].some(isTextured))) looks.add('textured');
  looks.add(top?.written && top.written.edge !== 'straight' ? 'scalloped' : 'straight');
  return {
    looks,
    skill: WISH_SKILLS[Math.min(WISH_SKILLS.length - 1, Math.max(0, ...rounds.map(demands)))]!,
    looseParts: rounds.some(
      (r) =>
        Boolean(r.written?.family?.caution) ||
        (r === top && [...census(r.ring).keys()].some((s) => isChainRun(s) && s.chains > LONG_CHAIN)),
    ),
  };
}

/** Stitches that stand out of the fabric or lie across it. */
const isTextured = ({ form, post, loop }: Stitch): boolean =>
  post !== 'none' ||
  loop === 'back' ||
  loop === 'third' ||
  !['plain', 'together', 'picot', 'dot', 'tassel'].includes(form);

function chainShare({ ring, widths }: CharacterRound): number {
  if (widths === null) return 0;
  let [chains, all] = [0, 0];
  ring.made.forEach((s, i) => {
    all += widths[i]!;
    if (isChainRun(s)) chains += widths[i]!;
  });
  return all > 0 ? chains / all : 0;
}

/** Stitches of several wraps or legs, and those that go round a post. */
const isIntricate = ({ form, post }: Stitch): boolean =>
  post !== 'none' || ['puff', 'popcorn', 'bobble', 'dot'].includes(form);

/** 0 for one stitch after the other, 1 for several in one place, chains between or another way of working, 2 for what is looked up. */
function demands({ ring }: CharacterRound): number {
  const counts = census(ring);
  const kinds = [...counts.keys()];
  if (kinds.some(isIntricate)) return 2;
  // The chains of the corners alone are no trick.
  const alone = (s: Stitch): boolean =>
    held(counts.get(s), 'every stitch was counted') <= ring.centres.length;
  const plain = kinds.every((s) => s.form === 'plain' && (!isChainRun(s) || alone(s)));
  const sorts = kinds.filter((s) => !isChainRun(s)).length;
  return plain && sorts <= 2 ? 0 : 1;
}
