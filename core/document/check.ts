/** Is a file a sound project? Every fault is named at once, by place and remedy. */
import { commonProblem } from '../problems.ts';
import { documentProblem } from './problems.ts';
import type { ErrorObject } from 'ajv';
import { spacingCount, type BaseRound } from '../base/baseRound.ts';
import { spacingsFor } from '../base/spacings.ts';
import { LIMITS } from '../limits.ts';
import { beyondPlanning, bodyOf } from '../piece/piece.ts';
import { isPartOf } from '../piece/along.ts';
import type { Body } from '../piece/edge.ts';
import { at, done, failed, inAll, type Outcome, type Problem } from '../problems.ts';
import type { Family } from '../rounds/family.ts';
import { FAMILIES, familyById } from '../rounds/registry.ts';
import { FORMAT, VERSION } from './format.ts';
import { OWN, type Hem, type RoundEntry, type WorkEvent } from './hem.ts';
import { migrate } from './migrations.ts';
import { validate } from './validate.generated.js';

/** Reads the text of a project file. */
export function readHem(text: string): Outcome<Hem> {
  if (text.trim() === '') return failed(documentProblem('file-empty', inAll('the file')));
  const value = jsonOf(text);
  if (value === undefined) {
    return failed(documentProblem('file-cut-off', inAll('the file'), { line: soundLines(text) }));
  }
  return checkHem(value);
}

/** Value of a JSON text; undefined when it is none. */
export function jsonOf(text: string): unknown {
  try {
    return JSON.parse(text) as unknown;
  } catch {
    return undefined;
  }
}

/** Up to which line a text could be the beginning of JSON, by its quotes and brackets; from 1. */
function soundLines(text: string): number {
  let line = 1;
  let quoted = false;
  const open: string[] = [];
  for (let i = 0; i < text.length; i++) {
    const c = text[i]!;
    if (c === '\n') {
      if (quoted) return line;
      line++;
    } else if (quoted) {
      if (c === '\\') i++;
      else if (c === '"') quoted = false;
    } else if (c === '"') quoted = true;
    else if (c === '{' || c === '[') open.push(c);
    else if (c === '}' || c === ']') {
      if (open.pop() !== (c === '}' ? '{' : '[')) return line;
    }
  }
  return line;
}

/** The text of a hem file: indented, so that two versions can be compared line by line, unless it would be too long so. */
export function writeHem(hem: Hem): string {
  const text = `${JSON.stringify(hem, null, 2)}\n`;
  return text.length <= LIMITS.hemBytes ? text : JSON.stringify(hem);
}

/** Checks a value that claims to be a project; one of an older version is brought up to the one in force. */
export function checkHem(value: unknown): Outcome<Hem> {
  const head = (typeof value === 'object' && value !== null ? value : {}) as Record<string, unknown>;
  if (head.format !== FORMAT) return failed(documentProblem('file-not-a-hem', at('format')));
  if (typeof head.version === 'number' && head.version > VERSION) {
    return failed(documentProblem('file-too-new', at('version'), { version: head.version, known: VERSION }));
  }
  const file = migrate(value);
  if (!validate(file)) return failed(...(validate.errors ?? []).map(schemaProblem));
  const hem = file as Hem;
  const problems = soundness(hem);
  return problems.length > 0 ? failed(...problems) : done(hem);
}

function schemaProblem(error: ErrorObject): Problem {
  const where = error.instancePath.slice(1).replaceAll('/', '.') || 'the file';
  return documentProblem('value-unsound', at(where), { where, detail: faultWords(error) });
}

/** A fault that the check found, in words. */
function faultWords({ keyword, params }: ErrorObject): string {
  const { allowedValues, additionalProperty, missingProperty, type, comparison, limit } = params as Record<
    string,
    unknown
  >;
  switch (keyword) {
    case 'enum':
      return `must be one of ${(allowedValues as readonly unknown[]).join(', ')}`;
    case 'additionalProperties':
      return `has an entry “${String(additionalProperty)}” that is not known`;
    case 'required':
      return `has no entry “${String(missingProperty)}”`;
    case 'type':
      return typeWords([type].flat().flatMap((t) => String(t).split(',')));
    case 'minimum':
    case 'maximum':
    case 'exclusiveMinimum':
    case 'exclusiveMaximum':
      return `must be ${String(comparison)} ${String(limit)}`;
    case 'minItems':
    case 'minLength':
      return `must have at least ${String(limit)}`;
    case 'maxItems':
    case 'maxLength':
      return `must have at most ${String(limit)}`;
    default:
      return 'is not as it should be';
  }
}

/** “must be a number, or null”. */
function typeWords([kind = 'value', orNull]: readonly string[]): string {
  if (orNull !== undefined && kind === 'integer') return 'must be a number, or null';
  return `must be ${/^[aio]/.test(kind) ? 'an' : 'a'} ${kind}${orNull === undefined ? '' : ', or null'}`;
}

/** Rules that a schema cannot say: names that must exist, sides that must match, limits of sums. */
function soundness(hem: Hem): readonly Problem[] {
  const found: Problem[] = [];
  for (const key of ['created', 'changed'] as const) {
    if (!isDate(hem[key]))
      found.push(documentProblem('date-unsound', at(key), { date: hem[key].slice(0, 40) }));
  }
  for (const key of ['yarns', 'rounds', 'weighIns', 'kept'] as const) found.push(...newIds(hem[key], key));
  const yarns = new Set(hem.yarns.map((y) => y.id));
  hem.weighIns.forEach((w, i) => found.push(...knownYarn(yarns, w.yarn, `weighIns.${i}.yarn`)));
  const unsound = beyondPlanning(hem.piece, at('piece'));
  const body = unsound.length > 0 ? null : bodyOf(hem.piece);
  const width = 100 / hem.gauge.stitchesPer10Cm;
  const border = (base: BaseRound, rounds: readonly RoundEntry[], place: string): void => {
    found.push(...roundProblems(rounds, yarns, body?.edges.length ?? LIMITS.sides, place));
    found.push(...knownYarn(yarns, base.yarn, `${place}base.yarn`));
    if (body) found.push(...baseProblems(base, body, width, place));
  };
  if (hem.alike.yarn !== null) found.push(...knownYarn(yarns, hem.alike.yarn, 'alike.yarn'));
  border(hem.base, hem.rounds, '');
  hem.kept.forEach((kept, i) => border(kept.base, kept.rounds, `kept.${i}.`));
  hem.record.forEach((event, i) => found.push(...eventProblems(event, hem.gauge, `record.${i}.`)));
  return [...found, ...unsound];
}

/** Events that were found sound: a record only grows, and is checked at every deed. */
const sound = new WeakSet<WorkEvent>();

/**
 * Faults of something that was done. A round or a yarn that this version does not know is no fault: it was
 * worked, and keeps its place and its counts.
 */
function eventProblems(event: WorkEvent, gauge: Hem['gauge'], place: string): readonly Problem[] {
  if (sound.has(event)) return [];
  const found: Problem[] = [];
  if (!isDate(event.at))
    found.push(documentProblem('date-unsound', at(`${place}at`), { date: event.at.slice(0, 40) }));
  if (event.did === 'began' && event.ground) {
    const { piece, base } = event.ground;
    const beyond = beyondPlanning(piece, at(`${place}ground.piece`));
    found.push(...beyond);
    if (beyond.length === 0)
      found.push(...baseProblems(base, bodyOf(piece), 100 / gauge.stitchesPer10Cm, `${place}ground.`));
  }
  if (found.length === 0) sound.add(event);
  return found;
}

/** An instant as ISO 8601 writes it, that is one. */
const isDate = (text: string): boolean =>
  /^\d{4}-\d\d-\d\dT\d\d:\d\d(:\d\d(\.\d{1,9})?)?(Z|[+-]\d\d:?\d\d)$/.test(text) &&
  !Number.isNaN(Date.parse(text));

function newIds(list: readonly { readonly id: string }[], place: string): readonly Problem[] {
  const seen = new Set<string>();
  return list.flatMap(({ id }, i) => {
    if (seen.has(id)) return [documentProblem('id-twice', at(`${place}.${i}.id`), { id })];
    seen.add(id);
    return [];
  });
}

const knownYarn = (yarns: ReadonlySet<string>, yarn: string, place: string): readonly Problem[] =>
  yarns.has(yarn) ? [] : [documentProblem('yarn-unknown', at(place), { yarn })];

function roundProblems(
  rounds: readonly RoundEntry[],
  yarns: ReadonlySet<string>,
  sides: number,
  place: string,
): readonly Problem[] {
  const found: Problem[] = [];
  rounds.forEach((round, i) => {
    const here = `${place}rounds.${i}`;
    if (round.start && round.start.side >= sides) {
      found.push(
        documentProblem('side-unknown', at(`${here}.start.side`), { side: round.start.side, sides }),
      );
    }
    round.yarns.forEach((yarn, k) => found.push(...knownYarn(yarns, yarn, `${here}.yarns.${k}`)));
    if (round.family === OWN) {
      if (round.written === null) found.push(documentProblem('own-round-empty', at(`${here}.written`)));
      return;
    }
    const family = familyById(round.family);
    if (family) found.push(...choiceProblems(round, family, here));
    else {
      const known = FAMILIES.map((f) => f.id).join(', ');
      found.push(documentProblem('family-unknown', at(`${here}.family`), { family: round.family, known }));
    }
  });
  const count = workedRounds(rounds);
  if (count > LIMITS.rounds)
    found.push(
      commonProblem('too-many', at(`${place}rounds`), { count, of: 'worked rounds', most: LIMITS.rounds }),
    );
  return found;
}

/** Choices of a family are among those that it has. */
function choiceProblems(round: RoundEntry, family: Family, place: string): readonly Problem[] {
  const { name } = family;
  const chosen = [
    ['stitch', round.stitch, family.stitches],
    ['corner', round.corner, family.corners],
    ['loop', round.loop, family.loops],
    ['into', round.into, family.places],
    ['size', round.size, family.sizes],
  ] as const;
  return chosen.flatMap(([what, choice, offered]) => {
    if ((offered as readonly unknown[]).includes(choice)) return [];
    return [
      documentProblem('choice-not-here', at(`${place}.${what}`), {
        family: name,
        what,
        choice: String(choice),
        known: offered.join(', '),
      }),
    ];
  });
}

/** Worked rounds of a stack, repeats counted. */
const workedRounds = (rounds: readonly RoundEntry[]): number =>
  rounds.reduce((sum, r) => sum + r.times * (familyById(r.family)?.roundsPerRepeat ?? 1), 0);

function baseProblems(
  base: BaseRound,
  body: Pick<Body, 'edges' | 'outline'>,
  stitchWidthMm: number,
  place: string,
): readonly Problem[] {
  const { edges } = body;
  const { side } = base.start;
  const found: Problem[] = [];
  const sides = edges.length;
  if (side >= sides)
    found.push(documentProblem('side-unknown', at(`${place}base.start.side`), { side, sides }));
  if (base.part && !isPartOf(body, base.part))
    found.push(
      documentProblem('part-not-here', at(`${place}base.part`), {
        first: base.part.first,
        along: base.part.sides,
        sides,
      }),
    );
  if (base.sides.length !== sides) {
    const counts = { found: base.sides.length, needed: sides };
    return [...found, documentProblem('sides-mismatch', at(`${place}base.sides`), counts)];
  }
  let stitches = 0;
  edges.forEach((edge, i) => {
    const choice = base.sides[i]!;
    const spacings = spacingsFor(edge);
    if (!spacings.includes(choice.school)) {
      const values = { school: choice.school, known: spacings.join(', ') };
      found.push(documentProblem('spacing-not-here', at(`${place}base.sides.${i}.school`), values));
    } else stitches += choice.count ?? spacingCount(choice.school, edge, base, choice, stitchWidthMm);
  });
  if (stitches > LIMITS.stitchesInRound) {
    const values = { count: stitches, of: 'stitches in the base round', most: LIMITS.stitchesInRound };
    found.push(commonProblem('too-many', at(`${place}base`), values));
  }
  return found;
}
