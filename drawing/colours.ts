import { lab } from 'd3-color';

/** The three tones of a strand: its dark edge, its body and its light. */
export interface Tones {
  readonly edge: string;
  readonly body: string;
  readonly light: string;
}

const known = new Map<string, Tones>();

/** Tones of a yarn colour, #rrggbb. */
export function tonesOf(colour: string): Tones {
  let tones = known.get(colour);
  if (!tones) {
    const body = lab(colour);
    const edge = lab(body.l * 0.55, body.a * 0.85, body.b * 0.85);
    const light = lab(Math.min(98, body.l + (100 - body.l) * 0.42), body.a * 0.8, body.b * 0.8);
    tones = { edge: edge.formatHex(), body: body.formatHex(), light: light.formatHex() };
    known.set(colour, tones);
  }
  return tones;
}

/** Whether light letters are read better on a colour, #rrggbb. */
export const isDark = (colour: string): boolean => lab(colour).l < 55;

/** Colours that were mixed before; a hem has few, and a picker that is dragged makes many. */
const mixed = new Map<string, string>();
const MOST_MIXED = 500;

/** A colour as if seen through the ground, so much of it as `part` (0 to 1): for what lies behind the round in hand. */
export function faded(colour: string, ground: string, part = 0.72): string {
  const key = `${colour} ${ground} ${part}`;
  let found = mixed.get(key);
  if (found === undefined) {
    if (mixed.size >= MOST_MIXED) mixed.clear();
    const [from, to] = [lab(colour), lab(ground)];
    const between = (a: number, b: number): number => a + (b - a) * part;
    found = lab(between(from.l, to.l), between(from.a, to.a), between(from.b, to.b)).formatHex();
    mixed.set(key, found);
  }
  return found;
}
