import type { ShopYarn } from '../../core/yarn/shopYarn.ts';
import { useHem, useInTerms } from '../hem/context.ts';
import { useQuery } from '@tanstack/react-query';
import { Input } from 'antd';
import { ListChoice } from '../look/ListChoice.tsx';
import { nanoid } from 'nanoid';
import { useDeferredValue, useState } from 'react';
import type { Yarn } from '../../core/yarn/yarn.ts';
import { YARN_WEIGHTS } from '../../core/terms/yarnWeights.ts';
import styles from './yarn.module.css';

async function searchShop(text: string, weight: number | null): Promise<readonly ShopYarn[]> {
  const query = new URLSearchParams({ q: text, ...(weight === null ? {} : { weight: String(weight) }) });
  const response = await fetch(`/api/shop/yarns?${query.toString()}`);
  if (!response.ok) throw new Error(`the shop answered ${response.status}`);
  return ((await response.json()) as { yarns: readonly ShopYarn[] }).yarns;
}

/** The stand-in for a yarn shop: search it, and take a colour into the basket. */
export function Shop({ onTake }: { readonly onTake: (yarn: Yarn) => void }) {
  const inTerms = useInTerms();
  const language = useHem((state) => state.plan.hem.preferences.language);
  const [text, setText] = useState('');
  const [weight, setWeight] = useState<number | null>(null);
  const q = useDeferredValue(text);
  const { data, isPending, error } = useQuery({
    queryKey: ['shop', q, weight],
    queryFn: () => searchShop(q, weight),
    placeholderData: (before) => before,
  });
  return (
    <div className={styles.shop}>
      <p className="caution small">Simulated shop: the yarns are made up, nothing is bought.</p>
      <div className={styles.shopSearch}>
        <Input
          size="small"
          aria-label="Search the shop"
          placeholder={inTerms('name, fiber or color')}
          value={text}
          onChange={(e) => setText(e.target.value)}
        />
        <ListChoice
          size="small"
          label="Weight in the shop"
          value={weight}
          popupMatchSelectWidth={false}
          options={[
            { value: null, label: 'any weight' },
            ...YARN_WEIGHTS.map((w) => ({ value: w.number, label: `${w.number} · ${w.name[language]}` })),
          ]}
          onChange={setWeight}
        />
      </div>
      {error ? (
        <p className="quiet small">
          The shop cannot be reached. All else works without it; type the label in yourself.
        </p>
      ) : isPending ? (
        <p className="quiet small">Looking …</p>
      ) : data.length === 0 ? (
        <p className="quiet small">Nothing like that on its shelves.</p>
      ) : (
        <ul>
          {data.map((y) => (
            <li key={y.id}>
              <span>
                <strong>{y.name}</strong>{' '}
                <span className="quiet small">
                  {y.fibre}, {y.metresPer100G} m per 100 g, {y.ballG} g, {y.price.toFixed(2)}
                </span>
              </span>
              <span className={styles.shopColours}>
                {y.colours.map((c) => (
                  <button
                    key={c.name}
                    type="button"
                    style={{ background: c.hex }}
                    aria-label={`Take ${y.name}, ${c.name}`}
                    title={c.name}
                    onClick={() =>
                      onTake({
                        id: nanoid(6),
                        name: `${y.name}, ${c.name}`,
                        colour: c.hex,
                        weight: y.weight,
                        metresPer100G: y.metresPer100G,
                        ballG: y.ballG,
                        diameterMm: y.diameterMm,
                        haveG: null,
                        price: y.price,
                      })
                    }
                  />
                ))}
              </span>
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}
