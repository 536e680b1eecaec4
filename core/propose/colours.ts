/**
 * In which of the yarns that are there a border is worked, and what a maker would mind of it. What sits well beside what is judgement:
 * neighbours are to be told apart, a color that stands out is an accent and not the ground, hues lie near each other or far apart.
 * Distances are Euclidean in OKLab (Ottosson 2020), where about 0.02 can just be seen.
 */
import { held } from '../held.ts';
import { converter, differenceEuclidean } from 'culori';
import type { Hem, RoundEntry } from '../document/hem.ts';
import type { RoundPlan } from '../plan/types.ts';
import { colourAtEdge } from './edgeColour.ts';
import { borderPartOf, type BorderPart } from './grammar.ts';

/** Ways of giving yarns to the parts of a border. */
export const DRESSINGS = ['one yarn', 'edge', 'middle', 'stripes', 'echo', 'shades'] as const;
export type DressingKind = (typeof DRESSINGS)[number];

type Yarns = readonly [string, ...string[]];

/** Yarns for every part of a border. */
export interface Dressing extends Readonly<Record<BorderPart, Yarns>> {
  readonly kind: DressingKind;
}

/** Rounds in the yarns of a dressing; those that stay keep theirs. The round that a part must stand on is in its yarn. */
export const dressed = (rounds: readonly RoundEntry[], dressing: Dressing): readonly RoundEntry[] =>
  rounds.map((r) => {
    const part = borderPartOf(r);
    return part ? { ...r, yarns: dressing[part] } : r;
  });

/** More yarns than these are not tried with each other. */
const MOST_YARNS = 5;
/** Rounds of the body that are echoed. */
const MOST_ECHOED = 6;
/** Colors this near are taken for the same. */
const ALIKE = 0.1;

/** How far apart two colors lie, in OKLab; lightness runs from 0 to 1. */
const distance = differenceEuclidean('oklab');
const oklch = converter('oklch');

/** The yarns that are there, and the colors of the piece. What is asked of them is worked out once. */
export class Palette {
  /** Ids of the yarns that the border can be worked in: of the weight that its gauge was taken with. */
  readonly yarns: Yarns;
  /** Yarns in the order in which their colors come in the stripes of the piece; empty where they do not. */
  readonly echo: readonly string[];
  private readonly colours: ReadonlyMap<string, Seen>;
  private readonly piece: Seen;

  constructor(hem: Hem) {
    const { yarns, base, partColours } = hem;
    const piece = colourAtEdge(hem);
    const usual = yarns.find((y) => y.id !== base.yarn) ?? yarns[0]!;
    const like = yarns.filter((y) => y.weight === usual.weight && y.id !== usual.id && y.haveG !== 0);
    this.yarns = [usual.id, ...like.slice(0, MOST_YARNS - 1).map((y) => y.id)];
    this.piece = seen(piece, piece, yarns);
    this.colours = new Map(yarns.map((y) => [y.id, seen(y.colour, piece, yarns)]));
    this.echo = this.echoOf(partColours);
  }

  /** Distance of two yarns, or of a yarn from the piece. */
  apart(a: string, b: string | null): number {
    const { far, farFromPiece } = held(this.colours.get(a), 'every yarn has a color');
    return b === null ? farFromPiece : held(far.get(b), 'every yarn has a color');
  }

  /** How far the hue of a yarn is from that of the piece, degrees; null where one of them is hardly a hue. */
  hueApart(yarn: string): number | null {
    const [a, b] = [held(this.colours.get(yarn), 'every yarn has a color').hue, this.piece.hue];
    if (a === null || b === null) return null;
    const apart = Math.abs(a - b) % 360;
    return Math.min(apart, 360 - apart);
  }

  lightness(yarn: string | null): number {
    return (yarn === null ? this.piece : held(this.colours.get(yarn), 'every yarn has a color')).lightness;
  }

  private echoOf(partColours: Hem['partColours']): readonly string[] {
    const parts = Object.entries(partColours).sort((a, b) => Number(a[0]) - Number(b[0]));
    const matched = parts.flatMap(([, colour]) => {
      const near = this.yarns
        .map((yarn) => ({
          yarn,
          far: distance(held(this.colours.get(yarn), 'every yarn has a color').colour, colour),
        }))
        .sort((a, b) => a.far - b.far)[0]!;
      return near.far < ALIKE ? [near.yarn] : [];
    });
    const stripes = matched.filter((yarn, i) => yarn !== matched[i - 1]).slice(0, MOST_ECHOED);
    return new Set(stripes).size > 1 ? stripes : [];
  }
}

/** A color as the eye has it. */
interface Seen {
  readonly colour: string;
  /** 0 to 1. */
  readonly lightness: number;
  /** Degrees; null where there is hardly one. */
  readonly hue: number | null;
  /** Distance from every yarn, by its id, and from the piece. */
  readonly far: ReadonlyMap<string, number>;
  readonly farFromPiece: number;
}

/** Less chroma than this is grey. */
const GREY = 0.03;

function seen(colour: string, piece: string, yarns: Hem['yarns']): Seen {
  const { l, c, h } = oklch(colour) ?? { l: 0, c: 0, h: 0 };
  return {
    colour,
    lightness: l,
    hue: c < GREY ? null : (h ?? 0),
    far: new Map(yarns.map((y) => [y.id, distance(colour, y.colour)])),
    farFromPiece: distance(colour, piece),
  };
}

/** The dressings of a border that has so many rounds in its ground. */
export function dressingsOf(
  palette: Palette,
  { ground, middle, edge }: Readonly<Record<BorderPart, number>>,
): readonly Dressing[] {
  const { yarns } = palette;
  const all = (kind: DressingKind, g: Yarns, m: Yarns, e: Yarns): Dressing => ({
    kind,
    ground: g,
    middle: m,
    edge: e,
  });
  const pairs = yarns.flatMap((a) => yarns.filter((b) => b !== a).map((b) => [a, b] as const));
  const { echo } = palette;
  const shades = shadesOf(palette, ground);
  return [
    ...yarns.map((y) => all('one yarn', [y], [y], [y])),
    ...(edge > 0 && ground + middle > 0 ? pairs.map(([a, b]) => all('edge', [a], [a], [b])) : []),
    ...(middle > 0 && ground > 0 ? pairs.map(([a, b]) => all('middle', [a], [b], [a])) : []),
    ...(ground > 1 ? pairs.map(([a, b]) => all('stripes', [a, b], [b], [a])) : []),
    ...(ground > 1 && isYarns(echo) ? [all('echo', echo, [echo[0]], [echo[0]])] : []),
    ...(shades
      ? [
          all(
            'shades',
            shades,
            [held(shades.at(-1), 'every yarn has a color')],
            [held(shades.at(-1), 'every yarn has a color')],
          ),
        ]
      : []),
  ];
}

const isYarns = (yarns: readonly string[]): yarns is Yarns => yarns.length > 0;

/** From the shade that is nearest to the piece to the one that is furthest from it, spread over the rounds of a ground. */
function shadesOf(palette: Palette, rounds: number): Yarns | null {
  if (palette.yarns.length < 3 || rounds < 3) return null;
  const piece = palette.lightness(null);
  const far = (yarn: string): number => Math.abs(palette.lightness(yarn) - piece);
  const sorted = [...palette.yarns].sort((a, b) => far(a) - far(b)).slice(0, Math.min(4, rounds));
  const spread = Array.from({ length: rounds }, (_, k) => sorted[Math.floor((k * sorted.length) / rounds)]!);
  return isYarns(spread) ? spread : null;
}

/** Colors that are less far apart than this are the same to the eye; neighbours less than that are hard to tell apart. */
const SAME = 0.02;
const CLEAR = 0.12;
/** Hues up to so many degrees apart are related, and from so many on they set each other off. */
const NEAR_HUE = 60;
const FAR_HUE = 110;
/** The color that stands out most is an accent as long as it has no more than this share of the border. */
const ACCENT = 0.4;
const MINDS = { muddled: 5, againstPiece: 2.5, loud: 3, hue: 3, plain: 1, echo: -2 } as const;

/** The least that {@link colourCost} can be. */
export const LEAST_COLOUR_COST = MINDS.echo;

/** The yarn of a round in a dressing. */
export function yarnIn(
  { written, yarnId }: Pick<RoundPlan, 'written' | 'yarnId'>,
  dressing: Dressing,
): string {
  const part = written && borderPartOf(written.entry);
  if (!part) return yarnId;
  const yarns = dressing[part];
  return yarns[written.index % yarns.length]!;
}

/** A round as far as it bears on colors. */
export interface Band {
  readonly yarn: string;
  readonly heightMm: number;
}

/**
 * Cost of the colors of a border to its maker: neighbours that are neither the same nor told apart, what stands out in more than an
 * accent’s share, hues that are neither near nor far; less where stripes of the piece go on.
 *
 * @param bands from the piece outwards
 * @returns in the unit of the other costs, per cent off the wished width
 */
export function colourCost(palette: Palette, bands: readonly Band[], kind: DressingKind): number {
  const muddle = (far: number): number => (far < SAME ? 0 : Math.max(0, 1 - far / CLEAR));
  const muddled = bands.reduce(
    (most, { yarn }, k) => (k === 0 ? 0 : Math.max(most, muddle(palette.apart(yarn, bands[k - 1]!.yarn)))),
    0,
  );
  const whole = bands.reduce((sum, b) => sum + b.heightMm, 0) || 1;
  const shares = new Map<string, number>();
  for (const b of bands) shares.set(b.yarn, (shares.get(b.yarn) ?? 0) + b.heightMm / whole);
  const [loudest] = [...shares].sort((a, b) => palette.apart(b[0], null) - palette.apart(a[0], null));
  const loud =
    shares.size === 1 ? 0 : Math.max(0, held(loudest, 'every yarn has a color')[1] - ACCENT) / (1 - ACCENT);
  const hue = [...shares].reduce((sum, [yarn, share]) => {
    const turned = palette.hueApart(yarn);
    return turned !== null && turned > NEAR_HUE && turned < FAR_HUE ? sum + share : sum;
  }, 0);
  return (
    MINDS.muddled * muddled +
    MINDS.againstPiece * muddle(palette.apart(bands[0]!.yarn, null)) +
    MINDS.loud * loud +
    MINDS.hue * hue +
    (shares.size === 1 && palette.yarns.length > 1 ? MINDS.plain : 0) +
    (kind === 'echo' ? MINDS.echo : 0)
  );
}
