/** Where the hook goes, in words that fit behind what is worked there: “in the marked st of corner D/A”. */
import { isDisc } from '../piece/outline.ts';
import { ordinal } from '../say/lists.ts';
import { endSpot, wholeEdge } from '../piece/along.ts';
import { spotName } from './run.ts';
import type { Plan } from '../plan/types.ts';
import { countedFrom, type PlaceOfWork } from '../procedure/place.ts';
import type { PlaceKind } from '../ring/ring.ts';
import { PLACE_NAMES } from '../terms/places.ts';
import { capital } from '../terms/words.ts';

/** A corner by the two sides that meet there, in working order. */
export const cornerName = (plan: Plan, corner: number): string =>
  `${plan.sides[(corner - 1 + plan.sides.length) % plan.sides.length]!.name}/${plan.sides[corner]!.name}`;

/** A corner of the edge as a place: “the end stitch of corner D/A”, or, where rows end within a side, “st 24 of side A”. */
export function cornerOfEdge(plan: Plan, corner: number): string {
  const { body, sides } = plan;
  const at = endSpot(body, corner);
  if (at === null) return `${body.cornerPlaces[corner]!} of corner ${cornerName(plan, corner)}`;
  return `${spotName(wholeEdge(body.edges[at.side]!), at.spot)} of side ${sides[at.side]!.name}`;
}

/** A side by its letter; a circle has but its edge. */
export const sideWords = (plan: Plan, side: number): string =>
  isDisc(plan.body.outline) ? 'the edge' : `side ${plan.sides[side]!.name}`;

/** The same at the beginning of a line. */
export const sideLabel = (plan: Plan, side: number): string => capital(sideWords(plan, side));

export const placeNoun = (kind: PlaceKind, count: number): string =>
  PLACE_NAMES[kind].short[count === 1 ? 0 : 1];

/** “in each st”, “around each post”, “in each st and ch-sp”. */
export const eachPlace = (kind: PlaceKind): string =>
  `${kind === 'post' ? 'around' : 'in'} each ${kind === 'either' ? 'st and ch-sp' : placeNoun(kind, 1)}`;

/** The middle of a corner, as what carries its marker. */
export function markedWords(plan: Plan, place: Extract<PlaceOfWork, { on: 'corner' }>): string {
  const corner = `of corner ${cornerName(plan, place.corner)}`;
  switch (place.what) {
    case 'stitch':
      return `the marked st ${corner}`;
    case 'picot':
      return `the marked picot ${corner}`;
    case 'first':
      return `the first of the two marked sts ${corner}`;
    case 'second':
      return `the second of the two marked sts ${corner}`;
    case 'space':
      return `the marked ch-${place.chains} sp ${corner}`;
    case 'between':
      return `the two marked sts ${corner}`;
  }
}

export function placeWords(plan: Plan, place: PlaceOfWork, travel: 1 | -1): string {
  switch (place.on) {
    case 'edge corner':
      return `in ${cornerOfEdge(plan, place.corner)}`;
    case 'edge':
      return isDisc(plan.body.outline)
        ? place.spot === 0
          ? 'in any st of the edge'
          : `in st ${place.spot + 1} of the edge, any one being the first`
        : `in ${spotName(plan.sides[place.side]!.edge, place.spot)} of side ${plan.sides[place.side]!.name}`;
    case 'corner':
      return `${place.what === 'between' ? 'between' : 'in'} ${markedWords(plan, place)}`;
    case 'side': {
      const { kind, number, of, side } = place;
      const corners = plan.sides.length;
      const into = kind === 'post' ? 'around' : 'in';
      if (of - number < number / 4) {
        const after = travel === 1 ? (side + 1) % corners : side;
        return `${into} the ${ordinal(of - number + 1)} ${placeNoun(kind, 1)} before corner ${cornerName(plan, after)}`;
      }
      const from = cornerName(plan, countedFrom(side, corners, travel));
      return `${into} ${placeNoun(kind, 1)} ${number} of side ${plan.sides[side]!.name}, counted from corner ${from}`;
    }
    case 'row end':
      return 'in the first st';
    case 'circle':
      return `${place.kind === 'post' ? 'around' : 'in'} ${placeNoun(place.kind, 1)} ${place.number}, counted from the join`;
  }
}
