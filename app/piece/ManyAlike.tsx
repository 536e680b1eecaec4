import { ListChoice } from '../look/ListChoice.tsx';
import { useMemo } from 'react';
import { JOIN_IDS } from '../../core/alike/joinIds.ts';
import { joinName, joinRefusedWords, layoutWords } from '../../core/alike/joinWords.ts';
import { minutesOf } from '../../core/hands/pace.ts';
import { describeAlike } from '../../core/edits/hem.ts';
import { waysToEqualSides } from '../../core/forecast/equalSides.ts';
import { LIMITS } from '../../core/limits.ts';
import { alikeWords, joiningYarn } from '../../core/print/alike.ts';
import { plural, timeWords, yarnLengthWords } from '../../core/say/measures.ts';
import { useHemStore, usePlan } from '../hem/context.ts';
import { Field, WholeNumber } from '../controls/Field.tsx';
import { Button } from '../look/Button.tsx';
import styles from './piece.module.css';

const OF_THE_LAST = 'of the last round';

/** The same border on many pieces, and how they are joined. */
export function ManyAlike() {
  const plan = usePlan();
  const store = useHemStore();
  const { alike, yarns, preferences } = plan.hem;
  const { joining } = plan;
  const set = (part: Parameters<typeof describeAlike>[0]): void => void store.do(describeAlike(part));
  const ways = useMemo(() => waysToEqualSides(plan), [plan]);
  return (
    <details open={alike.count > 1}>
      <summary>{alike.count === 1 ? 'Many alike' : `${alike.count} alike`}</summary>
      <div className={styles.alike}>
        <WholeNumber
          label="Pieces with this border"
          min={1}
          max={LIMITS.alike}
          value={alike.count}
          onChange={(count) => set({ count })}
        />
        {alike.count > 1 && (
          <>
            <Field label="Joined">
              <ListChoice
                label="How they are joined"
                value={alike.join}
                popupMatchSelectWidth={false}
                options={JOIN_IDS.map((join) => ({
                  value: join,
                  label: joinName(join, preferences.language),
                }))}
                onChange={(join) => set({ join })}
              />
            </Field>
            {alike.join !== 'not joined' && (
              <>
                <WholeNumber
                  label="Pieces across"
                  min={1}
                  max={LIMITS.alike}
                  value={alike.across}
                  onChange={(across) => set({ across })}
                />
                <Field label="Yarn for joining">
                  <ListChoice
                    label="Yarn for joining"
                    value={alike.yarn ?? OF_THE_LAST}
                    popupMatchSelectWidth={false}
                    options={[
                      { value: OF_THE_LAST, label: 'that of the last round' },
                      ...yarns.map(({ id, name }) => ({ value: id, label: name })),
                    ]}
                    onChange={(id) => set({ yarn: id === OF_THE_LAST ? null : id })}
                  />
                </Field>
              </>
            )}
            <p className="quiet small">{alikeWords(plan).join(' ')}</p>
            {joining?.refused && <p className="problem small">{joinRefusedWords(joining.refused)}</p>}
            {joining && joining.refused === null && (
              <p className="quiet small">
                {layoutWords(joining.layout)}: {plural(joining.seams.length, 'seam')},{' '}
                {plural(joining.joins, 'join')}, about {yarnLengthWords(joining.metres, preferences.length)}{' '}
                of {yarns.find((y) => y.id === joiningYarn(plan))?.name} and{' '}
                {timeWords(minutesOf(joining.movements, plan.hem.pace))}. Typical values, from the path of the
                yarn.
              </p>
            )}
            {joining?.unequal.map(({ sides: [a, b], places: [one, other] }) => (
              <p key={a} className="problem small">
                Sides {plan.sides[a]!.name} and {plan.sides[b]!.name} meet, with {one} and {other} places to
                join.
              </p>
            ))}
            {ways.map(({ words, edit }) => (
              <p key={words} className="small">
                {words}{' '}
                <Button size="small" onClick={() => store.do(edit)}>
                  Do it
                </Button>
              </p>
            ))}
          </>
        )}
      </div>
    </details>
  );
}
