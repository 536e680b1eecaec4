/** The core from a shell: its commands, whatever they write to. */
import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { Command, CommanderError, Option } from 'commander';
import { sceneOf, type Face } from '../drawing/scene.ts';
import { partBox, partsOfDrawing } from '../drawing/viewParts.ts';
import { PATTERN_FORM_IDS, USUAL_LOOK, type PatternLook } from '../core/print/forms.ts';
import { OTHER_LANGUAGE_IDS } from '../core/terms/otherLanguages.ts';
import { EXPORTS, EXPORT_IDS, exported, type ExportId } from '../drawing/exports.ts';
import { svgOf } from '../drawing/svg.ts';
import { writeBundle } from '../core/document/bundle.ts';
import type { Hem, Preferences } from '../core/document/hem.ts';
import { plan } from '../core/plan/planner.ts';
import { logOf } from '../core/log/log.ts';
import { isWholeAndEven, type Plan } from '../core/plan/types.ts';
import { logEntryWords, logCsv } from '../core/log/logWords.ts';
import { problemLine } from '../core/problems.ts';
import { LOOKS, WISH_SKILLS } from '../core/propose/wish.ts';
import { proposed, proposedText, wishOf, type ProposeOptions } from './propose.ts';
import { forecastOf, forecastText, inHands, handsOf, handsText, openHands } from './hands.ts';
import { openHems } from './input.ts';
import { EXIT, Unsound, unsound, type Io } from './io.ts';
import { STRIDES, type Stride } from '../core/work/steps.ts';
import { familiesReport, planReport, planSummary, recountReport, recountText, stepsText } from './report.ts';

const HELP = `
Files are hem files (.hem.json) or backups (.zip) as the application saves them; “-” or none reads standard input.

Exit codes: 0 done · 1 some round does not fit (reasons go to stderr) · 2 invalid input

Examples:
  hem plan demo/harbour-throw.hem.json --json
  hem text demo/orchard-squares.hem.json --terms uk --units in
  hem chart demo/hexagon-mat.hem.json --face symbols > corner.svg
  cat my.hem.json | hem check`;

const FILES = 'hem files or backups; “-” or none for standard input';
const FILE = 'a hem file; “-” or none for standard input';

const terms = (): Option =>
  new Option('--terms <language>', 'language of crochet terms').choices(['us', 'uk']);
const hand = (): Option =>
  new Option('--hand <hand>', 'hand that it is written and drawn for').choices(['right', 'left']);
const units = (): Option => new Option('--units <unit>', 'unit of lengths').choices(['cm', 'in']);

interface PreferenceOptions {
  readonly terms?: Preferences['language'];
  readonly hand?: Preferences['hand'];
  readonly units?: Preferences['length'];
}

/** The hem with preferences from the command line in place of its own. */
function preferring(hem: Hem, { terms: language, hand: side, units: length }: PreferenceOptions): Hem {
  const { preferences } = hem;
  return {
    ...hem,
    preferences: {
      ...preferences,
      language: language ?? preferences.language,
      hand: side ?? preferences.hand,
      length: length ?? preferences.length,
    },
  };
}

/** A number of a round of a plan, as it was typed. */
function roundOf(made: Plan, text: string): number {
  const number = Number(text);
  if (Number.isInteger(number) && made.rounds[number]) return number;
  return unsound(
    `There is no round “${text}”. Use a number from 0, the base round, to ${made.rounds.length - 1}.`,
  );
}

/** “all.zip” as “all-2.zip”. */
const numbered = (file: string, number: number): string => file.replace(/(\.\w+)?$/, `-${number}$1`);

const asJson = (value: unknown): string => `${JSON.stringify(value, null, 2)}\n`;

/**
 * Does what a command line asks for.
 *
 * @param args without the name of the command
 * @returns the exit code
 */
export function run(args: readonly string[], io: Io): number {
  let code: number = EXIT.done;
  try {
    createProgram(io, () => (code = EXIT.notEven)).parse([...args], { from: 'user' });
  } catch (error) {
    // What commander refuses, such as an unknown option, is unsound input too; it has said so.
    if (error instanceof CommanderError) return error.exitCode === 0 ? EXIT.done : EXIT.unsound;
    if (!(error instanceof Unsound)) throw error;
    error.lines.forEach(io.complain);
    return EXIT.unsound;
  }
  return code;
}

/** The commands. @param notEven told when some round does not fit */
function createProgram(io: Io, notEven: () => void): Command {
  const program = new Command('hem')
    .description('Plan a crochet border from hem files.')
    .addHelpText('after', HELP)
    .exitOverride()
    .configureOutput({ writeOut: io.write, writeErr: (text) => io.complain(text.trimEnd()) });

  /** The plans of some files. When one does not come out even, says why. */
  const plansOf = (files: readonly string[], options: PreferenceOptions = {}): readonly Plan[] =>
    openHems(files, io).map(({ file, hem }) => {
      const made = plan(preferring(hem, options));
      if (!isWholeAndEven(made)) {
        notEven();
        for (const p of made.problems)
          if (p.where.in === 'round' || p.where.in === 'own round') io.complain(`${file}: ${problemLine(p)}`);
      }
      return made;
    });
  const onePlan = (file: string | undefined, options: PreferenceOptions = {}): Plan =>
    plansOf(file === undefined ? [] : [file], options)[0]!;

  program
    .command('plan')
    .description('counts, size, yarn and fit')
    .argument('[file]', FILE)
    .option('--json', 'as JSON, with the changes that make every round fit')
    .option('--text', 'the written pattern, as “hem text” prints it')
    .addOption(terms())
    .addOption(units())
    .action((file: string | undefined, options: PreferenceOptions & { json?: boolean; text?: boolean }) => {
      const made = onePlan(file, options);
      if (options.json) io.write(asJson(planReport(made)));
      else io.write(options.text ? exported('text', made) : planSummary(made));
    });

  program
    .command('check')
    .description('are the files sound, and does every round fit? Prints every fault with its remedy')
    .argument('[files...]', FILES)
    .action((files: readonly string[]) => void plansOf(files));

  program
    .command('text')
    .description('the written pattern')
    .argument('[file]', FILE)
    .option('--markdown', 'as Markdown')
    .addOption(
      new Option('--form <form>', 'as it would be published, step by step, or a line a round')
        .choices(PATTERN_FORM_IDS)
        .default('published'),
    )
    .addOption(
      new Option('--names <language>', 'names of the stitches in another language beside it').choices(
        OTHER_LANGUAGE_IDS,
      ),
    )
    .option('--ticks', 'a box to tick before each round')
    .addOption(terms())
    .addOption(hand())
    .addOption(units())
    .action(
      (
        file: string | undefined,
        {
          markdown,
          form,
          names = null,
          ticks = false,
          ...options
        }: PreferenceOptions & { markdown?: boolean } & Pick<PatternLook, 'form'> & Partial<PatternLook>,
      ) =>
        io.write(
          exported(markdown ? 'markdown' : 'text', onePlan(file, options), {
            ...USUAL_LOOK,
            form,
            names,
            ticks,
          }),
        ),
    );

  program
    .command('chart')
    .description('a drawing of every stitch as SVG')
    .argument('[file]', FILE)
    .addOption(new Option('--face <face>', 'drawn as').choices(['yarn', 'symbols']).default('symbols'))
    .option(
      '--part <name>',
      'what is drawn, such as “Corner A/B”, “Side B”, “Join 2 on side A”, “The whole piece”',
    )
    .option('--wrong-side', 'the wrong side facing')
    .addOption(hand())
    .action(
      (
        file: string | undefined,
        options: PreferenceOptions & { face: Face; part?: string; wrongSide?: boolean },
      ) => {
        const made = onePlan(file, options);
        const parts = [...partsOfDrawing(made).values()];
        const wanted = options.part?.toLowerCase();
        const chosen = wanted === undefined ? parts[0] : parts.find((p) => p.label.toLowerCase() === wanted);
        if (!chosen) {
          return unsound(
            `There is no part “${options.part}”. Use one of: ${parts.map((p) => p.label).join(', ')}.`,
          );
        }
        const scene = sceneOf(made, {
          face: options.face,
          seen: options.wrongSide ? 'wrong' : 'right',
          round: null,
          ground: '#ffffff',
        });
        io.write(svgOf(scene, partBox(made, chosen.part), `${made.hem.name}: ${chosen.label}`));
      },
    );

  program
    .command('steps')
    .description('what to do in a round, step by step')
    .argument('[file]', FILE)
    .requiredOption('--round <number>', 'number of the round; the base round is 0')
    .addOption(new Option('--stride <stride>', 'how much is one step').choices(STRIDES).default('repeat'))
    .addOption(terms())
    .action((file: string | undefined, options: PreferenceOptions & { round: string; stride: Stride }) => {
      const made = onePlan(file, options);
      io.write(stepsText(made, roundOf(made, options.round), options.stride));
    });

  program
    .command('recount')
    .description('what may be wrong with a count of a side, and what can be done about it')
    .argument('[file]', FILE)
    .requiredOption('--round <number>', 'number of the round; the base round is 0')
    .requiredOption('--side <name>', 'name of the side that was counted')
    .requiredOption('--found <stitches>', 'stitches that are there, between the corners')
    .option('--json', 'as JSON')
    .action(
      (file: string | undefined, options: { round: string; side: string; found: string; json?: boolean }) => {
        const made = onePlan(file);
        const number = roundOf(made, options.round);
        const side = made.sides.findIndex((s) => s.name.toLowerCase() === options.side.toLowerCase());
        if (side < 0) {
          return unsound(
            `There is no side “${options.side}”. Use one of: ${made.sides.map((s) => s.name).join(', ')}.`,
          );
        }
        const count = Number(options.found);
        if (!Number.isInteger(count) || count < 0) {
          return unsound(`“${options.found}” is no count. Use a whole number.`);
        }
        const report = recountReport(made, number, side, count);
        io.write(options.json ? asJson(report) : recountText(report));
      },
    );

  program
    .command('csv')
    .description('counts of every round and side as a table; or yarn')
    .argument('[file]', FILE)
    .option('--yarn', 'yarn of every colour instead')
    .action((file: string | undefined, options: { yarn?: boolean }) => {
      io.write(exported(options.yarn ? 'yarn' : 'counts', onePlan(file)));
    });

  program
    .command('log')
    .description('what was done, entry by entry')
    .argument('[files...]', FILES)
    .option('--csv', 'as a table')
    .action((files: readonly string[], { csv }: { csv?: boolean }) => {
      const hems = openHems(files, io).map((o) => o.hem);
      if (csv) io.write(logCsv(hems));
      else
        for (const entry of hems.flatMap(logOf))
          io.write(
            `${entry.event.at}  ${entry.hem.name}: ${logEntryWords(entry)}${entry.struck ? ' (struck)' : ''}\n`,
          );
    });

  program
    .command('hands')
    .description('what the records of these hems teach of the hands that worked them')
    .argument('[files...]', FILES)
    .option('--json', 'as JSON: each value with its range, what it rests on, and how often it was observed')
    .action((files: readonly string[], { json }: { json?: boolean }) => {
      const hems = openHems(files, io).map((o) => o.hem);
      const learned = handsOf(hems);
      const language = hems[0]?.preferences.language ?? 'us';
      io.write(json ? asJson(learned) : handsText(learned, language));
    });

  program
    .command('forecast')
    .description('yarn of every round and ball, time, size and flatness, each with its range')
    .argument('[file]', FILE)
    .option('--hands <file>', 'what `hem hands --json` wrote; without it the hem’s own record speaks')
    .option('--json', 'as JSON')
    .action((file: string | undefined, options: { hands?: string; json?: boolean }) => {
      const made = inHands(onePlan(file), options.hands === undefined ? null : openHands(options.hands));
      io.write(options.json ? asJson(forecastOf(made)) : forecastText(made));
    });

  program
    .command('propose')
    .description('borders for this piece: different ones that fit and lie flat, closest to the wish first')
    .argument('[file]', FILE)
    .option('--width <cm>', 'how wide, cm', Number)
    .option('--size <cm>', 'or how large the whole is to be, such as 120x150')
    .addOption(new Option('--edge <look>', 'what it is to look like').choices([...LOOKS, 'lobed']))
    .addOption(new Option('--not-edge <look>', 'what it is not to look like').choices(LOOKS))
    .addOption(new Option('--skill <skill>', 'the most that it may ask').choices(WISH_SKILLS))
    .option('--no-loose-parts', 'no loose parts or loops')
    .option('--basket', 'from what is in the basket')
    .option('--use-up', 'so that as little as may be is left in the basket')
    .option('--hours <hours>', 'in so many hours', Number)
    .option('--on-rounds', 'on top of the rounds that are there, in place of their edge')
    .option('--json', 'as JSON')
    .action((file: string | undefined, options: ProposeOptions) => {
      const made = onePlan(file);
      const wish = wishOf(options);
      const found = proposed(made, wish);
      io.write(options.json ? asJson(found) : proposedText(made, wish, found));
      if (found.proposals.length === 0) notEven();
    });

  program
    .command('export')
    .description('everything that the application saves, each as a file')
    .argument('[file]', FILE)
    .addOption(
      new Option('--as <kinds...>', 'what to write; all of it when none is named').choices(EXPORT_IDS),
    )
    .requiredOption('-o, --output <folder>', 'the folder to write into')
    .addOption(terms())
    .addOption(hand())
    .addOption(units())
    .action(
      (
        file: string | undefined,
        options: PreferenceOptions & { as?: readonly ExportId[]; output: string },
      ) => {
        const made = onePlan(file, options);
        mkdirSync(options.output, { recursive: true });
        for (const id of options.as ?? EXPORT_IDS)
          for (const { name, text } of EXPORTS[id].files(made, USUAL_LOOK)) {
            writeFileSync(join(options.output, name), text);
            io.write(`${join(options.output, name)}\n`);
          }
      },
    );

  program
    .command('bundle')
    .description(
      'a backup: all hems of some files in one zip file, or in several where one could not be opened again',
    )
    .argument('[files...]', FILES)
    .requiredOption('-o, --output <file>', 'the zip file to write; “-” for standard output')
    .action((files: readonly string[], { output }: { output: string }) => {
      const hems = openHems(files, io).map((o) => o.hem);
      const parts = writeBundle(hems, new Date());
      if (output !== '-')
        parts.forEach((bytes, i) => writeFileSync(i === 0 ? output : numbered(output, i + 1), bytes));
      else if (parts.length === 1) io.write(parts[0]!);
      else {
        return unsound(
          `The backup takes ${parts.length} files. Name one with --output; the others are named after it.`,
        );
      }
    });

  program
    .command('rounds')
    .description('every round family: what it sits on, its needs and its growth, computed from its repeat')
    .option('--json', 'as JSON')
    .action((options: { json?: boolean }) => {
      const report = familiesReport();
      if (options.json) io.write(asJson(report));
      else for (const f of report) io.write(`${f.id.padEnd(18)} ${f.words}\n`);
    });

  return program;
}
