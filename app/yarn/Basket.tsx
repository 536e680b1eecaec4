import { fetched } from '../look/fetched.ts';
import { Button, Input } from 'antd';
import { nanoid } from 'nanoid';
import { Suspense, useState } from 'react';
import * as edits from '../../core/edits/yarn.ts';
import { problemLine } from '../../core/problems.ts';
import { supplyOf } from '../../core/forecast/supply.ts';
import type { YarnPlan } from '../../core/plan/types.ts';
import { plural, rangeWords, yarnLengthWords } from '../../core/say/measures.ts';
import type { Yarn } from '../../core/yarn/yarn.ts';
import { useHemStore, useInTerms, usePlan } from '../hem/context.ts';
import { Balls } from './Balls.tsx';
import { WithMeanings } from '../controls/Meaning.tsx';
import { ColourButton } from '../controls/ColourButton.tsx';
import { NumberField } from '../look/NumberField.tsx';
import { PlusIcon, StorefrontIcon, TrashIcon } from '../look/icons.ts';
import styles from './yarn.module.css';

const Shop = fetched(async () => (await import('./Shop.tsx')).Shop);

/** Whether what is there is enough, and what to do when it may not be. */
function enoughWords(y: YarnPlan): string {
  const more = y.toBuy ? ` Have ${plural(y.toBuy, 'ball')} more, same dye lot.` : '';
  switch (supplyOf(y)) {
    case 'runs out':
      return `Not enough.${more}`;
    case 'may run out':
      return `May run out.${more}`;
    default:
      return 'Enough.';
  }
}

/** The yarns of a hem: their labels, what is there, and what the border takes of each. */
export function Basket() {
  const plan = usePlan();
  const store = useHemStore();
  const inTerms = useInTerms();
  const [shopping, setShopping] = useState(false);
  const unit = plan.hem.preferences.length;
  const edit = (id: string, what: string, part: Partial<Omit<Yarn, 'id'>>): void =>
    void store.do(edits.describeYarn(id, what, part));
  const add = (yarn: Yarn): void => void store.do(edits.addYarn(yarn));
  return (
    <section className={styles.basket} onBlur={() => store.endJoin()}>
      <h2>The basket</h2>
      <ul>
        {plan.yarns.map((y) => {
          const { yarn, quantity, ends } = y;
          const stays = edits.whyYarnStays(plan.hem, yarn.id);
          return (
            <li key={yarn.id}>
              <div className={styles.basketHead}>
                <ColourButton
                  label={`${inTerms('Color')} of ${yarn.name}`}
                  colour={yarn.colour}
                  onColour={(colour) => edit(yarn.id, 'color', { colour })}
                />
                <Input
                  variant="borderless"
                  aria-label={`Name of the yarn ${yarn.name}`}
                  value={yarn.name}
                  maxLength={100}
                  onChange={(e) => e.target.value && edit(yarn.id, 'name', { name: e.target.value })}
                />
                <NumberField
                  size="small"
                  optional
                  aria-label={`Grams of ${yarn.name} in the basket`}
                  min={0}
                  max={100000}
                  unit="g"
                  suffix="g on hand"
                  value={yarn.haveG}
                  onChange={(haveG) => edit(yarn.id, 'what is there', { haveG })}
                />
              </div>
              <Balls plan={y} />
              <p>
                {quantity.metres > 0 ? (
                  <>
                    Needs <strong>{plural(quantity.balls, 'ball')}</strong>{' '}
                    <span className="estimate">{yarnLengthWords(quantity.metres, unit)}</span>,{' '}
                    {rangeWords(quantity.grams, quantity.spread)} g, {plural(ends, 'end')}{' '}
                    {inTerms('to weave in')}.{' '}
                    <span className={supplyOf(y) === 'lasts' || supplyOf(y) === 'not said' ? 'quiet' : 'odd'}>
                      {supplyOf(y) === 'not said' ? (
                        'Enter what you have to see if it is enough.'
                      ) : (
                        <WithMeanings of={['dye lot']}>{enoughWords(y)}</WithMeanings>
                      )}
                    </span>
                  </>
                ) : (
                  <span className="quiet">Not in this border.</span>
                )}
              </p>
              <details>
                <summary className="quiet small">
                  {yarn.ballG} g a ball, {yarn.metresPer100G} m per 100 g
                </summary>
                <div className={styles.basketLabel}>
                  <NumberField
                    size="small"
                    aria-label={`Grams in a ball of ${yarn.name}`}
                    min={1}
                    max={5000}
                    unit="g"
                    suffix="g a ball"
                    value={yarn.ballG}
                    onChange={(ballG) => ballG && edit(yarn.id, 'ball', { ballG })}
                  />
                  <NumberField
                    size="small"
                    aria-label={`${inTerms('Meters in 100 g')} of ${yarn.name}`}
                    min={5}
                    max={5000}
                    unit="m"
                    suffix="m per 100 g"
                    value={yarn.metresPer100G}
                    onChange={(metresPer100G) => metresPer100G && edit(yarn.id, 'meters', { metresPer100G })}
                  />
                  <NumberField
                    size="small"
                    aria-label={`Thickness of ${yarn.name}`}
                    min={0.1}
                    max={40}
                    step={0.1}
                    unit="mm"
                    suffix="mm thick"
                    value={yarn.diameterMm}
                    onChange={(diameterMm) => diameterMm && edit(yarn.id, 'thickness', { diameterMm })}
                  />
                  <NumberField
                    size="small"
                    optional
                    aria-label={`Price of a ball of ${yarn.name}`}
                    min={0}
                    max={100000}
                    step={0.1}
                    suffix="a ball"
                    placeholder="price"
                    value={yarn.price}
                    onChange={(price) => edit(yarn.id, 'price', { price })}
                  />
                  {y.cost !== null && y.cost > 0 && (
                    <span className="quiet small">{y.cost.toFixed(2)} in all</span>
                  )}
                  <Button
                    size="small"
                    aria-label={`Remove ${yarn.name} from the basket`}
                    icon={<TrashIcon />}
                    disabled={stays !== null}
                    title={stays ? problemLine(stays) : undefined}
                    onClick={() => store.do(edits.removeYarn(yarn.id))}
                  >
                    Remove
                  </Button>
                </div>
              </details>
            </li>
          );
        })}
      </ul>
      <div className={styles.basketTools}>
        <Button
          size="small"
          icon={<PlusIcon />}
          onClick={() =>
            add({
              ...plan.hem.yarns[0]!,
              id: nanoid(6),
              name: 'Another yarn',
              colour: '#c9a86a',
              haveG: null,
              price: null,
            })
          }
        >
          Another yarn
        </Button>
        <Button
          size="small"
          icon={<StorefrontIcon />}
          aria-expanded={shopping}
          onClick={() => setShopping(!shopping)}
        >
          Simulated yarn shop
        </Button>
      </div>
      {shopping && (
        <Suspense fallback={<p className="quiet">Opening the shop …</p>}>
          <Shop onTake={add} />
        </Suspense>
      )}
    </section>
  );
}
