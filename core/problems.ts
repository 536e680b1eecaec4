/**
 * Expected failures are values: a code, the place it concerns and its numbers. The sentence for each code
 * lives here and nowhere else, so that screens, the command line and the log say the same thing.
 */

/** Where a problem is. */
export type ProblemPlace =
  /** At a path in the hem file, as in “rounds.2.start.side”. */
  | { readonly in: 'file'; readonly path: string }
  /** In a text or a table that was given, counted from 1; columns of a table have names. */
  | { readonly in: 'text'; readonly line: number; readonly column?: number | string }
  /** In worked round `number`, counted from 1 after the base round. */
  | { readonly in: 'round'; readonly number: number }
  /** In the text of an own round. */
  | { readonly in: 'own round'; readonly text: ProblemPlace }
  /** What was asked for, in the words of its button. */
  | { readonly in: 'edit'; readonly label: string }
  | { readonly in: Whole };

/** What has a problem as a whole. */
type Whole =
  | 'the file'
  | 'the backup'
  | 'the file of your hands'
  | 'the table'
  | 'the grid'
  | 'the text'
  | 'the link'
  | 'this hem'
  | 'the round'
  | 'the corner'
  | 'the hem'
  | 'the piece'
  | 'the base round'
  | 'the border'
  | 'the borders'
  | 'the basket';

/** A place in the hem file, by the names and numbers that lead to it. */
export const at = (path: string): ProblemPlace => ({ in: 'file', path });
/** A line of a text or table, and a column of it; both from 1. */
export const inLine = (line: number, column?: number | string): ProblemPlace =>
  column === undefined ? { in: 'text', line } : { in: 'text', line, column };
export const inRound = (number: number): ProblemPlace => ({ in: 'round', number });
export const inAll = (whole: Whole): ProblemPlace => ({ in: whole });

export type ProblemCode = keyof typeof SENTENCES;

/** The numbers and words that the sentence of a code is made with. */
type Values<C extends ProblemCode> =
  Parameters<(typeof SENTENCES)[C]> extends [infer V] ? Readonly<V> : object;

export type Problem = {
  [C in ProblemCode]: { readonly code: C; readonly where: ProblemPlace; readonly values: Values<C> };
}[ProblemCode];

interface Sentence {
  readonly what: string;
  readonly remedy: string;
}

const onSide = (side: string | number | undefined): string =>
  side === 'all the way around' ? 'all the way around' : `side ${side}`;

/** What helps a round that does not come out even: that depends on what lies between it and the base round. */
const REMEDIES: Readonly<
  Record<'fewer or more' | 'more' | 'other', (v: { over: number; short: number }) => string>
> = {
  'fewer or more': (v) => `In the base round, take away ${v.over} there or add ${v.short}.`,
  more: (v) => `In the base round, add ${v.short} there.`,
  other: () => 'Choose another corner, add a plain round before it, or choose another round.',
};

const SENTENCES = {
  'file-cut-off': (v: { line: number }) => ({
    what: `the text of this file is cut off or damaged near line ${v.line}`,
    remedy:
      'Open the hem file as it was saved, or an earlier copy; if it was edited by hand, undo the last edit.',
  }),
  'file-empty': () => ({
    what: 'this file is empty',
    remedy: 'Choose a hem file (.hem.json) or a backup (.zip); if it was sent, have it sent again.',
  }),
  'file-too-large': (v: { megabytes: string; most: number }) => ({
    what: `this file has ${v.megabytes} MB, more than a hem or a backup can have`,
    remedy: `Choose a file of at most ${v.most} MB: a hem file (.hem.json), a backup (.zip) or a table (.csv).`,
  }),
  'file-unreadable': () => ({
    what: 'the browser could not read this file',
    remedy: 'See whether it is still where it was, then choose it again.',
  }),
  'file-of-another-kind': (v: { kind: string; remedy?: string }) => ({
    what: `this is ${v.kind}, not a hem file`,
    remedy: `${v.remedy ?? 'Choose a hem file (.hem.json) or a backup (.zip).'}`,
  }),
  'file-not-a-hem': () => ({
    what: 'this file was written by another program, or does not say that it is a hem',
    remedy: 'Choose a hem file saved from Zig Hem: its name ends in .hem.json.',
  }),
  'record-damaged': () => ({
    what: 'what this browser keeps of it is damaged',
    remedy: 'Go back to an earlier version, or open a hem file or a backup of it.',
  }),
  'file-too-new': (v: { version: number; known: number }) => ({
    what: `the file is of version ${v.version}, this application reads up to ${v.known}`,
    remedy: 'Update Zig Hem, then open the file again.',
  }),
  'bundle-unreadable': () => ({
    what: 'this zip file is cut off or damaged',
    remedy: 'Choose a backup saved from the shelf; if it was sent, have it sent again.',
  }),
  'hands-unreadable': () => ({
    what: 'what it says of your hands is damaged',
    remedy: 'Your hems are all there; say on the page “My hands” what you want again.',
  }),
  'bundle-empty': () => ({
    what: 'there is no hem file in this zip file',
    remedy: 'Choose a backup saved from the shelf.',
  }),
  'bundle-too-large': (v: { most: number; of: string }) => ({
    what: `this zip file would unpack to more than ${v.most} ${v.of}`,
    remedy: 'Choose a backup saved from the shelf, or unpack it and open its hem files one by one.',
  }),
  'link-broken': () => ({
    what: 'the link does not hold a whole hem',
    remedy: 'Copy the whole link again, to its last letter.',
  }),
  'record-full': (v: { most: number }) => ({
    what: `no more than ${v.most} things that were done can be noted of one hem`,
    remedy: 'Download the hem file, and go on with a copy of the hem.',
  }),
  'hem-too-large': (v: { most: number }) => ({
    what: `this hem would be larger than ${v.most} MB, and its file could not be opened again`,
    remedy: 'Remove saved borders or long notes first. What is there stays as it is.',
  }),
  'link-too-long': () => ({
    what: 'the link holds more than a hem can have',
    remedy: 'Ask for the hem file instead.',
  }),
  'csv-column-missing': (v: { columns: string }) => ({
    what: `the table has no column ${v.columns}`,
    remedy: 'Name the columns in the first line: side, length, stitches, and if wanted turn.',
  }),
  'csv-number': (v: { cell: string; wanted: string }) => ({
    what: `“${v.cell}” stands where a number should be`,
    remedy: `Give ${v.wanted}.`,
  }),
  'csv-cell': (v: { cell: string }) => ({
    what: `“${v.cell}” says neither that there is a motif nor that there is none`,
    remedy: 'Use x for a motif and leave the cell empty where there is none.',
  }),
  'csv-no-lines': () => ({
    what: 'the table is empty',
    remedy: 'Give a line for each side, or a line for each row of motifs.',
  }),
  'csv-too-many-sides': (v: { sides: number }) => ({
    what: `the table has ${v.sides} sides`,
    remedy: 'Up to 40 sides can be planned: leave out the lines that are no sides.',
  }),
  'csv-too-large': (v: { across: number; down: number }) => ({
    what: `the grid has ${v.across} × ${v.down} motifs`,
    remedy: 'Up to 60 × 60 can be planned.',
  }),
  'csv-too-long': (v: { most: number; of: string }) => ({
    what: `the table has more than ${v.most} ${v.of}`,
    remedy: 'Leave out what is no side and no row of motifs.',
  }),
  'pattern-too-long': (v: { letters: number; most: number }) => ({
    what: `the text has ${v.letters} letters`,
    remedy: `Paste at most ${v.most} at once: the rounds alone, without what stands around them.`,
  }),
  'pattern-no-rounds': () => ({
    what: 'no round was found in this text',
    remedy:
      'Give every round a heading such as “Round 1”, and under it lines such as “Each side: …” and “Corner: …”.',
  }),
  'value-unsound': (v: { detail: string; where: string }) => ({
    what: `${v.detail}`,
    remedy:
      v.where === 'the file'
        ? 'Add it, or open an earlier copy of the file.'
        : `Correct the value at ${v.where}.`,
  }),
  'yarn-unknown': (v: { yarn: string }) => ({
    what: `refers to yarn “${v.yarn}”, which is not in the basket`,
    remedy: 'Use the id of a yarn listed under "yarns", or add that yarn.',
  }),
  'id-twice': (v: { id: string }) => ({
    what: `the id “${v.id}” is used twice`,
    remedy: 'Give every yarn and every round an id of its own.',
  }),
  'family-unknown': (v: { family: string; known: string }) => ({
    what: `there is no round family “${v.family}”`,
    remedy: `Use one of: ${v.known}.`,
  }),
  'yarn-in-use': (v: { yarn: string; where: string }) => ({
    what: `${v.yarn} is still used: ${v.where}`,
    remedy: 'Choose another yarn there first.',
  }),
  'yarn-last': () => ({
    what: 'this is the only yarn',
    remedy: 'Put another into the basket first.',
  }),
  'step-gone': (v: { what: string }) => ({
    what: `“${v.what}” no longer goes with what has been changed since`,
    remedy: 'It was passed over; what lies before it can still be taken back.',
  }),
  'not-planned': (v: { detail: string }) => ({
    what: `this cannot be worked out (${v.detail})`,
    remedy: 'Nothing was changed. Try it another way, and tell the makers of Zig Hem how it came about.',
  }),
  'begun-stays': () => ({
    what: 'the base round has been begun, so it and the piece stay as they were then',
    remedy: 'Rip it back on the Work page to change them, or make a copy of the hem from its beginning.',
  }),
  'part-gone': (v: { what: string }) => ({
    what: `${v.what} is no longer there`,
    remedy: 'Look at the hem as it is now, and do it again where it applies.',
  }),
  'too-many': (v: { count: number; of: string; most: number }) => ({
    what: `there would be ${v.count} ${v.of}`,
    remedy: `There can be up to ${v.most}: remove what is not needed.`,
  }),
  'round-too-large': (v: { round: string; most: number; of: string }) => ({
    what: `${v.round} would have more than ${v.most} stitches ${v.of}, so it and what follows it are not worked`,
    remedy: 'Remove it, work it fewer times, or choose one that grows less.',
  }),
  'change-not-taken': (v: { round: string; side: string; change: number }) => ({
    what: `${v.round} cannot be worked with ${Math.abs(v.change)} ${v.change > 0 ? 'more' : 'fewer'} ${
      v.side === 'all the way around' ? v.side : `on side ${v.side}`
    }`,
    remedy: 'Take that small adjustment away, or make it in a plain round.',
  }),
  'round-makes-nothing': (v: { round: string; places: string }) => ({
    what: `${v.round} finds too few ${v.places} to be worked even once, so it and what follows it are not worked`,
    remedy: 'Remove it, or choose one whose repeat is shorter.',
  }),
  'round-unknown': () => ({
    what: 'this version of Zig Hem does not know this round, and shows it as plain stitches with its counts',
    remedy: 'Nothing is lost: update Zig Hem to see the round as it is.',
  }),
  'choice-not-here': (v: { family: string; what: string; choice: string; known: string }) => ({
    what: `${v.family} has no ${v.what} “${v.choice}”`,
    remedy: `Use one of: ${v.known}.`,
  }),
  'school-not-here': (v: { school: string; known: string }) => ({
    what: `stitches along its edge cannot be spaced “${v.school}”`,
    remedy: `Use one of: ${v.known}.`,
  }),
  'date-unsound': (v: { date: string }) => ({
    what: `“${v.date}” is no date`,
    remedy: 'Write it as in 2026-01-31T10:00:00.000Z.',
  }),
  'sides-mismatch': (v: { found: number; needed: number }) => ({
    what: `${v.found} sides are described, the piece has ${v.needed}`,
    remedy: 'Describe every side of the outline once, in working order.',
  }),
  'not-even': (v: {
    round: string;
    side: string;
    count: number;
    places: string;
    over: number;
    short: number;
    help: keyof typeof REMEDIES;
  }) => ({
    what: `${v.round} does not fit ${onSide(v.side)}: ${v.count} ${v.places} there, ${
      Number(v.over) > 0 ? `${v.over} left over` : `${v.short} too few`
    }`,
    remedy: REMEDIES[v.help](v),
  }),
  'on-an-edge': (v: { round: string; edge: string }) => ({
    what: `${v.round} is worked into the wavy edge of ${v.edge}, and pulls it out of shape`,
    remedy: `Move it under ${v.edge}, or remove one of them.`,
  }),
  'nothing-to-work-into': (v: { round: string; places: string; side: string }) => ({
    what: `${v.round} goes into ${v.places}, and the round below has none that fit on ${onSide(v.side)}`,
    remedy: `Add a round that makes ${v.places} before it.`,
  }),
  'corners-differ': (v: { turns: number }) => ({
    what: `the corners do not close the outline: ${v.turns}° instead of 360°`,
    remedy: 'Check the corner angles: a square corner is 90°, an inner corner −90°.',
  }),
  'outline-open': (v: { gap: string; unit: string }) => ({
    what: `the outline does not close: its end lies ${v.gap} ${v.unit} from its start`,
    remedy: 'Measure the sides again, or check the corner angles.',
  }),
  'grid-apart': () => ({
    what: 'the motifs are not joined edge to edge, or leave a hole',
    remedy: 'Fill the hole, or plan the parts as pieces of their own.',
  }),
  'grid-empty': () => ({
    what: 'there is no motif in the grid',
    remedy: 'Leave at least one motif in it.',
  }),
  'side-unknown': (v: { side: number; sides: number }) => ({
    what: `side number ${v.side} is not on this piece, which has ${v.sides}`,
    remedy: 'Use a number from 0 to the number of sides less one.',
  }),
  'own-round-empty': () => ({
    what: 'an own round has nothing written',
    remedy: 'Give its text under "written".',
  }),
  'tape-disagrees': (v: { computed: number; unit: string; measured: number }) => ({
    what: `your rows say ${v.computed} ${v.unit}, your tape says ${v.measured} ${v.unit}`,
    remedy: 'Count the rows and measure again, without stretching.',
  }),
  'opposite-differ': (v: { sides: string; difference: number }) => ({
    what: `sides ${v.sides} differ by ${v.difference} stitches`,
    remedy: 'Opposite sides of the base round should hold the same count.',
  }),
  'written-unreadable': (v: { word: string; expected: string; sc?: string }) => ({
    what: `“${v.word}” was not understood`,
    remedy: `Try ${v.expected}: for example “2 ${v.sc ?? 'sc'} in next st”.`,
  }),
  'written-too-long': (v: { letters: number; most: number }) => ({
    what: `the round has ${v.letters} letters`,
    remedy: `Up to ${v.most} can be read: write what repeats once, between asterisks.`,
  }),
  'written-too-deep': (v: { most: number }) => ({
    what: `brackets stand in one another more than ${v.most} deep`,
    remedy: 'Write the inner ones out.',
  }),
  'written-zero': () => ({
    what: '0 of something makes no stitch',
    remedy: 'Leave it out, or write 1 or more.',
  }),
  'written-too-many': (v: { count: number | string; of: string; most: number }) => ({
    what: `${v.count} ${v.of} is more than anyone works`,
    remedy: `Write at most ${v.most}.`,
  }),
  'written-line-twice': (v: { line: string }) => ({
    what: `there are two “${v.line}:” lines`,
    remedy: 'Put them together.',
  }),
  'written-no-side': () => ({
    what: 'nothing says what is worked along a side',
    remedy: 'Add a line that begins “side:”, or “round:” for a repeat that runs past the corners.',
  }),
  'written-side-and-round': () => ({
    what: 'there is both a “side:” and a “round:” line',
    remedy: 'Keep “side:” when the stitch repeat starts again after each corner, “round:” when it does not.',
  }),
  'written-no-corner': (v: { sc?: string }) => ({
    what: 'nothing says how a corner is worked',
    remedy: `Add a line such as “corner: 3 ${v.sc ?? 'sc'} in corner”, or “corner: walk round”.`,
  }),
  'written-two-open-repeats': () => ({
    what: 'there are two repeats in asterisks',
    remedy: 'Only one part can repeat to the corner. Give the other a number: [ … ] 3 times.',
  }),
  'written-repeat-in-repeat': () => ({
    what: 'one repeat stands inside another',
    remedy: 'Write the inner one out.',
  }),
  'written-repeat-uses-nothing': (v: { sc?: string }) => ({
    what: 'the repeat uses up no stitch, so it would never reach the corner',
    remedy: `Say inside the repeat what it is worked into, such as “${v.sc ?? 'sc'} in next st”.`,
  }),
  'written-no-stitch': (v: { sc?: string }) => ({
    what: 'no stitch is worked along the side',
    remedy: `Add a stitch with its place, such as “${v.sc ?? 'sc'} in next st”.`,
  }),
} satisfies Record<string, (v: never) => Sentence>;

export const PROBLEM_CODES = Object.keys(SENTENCES) as readonly ProblemCode[];

/** A problem; a code whose sentence needs nothing is given no values. */
export function problem<C extends ProblemCode>(
  code: C,
  where: ProblemPlace,
  ...[values]: object extends Values<C> ? [Values<C>?] : [Values<C>]
): Problem {
  return { code, where, values: values ?? {} } as Problem;
}

const sentence = (p: Problem): Sentence => (SENTENCES[p.code] as (v: object) => Sentence)(p.values);

/** Where a problem is, in words. */
export function whereWords(where: ProblemPlace): string {
  switch (where.in) {
    case 'file':
      return where.path;
    case 'text': {
      const { line, column } = where;
      if (column === undefined) return `line ${line}`;
      return `line ${line}, column ${typeof column === 'number' ? column : `“${column}”`}`;
    }
    case 'round':
      return `round ${where.number}`;
    case 'edit':
      return where.label;
    case 'own round':
      return `own round, ${whereWords(where.text)}`;
    default:
      return where.in;
  }
}

/** What is wrong, in one clause, without the place. */
export const whatIsWrong = (p: Problem): string => sentence(p).what;

/** What the reader can do about it, as a sentence. */
export const remedyFor = (p: Problem): string => sentence(p).remedy;

/** One line for a log or a shell: where, what, how to mend. */
export function problemLine(p: Problem): string {
  return `${whereWords(p.where)}: ${whatIsWrong(p)}. ${remedyFor(p)}`;
}

export type Outcome<T> =
  { readonly ok: true; readonly value: T } | { readonly ok: false; readonly problems: readonly Problem[] };

export const done = <T>(value: T): Outcome<T> => ({ ok: true, value });
export const failed = (...problems: readonly Problem[]): Outcome<never> => ({ ok: false, problems });
