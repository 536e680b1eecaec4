// npm run planted: proves that the tests can fail. Plants one fault after the other in a copy of the project, runs the tests that
// are to find it, and says which of them were found. Tests may be made shorter as long as none is missed that was found before.
import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';

/** Each of the kinds that were once found and mended: where, what stands there, what is put in its place, who is to notice. */
const FAULTS = [
  [
    'core/base/baseRound.ts',
    "if (turn < 0) return [stitchOf({ kind: base.stitch, form: 'together', legs: 2 })];",
    '',
    'core/base core/piece core/procedure/literal',
  ],
  [
    'core/document/parts.ts',
    'other && !isOrder(part) && !same(other.after, after) ? [part] : []',
    '[]',
    'core/document/parts app/hem',
  ],
  ['core/ring/along.ts', '-Math.floor(places / 2)', '-places', 'core/ring core/procedure/literal core/edits'],
  ['core/ring/along.ts', 'at += taken;', 'at += 1;', 'core/procedure/literal core/chart'],
  [
    'core/ring/found.ts',
    '(ring, side, count - tallySide(ring, side).stitches, (at)',
    '(ring, side, tallySide(ring, side).stitches - count, (at)',
    'core/record core/work/repairs',
  ],
  [
    'core/flat/flat.ts',
    'Math.min(chains, Math.max(0, room)) / chains',
    'Math.max(0, room) / chains',
    'core/flat core/rounds',
  ],
  [
    'core/plan/yarns.ts',
    'const ends = 2 * stretches;',
    'const ends = stretches;',
    'core/plan core/yarn core/forecast',
  ],
  [
    'core/plan/rounds.ts',
    'knownYarn: hem.hands?.yarn ?? null',
    'knownYarn: null',
    'core/evidence core/hands core/plan',
  ],
  [
    'core/plan/stages.ts',
    'Object.is(a, b) ||',
    'Object.is(a, b) || typeof a === "number" ||',
    'core/plan/remembered core/plan/plan',
  ],
  [
    'core/plan/begun.ts',
    'rounds: [...first, ...designed.rounds.filter((r) => !isBegun(r))]',
    'rounds: [...first, ...designed.rounds.slice(first.length)]',
    'core/record core/work core/plan',
  ],
  [
    'core/edits/solution.ts',
    'bySide[i] === 0 ? s :',
    'bySide[i]! < 0 ? s :',
    'core/fit core/propose/propose core/work/repairs',
  ],
  ['core/notation/parse.ts', 'if (Number(number) === 0)', 'if (Number(number) < 0)', 'core/notation'],
  ['core/notation/parse.ts', 'if (open.length > 1)', 'if (open.length > 2)', 'core/notation'],
  [
    'core/print/steps/sideWords.ts',
    '${c.number} and ${c.number + 1}',
    '${c.number - 1} and ${c.number}',
    'core/procedure/literal',
  ],
  [
    'core/print/steps/sideWords.ts',
    'groups.set(words, [...(groups.get(words) ?? []), plan.sides[side]!.name]);',
    'groups.set(words, [plan.sides[side]!.name]);',
    'core/procedure/literal',
  ],
  ['core/work/stepWords.ts', "over < 0 ? 'skipped' : 'next'", "'next'", 'core/work/stepWords'],
  [
    'core/work/stepWords.ts',
    "const skipped = which === 'next' ? over : 0;",
    'const skipped = 0;',
    'core/work/stepWords',
  ],
  [
    'core/work/recount.ts',
    '(sideOf[e]! >= 0 && countsAsStitch(ring.made[e]!)) effect[sideOf[e]!]! += sign',
    '(sideOf[e]! >= 0) effect[sideOf[e]!]! += sign',
    'core/work',
  ],
  [
    'core/work/progress.ts',
    "s.to < made && s.does !== 'end'",
    "s.to <= made && s.does !== 'end'",
    'core/work/work core/work/anyWork',
  ],
  ['core/record/record.ts', 'if (event.stitches === 0) return left;', '', 'core/record core/work'],
  [
    'core/record/record.ts',
    'event.counts[side] ?? round.found[side] ?? null',
    'event.counts[side] ?? null',
    'core/record core/work',
  ],
  [
    'core/document/salvage.ts',
    'if (!Array.isArray(file[key])) lost.push(key);',
    'if (!Array.isArray(file[key])) continue;',
    'core/document',
  ],
  ['core/hands/ratio.ts', 'const FREEDOM = 4;', 'const FREEDOM = 400;', 'core/hands core/evidence core/log'],
  ['core/hands/ratio.ts', 'const RANGE = 1.9;', 'const RANGE = 0.9;', 'core/hands core/evidence'],
  ['app/storage/drafts.ts', '(over[page] ?? 0) >= edit', '(over[page] ?? 0) > edit', 'app/storage app/hem'],
  [
    'app/storage/resumed.ts',
    '(found.writers[draft.page] ?? 0) >= draft.edit',
    '(found.writers[draft.page] ?? 0) > draft.edit',
    'app/storage app/hem',
  ],
  [
    'app/hem/saving.ts',
    'this.touched = touchedParts(touched, this.touched);',
    'this.touched = this.touched;',
    'app/hem',
  ],
  [
    'app/hem/store.ts',
    'if (mergeKey !== null && last?.mergeKey === mergeKey) {',
    'if (last?.mergeKey === mergeKey) {',
    'app/hem',
  ],
  [
    'core/propose/prove.ts',
    'if (keeps(plan)) return proposalOf(plan, found, wish, false);',
    'return proposalOf(plan, found, wish, false);',
    'core/propose',
  ],
  [
    'core/say/typed.ts',
    'if (units.some((u) => u === null || kindOf(u) !== kindOf(unit))) return [];',
    'if (units.some((u) => u === null)) return [];',
    'core/say',
  ],
  ['app/look/NumberField.tsx', "window.addEventListener('pagehide', leave);", '', 'app/look'],
];

const root = fileURLToPath(new URL('..', import.meta.url));
const copy = mkdtempSync(join(tmpdir(), 'zig-hem-planted-'));
const run = (command, ...args) =>
  spawnSync(command, args, { cwd: copy, encoding: 'utf8', env: { ...process.env, NODE_OPTIONS: '' } });

/** Whether the tests under some paths hold in the copy. */
const hold = (paths) =>
  run(
    'node',
    '--experimental-vm-modules',
    '--no-warnings',
    'node_modules/jest/bin/jest.js',
    '--bail',
    '--silent',
    ...paths.split(' '),
  ).status === 0;

const { status } = spawnSync('git', ['worktree', 'add', '--detach', '--quiet', copy], {
  cwd: root,
  stdio: 'inherit',
});
if (status !== 0) process.exit(1);
let missed = 0;
try {
  symlinkSync(join(root, 'node_modules'), join(copy, 'node_modules'));
  run('node', 'scripts/generate.mjs');
  const wanted = process.argv.slice(2).map(Number);
  for (const [number, [file, there, instead, paths]] of FAULTS.entries()) {
    if (wanted.length > 0 && !wanted.includes(number + 1)) continue;
    const path = join(copy, file);
    const text = readFileSync(path, 'utf8');
    // A fault that can no longer be planted proves nothing.
    const planted = text.replace(there, () => instead);
    const found = planted !== text && (writeFileSync(path, planted), !hold(paths));
    writeFileSync(path, text);
    if (!found) missed++;
    console.log(
      `${found ? 'found ' : planted === text ? 'NOT PLANTED' : 'MISSED'} ${number + 1} ${file}: ${there.slice(0, 60)}`,
    );
  }
  console.log(`\n${missed} not found`);
} finally {
  spawnSync('git', ['worktree', 'remove', '--force', copy], { cwd: root });
  rmSync(copy, { recursive: true, force: true });
}
process.exit(missed > 0 ? 1 : 0);
