/** The acts of which the working of a round consists; every act that makes stitches names its span of the ring. */
import type { CrossingId } from '../base/crossings.ts';
import type { RoundPlan } from '../plan/types.ts';
import type { CornerRecipe, Instruction } from '../ring/recipe.ts';
import type { PlacedChange } from '../ring/along.ts';
import type { PlaceKind, Span } from '../ring/ring.ts';
import type { Stitch } from '../ring/stitch.ts';
import type { PlaceOfWork } from './place.ts';
import type { Close } from './close.ts';
import type { First } from './first.ts';
import type { Between } from './between.ts';
import type { RoundStart, YarnChange } from './roundStart.ts';

/** Entries in the order of work, from `start` on; numbers may run past the end of the ring and round it. */
export type Worked = Span;

/** How the way from the last join to the start of a round goes. */
export type WayThere =
  /** New yarn is joined there; it may be where the last round was joined. */
  | { readonly by: 'joining'; readonly same: boolean }
  /** The start is where the last round was joined. */
  | { readonly by: 'staying' }
  /** The round before was not joined: its spiral goes on. */
  | { readonly by: 'going round' }
  /** The start is the space that a stitch has closed, around that stitch. */
  | { readonly by: 'around the close'; readonly stitch: Stitch }
  /** The yarn of the piece, which was not cut, goes on; turned before it where its last row faced the other way. */
  | { readonly by: 'going on'; readonly turns: boolean }
  /** The start is the gap that lies between the join and the stitch before it, reached without a slip stitch. */
  | { readonly by: 'reaching back' }
  /** Slip stitches lead there: into what lies between in its order, the place itself the last. */
  | { readonly by: 'slipping'; readonly over: number; readonly through: readonly Slipped[] }
  /** The start lies just before the join, in the middle of the corner. */
  | { readonly by: 'stepping back' }
  /** The row before ended there. */
  | { readonly by: 'at its end' }
  /** The last round lies on the face of another, and the start is in that other. */
  | { readonly by: 'going over' };

/** Places of one kind, one after the other, into which slip stitches go. */
export interface Slipped {
  readonly kind: PlaceKind;
  readonly count: number;
}

/** A place with two in it, or two places taken together. */
export interface Change {
  readonly kind: 'increase' | 'decrease';
  /** Stitches made in the place, or places taken together. */
  readonly count: number;
  /** Number of the first of these places on its side from 1, in the order of work. */
  readonly number: number;
  readonly worked: Worked;
}

export type Act =
  /** Yarn is cut; its loop is drawn through, unless the new yarn has taken it up already. */
  | { readonly do: 'fasten off'; readonly yarn: string; readonly drawn: boolean }
  | { readonly do: 'take hook'; readonly mm: number; readonly back: boolean }
  | { readonly do: 'turn'; readonly facing: 'right' | 'wrong' }
  | { readonly do: 'work on the face'; readonly of: number }
  | {
      readonly do: 'start';
      readonly place: PlaceOfWork;
      readonly yarn: string;
      readonly way: WayThere;
      readonly beginning: RoundStart['beginning'];
      readonly first: First;
      /** Lower stitches in place of the first ones, where a spiral begins. */
      readonly up: readonly Stitch[];
      /** The first stitch. */
      readonly stitch: Stitch;
      /** The first stitch; along a side, all that go into its place. */
      readonly worked: Worked;
    }
  /** Strands are knotted in, the first there. */
  | { readonly do: 'knot'; readonly place: PlaceOfWork }
  | {
      readonly do: 'side';
      readonly side: number;
      /** All of it; or only from the start of the round, or up to it. */
      readonly part: 'whole' | 'from the start' | 'up to the start';
      readonly along: Along;
      readonly worked: Worked;
    }
  | {
      readonly do: 'corner';
      readonly corner: number;
      readonly part: 'whole' | 'last' | 'first';
      readonly recipe: CornerRecipe;
      /** Place of the ring below, or of the edge, that it goes into. */
      readonly into: CornerPlace;
      readonly worked: Worked;
      /** Entries in the order of work that are the new corner’s middle; empty where it has none. */
      readonly centre: Worked;
    }
  | {
      readonly do: 'join';
      readonly first: First;
      readonly up: readonly Stitch[];
      readonly stitch: Stitch;
      readonly close: Close;
      /** Into the third loop, which the next round takes up: under both, a cord of third loops is dented there. */
      readonly inThirdLoop: boolean;
      /** Lower stitches in place of the last ones, where a spiral ends. */
      readonly down: readonly Stitch[];
      /** New yarn that comes in as the round is closed; null for none. */
      readonly change: { readonly to: string; readonly as: YarnChange } | null;
      /** How far it lies from the nearest corner; null in the middle of one, and on a circle. */
      readonly between: Between | null;
    };

export type CornerPlace =
  | { readonly on: 'edge' }
  | { readonly on: 'stitch' | 'two stitches' | 'picot' | 'nothing' }
  | { readonly on: 'space'; readonly chains: number };

/** Work along a side. */
export type Along =
  /** Into the edge of the piece: stitches for each spot. */
  | {
      readonly into: 'edge';
      readonly stitch: Stitch;
      readonly placement: readonly number[];
      readonly crossings: readonly CrossingId[];
      /** Chains before, between and after. */
      readonly chains: number;
    }
  /** One stitch in each place. */
  | {
      readonly into: 'each';
      readonly stitch: Stitch;
      readonly kind: PlaceKind;
      /** How many there are, the ones that a corner takes up included. */
      readonly places: number;
      readonly changes: readonly Change[];
    }
  /** A stretch that repeats. */
  | {
      readonly into: 'repeats';
      readonly steps: readonly Instruction[];
      readonly repeats: number;
      /** Entries with which they begin. */
      readonly begins: readonly number[];
      /** Places used by what comes after the last repeat. */
      readonly lastPlaces: number;
      /** Places passed over before that, since the pattern does not come out even. */
      readonly leftOver: number;
      /** Places too few for it to be worked at all: then nothing is. */
      readonly missing: number;
      /** Skips that pass over more places than usual, or fewer. */
      readonly skips: readonly PlacedChange[];
      readonly lopsided: boolean;
    };

/** Acts of the maker in a round. */
export interface Procedure {
  readonly round: RoundPlan;
  readonly start: RoundStart | null;
  readonly acts: readonly Act[];
}

export type ActOf<D extends Act['do']> = Extract<Act, { do: D }>;

/** The first act of a kind; undefined where the round has none. */
export function actOf<D extends Act['do']>({ acts }: Procedure, what: D): ActOf<D> | undefined {
  return acts.find((a): a is ActOf<D> => a.do === what);
}

/** All acts of a kind, in the order of work. */
export function actsOf<D extends Act['do']>({ acts }: Procedure, what: D): readonly ActOf<D>[] {
  return acts.filter((a): a is ActOf<D> => a.do === what);
}

/** One act for each side, in the order of their names; of rows in the order in which they are met. */
export function sideActs(procedure: Procedure): readonly ActOf<'side'>[] {
  const all = actsOf(procedure, 'side').filter((a) => a.part !== 'up to the start');
  return procedure.round.ring.part ? all : all.sort((a, b) => a.side - b.side);
}
