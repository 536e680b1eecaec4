#!/usr/bin/env node
/** The core from a shell. Exit codes: 0 done, 1 does not come out even, 2 unsound input. */
import { readFileSync } from 'node:fs';
import { Command, Option } from 'commander';
import { readHem } from '../core/document/check.ts';
import type { Hem } from '../core/document/hem.ts';
import { plan } from '../core/plan.ts';
import { problemLine } from '../core/problems.ts';
import type { Language } from '../core/terms/stitches.ts';
import { patternOf, patternText } from '../core/words/pattern.ts';
import { familiesReport, planReport } from './report.ts';

const program = new Command('hem').description('Plan a crochet border from a project file.');

function open(file: string): Hem {
  let text: string;
  try {
    text = readFileSync(file === '-' ? 0 : file, 'utf8');
  } catch (error) {
    console.error(`${file}: cannot be read (${(error as Error).message}). Give the path of a project file.`);
    process.exit(2);
  }
  const outcome = readHem(text);
  if (!outcome.ok) {
    for (const p of outcome.problems) console.error(problemLine(p));
    process.exit(2);
  }
  return outcome.value;
}

program
  .command('plan')
  .description('counts, size, yarn and fit of a project')
  .argument('<file>', 'a project file, or - for standard input')
  .option('--json', 'print the plan as JSON')
  .option('--text', 'print the written pattern (the default)')
  .addOption(new Option('--terms <language>', 'language of the pattern').choices(['us', 'uk']))
  .action((file: string, options: { json?: boolean; terms?: Language }) => {
    const made = plan(open(file));
    if (options.json) console.log(JSON.stringify(planReport(made), null, 2));
    else process.stdout.write(patternText(patternOf(made, options.terms)));
    process.exitCode = made.rounds.every((r) => r.even) ? 0 : 1;
  });

program
  .command('check')
  .description('is the file sound? Prints every fault with its remedy')
  .argument('<file>', 'a project file, or - for standard input')
  .action((file: string) => {
    open(file);
  });

program
  .command('rounds')
  .description('every round family: what it sits on, its needs and its growth, computed from its repeat')
  .option('--json', 'print as JSON')
  .action((options: { json?: boolean }) => {
    const report = familiesReport();
    if (options.json) console.log(JSON.stringify(report, null, 2));
    else for (const f of report) console.log(`${f.id.padEnd(18)} ${f.words}`);
  });

program.parse();
