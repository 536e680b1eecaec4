/** Stitches as the international symbols, in the same frame as the yarn: x along the edge, y to the head. */
import { STITCHES } from '../../core/terms/stitches.ts';
import type { Stitch } from '../../core/ring/stitch.ts';

export interface Symbol {
  readonly lines: Path2D;
  readonly filled: Path2D | null;
}

const known = new Map<Stitch, Symbol>();

/** The symbol of a stitch; for a chain run, of one of its links. */
export function symbolOf(stitch: Stitch): Symbol {
  let symbol = known.get(stitch);
  if (!symbol) {
    symbol = make(stitch);
    known.set(stitch, symbol);
  }
  return symbol;
}

function make(stitch: Stitch): Symbol {
  const lines = new Path2D();
  const special = specialSymbol(stitch, lines);
  if (special) return special;
  if (stitch.loop === 'back') lines.arc(0, -0.06, 0.3, Math.PI, 2 * Math.PI);
  if (stitch.loop === 'front') lines.arc(0, 0.1, 0.3, 0, Math.PI);
  if (stitch.loop === 'third') {
    lines.moveTo(-0.3, -0.08);
    lines.lineTo(0.3, -0.08);
  }
  if (stitch.post !== 'none') {
    const side = stitch.post === 'front' ? 1 : -1;
    lines.moveTo(0, 0.1);
    lines.bezierCurveTo(0.35 * side, 0, 0.35 * side, -0.35, 0, -0.3);
  }
  return plainSymbol(stitch, lines);
}

/** Symbols that are not a plain post: chains, slip stitches, clusters, ornaments. */
function specialSymbol(stitch: Stitch, lines: Path2D): Symbol | null {
  const dot = new Path2D();
  if (stitch.kind === 'ch' && stitch.form === 'plain') {
    lines.ellipse(0, 0, 0.42, 0.2, 0, 0, 2 * Math.PI);
    return { lines, filled: null };
  }
  switch (stitch.form) {
    case 'picot':
      lines.ellipse(-0.28, 0.35, 0.14, 0.28, 0.5, 0, 2 * Math.PI);
      lines.ellipse(0, 0.72, 0.28, 0.13, 0, 0, 2 * Math.PI);
      lines.ellipse(0.28, 0.35, 0.14, 0.28, -0.5, 0, 2 * Math.PI);
      return { lines, filled: null };
    case 'dot':
      lines.ellipse(0, 0.3, 0.14, 0.28, 0, 0, 2 * Math.PI);
      dot.arc(0, 0.95, 0.38, 0, 2 * Math.PI);
      return { lines, filled: dot };
    case 'tassel':
      for (const x of [-0.3, 0, 0.3]) {
        lines.moveTo(0, 0);
        lines.lineTo(x, 1.6);
      }
      return { lines, filled: null };
    case 'puff':
    case 'bobble':
    case 'popcorn': {
      const { height } = STITCHES[stitch.kind];
      lines.ellipse(0, height / 2, stitch.form === 'puff' ? 0.26 : 0.4, height / 2, 0, 0, 2 * Math.PI);
      if (stitch.form !== 'puff') {
        lines.moveTo(0, 0);
        lines.lineTo(0, height);
      }
      if (stitch.form === 'popcorn') lines.ellipse(0, height, 0.3, 0.1, 0, 0, 2 * Math.PI);
      return { lines, filled: null };
    }
    default:
      break;
  }
  if (stitch.kind !== 'slst') return null;
  dot.ellipse(0, 0.18, 0.2, 0.16, 0, 0, 2 * Math.PI);
  return { lines, filled: dot };
}

function plainSymbol(stitch: Stitch, lines: Path2D): Symbol {
  if (stitch.form === 'together') {
    const { height } = STITCHES[stitch.kind];
    for (let leg = 0; leg < stitch.legs; leg++) {
      lines.moveTo(leg - (stitch.legs - 1) / 2, 0);
      lines.lineTo(0, height - 0.05);
    }
    return { lines, filled: null };
  }
  const { height, wraps } = STITCHES[stitch.kind];
  const head = height - 0.08;
  if (stitch.kind === 'sc' || stitch.kind === 'esc') {
    const middle = stitch.kind === 'sc' ? height / 2 : height * 0.62;
    lines.moveTo(0, stitch.kind === 'sc' ? middle - 0.34 : 0.08);
    lines.lineTo(0, middle + 0.34);
    lines.moveTo(-0.34, middle);
    lines.lineTo(0.34, middle);
    if (stitch.form === 'reverse' || stitch.form === 'twisted') {
      lines.moveTo(-0.34, height);
      lines.bezierCurveTo(-0.1, height + 0.25, 0.1, height - 0.25, 0.34, height);
    }
    return { lines, filled: null };
  }
  lines.moveTo(0, 0.08);
  lines.lineTo(0, head);
  const slant = stitch.kind === 'hhdc' ? 0.14 : 0;
  lines.moveTo(-0.34, head - slant);
  lines.lineTo(0.34, head + slant);
  for (let bar = 0; bar < wraps; bar++) {
    const y = height * 0.58 - bar * 0.32;
    lines.moveTo(-0.22, y - 0.09);
    lines.lineTo(0.22, y + 0.09);
  }
  return { lines, filled: null };
}
