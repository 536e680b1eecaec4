/** Work that was begun holds: the piece, the base round, the rounds and the yarns of then, under what the design has beyond them. */
import type { BaseRound } from '../base/baseRound.ts';
import { keptOnPiece } from '../document/changePiece.ts';
import type { Hem, RoundEntry, RoundIdentity } from '../document/hem.ts';
import type { Piece } from '../piece/piece.ts';
import { sameRound, type Begun, type FrozenRound } from '../record/record.ts';
import {
  begunRound,
  radiusOver,
  goesOnFrom,
  inRows,
  writtenRounds,
  type Stack,
  type WrittenRound,
} from '../stack/stack.ts';
import type { Yarn } from '../yarn/yarn.ts';
import type { Stages } from './stages.ts';

/** The hem on the piece and the base round that have been begun, with the yarns that were used. */
export function hemAsBegun(stages: Stages, hem: Hem, done: readonly FrozenRound[]): Hem {
  const first = done[0];
  const begunOn = first?.begun.begunOn;
  if (!begunOn) return hem;
  const { piece, base } = begunOn;
  return {
    ...hem,
    piece,
    base: stages.run('begun base', begunBase, { base, yarn: first.yarn.id }),
    kept: stages.run('kept', keptBorders, { kept: hem.kept, designed: hem.piece, piece }),
    yarns: stages.run('yarns used', yarnsUsed, { yarns: hem.yarns, used: done.map((d) => d.yarn) }),
  };
}

/** It is worked in the yarn that it was begun with, whatever the base round of then names. */
const begunBase = ({ base, yarn }: { readonly base: BaseRound; readonly yarn: string }): BaseRound =>
  base.yarn === yarn ? base : { ...base, yarn };

interface KeptInputs {
  readonly kept: Hem['kept'];
  readonly designed: Piece;
  readonly piece: Piece;
}

/** Borders that were put aside are for the piece as it is designed; what is begun stays on the piece that is there. */
const keptBorders = ({ kept, designed, piece }: KeptInputs): Hem['kept'] =>
  JSON.stringify(piece) === JSON.stringify(designed) ? kept : keptOnPiece(kept, designed, piece);

interface YarnInputs {
  readonly yarns: readonly Yarn[];
  readonly used: readonly Yarn[];
}

/** The yarns of the basket, and after them those that were used and are no longer in it. */
function yarnsUsed({ yarns, used }: YarnInputs): readonly Yarn[] {
  const here = new Set(yarns.map((y) => y.id));
  const gone = new Map(used.flatMap((yarn) => (here.has(yarn.id) ? [] : [[yarn.id, yarn] as const])));
  return gone.size === 0 ? yarns : [...yarns, ...gone.values()];
}

export interface StackInputs {
  readonly entries: readonly RoundEntry[];
  /** The rounds that have been begun, and as what; the base round first. */
  readonly rounds: readonly RoundIdentity[];
  readonly begun: readonly Begun[];
  /** They are rows: turned, or each worked with yarn of its own from the same end; null where they go all round. */
  readonly rows: 'turned' | 'cut' | null;
}

/** The rounds that have been begun as they were then, and what the design has beyond them. */
export function stackOnBegun({ entries, rounds, begun, rows }: StackInputs): Stack {
  const designed = writtenRounds(entries);
  const first: WrittenRound[] = [];
  let [going, radius] = [0, 0];
  begun.forEach(({ entry }, k) => {
    if (!entry) return;
    const before = begun[k - 1]?.entry ?? undefined;
    // An entry of which some rounds are done goes on for the rest of them too.
    if (before?.id !== entry.id) {
      going = goesOnFrom(before, entry) ? going + (rounds[k - 1]!.index + 1) : 0;
      radius = radiusOver(first, 0);
    }
    first.push(begunRound(entry, rounds[k]!.index, going, radius));
  });
  const isBegun = ({ entry, index }: WrittenRound): boolean =>
    rounds.some((round) => sameRound(round, { entry: entry.id, index }));
  const all = [...first, ...designed.rounds.filter((r) => !isBegun(r))];
  return { rounds: rows === null ? all : inRows(all, rows === 'turned'), problems: designed.problems };
}
