import { isDisc } from '../../core/piece/outline.ts';
import { hasLastRow } from '../../core/piece/piece.ts';
import { Checkbox } from 'antd';
import { ListChoice } from '../look/ListChoice.tsx';
import { memo, useMemo, useState } from 'react';
import {
  habitsOf,
  sameHabits,
  type RoundStarts,
  type StartHabits,
  type StartOfRound,
} from '../../core/base/start.ts';
import { setStart } from '../../core/edits/base.ts';
import type { Plan } from '../../core/plan/types.ts';
import { refusedWords } from '../../core/procedure/refusedWords.ts';
import { plain } from '../../core/rounds/plain.ts';
import { newEntry } from '../../core/stack/stack.ts';
import { abbreviation } from '../../core/terms/stitches.ts';
import { startPoints } from '../../drawing/starts.ts';
import { trialPlan } from '../hem/trialPlan.ts';
import type { SwatchView } from '../drawing/Swatch.tsx';
import { useHemStore } from '../hem/context.ts';
import { Button } from '../look/Button.tsx';
import { NumberField } from '../look/NumberField.tsx';
import { Meaning } from '../controls/Meaning.tsx';
import { PictureChoice } from '../controls/PictureChoice.tsx';
import { ChosenFromDrawings } from './Treatment.tsx';
import { keepWishes, wishesHere } from '../storage/wishes.ts';
import {
  CHAINS,
  CLOSE,
  COLOUR,
  ENDING,
  ENDS,
  firstWays,
  LAST_ROW,
  ON_THE_HOOK,
  PLACES,
  USUAL,
  isPlace,
  placeName,
} from './startNames.ts';
import styles from './startFields.module.css';

/** Plain rounds on the base round: enough to see which way the joins go. */
const ROUNDS = 3;

/** The hem with rounds that begin somewhere, as far as it takes to see where. */
function startingAt({ hem }: Plan, start: StartOfRound): SwatchView {
  const yarn = hem.base.yarn;
  const made = trialPlan({
    ...hem,
    base: { ...hem.base, start: { ...hem.base.start, ...start } },
    // A start beside a space is seen where corners have one.
    rounds: [
      {
        ...newEntry(plain, 'start', yarn),
        ...(start.at === 'before the space' && { stitch: 'hdc', corner: 'chain-2' }),
        times: ROUNDS,
      },
    ],
    record: [],
  });
  const [at] = startPoints(made).slice(ROUNDS - 1);
  return { plan: made, at: at ?? { x: 0, y: 0 } };
}

const ON_A_SIDE: ReadonlySet<StartOfRound['at']> = new Set([
  'along the side',
  'middle of the side',
  'counted',
]);

export interface StartChoiceProps {
  readonly plan: Plan;
  readonly value: StartOfRound;
  /** Whose start it is, for the names of the fields: “Rounds start”. */
  readonly name: string;
  readonly onChange: (part: Partial<StartOfRound>) => void;
}

/** Where a round begins, where it is joined, and how its first stitch comes to stand. */
export function StartChoice({ plan, value, name, onChange }: StartChoiceProps) {
  const { language } = plan.hem.preferences;
  // Rows begin in their end stitch.
  const rows = plan.body.outline.part !== undefined;
  const corners = !isDisc(plan.body.outline) && !rows;
  const looks = useMemo(
    () =>
      PLACES.map(
        ({ at, join }) =>
          (): SwatchView =>
            startingAt(plan, { ...value, at, join }),
      ),
    [plan, value],
  );
  return (
    <>
      {corners && (
        <>
          <ChosenFromDrawings label={name} name={placeName(value)}>
            <PictureChoice
              label={name}
              across={13}
              withPiece
              starts
              pictures={PLACES.map((place, i) => ({
                name: place.name,
                look: looks[i]!,
                chosen: isPlace(place, value),
                onChoose: () => onChange({ at: place.at, join: place.join }),
              }))}
            />
          </ChosenFromDrawings>
          <ListChoice
            label={`${name}: side`}
            size="small"
            value={value.side}
            popupMatchSelectWidth={false}
            options={plan.sides.map((s, side) => ({
              value: side,
              label: ON_A_SIDE.has(value.at) ? `on side ${s.name}` : `at the corner before ${s.name}`,
            }))}
            onChange={(side) => onChange({ side })}
          />
          {value.at === 'stitch of the corner' && (
            <label>
              stitch{' '}
              <NumberField
                aria-label={`${name}: stitch of the corner`}
                size="small"
                min={1}
                max={20}
                precision={0}
                value={value.stitches}
                onChange={(stitches) => stitches && onChange({ stitches })}
              />{' '}
              of the corner
            </label>
          )}
          {value.at === 'counted' && (
            <label>
              <NumberField
                aria-label={`${name}: stitches after the corner`}
                size="small"
                min={1}
                max={20_000}
                precision={0}
                value={value.stitches}
                onChange={(stitches) => stitches && onChange({ stitches })}
              />{' '}
              stitches after the corner
            </label>
          )}
        </>
      )}
      <ListChoice
        label={`${name}: the first stitch`}
        size="small"
        value={value.first}
        popupMatchSelectWidth={false}
        options={firstWays(language)}
        onChange={(first) => onChange({ first })}
      />
      {(value.first === 'usual' || value.first === 'chain' || value.first === 'counted chain') && (
        <ListChoice
          label={`${name}: chains`}
          size="small"
          value={value.chains ?? USUAL}
          popupMatchSelectWidth={false}
          options={CHAINS}
          onChange={(chains) => onChange({ chains: chains === USUAL ? null : chains })}
        />
      )}
      {value.first === 'counted chain' && (
        <span className="quiet">
          In place of {abbreviation('sc', language)} it leaves a gap, and is made only where one round has a
          start of its own.
        </span>
      )}
      {value.first === 'standing' && (
        <span className="quiet">
          What is a <Meaning of="standing stitch" />?
        </span>
      )}
    </>
  );
}

/** Choices of starts and closes that rounds cannot follow, and why; nothing where all do. */
export function NotFollowed({ plan, entry }: { readonly plan: Plan; readonly entry?: string }) {
  const words = refusedWords(plan, plan.hem.preferences.language, entry);
  return words.length === 0 ? null : <p className="quiet small">{words.join(' ')}</p>;
}

/** Where rounds start and join, how they begin, and where new yarn is joined. */
export const StartFields = memo(Fields, (a, b) => same(a.plan, b.plan));

/** Whether the fields show the same of two plans. */
const same = (a: Plan, b: Plan): boolean => a.hem.base.start === b.hem.base.start && a.body === b.body;

function Fields({ plan }: { readonly plan: Plan }) {
  const store = useHemStore();
  const { start } = plan.hem.base;
  const rows = plan.body.outline.part !== undefined;
  const set = (part: Partial<RoundStarts>): void => void store.do(setStart(part));
  const [kept, setKept] = useState<StartHabits | null>(null);
  const keep = async (): Promise<void> => {
    const habits = habitsOf(start);
    await keepWishes({ ...(await wishesHere()), habits });
    setKept(habits);
  };
  return (
    <div className={styles.fields}>
      {!isDisc(plan.body.outline) && <span>Start each {rows ? 'row' : 'round'}</span>}
      <StartChoice plan={plan} value={start} name="Where each round starts" onChange={set} />
      <details className={`${styles.more} small`}>
        <summary>More about starts and ends</summary>
        <div className={styles.fields}>
          {!isDisc(plan.body.outline) && !rows && start.colour === 'anew' && (
            <Way
              label="Where new yarn is joined"
              value={start.newYarn}
              options={[
                { value: 'same place', label: 'new yarn: at the same corner' },
                { value: 'next corner', label: 'new yarn: at the next corner' },
              ]}
              onChange={(newYarn) => set({ newYarn })}
            />
          )}
          {!rows && (
            <Way
              label="How new yarn comes in"
              value={start.colour}
              options={COLOUR}
              onChange={(colour) => set({ colour })}
            />
          )}
          <Way
            label="The yarn of the piece"
            value={start.lastRow}
            options={hasLastRow(plan.hem.piece) ? LAST_ROW : ON_THE_HOOK}
            onChange={(lastRow) => set({ lastRow })}
          />
          {!rows && (
            <>
              <Way
                label="How rounds are closed"
                value={start.close}
                options={CLOSE}
                onChange={(close) => set({ close })}
              />
              <Way
                label="How the last round is closed"
                value={start.ending}
                options={ENDING}
                onChange={(ending) => set({ ending })}
              />
            </>
          )}
          <Way
            label="What is done with ends"
            value={start.ends}
            options={ENDS}
            onChange={(ends) => set({ ends })}
          />
          {!rows && (
            <Checkbox checked={start.within} onChange={(e) => set({ within: e.target.checked })}>
              rounds may begin within a repeat, where that is nearer
            </Checkbox>
          )}
          <Button size="small" onClick={() => void keep()}>
            {kept !== null && sameHabits(kept, habitsOf(start)) ? 'New hems begin so' : 'Keep as my habit'}
          </Button>
        </div>
      </details>
    </div>
  );
}

interface WayProps<T extends string> {
  readonly label: string;
  readonly value: T;
  readonly options: readonly { readonly value: T; readonly label: string }[];
  readonly onChange: (value: T) => void;
}

/** One way of several, each named in full. */
const Way = <T extends string>({ label, value, options, onChange }: WayProps<T>) => (
  <ListChoice<T>
    label={label}
    size="small"
    value={value}
    popupMatchSelectWidth={false}
    options={[...options]}
    onChange={onChange}
  />
);
