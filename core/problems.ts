/**
 * Expected failures are values: a code, the place that it concerns, its numbers, and the sentence that is made with them, so
 * that screens, the command line and the log say the same thing. A sentence stands where its problem arises, in the file
 * problems.ts of that room; problemRegistry.ts lists them all.
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
  /** The request, in the words of its button. */
  | { readonly in: 'edit'; readonly label: string }
  | { readonly in: Whole };

/** Things that have a problem as a whole. */
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

interface Sentence {
  /** The fault in one clause, without the place. */
  readonly what: string;
  /** Remedy for the reader. */
  readonly remedy: string;
}

export interface Problem extends Sentence {
  readonly code: string;
  readonly where: ProblemPlace;
  /** The numbers and words that its sentence is made with. */
  readonly values: object;
}

/** The sentences of a room, by their codes; each is made with values of its own. */
export type Sentences = Readonly<Record<string, (values: never) => Sentence>>;

type Values<S extends Sentences, C extends keyof S> =
  Parameters<S[C]> extends [infer V] ? Readonly<V> : object;

/** Raises the problems of a room; one whose sentence needs nothing is given no values. */
export const raising =
  <S extends Sentences>(sentences: S) =>
  <C extends keyof S & string>(
    code: C,
    where: ProblemPlace,
    ...[values]: object extends Values<S, C> ? [Values<S, C>?] : [Values<S, C>]
  ): Problem => ({
    code,
    where,
    values: values ?? {},
    ...(sentences[code] as (v: object) => Sentence)(values ?? {}),
  });

export const COMMON_PROBLEMS = {
  'too-many': (v: { count: number; of: string; most: number }) => ({
    what: `there would be ${v.count} ${v.of}`,
    remedy: `There can be up to ${v.most}: remove what is not needed.`,
  }),
} satisfies Sentences;

export const commonProblem = raising(COMMON_PROBLEMS);

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

/** One line for a log or a shell: where, what, how to mend. */
export const problemLine = ({ where, what, remedy }: Problem): string =>
  `${whereWords(where)}: ${what}. ${remedy}`;

export type Outcome<T> =
  { readonly ok: true; readonly value: T } | { readonly ok: false; readonly problems: readonly Problem[] };

export const done = <T>(value: T): Outcome<T> => ({ ok: true, value });
export const failed = (...problems: readonly Problem[]): Outcome<never> => ({ ok: false, problems });
