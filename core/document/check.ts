/** Is a file a sound project? Every fault is named at once, by place and remedy. */
import type { ErrorObject } from 'ajv';
import { done, failed, problem, type Outcome, type Problem } from '../problems.ts';
import { bodyOf } from '../piece/piece.ts';
import { outlineProblems } from '../piece/soundness.ts';
import { FAMILIES, familyById } from '../rounds/registry.ts';
import { FORMAT, OWN, VERSION, type Hem } from './hem.ts';
import { migrate } from './migrations.ts';
import { validate } from './validate.generated.js';

/** Reads the text of a project file. */
export function readHem(text: string): Outcome<Hem> {
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch (error) {
    return failed(problem('file-not-json', 'the file', { detail: (error as Error).message }));
  }
  return checkHem(value);
}

/** The text of a project file: indented, so that two versions can be compared line by line. */
export const writeHem = (hem: Hem): string => `${JSON.stringify(hem, null, 2)}\n`;

/** Checks a value that claims to be a project; one of an older version is brought up to the one in force. */
export function checkHem(value: unknown): Outcome<Hem> {
  const head = (typeof value === 'object' && value !== null ? value : {}) as Record<string, unknown>;
  if (head.format !== FORMAT) return failed(problem('file-not-a-hem', 'format'));
  if (typeof head.version === 'number' && head.version > VERSION) {
    return failed(problem('file-too-new', 'version', { version: head.version, known: VERSION }));
  }
  const file = migrate(value);
  if (!validate(file)) return failed(...(validate.errors ?? []).map(schemaProblem));
  const hem = file as Hem;
  const problems = references(hem);
  return problems.length > 0 ? failed(...problems) : done(hem);
}

function schemaProblem(error: ErrorObject): Problem {
  const where = error.instancePath.slice(1).replaceAll('/', '.') || 'the file';
  const { allowedValues, additionalProperty, missingProperty } = error.params as Record<string, unknown>;
  const detail = Array.isArray(allowedValues)
    ? `must be one of ${allowedValues.join(', ')}`
    : typeof additionalProperty === 'string'
      ? `has an entry “${additionalProperty}” that is not known`
      : typeof missingProperty === 'string'
        ? `has no entry “${missingProperty}”`
        : (error.message ?? 'is not sound')
            .replace(/^must be (number|string|boolean)$/, 'must be a $1')
            .replace(/^must be (integer|array|object)$/, 'must be an $1');
  return problem('value-unsound', where, { where, detail });
}

function references(hem: Hem): readonly Problem[] {
  const problems: Problem[] = [];
  const yarns = new Set(hem.yarns.map((y) => y.id));
  const needYarn = (yarn: string, place: string): void => {
    if (!yarns.has(yarn)) problems.push(problem('yarn-unknown', place, { yarn }));
  };
  const needNewId = (ids: readonly string[], place: string): void => {
    ids.forEach((id, i) => {
      if (ids.indexOf(id) !== i) problems.push(problem('id-twice', `${place}.${i}.id`, { id }));
    });
  };
  needNewId(
    hem.yarns.map((y) => y.id),
    'yarns',
  );
  needNewId(
    hem.rounds.map((r) => r.id),
    'rounds',
  );
  needYarn(hem.base.yarn, 'base.yarn');
  hem.rounds.forEach((round, i) => {
    needYarn(round.yarn, `rounds.${i}.yarn`);
    if (round.family === OWN) {
      if (round.written === null) problems.push(problem('own-round-empty', `rounds.${i}.written`));
    } else if (!familyById(round.family)) {
      const known = FAMILIES.map((f) => f.id).join(', ');
      problems.push(problem('family-unknown', `rounds.${i}.family`, { family: round.family, known }));
    }
  });
  hem.weighIns.forEach((w, i) => needYarn(w.yarn, `weighIns.${i}.yarn`));
  const unsound = outlineProblems(hem.piece, 'piece');
  if (unsound.length > 0) return [...problems, ...unsound];
  const needed = bodyOf(hem.piece).edges.length;
  const { side } = hem.base.start;
  if (side >= needed) problems.push(problem('side-unknown', 'base.start.side', { side, sides: needed }));
  const found = hem.base.sides.length;
  if (found !== needed) problems.push(problem('sides-mismatch', 'base.sides', { found, needed }));
  return problems;
}
