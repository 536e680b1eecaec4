/** Lines of a round about its sides, its corners and its beginning. */
import type { Stitch } from '../../ring/stitch.ts';
import { Unclear, type Reader } from './crochet.ts';
import { isOtherwise } from './run.ts';

export class PrintedLines {
  constructor(
    readonly lines: readonly string[],
    readonly reader: Reader,
    private readonly circle: boolean,
  ) {}

  find(pattern: RegExp): RegExpExecArray | null {
    for (const line of this.lines) {
      const m = pattern.exec(line);
      if (m) return m;
    }
    return null;
  }

  /** The words of a line “Each side: …”, “Sides A and C: …”, that tell the way along a side. */
  ofSide(side: string): string {
    for (const line of this.lines) {
      const m = /^(Each side|All around|Sides? (.+?)): (.+?)\.(?: (?:Work into|Where a row takes) .+)?$/.exec(
        line,
      );
      if (!m || isOtherwise(m[3]!)) continue;
      if (m[2] === undefined || m[2].split(/, | and /).includes(side)) return m[3]!;
    }
    throw new Unclear(`what is done along side ${side}?`);
  }

  /** Exceptions on a side. */
  otherwise(side: string): readonly string[] {
    return this.lines.flatMap((line) => {
      const m = /^Sides? (.+?): (.+)\.$/.exec(line);
      if (m && isOtherwise(m[2]!)) return m[1]!.split(/, | and /).includes(side) ? [m[2]!] : [];
      const all = /^(.+)\.$/.exec(line);
      return all && this.plainAround() && isOtherwise(all[1]!)
        ? [all[1]!.charAt(0).toLowerCase() + all[1]!.slice(1)]
        : [];
    });
  }

  private plainAround(): boolean {
    return this.circle || this.find(/^All around, past the corners:/) !== null;
  }

  ofCorner(corner: string): string {
    for (const line of this.lines) {
      const m = /^Corners?(?: ([^:]+))?: (.+)\.$/.exec(line);
      if (m && (m[1] === undefined || m[1].split(/, | and /).includes(corner))) return m[2]!;
    }
    throw new Unclear(`what is done in corner ${corner}?`);
  }

  /** How many stitches on either side of a corner its decrease takes up. */
  takenBeside(corner: string): number {
    const m = / over the corner st and the (?:one|(\d+) sts) on each side of it/.exec(this.ofCorner(corner));
    return m ? Number(m[1] ?? 1) : 0;
  }

  /** Chains of the space that the chain of a start makes too; 0 for none. */
  spaceOfLift(start: string): number {
    const m = /^.*Ch (\d+) \(counts as 1 .+? and the ch-(\d+) sp\)/.exec(start);
    if (m && Number(m[1]) <= Number(m[2])) throw new Unclear(`“${start}” leaves no chain for the st`);
    return m ? Number(m[2]) : 0;
  }

  /** The stitch that a chain or a standing stitch counts as. */
  lift(start: string): Stitch | null {
    const counts = /\(counts as 1 (.+?)(?: and the ch-\d+ sp)?\)/.exec(start);
    if (counts) return this.reader.stitch(counts[1]!);
    const standing = /^Join .+ with a standing (.+?) (?:in|around|between) /.exec(start);
    return standing ? this.reader.stitch(standing[1]!) : null;
  }
}
