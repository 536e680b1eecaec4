/** Input, output and exit code of a command. */

/** Exit codes of every command. */
export const EXIT = { done: 0, notEven: 1, unsound: 2 } as const;

/** Where a command writes and reads: the streams of a process, or those of a test. */
export interface Io {
  readonly write: (part: string | Uint8Array) => void;
  /** A line of what stands in the way. */
  readonly complain: (line: string) => void;
  /** All of standard input. */
  readonly readInput: () => Uint8Array;
}

/** Input that is unsound: the command ends with {@link EXIT}`.unsound` once every line has been told. */
export class Unsound extends Error {
  constructor(readonly lines: readonly string[]) {
    super(lines.join('\n'));
  }
}

export function unsound(...lines: readonly string[]): never {
  throw new Unsound(lines);
}
