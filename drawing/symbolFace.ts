/** Stitches as the international symbols, in the same frame as the yarn: x along the edge, y to the head. */
import { STITCHES } from '../core/terms/stitches.ts';
import type { Stitch } from '../core/ring/stitch.ts';

/** Path data in stitch widths. */
export interface Symbol {
  readonly lines: string;
  readonly filled: string | null;
}

/** Thickness of a symbol's lines, in stitch widths. */
export const SYMBOL_LINE = 0.075;

const known = new Map<Stitch, Symbol>();

/** The symbol of a stitch; for a chain run, of one of its links. */
export function symbolOf(stitch: Stitch): Symbol {
  let symbol = known.get(stitch);
  if (!symbol) {
    symbol = specialSymbol(stitch) ?? plainSymbol(stitch);
    known.set(stitch, symbol);
  }
  return symbol;
}

const line = (x0: number, y0: number, x1: number, y1: number): string => `M ${x0} ${y0} L ${x1} ${y1}`;

/** An ellipse, turned by so many radians. */
function ellipse(x: number, y: number, rx: number, ry: number, turn = 0): string {
  const dx = rx * Math.cos(turn);
  const dy = rx * Math.sin(turn);
  const arc = `A ${rx} ${ry} ${(turn * 180) / Math.PI} 1 1`;
  return `M ${x - dx} ${y - dy} ${arc} ${x + dx} ${y + dy} ${arc} ${x - dx} ${y - dy} Z`;
}

/** The loop or post that is taken up, as a mark at the foot. */
function footMarks({ loop, post }: Stitch): readonly string[] {
  const marks: string[] = [];
  if (loop === 'back') marks.push('M -0.3 -0.06 A 0.3 0.3 0 0 1 0.3 -0.06');
  if (loop === 'front') marks.push('M -0.3 0.1 A 0.3 0.3 0 0 0 0.3 0.1');
  if (loop === 'third') marks.push(line(-0.3, -0.08, 0.3, -0.08));
  if (post !== 'none') {
    const side = post === 'front' ? 1 : -1;
    marks.push(`M 0 0.1 C ${0.35 * side} 0, ${0.35 * side} -0.35, 0 -0.3`);
  }
  return marks;
}

/** Symbols that are not a plain post: chains, slip stitches, clusters, ornaments. */
function specialSymbol(stitch: Stitch): Symbol | null {
  const outline = (...lines: readonly string[]): Symbol => ({ lines: lines.join(' '), filled: null });
  if (stitch.kind === 'ch' && stitch.form === 'plain') return outline(ellipse(0, 0, 0.42, 0.2));
  const { height } = STITCHES[stitch.kind];
  switch (stitch.form) {
    case 'picot':
      return outline(
        ellipse(-0.28, 0.35, 0.14, 0.28, 0.5),
        ellipse(0, 0.72, 0.28, 0.13),
        ellipse(0.28, 0.35, 0.14, 0.28, -0.5),
      );
    case 'dot':
      return { lines: ellipse(0, 0.3, 0.14, 0.28), filled: ellipse(0, 0.95, 0.38, 0.38) };
    case 'tassel':
      return outline(...[-0.3, 0, 0.3].map((x) => line(0, 0, x, 1.6)));
    case 'puff':
      return outline(ellipse(0, height / 2, 0.26, height / 2));
    case 'bobble':
      return outline(ellipse(0, height / 2, 0.4, height / 2), line(0, 0, 0, height));
    case 'popcorn':
      return outline(
        ellipse(0, height / 2, 0.4, height / 2),
        line(0, 0, 0, height),
        ellipse(0, height, 0.3, 0.1),
      );
    default:
      break;
  }
  if (stitch.kind !== 'slst') return null;
  const twist = stitch.form === 'twisted' ? ['M -0.34 0.42 C -0.1 0.62, 0.1 0.22, 0.34 0.42'] : [];
  return { lines: [...footMarks(stitch), ...twist].join(' '), filled: ellipse(0, 0.18, 0.2, 0.16) };
}

function plainSymbol(stitch: Stitch): Symbol {
  const { height, wraps } = STITCHES[stitch.kind];
  const lines = [...footMarks(stitch)];
  if (stitch.form === 'together') {
    for (let leg = 0; leg < stitch.legs; leg++) {
      lines.push(line(leg - (stitch.legs - 1) / 2, 0, 0, height - 0.05));
    }
  } else if (stitch.kind === 'sc' || stitch.kind === 'esc') {
    const middle = stitch.kind === 'sc' ? height / 2 : height * 0.62;
    lines.push(line(0, stitch.kind === 'sc' ? middle - 0.34 : 0.08, 0, middle + 0.34));
    lines.push(line(-0.34, middle, 0.34, middle));
    if (stitch.form === 'reverse' || stitch.form === 'twisted') {
      lines.push(`M -0.34 ${height} C -0.1 ${height + 0.25}, 0.1 ${height - 0.25}, 0.34 ${height}`);
    }
  } else {
    const head = height - 0.08;
    const slant = stitch.kind === 'hhdc' ? 0.14 : 0;
    lines.push(line(0, 0.08, 0, head), line(-0.34, head - slant, 0.34, head + slant));
    for (let bar = 0; bar < wraps; bar++) {
      const y = height * 0.58 - bar * 0.32;
      lines.push(line(-0.22, y - 0.09, 0.22, y + 0.09));
    }
  }
  return { lines: lines.join(' '), filled: null };
}
