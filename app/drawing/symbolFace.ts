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
  if (stitch.kind === 'ch') {
    lines.ellipse(0, 0, 0.42, 0.2, 0, 0, 2 * Math.PI);
    return { lines, filled: null };
  }
  if (stitch.kind === 'slst') {
    const dot = new Path2D();
    dot.ellipse(0, 0.18, 0.2, 0.16, 0, 0, 2 * Math.PI);
    return { lines, filled: dot };
  }
  const { height, wraps } = STITCHES[stitch.kind];
  const head = height - 0.08;
  if (stitch.kind === 'sc' || stitch.kind === 'esc') {
    const middle = stitch.kind === 'sc' ? height / 2 : height * 0.62;
    lines.moveTo(0, stitch.kind === 'sc' ? middle - 0.34 : 0.08);
    lines.lineTo(0, middle + 0.34);
    lines.moveTo(-0.34, middle);
    lines.lineTo(0.34, middle);
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
