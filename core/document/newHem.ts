import { ONE_PIECE } from '../alike/alike.ts';
import { USUAL_START } from '../base/start.ts';
import { yarnWeight } from '../terms/yarnWeights.ts';
import { USUAL_RATES } from '../base/spacings.ts';
import { plainSide } from './changePiece.ts';
import { FORMAT, VERSION } from './format.ts';
import type { Hem } from './hem.ts';

/** A hem to start from: a small square throw in worsted, ready to be described. */
export function newHem(id: string, now: Date): Hem {
  const weight = yarnWeight(4);
  const at = now.toISOString();
  return {
    format: FORMAT,
    version: VERSION,
    id,
    name: 'New hem',
    created: at,
    changed: at,
    preferences: { language: 'us', hand: 'right', length: 'cm', paper: 'a4' },
    piece: {
      kind: 'rows',
      foundation: 'both loops of the chain',
      lastRow: 'stitch tops',
      stitches: 120,
      rows: [{ stitch: 'dc', count: 64 }],
      widthCm: 90,
      heightCm: 91,
    },
    pieceColour: '#a9b8b0',
    partColours: {},
    bodyLies: 'flat',
    secondReadings: {},
    gauge: { stitchesPer10Cm: weight.stitchesPer10Cm, hookMm: weight.hookMm[0] },
    yarns: [
      {
        id: 'body',
        name: 'Yarn of the piece',
        colour: '#7f948a',
        weight: 4,
        metresPer100G: weight.metresPer100G,
        ballG: 50,
        diameterMm: weight.diameterMm,
        haveG: null,
        price: null,
      },
      {
        id: 'contrast',
        name: 'Contrast yarn',
        colour: '#e7d9b9',
        weight: 4,
        metresPer100G: weight.metresPer100G,
        ballG: 50,
        diameterMm: weight.diameterMm,
        haveG: null,
        price: null,
      },
    ],
    base: {
      stitch: 'sc',
      corner: 'three',
      yarn: 'body',
      crossing: 'both',
      hookMm: null,
      rates: USUAL_RATES,
      endRows: 'added',
      betweenPosts: false,
      part: null,
      clusterChains: 0,
      start: USUAL_START,
      // Row ends start by gauge, which lies flat whatever their rows are.
      sides: [plainSide('each'), plainSide('gauge'), plainSide('each'), plainSide('gauge')],
    },
    rounds: [
      {
        id: 'first',
        family: 'plain',
        stitch: 'sc',
        corner: 'three',
        cornerOpen: false,
        anew: false,
        slide: 0,
        loop: 'both',
        into: 'stitch',
        yarns: ['contrast'],
        times: 2,
        size: 1,
        facing: null,
        hookMm: null,
        start: null,
        written: null,
        changes: {},
        changesAt: {},
      },
    ],
    weighIns: [],
    hands: null,
    pace: 18,
    blocking: 1,
    notes: '',
    alike: ONE_PIECE,
    madeFor: '',
    madeOn: '',
    kept: [],
    record: [],
  };
}
