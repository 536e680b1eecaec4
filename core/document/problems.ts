/** Faults of files. */
import { raising, type Sentences } from '../problems.ts';

export const DOCUMENT_PROBLEMS = {
  'file-cut-off': (v: { line: number }) => ({
    what: `the text of this file is cut off or damaged near line ${v.line}`,
    remedy:
      'Open the hem file as it was saved, or an earlier copy; if it was edited by hand, undo the last edit.',
  }),
  'file-empty': () => ({
    what: 'this file is empty',
    remedy: 'Choose a hem file (.hem.json) or a backup (.zip); if it was sent, have it sent again.',
  }),
  'file-not-a-hem': () => ({
    what: 'this file was written by another program, or does not say that it is a hem',
    remedy: 'Choose a hem file saved from Zig Hem: its name ends in .hem.json.',
  }),
  'file-too-new': (v: { version: number; known: number }) => ({
    what: `the file is of version ${v.version}, this application reads up to ${v.known}`,
    remedy: 'Update Zig Hem, then open the file again.',
  }),
  'bundle-unreadable': () => ({
    what: 'this zip file is cut off or damaged',
    remedy: 'Choose a backup saved from the shelf; if it was sent, have it sent again.',
  }),
  'bundle-empty': () => ({
    what: 'there is no hem file in this zip file',
    remedy: 'Choose a backup saved from the shelf.',
  }),
  'bundle-too-large': (v: { most: number; of: string }) => ({
    what: `this zip file would unpack to more than ${v.most} ${v.of}`,
    remedy: 'Choose a backup saved from the shelf, or unpack it and open its hem files one by one.',
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
  'choice-not-here': (v: { family: string; what: string; choice: string; known: string }) => ({
    what: `${v.family} has no ${v.what} “${v.choice}”`,
    remedy: `Use one of: ${v.known}.`,
  }),
  'spacing-not-here': (v: { school: string; known: string }) => ({
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
  'side-unknown': (v: { side: number; sides: number }) => ({
    what: `side number ${v.side} is not on this piece, which has ${v.sides}`,
    remedy: 'Use a number from 0 to the number of sides less one.',
  }),
  'part-not-here': (v: { first: number; along: number; sides: number }) => ({
    what: `rows along ${v.along} sides from side number ${v.first} on are not a part of this piece, which has ${v.sides}`,
    remedy:
      'Begin with a side that it has, and leave at least one side out; or give null for a border that goes all the way around.',
  }),
  'own-round-empty': () => ({
    what: 'an own round has nothing written',
    remedy: 'Give its text under "written".',
  }),
} satisfies Sentences;

export const documentProblem = raising(DOCUMENT_PROBLEMS);
