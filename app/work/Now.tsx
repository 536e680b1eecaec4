import { held } from '../../core/held.ts';
import { useEffect, useEffectEvent, useState } from 'react';
import { tinykeys } from 'tinykeys';
import type { Plan } from '../../core/plan/types.ts';
import { insteadWords, reachWords } from '../../core/work/ballWords.ts';
import { yarnRestsOn } from '../../core/evidence/estimateWords.ts';
import { plural, timeWords, yarnLengthWords } from '../../core/say/measures.ts';
import { momentsOf } from '../../core/work/momentWords.ts';
import { sideLabel, sideWords } from '../../core/print/placeWords.ts';
import { sideEndOf } from '../../core/work/sideEnd.ts';
import { endedOpposite, sideInHandOf } from '../../core/work/sideWays.ts';
import { seamAhead, seamWays } from '../../core/work/seam.ts';
import { seamAheadWords } from '../../core/work/seamWords.ts';
import { isTapeAsked, tapeOf } from '../../core/work/tape.ts';
import { tapeAsked, tapeWords } from '../../core/work/tapeWords.ts';
import { onTableWords } from '../../core/work/sideWayWords.ts';
import { asidesOf, hintsOf } from '../../core/work/hintWords.ts';
import { stepWords } from '../../core/work/stepWords.ts';
import {
  isUnderWay,
  leftOf,
  progressOf,
  stepDone,
  stepInHand,
  stepTakenBack,
  type Left,
} from '../../core/work/progress.ts';
import { ballNow } from '../../core/work/balls.ts';
import { sideInHand, type WorkStep, type Stride } from '../../core/work/steps.ts';
import { RestsOn } from '../sections/RestsOn.tsx';
import { useHemStore, usePlan } from '../hem/context.ts';
import { Button } from '../look/Button.tsx';
import { ArrowLeftIcon, CheckIcon, SpeakerHighIcon, SpeakerSlashIcon } from '../look/icons.ts';
import { unlessHeld } from '../look/typing.ts';
import { oneTouch } from './oneTouch.ts';
import { Rest } from './Rest.tsx';
import { EarlyEnds } from './EarlyEnds.tsx';
import { useHints } from './hints.ts';
import { hush, say, voiceHere } from './voice.ts';
import styles from './work.module.css';

/** The buttons that go on and back: the arrows do the same there. */
const STEPPING = '[data-stepping]';

interface NowProps {
  readonly plan: Plan;
  readonly step: WorkStep;
  readonly stride: Stride;
  readonly onStride: (stride: Stride) => void;
  readonly onCount: () => void;
  readonly onWeigh: () => void;
  readonly onLook: () => void;
  readonly onRip: () => void;
  readonly onJoinIn: () => void;
  /** So many places more on the table than are planned up to the corner, or fewer. */
  readonly onSideEnd: (more: number) => void;
  readonly onTape: () => void;
  readonly onSeam: () => void;
}

/** The step in hand, large, and the way on and back. */
export function Now({
  plan,
  step,
  stride,
  onStride,
  onCount,
  onWeigh,
  onLook,
  onRip,
  onJoinIn,
  onSideEnd,
  onTape,
  onSeam,
}: NowProps) {
  const store = useHemStore();
  const { language } = plan.hem.preferences;
  const { round, begun } = progressOf(plan);
  const [spoken, setSpoken] = useState(false);
  const [isOne] = useState(() => oneTouch());
  const words = stepWords(plan, held(round, 'there is a round while there is a step').number, step, language);
  const moments = momentsOf(
    plan,
    held(round, 'there is a round while there is a step').number,
    step,
    language,
  );
  const wantsHints = useHints();
  const hints = wantsHints
    ? hintsOf(plan, held(round, 'there is a round while there is a step').number, step, stride, language)
    : [];
  const aloud = [
    words.where,
    ...words.now,
    words.turn ?? '',
    ...hints,
    ...(wantsHints ? asidesOf(plan, language) : []),
  ].join('. ');
  useEffect(() => {
    if (spoken) say(aloud);
    return hush;
  }, [spoken, aloud]);
  const on = (event: { readonly timeStamp: number }): void => {
    if (isOne(event.timeStamp)) store.note(...stepDone(plan, step));
  };
  const back = (event: { readonly timeStamp: number }): void => {
    if (isOne(event.timeStamp)) store.note(...stepTakenBack(plan, stride));
  };
  const toCorner = (event: { readonly timeStamp: number }): void => {
    if (isOne(event.timeStamp))
      store.note(
        ...stepDone(plan, held(stepInHand(plan, 'side'), 'there is a step while a round is in hand')),
      );
  };
  const canGoBack = begun || held(round, 'there is a round while there is a step').number > 0;
  const forward = useEffectEvent(on);
  const backward = useEffectEvent(back);
  useEffect(
    () =>
      tinykeys(window, {
        // A button or a summary that has the focus does its own work.
        Space: unlessHeld((event) => {
          event.preventDefault();
          forward(event);
        }),
        ArrowRight: unlessHeld(forward, STEPPING),
        ArrowLeft: unlessHeld(backward, STEPPING),
      }),
    [],
  );
  const left = leftOf(plan);
  const rows = plan.body.outline.part !== undefined;
  const side = sideInHand(step);
  return (
    <>
      <div className={styles.step} aria-live="polite">
        <p className={styles.where}>
          {words.where}
          {words.turn && <span className={styles.turn}>{words.turn}</span>}
        </p>
        {words.now.map((text) => (
          <p key={text} className={styles.do}>
            {text}
          </p>
        ))}
        {hints.map((text) => (
          <p key={text} className={styles.moment}>
            {text}
          </p>
        ))}
        {moments.map(({ kind, text }) => (
          <p key={text} className={kind === 'caution' ? styles.caution : styles.moment}>
            {text}
          </p>
        ))}
      </div>
      <div className={styles.advance} data-stepping>
        <Button
          className={styles.back}
          icon={<ArrowLeftIcon />}
          aria-label="Undo last step"
          disabled={!canGoBack}
          onClick={back}
        />
        <Button type="primary" className={styles.done} icon={<CheckIcon />} onClick={on}>
          {step.does === 'begin'
            ? 'Started'
            : step.does !== 'end'
              ? 'Done'
              : rows
                ? 'Row done'
                : 'Round joined'}
        </Button>
      </div>
      {step.where.on === 'side' && stride === 'repeat' && (
        <Button className={styles.toCorner} onClick={toCorner}>
          Done to the {rows ? 'end of the side' : 'corner'}
        </Button>
      )}
      {wantsHints && <TapeLine onTape={onTape} />}
      {wantsHints && <SeamLine onSeam={onSeam} />}
      {wantsHints && <OnTable onSideEnd={onSideEnd} />}
      <dl className={styles.left}>
        {side !== null && (
          <div>
            <dt>{sideLabel(plan, side)}, when done</dt>
            <dd>{held(round, 'there is a round while there is a step').sides[side]!.tally.stitches} sts</dd>
          </div>
        )}
        {left.side.stitches < left.round.stitches && (
          <LeftOf what="To the end of the side" left={left.side} />
        )}
        <LeftOf what={`To the end of the ${rows ? 'row' : 'round'}`} left={left.round} />
        <LeftOf what="To the end of the border" left={left.border} />
      </dl>
      <RestsOn plan={plan} />
      <BallInHand />
      {wantsHints && begun && round !== plan.rounds.at(-1) && <EarlyEnds />}
      <Rest />
      <p className={styles.tools}>
        <Button
          onClick={onCount}
          disabled={!begun && held(round, 'there is a round while there is a step').number === 0}
        >
          Count
        </Button>
        <Button onClick={onWeigh} disabled={!begun}>
          Weigh
        </Button>
        <Button onClick={onLook} disabled={!isUnderWay(plan)}>
          Look
        </Button>
        <Button onClick={onRip} disabled={!isUnderWay(plan)}>
          Rip back
        </Button>
        {!isUnderWay(plan) && <Button onClick={onJoinIn}>I’ve already started</Button>}
        {voiceHere() && (
          <Button
            aria-pressed={spoken}
            icon={spoken ? <SpeakerHighIcon /> : <SpeakerSlashIcon />}
            onClick={() => setSpoken(!spoken)}
          >
            Say it
          </Button>
        )}
        <label className={styles.stride}>
          One step is{' '}
          <select value={stride} onChange={(e) => onStride(e.target.value as Stride)}>
            <option value="repeat">a repeat, or ten stitches</option>
            <option value="side">a side, or a corner</option>
            <option value="corner">up to the next corner, and around it</option>
          </select>
        </label>
      </p>
    </>
  );
}

/** The tape is asked for, once; what it told stays in view while its round is in hand. */
function TapeLine({ onTape }: Pick<NowProps, 'onTape'>) {
  const plan = usePlan();
  const tape = tapeOf(plan);
  if (!tape && !isTapeAsked(plan)) return null;
  return (
    <div className={styles.onTable}>
      <span>{tape ? tapeWords(plan, tape)[0] : tapeAsked(plan)}</span>
      <Button onClick={onTape}>{tape ? 'Ways on' : 'Measure'}</Button>
    </div>
  );
}

/** The seam that comes next, and how it is crossed: as last time with one touch, or otherwise. */
function SeamLine({ onSeam }: Pick<NowProps, 'onSeam'>) {
  const plan = usePlan();
  const store = useHemStore();
  const seam = seamAhead(plan);
  if (!seam) return null;
  const again = (): void => {
    const way = seamWays(plan, seam, false).find((w) => w.crossing === seam.last);
    if (way) store.note(...way.deeds);
  };
  return (
    <div className={styles.onTable}>
      <span>{seamAheadWords(plan, seam, plan.hem.preferences.language)}</span>
      {seam.last !== null && seam.last !== seam.crossing && <Button onClick={again}>As last time</Button>}
      <Button onClick={onSeam}>Cross it otherwise</Button>
    </div>
  );
}

/** Places on the table up to the corner, once it is near; what is not as planned is said with one touch. */
function OnTable({ onSideEnd }: Pick<NowProps, 'onSideEnd'>) {
  const plan = usePlan();
  const inHand = sideEndOf(plan, plan.hem.preferences.language) && sideInHandOf(plan);
  if (!inHand) return null;
  const { places } = inHand;
  const opposite = endedOpposite(plan);
  return (
    <div className={styles.onTable}>
      <span>{onTableWords(plan, inHand)}</span>
      {places > 1 && <Button onClick={() => onSideEnd(-1)}>I have {places - 1}</Button>}
      <Button onClick={() => onSideEnd(1)}>I have {places + 1}</Button>
      {opposite && places + opposite.more > 0 && (
        <Button onClick={() => onSideEnd(opposite.more)}>
          End it as {sideWords(plan, opposite.side)}, with {places + opposite.more}
        </Button>
      )}
    </div>
  );
}

/** Whether the ball in hand lasts the round, by what it weighed last and what has been made since. */
function BallInHand() {
  const plan = usePlan();
  const grams = ballNow(plan);
  if (grams === null) return null;
  const used = plan.yarns.find((y) => y.yarn.id === progressOf(plan).round?.yarnId);
  const [lasts, ends] = reachWords(plan, grams);
  return (
    <details className={styles.ball}>
      <summary>
        About {Math.round(grams)} g left of the ball. {lasts}
      </summary>
      {[ends, ...insteadWords(plan, grams)].map((text) => text && <p key={text}>{text}</p>)}
      {used && <p className="quiet small">{yarnRestsOn(used)}</p>}
    </details>
  );
}

function LeftOf({ what, left }: { readonly what: string; readonly left: Left }) {
  const unit = usePlan().hem.preferences.length;
  return (
    <div>
      <dt>{what}</dt>
      <dd>
        {left.stitches === 0
          ? 'nothing'
          : `${plural(left.stitches, 'st')}, about ${timeWords(left.minutes)}, ${yarnLengthWords(left.metres, unit)} of yarn`}
      </dd>
    </div>
  );
}
