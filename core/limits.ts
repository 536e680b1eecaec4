/**
 * How much there may be of everything, in one place. What is beyond a limit is refused by name before any work is
 * done on it, so that no file, text or edit can take the time or the memory of the page.
 */
export const LIMITS = {
  /** Spots that the edges of a piece offer the hook, all round. */
  spots: 40_000,
  /** Stitches of a piece that are drawn one by one; a larger one is drawn in surfaces. */
  fabricStitches: 30_000,
  /** Pieces with the same border. */
  alike: 1000,
  /** Sides of an outline. */
  sides: 400,
  /** Stitches and chains in one round. */
  stitchesInRound: 60_000,
  /** Stitches in the whole border. */
  stitchesInBorder: 800_000,
  /** Worked rounds after the base round, repeats counted. */
  rounds: 300,
  /** Entries of the stack. */
  entries: 200,
  /** Yarns, weighings and borders put aside, of one hem. */
  yarns: 100,
  weighIns: 500,
  kept: 40,

  /** Events noted of the work on one hem. */
  events: 20_000,

  /** Rounds of one’s own that are kept for other hems. */
  keptRounds: 200,
  /** Letters of their names and notes. */
  ownName: 100,
  ownNote: 2000,

  /** Letters of a written round, and how deep its brackets may stand in one another. */
  writtenLetters: 4000,
  writtenDepth: 6,
  /** Any one number in it: stitches of a group, chains of a run, times of a repeat, places passed over. */
  writtenCount: 500,
  /** Stitches made, and places used, in one pass of a written side with its fixed repeats unrolled. */
  writtenSteps: 2000,
  /** Letters of a pattern that is pasted or read. */
  patternLetters: 200_000,

  /** Bytes of a file that is written or opened, before and after it is unpacked. */
  fileBytes: 32_000_000,
  /** Bytes that an edit may bring a hem to. Two copies put together come to twice as much, which is still a file. */
  hemBytes: 4_000_000,
  /** Files in one file of a backup, and the bytes that all of them come to. */
  bundledFiles: 5000,
  bundledBytes: 128_000_000,
  /** Letters of a link. */
  linkLetters: 100_000,
  /** Rows and cells of a table. */
  tableRows: 2000,
  tableCells: 20_000,
} as const;
