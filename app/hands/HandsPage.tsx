import { useQuery, useQueryClient } from '@tanstack/react-query';
import { scaleLog } from 'd3-scale';
import { useState } from 'react';
import { Link } from 'react-router';
import { PARTS, USUAL_PACE, type Hands, type HandsPart } from '../../core/hands/hands.ts';
import { OWN_RATIO, type HandsUse, type HandsWishes } from '../../core/hands/wishes.ts';
import type { Learned } from '../../core/hands/ratio.ts';
import { STITCHES, stitchName, type Language, type StitchKind } from '../../core/terms/stitches.ts';
import { inTerms } from '../../core/terms/words.ts';
import { YARN_WEIGHTS } from '../../core/terms/yarnWeights.ts';
import { learnedBasisWords, countedWords, handsWords } from '../../core/hands/handsWords.ts';
import { dateWords } from '../look/when.ts';
import { Button } from '../look/Button.tsx';
import { ThemeButton } from '../look/ThemeButton.tsx';
import { useNarrow } from '../look/narrow.ts';
import { NumberField } from '../look/NumberField.tsx';
import { Themed } from '../look/Themed.tsx';
import { habitNames } from '../sections/startNames.ts';
import { keepWishes } from '../storage/wishes.ts';
import { myHands } from '../workers/hands.ts';
import styles from './hands.module.css';

const NAMES: Readonly<Record<HandsUse, string>> = {
  time: 'Pace',
  yarn: 'Yarn',
  height: 'Height of rounds',
  width: 'Width of stitches',
  flat: 'What still lies flat',
};

/** Knowledge of one’s own hands from the log, from what, and how sure; it can be put right, and left out of account. */
export function HandsPage() {
  const queries = useQueryClient();
  const { data, error } = useQuery({ queryKey: ['hands'], queryFn: () => myHands(), staleTime: 0 });
  /** Chosen here just now; null leaves it to what is kept. */
  const [chosen, setChosen] = useState<HandsWishes | null>(null);
  const wishes = chosen ?? data?.wishes;
  const wish = (next: HandsWishes): void => {
    // It is seen at once, and written meanwhile.
    setChosen(next);
    void keepWishes(next).then(() => queries.invalidateQueries({ queryKey: ['hands'] }));
  };
  return (
    <Themed>
      <main className={styles.hands}>
        <header>
          <Link to="/">Shelf</Link>
          <h1>My hands</h1>
          <Link to="/log">Log of all hems</Link>
          <ThemeButton />
        </header>
        <p>
          What your log teaches, compared with what is usual. New hems begin with it. It stays in this
          browser, and in your backup. What the demo hems came with is left out.
        </p>
        {error && <p className="problem">Your hems cannot be read now. Nothing is lost: reload the page.</p>}
        {data && wishes && (
          <>
            {PARTS.map((of) => (
              <PartSection
                key={of}
                of={of}
                hands={data.hands}
                learned={data.learned[of].all}
                language={data.language}
                wishes={wishes}
                onWish={wish}
              />
            ))}
            <section>
              <h2>{NAMES.flat}</h2>
              <p>
                {handsWords('flat', data.hands.flat)}{' '}
                <span className="quiet">{learnedBasisWords(data.hands.flat)}</span>
              </p>
              <Use of="flat" wishes={wishes} onWish={wish} />
            </section>
            <section>
              <h2>Counts</h2>
              <p>{countedWords(data.hands.counted)}</p>
            </section>
            <section>
              <h2>Hints at work</h2>
              <label className={styles.use}>
                <input
                  type="checkbox"
                  checked={wishes.hints}
                  onChange={(e) => wish({ ...wishes, hints: e.target.checked })}
                />{' '}
                Say what lies ahead: how a side ends, tight places, where the border may be left
              </label>
            </section>
            <section>
              <h2>How you begin and close rounds</h2>
              {wishes.habits === null ? (
                <p>
                  As is usual. On the base round of a hem, under “More about starts and ends”, you can keep
                  yours.
                </p>
              ) : (
                <>
                  <ul>
                    {habitNames(wishes.habits, data.language).map((name) => (
                      <li key={name}>{name}</li>
                    ))}
                  </ul>
                  <p className={styles.tools}>
                    <span className="quiet small">New hems begin with it.</span>
                    <Button size="small" onClick={() => wish({ ...wishes, habits: null })}>
                      Forget it
                    </Button>
                  </p>
                </>
              )}
            </section>
            <section>
              <h2>Start afresh</h2>
              <p className={styles.tools}>
                <Button size="small" onClick={() => wish({ ...wishes, since: new Date().toISOString() })}>
                  Start afresh from now
                </Button>
                {wishes.since !== null && (
                  <Button size="small" onClick={() => wish({ ...wishes, since: null })}>
                    Take everything into account again
                  </Button>
                )}
              </p>
              <p className="quiet small">
                {wishes.since === null
                  ? 'The log itself is never deleted by this.'
                  : `Only what was noted since ${dateWords(new Date(wishes.since))} counts. The log is all there.`}
              </p>
            </section>
          </>
        )}
      </main>
    </Themed>
  );
}

interface WishProps {
  readonly wishes: HandsWishes;
  readonly onWish: (wishes: HandsWishes) => void;
}

function Use({ of, wishes, onWish }: WishProps & { readonly of: HandsUse }) {
  const used = !wishes.off.includes(of);
  return (
    <label className={styles.use}>
      <input
        type="checkbox"
        aria-label={`New hems begin with it: ${NAMES[of]}`}
        checked={used}
        onChange={(e) =>
          onWish({
            ...wishes,
            off: e.target.checked ? wishes.off.filter((o) => o !== of) : [...wishes.off, of],
          })
        }
      />{' '}
      New hems begin with it
    </label>
  );
}

interface PartProps extends WishProps {
  readonly of: HandsPart;
  readonly hands: Hands;
  /** As the log has it. */
  readonly learned: Learned;
  readonly language: Language;
}

const sizeName = (of: HandsPart, size: string, language: Language): string =>
  of === 'yarn' ? (YARN_WEIGHTS[Number(size)]?.name[language] ?? size) : `${size} mm hook`;

function PartSection({ of, hands, learned, language, wishes, onWish }: PartProps) {
  const { all, byStitch, bySize } = hands[of];
  const own = wishes.own[of];
  return (
    <section>
      <h2>{NAMES[of]}</h2>
      <p>
        {inTerms(handsWords(of, all), language)} <span className="quiet">{learnedBasisWords(all)}</span>
      </p>
      <Ranges
        lines={[
          ['all stitches', all],
          ...Object.entries(byStitch).map(
            ([kind, l]) => [kind in STITCHES ? stitchName(kind as StitchKind, language) : kind, l] as const,
          ),
          ...Object.entries(bySize).map(([size, l]) => [sizeName(of, size, language), l] as const),
        ]}
      />
      {all.doubted.length > 0 && (
        <p className="small">
          {all.doubted.length === 1
            ? 'One entry is so far off that it looks like a slip, and hardly counts.'
            : `${all.doubted.length} entries are so far off that they look like slips, and hardly count.`}{' '}
          <Link to="/log">Look in the log</Link>: a wrong entry can be corrected or crossed out in the log of
          its hem.
        </p>
      )}
      <div className={styles.tools}>
        <Use of={of} wishes={wishes} onWish={onWish} />
        <label className={styles.own}>
          I know better:{' '}
          <NumberField
            size="small"
            optional
            aria-label={OWN_LABELS[of]}
            min={of === 'time' ? USUAL_PACE / OWN_RATIO[1] : 100 * (OWN_RATIO[0] - 1)}
            max={of === 'time' ? USUAL_PACE / OWN_RATIO[0] : 100 * (OWN_RATIO[1] - 1)}
            step={1}
            placeholder={`${shownOf(of, learned.ratio)}`}
            value={own === undefined ? null : shownOf(of, own)}
            onChange={(v) => onWish({ ...wishes, own: withOwn(wishes.own, of, v) })}
          />{' '}
          <span className={styles.unit}>{OWN_UNITS[of]}</span>
        </label>
      </div>
    </section>
  );
}

const OWN_UNITS: Readonly<Record<HandsPart, string>> = {
  time: 'stitches a minute',
  yarn: '% more',
  height: '% higher',
  width: '% wider',
};

const OWN_LABELS: Readonly<Record<HandsPart, string>> = {
  time: 'Your own word: stitches in a minute',
  yarn: 'Your own word: yarn beside the usual, in percent',
  height: 'Your own word: height of rounds beside the usual, in percent',
  width: 'Your own word: width of stitches beside the usual, in percent',
};

/** A ratio as it is typed: stitches in a minute, or percent beside the rule of thumb. */
const shownOf = (of: HandsPart, ratio: number): number =>
  of === 'time' ? Math.round(USUAL_PACE / ratio) : Math.round(100 * (ratio - 1));

function withOwn(own: HandsWishes['own'], of: HandsPart, shown: number | null): HandsWishes['own'] {
  const { [of]: _, ...others } = own;
  if (shown === null) return others;
  return { ...others, [of]: of === 'time' ? USUAL_PACE / shown : 1 + shown / 100 };
}

const WIDE = { width: 560, names: 170 };
const NARROW = { width: 350, names: 140 };
const LINE = 26;

/** Each as a point with its range, on a scale about the rule of thumb. */
function Ranges({ lines }: { readonly lines: readonly (readonly [name: string, learned: Learned])[] }) {
  const { width, names } = useNarrow() ? NARROW : WIDE;
  const most = Math.max(1.3, ...lines.flatMap(([, { low, high }]) => [high, 1 / low]));
  const x = scaleLog([1 / most, most], [names, width - 8]);
  const height = LINE * lines.length + 24;
  return (
    <svg
      className={styles.ranges}
      viewBox={`0 0 ${width} ${height}`}
      role="img"
      aria-label={lines
        .map(
          ([name, l]) =>
            `${name}: ${l.ratio.toFixed(2)} times the usual, ${l.low.toFixed(2)} to ${l.high.toFixed(2)}`,
        )
        .join('. ')}
    >
      <line className={styles.thumb} x1={x(1)} x2={x(1)} y1="4" y2={height - 18} />
      <text className={styles.foot} x={x(1)} y={height - 4}>
        usual
      </text>
      {lines.map(([name, { ratio, low, high }], i) => (
        <g key={name} transform={`translate(0 ${LINE * i + LINE / 2 + 2})`}>
          <text y="4">{name}</text>
          <line className={styles.range} x1={x(low)} x2={x(high)} y1="0" y2="0" />
          <circle className={styles.value} cx={x(ratio)} r="5" cy="0" />
        </g>
      ))}
    </svg>
  );
}
