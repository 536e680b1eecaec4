/** The outline of a grid of motifs, traced. */

/**
 * Parts of the outline of a grid, without laying out its edges.
 *
 * @returns sides, and motifs’ edges along all of them; the grid must hang together
 */
export function outlineOfGrid(cells: readonly string[]): { readonly sides: number; readonly motifs: number } {
  const runs = traceRuns(cells);
  return { sides: runs.length, motifs: runs.reduce((sum, run) => sum + run.motifs, 0) };
}

/** A straight stretch of the outline: motifs along it, and whether the corner before it is an inner one. */
interface Run {
  readonly motifs: number;
  readonly inner: boolean;
}

/** Directions of travel with the motifs on the left hand: left, down, right, up. */
const STEPS = [
  { dx: -1, dy: 0 },
  { dx: 0, dy: 1 },
  { dx: 1, dy: 0 },
  { dx: 0, dy: -1 },
] as const;

/**
 * Walks anticlockwise round the motifs from the top right corner of the uppermost row, one motif's edge at a
 * time. State: a grid point and a heading. Invariant: a motif lies to the left of the step just made, none
 * to its right. It ends where it began; cost is linear in the outline.
 */
export function traceRuns(cells: readonly string[]): readonly Run[] {
  const filled = (x: number, y: number): boolean => cells[y]?.[x] === '#';
  const top = cells.findIndex((row) => row.includes('#'));
  let x = cells[top]!.lastIndexOf('#') + 1;
  let y = top;
  const start = { x, y };
  let heading = 0;
  let inner = false;
  const runs: { motifs: number; inner: boolean }[] = [];
  do {
    let motifs = 0;
    for (;;) {
      const { dx, dy } = STEPS[heading]!;
      x += dx;
      y += dy;
      motifs++;
      const turn = turnAt(x, y, heading, filled);
      if (turn === 0) continue;
      runs.push({ motifs, inner });
      inner = turn < 0;
      heading = (heading + turn + 4) % 4;
      break;
    }
  } while (x !== start.x || y !== start.y || heading !== 0);
  return runs;
}

/** At a grid point: 1 turns round a motif's outer corner, −1 into an inner corner, 0 goes straight on. */
function turnAt(
  x: number,
  y: number,
  heading: number,
  filled: (x: number, y: number) => boolean,
): -1 | 0 | 1 {
  const { dx, dy } = STEPS[heading]!;
  // The two cells ahead: to the left hand and to the right hand of the heading.
  const ahead = (side: 1 | -1): boolean =>
    filled(Math.floor(x + dx / 2 + (side * dy) / 2), Math.floor(y + dy / 2 - (side * dx) / 2));
  if (ahead(-1)) return -1;
  return ahead(1) ? 0 : 1;
}

/** Whether all motifs of a grid hang together by their edges, with no hole among them. */
export function hangsTogether(cells: readonly string[]): boolean {
  const height = cells.length;
  const width = Math.max(0, ...cells.map((row) => row.length));
  const filled = (x: number, y: number): boolean => cells[y]?.[x] === '#';
  const reach = (from: readonly [number, number], wanted: boolean): number => {
    const seen = new Set<string>();
    const open = [from];
    for (let next = open.pop(); next; next = open.pop()) {
      const [x, y] = next;
      const key = `${x} ${y}`;
      if (x < -1 || y < -1 || x > width || y > height || seen.has(key) || filled(x, y) !== wanted) continue;
      seen.add(key);
      for (const { dx, dy } of STEPS) open.push([x + dx, y + dy]);
    }
    return seen.size;
  };
  const motifs = cells.join('').replaceAll(/[^#]/g, '').length;
  const top = cells.findIndex((row) => row.includes('#'));
  if (motifs === 0) return false;
  const together = reach([cells[top]!.indexOf('#'), top], true) === motifs;
  return together && reach([-1, -1], false) === (width + 2) * (height + 2) - motifs;
}
