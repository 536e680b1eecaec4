/** The log in words, and as a table. */
import { csvText } from '../document/csv.ts';
import { sideName } from '../piece/outline.ts';
import { compareEvents, standing } from '../document/record.ts';
import { logKind, logOf, type LogEntry, type LogKind } from './log.ts';
import type { Hem, WorkEvent } from '../document/hem.ts';
import { lengthWords, plural } from '../say/measures.ts';
import { ofRows, roundWords } from '../say/rounds.ts';
import { capital } from '../terms/words.ts';

function nameOfRound({ round, hem }: LogEntry): string {
  const name = round === null ? 'A round' : capital(roundWords(round));
  return hem.base.part ? ofRows(name) : name;
}

const LIES = { flat: 'lies flat', ripples: 'ripples', cups: 'pulls in' } as const;

const REPAIRED = {
  quiet: 'a small adjustment puts it right',
  fudge: 'put right at a corner',
  refit: 'the rounds to come were fitted to it',
  leave: 'left as it is',
} as const;

const ALTERED = {
  'side end': 'a side ends otherwise than planned',
  seam: 'a seam crossed otherwise',
  tape: 'other counts from here on',
} as const;

const ofSide = (i: number, sides: number): string => (sides === 1 ? '' : `${sideName(i)} `);

/** How each kind of event is told; `name` is that of its round. */
type Telling = {
  readonly [D in WorkEvent['did']]: (
    event: Extract<WorkEvent, { did: D }>,
    name: string,
    entry: LogEntry,
  ) => string;
};

const TELLING: Telling = {
  began: ({ yarn }, name) => `${name} begun in ${yarn.name}`,
  altered: ({ why }, name) => `${name}: ${ALTERED[why]}`,
  made: ({ stitches }, name) => `${name}: ${plural(stitches, 'stitch')} worked (chains included)`,
  counted: ({ counts }, name, { planned }) => {
    const found = counts.flatMap((count, i) => {
      if (count === null) return [];
      const wanted = planned?.[i];
      const other = wanted === undefined || wanted === count ? '' : ` (planned ${wanted})`;
      return [`${ofSide(i, counts.length)}${count}${other}`];
    });
    return `${name} counted: ${found.length > 0 ? found.join(', ') : 'no side'}`;
  },
  finished: (_, name) => `${name} finished`,
  reopened: (_, name) => `${name} taken up again`,
  ripped: ({ stitches }, name) =>
    stitches === 0 ? `${name} ripped out` : `${name} ripped back to stitch ${stitches}`,
  repaired: ({ by }, name) => `${name}: ${REPAIRED[by]}`,
  paused: () => 'Paused',
  weighed: (event, _, { hem, correctedG }) => {
    const { yarn: id, grams, ball } = event;
    const yarn = hem.yarns.find((y) => y.id === id)?.name ?? 'A yarn no longer here';
    const weight = correctedG === null ? `${grams} g` : `${correctedG} g (noted as ${grams} g)`;
    const first = !standing(hem.record).some(
      (e) => e.did === 'weighed' && e.yarn === id && compareEvents(e, event) < 0,
    );
    return `${yarn} weighed: ${weight} left of ${first || ball === 'same' ? 'the ball' : 'another ball'}`;
  },
  gauged: ({ stitches, longCm, beneathCm }, name, { hem }) => {
    const unit = hem.preferences.length;
    return `${name} measured: ${plural(stitches, 'stitch')} are ${lengthWords(longCm * 10, unit)} long, the edge beneath them ${lengthWords(beneathCm * 10, unit)}`;
  },
  looked: (event, name, { hem }) => {
    const unit = hem.preferences.length;
    const seen = event.lies.flatMap((l, i) => (l ? [`${ofSide(i, event.lies.length)}${LIES[l]}`] : []));
    const size = event.sizeCm.flatMap((cm) => (cm === null ? [] : [lengthWords(cm * 10, unit)]));
    const told = [
      ...(seen.length > 0 ? [seen.join(', ')] : []),
      ...(size.length > 0 ? [`measures ${size.join(' × ')}`] : []),
      ...(event.depthCm === null
        ? []
        : [`${lengthWords(event.depthCm * 10, unit)} across the ${hem.base.part ? 'rows' : 'rounds'}`]),
      ...(event.photo === null ? [] : ['a photo']),
      ...(event.note === '' ? [] : [`“${event.note}”`]),
    ];
    return `${name} looked at: ${told.length > 0 ? told.join('; ') : 'nothing noted'}`;
  },
  tidied: ({ ends, pinsIn, pinsBack }) =>
    `Finishing: ${plural(ends, 'end')} woven in${pinsIn === null ? '' : `, ${pinsBack} of ${plural(pinsIn, 'pin')} counted back`}`,
  closed: ({ ends, pins }) =>
    `Border done: ${plural(ends, 'end')} woven in${pins === null ? '' : `, ${plural(pins, 'pin')} counted back`}`,
  next: () => 'The next piece taken up',
  struck: () => 'An entry crossed out',
};

/** Words of an entry, such as “Round 2 counted: A 143 (planned 144), B 168”. */
export const logEntryWords = (entry: LogEntry): string =>
  (TELLING[entry.event.did] as (event: WorkEvent, name: string, entry: LogEntry) => string)(
    entry.event,
    nameOfRound(entry),
    entry,
  );

export const KIND_NAMES: Readonly<Record<LogKind, string>> = {
  stitches: 'Stitches',
  counts: 'Counts',
  weighing: 'Weighing',
  looks: 'Looks and notes',
  rounds: 'Rounds',
  repairs: 'Repairs',
};

/** The log of hems as a table: a line for each entry, those that were struck marked. */
export function logCsv(hems: readonly Hem[]): string {
  const entries = hems.flatMap((hem) => logOf(hem));
  return csvText([
    ['when', 'hem', 'round', 'kind', 'entry', 'struck'],
    ...[...entries]
      .sort((a, b) => Date.parse(a.event.at) - Date.parse(b.event.at))
      .map((e) => [
        e.event.at,
        e.hem.name,
        e.round ?? '',
        logKind(e),
        logEntryWords(e),
        e.struck ? 'yes' : '',
      ]),
  ]);
}
