import { Button, ColorPicker, Input, InputNumber } from 'antd';
import { Plus, Storefront, Trash } from '@phosphor-icons/react';
import { nanoid } from 'nanoid';
import { lazy, Suspense, useState } from 'react';
import type { Draft } from 'immer';
import { supplyOf } from '../../core/forecast/supply.ts';
import type { Plan } from '../../core/plan.ts';
import { plural, rangeWords, yarnLengthWords } from '../../core/words/measures.ts';
import type { Yarn } from '../../core/yarn/yarn.ts';
import { useHemStore } from '../hem/context.ts';

const Shop = lazy(async () => ({ default: (await import('./Shop.tsx')).Shop }));

/** The yarns of a hem: their labels, what is there, and what the border takes of each. */
export function Basket({ plan }: { readonly plan: Plan }) {
  const store = useHemStore();
  const [shopping, setShopping] = useState(false);
  const unit = plan.hem.preferences.length;
  const edit = (id: string, label: string, change: (y: Draft<Yarn>) => void): void =>
    store.edit(`yarn: ${label}`, (d) => change(d.yarns.find((y) => y.id === id)!), `${label} ${id}`);
  const add = (yarn: Yarn): void => store.edit(`added ${yarn.name}`, (d) => void d.yarns.push(yarn));
  return (
    <section className="basket" onBlur={() => store.endJoin()}>
      <h2>The basket</h2>
      <ul>
        {plan.yarns.map((y) => {
          const { yarn, quantity, ends } = y;
          return (
            <li key={yarn.id}>
              <div className="basket-head">
                <ColorPicker
                  size="small"
                  value={yarn.colour}
                  disabledAlpha
                  onChangeComplete={(c) =>
                    edit(yarn.id, 'colour', (d) => void (d.colour = c.toHexString().slice(0, 7)))
                  }
                />
                <Input
                  variant="borderless"
                  aria-label="Name of the yarn"
                  value={yarn.name}
                  maxLength={100}
                  onChange={(e) =>
                    e.target.value && edit(yarn.id, 'name', (d) => void (d.name = e.target.value))
                  }
                />
                <Button
                  type="text"
                  size="small"
                  aria-label={`Take ${yarn.name} out of the basket`}
                  icon={<Trash />}
                  disabled={ends > 0 || plan.yarns.length === 1}
                  onClick={() =>
                    store.edit(
                      `took out ${yarn.name}`,
                      (d) => void (d.yarns = d.yarns.filter((x) => x.id !== yarn.id)),
                    )
                  }
                />
              </div>
              <p>
                {quantity.metres > 0 ? (
                  <>
                    Takes <strong>{plural(quantity.balls, 'ball')}</strong>{' '}
                    <span className="estimate">{yarnLengthWords(quantity.metres, unit)}</span>,{' '}
                    {rangeWords(quantity.grams, quantity.spread)} g, {plural(ends, 'end')} to weave in.{' '}
                    <span className={supplyOf(y) === 'lasts' || supplyOf(y) === 'not said' ? 'quiet' : 'odd'}>
                      {supplyOf(y) === 'not said'
                        ? 'Say what you have to see whether it lasts.'
                        : `What you have ${supplyOf(y)}${y.toBuy ? `: ${y.toBuy} more to be sure` : ''}.`}
                    </span>
                  </>
                ) : (
                  <span className="quiet">Not in this border.</span>
                )}
              </p>
              <div className="basket-label">
                <InputNumber
                  size="small"
                  aria-label={`Grams of ${yarn.name} in the basket`}
                  min={0}
                  max={100000}
                  suffix="g here"
                  value={yarn.haveG}
                  onChange={(v) => edit(yarn.id, 'what is there', (d) => void (d.haveG = v))}
                />
                <InputNumber
                  size="small"
                  aria-label="Grams in a ball"
                  min={1}
                  max={5000}
                  suffix="g a ball"
                  value={yarn.ballG}
                  onChange={(v) => v && edit(yarn.id, 'ball', (d) => void (d.ballG = v))}
                />
                <InputNumber
                  size="small"
                  aria-label="Metres in 100 g"
                  min={5}
                  max={5000}
                  suffix="m in 100 g"
                  value={yarn.metresPer100G}
                  onChange={(v) => v && edit(yarn.id, 'metres', (d) => void (d.metresPer100G = v))}
                />
                <InputNumber
                  size="small"
                  aria-label="Thickness"
                  min={0.1}
                  max={40}
                  step={0.1}
                  suffix="mm thick"
                  value={yarn.diameterMm}
                  onChange={(v) => v && edit(yarn.id, 'thickness', (d) => void (d.diameterMm = v))}
                />
                <InputNumber
                  size="small"
                  aria-label="Price of a ball"
                  min={0}
                  max={100000}
                  step={0.1}
                  suffix="a ball"
                  placeholder="price"
                  value={yarn.price}
                  onChange={(v) => edit(yarn.id, 'price', (d) => void (d.price = v))}
                />
                {y.cost !== null && y.cost > 0 && (
                  <span className="quiet small">{y.cost.toFixed(2)} in all</span>
                )}
              </div>
            </li>
          );
        })}
      </ul>
      <div className="basket-tools">
        <Button
          size="small"
          icon={<Plus />}
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
          icon={<Storefront />}
          aria-expanded={shopping}
          onClick={() => setShopping(!shopping)}
        >
          Look in the yarn shop
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
