import type { YarnWeightNumber } from '../terms/yarnWeights.ts';

/** A yarn as a shop offers it. */
export interface ShopYarn {
  readonly id: string;
  readonly name: string;
  readonly weight: YarnWeightNumber;
  readonly fibre: string;
  readonly metresPer100G: number;
  /** Grams of a ball, and its price. */
  readonly ballG: number;
  readonly price: number;
  readonly diameterMm: number;
  readonly colours: readonly { readonly name: string; readonly hex: string }[];
}
