/** The gauge to begin with where nobody has counted one: that of the yarn’s weight, in these hands. */
import { yarnWeight, type YarnWeightNumber } from '../terms/yarnWeights.ts';
import type { KnownHands } from './hands.schema.ts';

/** Single crochet in 10 cm to a tenth, and the hook in mm, as they usually are for a yarn weight. */
export function usualGauge(
  weight: YarnWeightNumber,
  hands: KnownHands | null,
): { readonly stitchesPer10Cm: number; readonly hookMm: number } {
  const { stitchesPer10Cm, hookMm } = yarnWeight(weight);
  const [hook] = hookMm;
  const wider = hands?.width?.bySize[`${hook}`]?.ratio ?? hands?.width?.all.ratio ?? 1;
  return { stitchesPer10Cm: Math.round((10 * stitchesPer10Cm) / wider) / 10, hookMm: hook };
}
