import { held } from '../../core/held.ts';
import { useState } from 'react';
import type { Verdict } from '../../core/flat/flat.ts';
import { lengthSlip } from '../../core/evidence/slips.ts';
import { extent, lengthAt } from '../../core/piece/outline.ts';
import { identityOfRound, sidesWorked, writtenOf, type Plan, type RoundPlan } from '../../core/plan/types.ts';
import { takeSolution } from '../../core/edits/solution.ts';
import { resultWords, solutionWords } from '../../core/fit/fitWords.ts';
import { lookAnswer } from '../../core/work/lookWords.ts';
import { lengthWords, sizeWords } from '../../core/say/measures.ts';
import { sideLabel, sideWords } from '../../core/print/placeWords.ts';
import { numberTyped } from '../../core/say/typed.ts';
import { looksAt, type Looked } from '../../core/work/looks.ts';
import { progressOf } from '../../core/work/progress.ts';
import { useHemStore } from '../hem/context.ts';
import { WhyNotFlat } from '../sections/WhyNotFlat.tsx';
import { AskedAbout } from '../sections/AskedAbout.tsx';
import { Button } from '../look/Button.tsx';
import { CameraIcon } from '../look/icons.ts';
import { useNotices } from '../look/notices.tsx';
import { whenWords } from '../look/when.ts';
import { keepPhoto, NoPicture, scaledDown } from '../storage/photos.ts';
import { KeptPhoto, Photo } from './Photo.tsx';
import styles from './work.module.css';

type Lies = Looked['lies'][number];

const LIES: readonly (readonly [NonNullable<Lies>, string])[] = [
  ['flat', 'lies flat'],
  ['ripples', 'ripples'],
  ['cups', 'pulls in'],
];
const FORETOLD: Readonly<Record<Verdict, string>> = {
  flat: 'lies flat',
  'blocks out': 'flattens with blocking',
  ripples: 'ripples',
  cups: 'pulls in',
};
/** Lengths that can be measured: two of the whole, one across the rounds, and one along each side. */
const ACROSS = 'Across';
const DOWN = 'Down';
const DEPTH = 'Border width';

/** Lay it flat and look: how each side lies beside what was foretold, what the tape says, a note, a photo. */
export function LookSheet({ plan, onClose }: { readonly plan: Plan; readonly onClose: () => void }) {
  const store = useHemStore();
  const notices = useNotices();
  const { round: inHand, begun } = progressOf(plan);
  const round = begun
    ? held(inHand, 'a round is looked at while there is one')
    : held(
        plan.rounds.findLast((r) => r.done !== null),
        'a round is looked at once one is done',
      );
  const [lies, setLies] = useState<readonly Lies[]>(round.sides.map(() => null));
  const [typed, setTyped] = useState<Readonly<Record<string, string>>>({});
  const [note, setNote] = useState('');
  const [photo, setPhoto] = useState<Blob | null>(null);
  const before = looksAt(plan, round);
  const { length: unit } = plan.hem.preferences;
  const cm = (what: string): number | null => {
    const value = numberTyped(typed[what] ?? '', unit);
    return value > 0 && value <= 10_000 ? (unit === 'cm' ? value : value * 2.54) : null;
  };
  const along = round.sides.map((_, i) => `Along ${sideWords(plan, i)}`);
  const asked = [ACROSS, DOWN, DEPTH, ...along];
  const unread = asked.filter((what) => (typed[what] ?? '').trim() !== '' && cm(what) === null);
  const anything =
    lies.some((l) => l !== null) ||
    asked.some((what) => cm(what) !== null) ||
    note.trim() !== '' ||
    photo !== null;
  const stack = plan.rounds.slice(1).map((r) => writtenOf(r));
  const planned = plannedCm(plan, round);
  const inUnit = (value: number): string => `${Number((unit === 'cm' ? value : value / 2.54).toFixed(1))}`;
  const slips = asked.flatMap((what, i) => {
    const value = cm(what);
    const slip = value === null ? null : lengthSlip(plan, value, planned[i]!);
    return slip ? [[what, slip] as const] : [];
  });
  const measure = (what: string) => (
    <label key={what}>
      {what}, {unit}
      <input
        inputMode="decimal"
        maxLength={8}
        value={typed[what] ?? ''}
        onChange={(e) => setTyped({ ...typed, [what]: e.target.value })}
      />
    </label>
  );
  const take = async (file: File | undefined): Promise<void> => {
    if (!file) return;
    try {
      setPhoto(await scaledDown(file));
    } catch (error) {
      refused(error);
    }
  };
  const refused = (error: unknown): void =>
    notices.warning(
      error instanceof NoPicture
        ? {
            key: 'photo',
            title: 'This file is no picture that the browser can read',
            description: 'Choose a JPEG, PNG or WebP picture.',
          }
        : {
            key: 'photo',
            title: 'The photo could not be kept',
            description: 'The browser refuses to store it: there may be no room left.',
          },
    );
  const noteIt = async (): Promise<void> => {
    // A photo that is thought better of is not kept.
    const name = photo && (await keepPhoto(plan.hem.id, photo).catch(refused));
    if (name === undefined) return;
    store.note({
      did: 'looked',
      round: identityOfRound(round),
      lies,
      sizeCm: [cm(ACROSS), cm(DOWN)],
      sidesCm: along.map(cm),
      depthCm: cm(DEPTH),
      note: note.trim(),
      photo: name,
    });
    onClose();
  };
  return (
    <div className={styles.sheet} role="group" aria-label="Look">
      <h2>Lay it flat and look</h2>
      <div className={styles.counts}>
        {sidesWorked(plan).map((i) => (
          <label key={i}>
            {sideLabel(plan, i)}
            <select
              value={lies[i] ?? ''}
              onChange={(e) =>
                setLies(lies.map((l, k) => (k === i ? ((e.target.value || null) as Lies) : l)))
              }
            >
              <option value="">not looked at</option>
              {LIES.map(([value, label]) => (
                <option key={value} value={value}>
                  {label}
                </option>
              ))}
            </select>
            <span className="quiet small">expected: {FORETOLD[round.sides[i]!.verdict]}</span>
          </label>
        ))}
      </div>
      {lies.map((l, side) => {
        const answer = l && lookAnswer(plan, round, side, l);
        return (
          answer && (
            <p key={side} className={styles.moment}>
              {answer}
            </p>
          )
        );
      })}
      {isAsForetold(round, lies) && (
        <WhyNotFlat
          plan={plan}
          way={(cure) => (
            <Button
              className={styles.cure}
              onClick={() => store.do(takeSolution(stack, cure, solutionWords(plan, cure)))}
            >
              {resultWords(plan, cure)}
            </Button>
          )}
        />
      )}
      <div className={styles.counts}>{[ACROSS, DOWN, DEPTH].map(measure)}</div>
      <p className="quiet small">
        By the tape, from edge to edge. The whole border: {sizeWords(plan.finishedSize, unit)},{' '}
        {lengthWords(plan.borderWidthMm, unit)} wide. So far: {lengthWords(round.heightMm, unit)} across the
        rounds.
      </p>
      <details>
        <summary className={styles.more}>Along the sides</summary>
        <div className={styles.counts}>{along.map(measure)}</div>
      </details>
      {slips.map(([what, slip]) => (
        <AskedAbout
          key={what}
          slip={slip}
          say={(value) => `${inUnit(value)} ${unit}`}
          onInstead={(value) => setTyped({ ...typed, [what]: inUnit(value) })}
        />
      ))}
      {unread.length > 0 && (
        <p className={styles.moment}>{unread.join(', ')}: type a length, such as 90.5.</p>
      )}
      <label>
        Note
        <textarea
          className={styles.note}
          rows={2}
          maxLength={2000}
          value={note}
          onChange={(e) => setNote(e.target.value)}
        />
      </label>
      {photo && <Photo photo={photo} />}
      <label className={styles.camera}>
        <CameraIcon aria-hidden="true" /> {photo ? 'Another photo in its place' : 'Add a photo'}
        <input
          type="file"
          accept="image/*"
          aria-label="Photo"
          onChange={(e) => {
            void take(e.target.files?.[0]);
            e.target.value = '';
          }}
        />
      </label>
      <p className="quiet small">
        A photo is made smaller and stays in this browser. A backup can hold it too.
      </p>
      {before.length > 0 && (
        <ul className={styles.causes}>
          {before.slice(0, 6).map((look) => (
            <li key={`${look.id.counter} ${look.id.device}`}>
              {lookWords(plan, look)}
              {look.photo && <KeptPhoto hem={plan.hem.id} name={look.photo} />}
            </li>
          ))}
        </ul>
      )}
      <p className={styles.tools}>
        <Button type="primary" disabled={!anything || unread.length > 0} onClick={() => void noteIt()}>
          Note it
        </Button>
        <Button onClick={onClose}>Close</Button>
      </p>
    </div>
  );
}

/** Whether a side was seen not to lie flat as its plan says it does not: the cause is known then. */
const isAsForetold = ({ sides }: RoundPlan, lies: readonly Lies[]): boolean =>
  lies.some((l, side) => {
    const { verdict, strain } = sides[side]!;
    return verdict !== 'flat' && ((l === 'ripples' && strain > 0) || (l === 'cups' && strain < 0));
  });

/** Planned lengths that can be measured, cm, in the order in which they are asked. */
function plannedCm({ body }: Plan, round: RoundPlan): readonly number[] {
  const { widthMm, heightMm } = extent(body.outline, round.heightMm);
  const along = round.sides.map((_, i) => lengthAt(body.outline, i, round.heightMm, round.radiusMm));
  return [widthMm, heightMm, round.heightMm, ...along].map((mm) => mm / 10);
}

function lookWords(plan: Plan, { at, lies, sizeCm, sidesCm, depthCm, note, photo }: Looked): string {
  const unit = plan.hem.preferences.length;
  const name = (i: number): string => plan.sides[i]?.name ?? '';
  const sides = lies.flatMap((l, i) => {
    const said = LIES.find(([value]) => value === l)?.[1];
    return said ? [`${name(i)} ${said}`] : [];
  });
  const [across, down] = sizeCm;
  const size =
    across && down
      ? [sizeWords({ widthMm: across * 10, heightMm: down * 10 }, unit)]
      : [
          ...(across ? [`${lengthWords(across * 10, unit)} across`] : []),
          ...(down ? [`${lengthWords(down * 10, unit)} down`] : []),
        ];
  const along = sidesCm.flatMap((cm, i) => (cm ? [`${name(i)} ${lengthWords(cm * 10, unit)}`] : []));
  const depth = depthCm ? [`${lengthWords(depthCm * 10, unit)} across the rounds`] : [];
  const told = [
    ...sides,
    ...size,
    ...along,
    ...depth,
    ...(note ? [note] : []),
    ...(photo ? ['a photo'] : []),
  ];
  return `${whenWords(at, new Date())}: ${told.join('; ')}.`;
}
