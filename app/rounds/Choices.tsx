import { held } from '../../core/held.ts';
import { trialPlan } from '../hem/trialPlan.ts';
import { HookField } from '../controls/HookField.tsx';
import { Checkbox } from 'antd';
import { Fragment, useMemo, useState } from 'react';
import { landmarksOf, type Landmark } from '../../core/chart/landmarks.ts';
import { ownStartOf } from '../../core/base/start.ts';
import type { Hem, RoundEntry } from '../../core/document/hem.ts';
import { chooseBaseYarn } from '../../core/edits/base.ts';
import { performed } from '../../core/edits/edit.ts';
import * as edits from '../../core/edits/rounds.ts';
import { optionsOf, withOption, type Option } from '../../core/forecast/choices.ts';
import { isDisc, turnedCorners } from '../../core/piece/outline.ts';
import type { Plan, RoundPlan } from '../../core/plan/types.ts';
import { problemLine } from '../../core/problems.ts';
import { familyById } from '../../core/rounds/registry.ts';
import { capital } from '../../core/terms/words.ts';
import { cornerTreatment } from '../../core/terms/corners.ts';
import type { MeaningId } from '../../core/terms/meanings.ts';
import { Meaning } from '../controls/Meaning.tsx';
import { choiceName, optionWords } from '../../core/forecast/choiceWords.ts';
import { plural } from '../../core/say/measures.ts';
import { ownName } from '../../core/stack/stack.ts';
import { BegunNote } from '../sections/BegunNote.tsx';
import { PictureChoice } from '../controls/PictureChoice.tsx';
import { cornersAlike, markersPast } from '../../core/procedure/markers.ts';
import { cornerName } from '../../core/print/placeWords.ts';
import { markersWords } from '../../core/print/steps/roundWords.ts';
import { listWords } from '../../core/say/lists.ts';
import { NotFollowed, StartChoice } from '../sections/StartFields.tsx';
import type { SwatchView } from '../drawing/Swatch.tsx';
import { useHemStore } from '../hem/context.ts';
import { Button } from '../look/Button.tsx';
import { MinusIcon, PlusIcon } from '../look/icons.ts';
import styles from './choices.module.css';
import { OwnRound } from './OwnRound.tsx';

export interface ChoicesProps {
  readonly plan: Plan;
  /** Entry that is picked; null for the base round. */
  readonly entry: RoundEntry | null;
  /** The side whose corner is in the drawing. */
  readonly side: number;
  /** The hem with an option that is pointed at; null when none is. */
  readonly onPreview: (hem: Hem | null) => void;
  /** A stitch is being pointed out in the drawing, with which the round is to begin. */
  readonly pointing: boolean;
  readonly onPointing: (pointing: boolean) => void;
}

/** Choices of the round that is picked: by its looks, its yarns and times, and what is rarely asked for. */
export function Choices({ entry, ...props }: ChoicesProps) {
  return (
    <section className={styles.choices} aria-label="Choices of the round">
      {entry ? <OfEntry key={entry.id} entry={entry} {...props} /> : <OfBase plan={props.plan} />}
    </section>
  );
}

function OfBase({ plan }: { readonly plan: Plan }) {
  const store = useHemStore();
  return (
    <>
      <header>
        <h2>Base round</h2>
        <YarnDots
          plan={plan}
          label="Yarn of the base round"
          value={plan.hem.base.yarn}
          onChange={(yarn) => store.do(chooseBaseYarn(yarn))}
        />
      </header>
      <BegunNote plan={plan} rounds={[0]} />
      <p className="quiet small">Its stitch, corners and counts are chosen on the Base round page.</p>
    </>
  );
}

interface OfEntryProps extends ChoicesProps {
  readonly entry: RoundEntry;
}

const OWN_TEXT = 'text';
const MORE = 'more';

function OfEntry({ plan, entry, side, onPreview, pointing, onPointing }: OfEntryProps) {
  const store = useHemStore();
  const family = familyById(entry.family);
  const name = family?.name ?? ownName(entry);
  const rounds = plan.rounds.filter((r) => r.written?.entry.id === entry.id);
  const kinds = useMemo(() => optionsOf(plan, entry), [plan, entry]);
  const [asked, setAsked] = useState(entry.written ? OWN_TEXT : '');
  const tabs = [
    ...(entry.written ? [{ id: OWN_TEXT, label: 'In words' }] : []),
    ...kinds.map(([first]) => ({
      id: held(first, 'an entry that is worked has a first round').kind,
      label: capital(choiceName(held(first, 'an entry that is worked has a first round').kind, entry)),
    })),
    { id: MORE, label: 'More' },
  ];
  const tab = tabs.some((t) => t.id === asked) ? asked : tabs[0]!.id;
  const options = kinds.find(
    ([first]) => held(first, 'an entry that is worked has a first round').kind === tab,
  );
  const choose = (what: string, choice: edits.EntryChoice): void => {
    onPreview(null);
    store.do(edits.chooseRound(entry, what, choice));
  };
  const step = (by: number): void => choose(`${entry.times + by} times`, { times: entry.times + by });
  return (
    <>
      <header>
        <h2>{name}</h2>
        <Yarns
          plan={plan}
          entry={entry}
          rounds={rounds.length}
          onChange={(yarns) => choose('yarn', { yarns })}
        />
        {(family?.repeatable ?? true) && (
          <span className={styles.times} role="group" aria-label={`How many rounds of ${name}`}>
            <Button
              type="text"
              size="small"
              aria-label={`One fewer of ${name}`}
              icon={<MinusIcon />}
              disabled={entry.times <= 1}
              onClick={() => step(-1)}
            />
            {plural(entry.times, 'time')}
            <Button
              type="text"
              size="small"
              aria-label={`One more of ${name}`}
              icon={<PlusIcon />}
              disabled={entry.times >= 100}
              onClick={() => step(1)}
            />
          </span>
        )}
      </header>
      <BegunNote plan={plan} rounds={rounds.map((r) => r.number)} />
      {family?.caution && <p className="caution small">{family.caution}</p>}
      {rounds.length === 0 && <NotWorked plan={plan} />}
      <div className={styles.tabs} role="group" aria-label="What to choose">
        {tabs.map(({ id, label }) => (
          <button key={id} type="button" aria-pressed={id === tab} onClick={() => setAsked(id)}>
            {label}
          </button>
        ))}
      </div>
      {options && (
        <OptionPictures
          plan={plan}
          entry={entry}
          options={options}
          side={side}
          onPreview={onPreview}
          onChoose={(o) => choose(optionWords(o, entry, plan.hem.preferences.language), o.choice)}
        />
      )}
      {options && <ToldOfOptions options={options} around={rounds.some(isAroundPosts)} />}
      {tab === OWN_TEXT && <OwnRound entry={entry} language={plan.hem.preferences.language} />}
      {tab === MORE && (
        <More
          plan={plan}
          entry={entry}
          name={name}
          onChoose={choose}
          pointing={pointing}
          onPointing={onPointing}
        />
      )}
    </>
  );
}

interface OptionPicturesProps extends Pick<OfEntryProps, 'plan' | 'entry' | 'side' | 'onPreview'> {
  readonly options: readonly Option[];
  readonly onChoose: (option: Option) => void;
}

const isAroundPosts = ({ ring }: RoundPlan): boolean => ring.made.some(({ post }) => post !== 'none');

/** Words in the names of options and in what the round is worked around, explained. */
function ToldOfOptions({
  options,
  around,
}: {
  readonly options: readonly Option[];
  readonly around: boolean;
}) {
  const chosen = options.find((o) => o.chosen);
  if (chosen?.choice.corner !== undefined)
    return <p className="quiet small">{cornerTreatment(chosen.choice.corner).told}</p>;
  const said = [
    ...options.flatMap(({ choice }): readonly MeaningId[] =>
      choice.loop === 'third' ? ['third loop'] : choice.facing ? [`${choice.facing} side`] : [],
    ),
    ...(around ? (['post'] as const) : []),
  ];
  return (
    said.length > 0 && (
      <p className="quiet small">
        {said.map((of, k) => (
          <Fragment key={of}>
            {k > 0 && ' · '}
            <Meaning of={of} />
          </Fragment>
        ))}
      </p>
    )
  );
}

/** Each option as the round looks with it. */
function OptionPictures({ plan, entry, options, side, onPreview, onChoose }: OptionPicturesProps) {
  const { language } = plan.hem.preferences;
  const kind = options[0]!.kind;
  const looks = useMemo(
    () => options.map((option) => (): SwatchView => lookAt(plan, entry, option, side)),
    [plan, entry, options, side],
  );
  const point = (option: Option, here: boolean): void => {
    const outcome =
      here && !option.chosen && performed(plan.hem, edits.chooseRound(entry, '', option.choice));
    onPreview(outcome && outcome.ok ? outcome.value : null);
  };
  return (
    <PictureChoice
      label={capital(choiceName(kind, entry))}
      across={kind === 'corner' ? 9 : 7}
      pictures={options.map((option, i) => ({
        name: optionWords(option, entry, language),
        look: looks[i]!,
        chosen: option.chosen,
        onChoose: () => onChoose(option),
        onPoint: (here) => point(option, here),
      }))}
    />
  );
}

/** The entry’s outermost round with an option: at the corner in the drawing, or halfway along its side. */
function lookAt(plan: Plan, entry: RoundEntry, option: Option, side: number): SwatchView {
  const made = trialPlan(withOption(plan.hem, entry, option));
  const last = made.rounds[made.rounds.length - 1]!;
  const landmarks = landmarksOf(made, last.number);
  const kind: Landmark['kind'] = option.kind === 'corner' ? 'corner' : 'side';
  const turned = turnedCorners(plan.body.outline);
  const shown = kind === 'corner' && !turned.includes(side) ? turned[0] : side;
  const at = landmarks.find((l) => l.kind === kind && l.side === shown) ?? landmarks[0] ?? { x: 0, y: 0 };
  // The head of a stitch lies at its top: the middle of the round is further in.
  const far = Math.hypot(at.x, at.y) || 1;
  const inwards = Math.min(last.ownHeightMm / 2, far);
  return { plan: made, at: { x: at.x - (at.x / far) * inwards, y: at.y - (at.y / far) * inwards } };
}

interface MoreProps extends Pick<ChoicesProps, 'pointing' | 'onPointing'> {
  readonly plan: Plan;
  readonly entry: RoundEntry;
  readonly name: string;
  readonly onChoose: (what: string, choice: edits.EntryChoice) => void;
}

/** Rare choices: the hook, the start, and whether the fit may take another corner. */
function More({ plan, entry, name, onChoose, pointing, onPointing }: MoreProps) {
  const family = familyById(entry.family);
  const usual = ownStartOf(plan.hem.base.start);
  return (
    <div className={styles.more}>
      <label>
        Hook of {name.toLowerCase()}{' '}
        <HookField
          label="Hook of this round"
          hookMm={entry.hookMm}
          usualMm={plan.hem.gauge.hookMm}
          onChange={(hookMm) => onChoose('hook', { hookMm })}
        />
      </label>
      {family && !isDisc(plan.body.outline) && family.corners.length > 1 && (
        <Checkbox
          checked={entry.cornerOpen}
          onChange={(e) => onChoose('let the corner be chosen', { cornerOpen: e.target.checked })}
        >
          its corner may change to make it fit
        </Checkbox>
      )}
      <Slide plan={plan} entry={entry} name={name} onChoose={onChoose} />
      <Checkbox
        checked={entry.start !== null}
        onChange={(e) => onChoose('start', { start: e.target.checked ? usual : null })}
        aria-label={`${name} starts elsewhere`}
      >
        starts elsewhere than the other rounds
      </Checkbox>
      {entry.start && (
        <span className={styles.start}>
          <StartChoice
            plan={plan}
            value={entry.start}
            name={`${name} starts`}
            onChange={(part) => onChoose('start', { start: { ...usual, ...entry.start, ...part } })}
          />
          <NotFollowed plan={plan} entry={entry.id} />
          {!isDisc(plan.body.outline) && (
            <Button size="small" aria-pressed={pointing} onClick={() => onPointing(!pointing)}>
              {pointing ? 'Touch its first stitch in the drawing' : 'Point at it in the drawing'}
            </Button>
          )}
        </span>
      )}
    </div>
  );
}

/** A pattern that runs past the corners, slid by hand; where it lies alike, and which repeat holds each marker. */
function Slide({ plan, entry, name, onChoose }: Pick<MoreProps, 'plan' | 'entry' | 'name' | 'onChoose'>) {
  const round = plan.rounds.find((r) => r.written?.entry.id === entry.id);
  const markers = round ? markersPast(plan, round) : [];
  if (!round || markers.length === 0) return null;
  const alike = cornersAlike(markers).filter((set) => set.length > 1);
  const names = (set: readonly number[]): string => listWords(set.map((corner) => cornerName(plan, corner)));
  return (
    <span className={styles.slide}>
      <span role="group" aria-label={`Where the pattern of ${name} begins`}>
        <Button
          type="text"
          size="small"
          aria-label="Slide it back"
          icon={<MinusIcon />}
          disabled={entry.slide <= 0}
          onClick={() => onChoose('slide', { slide: entry.slide - 1 })}
        />
        begins {plural(entry.slide, 'place')} after corner {cornerName(plan, 0)}
        <Button
          type="text"
          size="small"
          aria-label="Slide it on"
          icon={<PlusIcon />}
          disabled={entry.slide >= MOST_SLID}
          onClick={() => onChoose('slide', { slide: entry.slide + 1 })}
        />
      </span>
      <span className="quiet small">
        {alike.length === 0
          ? 'It lies otherwise at every corner.'
          : alike.length === 1 && alike[0]!.length === markers.length
            ? 'It lies alike at all corners.'
            : `It lies alike at corners ${alike.map(names).join('; at ')}.`}{' '}
        {markersWords(plan, round)}
      </span>
    </span>
  );
}

/** Places by which a pattern can be slid. */
const MOST_SLID = 100;

/** Why an entry is not worked: a round before it, or its own first, goes beyond what can be planned. */
function NotWorked({ plan }: { readonly plan: Plan }) {
  const why = plan.problems.find((p) => p.code === 'round-too-large' || p.code === 'round-makes-nothing');
  return why ? <p className="odd small">{problemLine(why)}</p> : null;
}

interface YarnsProps {
  readonly plan: Plan;
  readonly entry: RoundEntry;
  readonly rounds: number;
  readonly onChange: (yarns: readonly string[]) => void;
}

/** The yarn of an entry; of several worked rounds, one that they share or several that repeat round by round. */
function Yarns({ plan, entry: { yarns }, rounds, onChange }: YarnsProps) {
  const all = plan.hem.yarns;
  return (
    <span className={styles.yarns}>
      {yarns.map((yarn, k) => (
        <YarnDots
          key={k}
          plan={plan}
          value={yarn}
          label={yarns.length === 1 ? 'Yarn' : `Yarn ${k + 1}`}
          onChange={(id) => onChange(yarns.map((y, i) => (i === k ? id : y)))}
        />
      ))}
      {rounds > yarns.length && all.length > 1 && (
        <Button
          size="small"
          onClick={() => {
            const last = all.findIndex((y) => y.id === yarns[yarns.length - 1]);
            onChange([...yarns, all[(last + 1) % all.length]!.id]);
          }}
        >
          {yarns.length === 1 ? 'Stripes' : 'One more'}
        </Button>
      )}
      {yarns.length > 1 && (
        <Button size="small" onClick={() => onChange(yarns.slice(0, -1))}>
          One fewer
        </Button>
      )}
    </span>
  );
}

interface YarnDotsProps {
  readonly plan: Plan;
  readonly value: string;
  readonly label: string;
  readonly onChange: (id: string) => void;
}

/** A yarn from the basket, by its colour; the one in force says its name. */
function YarnDots({ plan, value, label, onChange }: YarnDotsProps) {
  return (
    <span className={styles.dots} role="radiogroup" aria-label={label}>
      {plan.hem.yarns.map(({ id, name, colour }) => (
        <button
          key={id}
          type="button"
          role="radio"
          aria-checked={id === value}
          aria-label={name}
          title={name}
          onClick={() => onChange(id)}
        >
          <span style={{ background: colour }} />
          {id === value && name}
        </button>
      ))}
    </span>
  );
}
