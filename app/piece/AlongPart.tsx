import { ListChoice } from '../look/ListChoice.tsx';
import { held } from '../../core/held.ts';
import { borderAlong } from '../../core/edits/base.ts';
import { isDisc } from '../../core/piece/outline.ts';
import { workedRounds } from '../../core/record/record.ts';
import { cornerName } from '../../core/print/placeWords.ts';
import { rowsWords } from '../../core/print/steps/rowWords.ts';
import { useHemStore, usePlan } from '../hem/context.ts';
import { Field, WholeNumber } from '../controls/Field.tsx';
import { Button } from '../look/Button.tsx';
import styles from './piece.module.css';

const WAYS = [
  { value: 'around', label: 'all the way around' },
  { value: 'turned', label: 'in rows, turned' },
  { value: 'cut', label: 'in rows, yarn cut' },
] as const;

/** The part that is offered first: a side from corner to corner. */
const ONE_SIDE = { first: 0, sides: 1, from: 0, to: null };

type Way = (typeof WAYS)[number]['value'];

/** Whether the border goes all the way around, or in rows along some of the sides. */
export function AlongPart() {
  const plan = usePlan();
  const store = useHemStore();
  const { part } = plan.hem.base;
  const sides = plan.sides.length;
  // A circle has no sides that could be left out.
  if (isDisc(plan.body.outline) || sides < 2) return null;
  const begun = workedRounds(plan.hem.record).length > 0;
  const way: Way = part === null ? 'around' : part.cut ? 'cut' : 'turned';
  const choose = (chosen: Way): void =>
    void store.do(borderAlong(chosen === 'around' ? null : { ...(part ?? ONE_SIDE), cut: chosen === 'cut' }));
  const set = (changed: { readonly first?: number; readonly sides?: number }): void =>
    void store.do(
      borderAlong({ ...held(part, 'its fields are shown with a part'), from: 0, to: null, ...changed }),
    );
  return (
    <details open={part !== null}>
      <summary>{part === null ? 'Only a part' : 'A part of the piece'}</summary>
      <div className={styles.alike}>
        <Field label="The border goes">
          <ListChoice<Way>
            label="How far the border goes"
            value={way}
            disabled={begun}
            popupMatchSelectWidth={false}
            options={[...WAYS]}
            onChange={choose}
          />
        </Field>
        {part && (
          <>
            <Field label="It begins at corner">
              <ListChoice
                label="Corner at which rows begin"
                value={part.first}
                disabled={begun}
                popupMatchSelectWidth={false}
                options={plan.sides.map((_, corner) => ({ value: corner, label: cornerName(plan, corner) }))}
                onChange={(first) => set({ first })}
              />
            </Field>
            <WholeNumber
              label="Sides along which it goes"
              min={1}
              max={sides - 1}
              value={part.sides}
              onChange={(along) => set({ sides: along })}
            />
            <p className="quiet small">{rowsWords(plan)}</p>
            {part.from > 0 || part.to !== null ? (
              <Button size="small" disabled={begun} onClick={() => set({})}>
                From corner to corner again
              </Button>
            ) : (
              !begun && (
                <p className="quiet small">
                  To begin or to end within a side, touch the place on the Base round page.
                </p>
              )
            )}
          </>
        )}
      </div>
    </details>
  );
}
