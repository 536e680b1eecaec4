// npm run faults: what the tests try by chance, many times as much. ZIG_HEM_THOROUGH says how many times (usually 60),
// ZIG_HEM_AFTER after which seed to begin, for seeds that nothing was made with.
import { spawnSync } from 'node:child_process';
import { installPackages, run } from './install.mjs';

installPackages();
run('npm', ['run', '--silent', 'build']);
const env = { ...process.env, ZIG_HEM_THOROUGH: process.env.ZIG_HEM_THOROUGH ?? '60' };
const tried = [
  'core/edits',
  'core/notation',
  'core/document',
  'core/work',
  'core/fit/true',
  'core/forecast/troubles',
  'core/procedure/literal',
  'core/record',
  'core/plan/remembered',
  'core/print/readPattern',
  'drawing/total',
  'app/hem',
  'app/storage',
  'app/thread',
];
const steps = [
  ['npm', ['run', '--silent', 'unit', '--', ...tried, '--testTimeout=7200000']],
  [
    'npm',
    [
      'run',
      '--silent',
      'browser',
      '--',
      'e2e/faults.spec.ts',
      'e2e/buttons.spec.ts',
      '--workers=1',
      '--reporter=list',
    ],
  ],
  [
    'npm',
    [
      'run',
      '--silent',
      'browser',
      '--',
      '--grep=@long',
      '--grep-invert=Firefox: (killed|two tabs|what was seen)',
      '--reporter=list',
    ],
  ],
];
let failed = 0;
for (const [command, args] of steps)
  failed += spawnSync(command, args, { stdio: 'inherit', env }).status === 0 ? 0 : 1;
process.exit(failed > 0 ? 1 : 0);
