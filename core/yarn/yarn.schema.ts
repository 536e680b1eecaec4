/** A yarn in the basket. */
import { Type } from '@sinclair/typebox';
import { between, colour, id, orNull, record, said, text, type Of, named } from '../schema.ts';
import { YARN_WEIGHTS, type YarnWeightNumber } from '../terms/yarnWeights.ts';

export const yarn = named(
  'yarn',
  record({
    id,
    name: text(100),
    colour,
    weight: Type.Unsafe<YarnWeightNumber>({
      type: 'integer',
      minimum: 0,
      maximum: YARN_WEIGHTS.length - 1,
    }),
    metresPer100G: between(5, 5000),
    ballG: between(1, 5000),
    diameterMm: between(0.1, 40),
    haveG: said('what is in the basket, g; null when it has not been said', orNull(between(0, 100_000))),
    price: said(
      'of a ball, in the maker’s own currency; null when it has not been said',
      orNull(between(0, 100_000)),
    ),
  }),
);

export type Yarn = Of<typeof yarn>;
