import { Button, ColorPicker, Input, InputNumber } from 'antd';
import { Plus, Trash } from '@phosphor-icons/react';
import { max, scaleLinear } from 'd3';
import { nanoid } from 'nanoid';
import type { Draft } from 'immer';
import type { Plan } from '../../core/plan.ts';
import { plural, rangeWords, yarnLengthWords } from '../../core/words/measures.ts';
import type { Yarn } from '../../core/yarn/yarn.ts';
import { useHemStore, usePlan } from '../hem/context.ts';
import './yarn.css';

/** How much yarn each round and colour takes. */
export function YarnPage() {
  const plan = usePlan();
  return (
    <div className="yarn-page">
      <section>
        <h1>Yarn</h1>
        <p className="quiet">
          From the path of the yarn through every stitch of the border, and 15 cm for each end. Take it as ±20
          %: nothing has been weighed yet.
        </p>
        <RoundsChart plan={plan} />
      </section>
      <Basket plan={plan} />
    </div>
  );
}

const ROW = 30;
const LEFT = 130;
const WIDTH = 620;

/** Metres of every round as a bar in its colour, with the range of the estimate. */
function RoundsChart({ plan }: { readonly plan: Plan }) {
  const { spread } = plan.yarns[0]!.quantity;
  const unit = plan.hem.preferences.length;
  const most = (max(plan.rounds, (r) => r.yarnM) ?? 1) * (1 + spread);
  const x = scaleLinear()
    .domain([0, most])
    .range([LEFT, WIDTH - 90]);
  const yarns = new Map(plan.hem.yarns.map((y) => [y.id, y]));
  return (
    <svg
      className="yarn-chart"
      viewBox={`0 0 ${WIDTH} ${plan.rounds.length * ROW + 8}`}
      role="img"
      aria-label="Yarn of every round"
    >
      {[...plan.rounds].reverse().map((r, row) => (
        <g key={r.number} transform={`translate(0 ${row * ROW})`}>
          <text x={0} y={19}>
            {r.number === 0 ? '' : `${r.number} `}
            {r.name}
          </text>
          <rect
            className="bar"
            x={LEFT}
            width={x(r.yarnM) - LEFT}
            y={5}
            height={19}
            rx={3}
            fill={yarns.get(r.yarnId)!.colour}
          />
          <path
            className="range"
            d={`M${x(r.yarnM * (1 - spread))},14.5H${x(r.yarnM * (1 + spread))}m0,-5v10M${x(r.yarnM * (1 - spread))},9.5v10`}
          />
          <text className="amount" x={x(r.yarnM * (1 + spread)) + 8} y={19}>
            {yarnLengthWords(r.yarnM, unit)}
            <title>{`${r.total} stitches, between ${rangeWords(r.yarnM, spread)} m`}</title>
          </text>
        </g>
      ))}
    </svg>
  );
}

function Basket({ plan }: { readonly plan: Plan }) {
  const store = useHemStore();
  const unit = plan.hem.preferences.length;
  const edit = (id: string, label: string, change: (y: Draft<Yarn>) => void): void =>
    store.edit(`yarn: ${label}`, (d) => change(d.yarns.find((y) => y.id === id)!), `${label} ${id}`);
  return (
    <section className="basket" onBlur={() => store.endJoin()}>
      <h2>The basket</h2>
      <ul>
        {plan.yarns.map(({ yarn, quantity, ends }) => (
          <li key={yarn.id}>
            <div className="basket-head">
              <ColorPicker
                size="small"
                value={yarn.colour}
                disabledAlpha
                onChangeComplete={(c) =>
                  edit(yarn.id, 'colour', (y) => void (y.colour = c.toHexString().slice(0, 7)))
                }
              />
              <Input
                variant="borderless"
                aria-label="Name of the yarn"
                value={yarn.name}
                maxLength={100}
                onChange={(e) =>
                  e.target.value && edit(yarn.id, 'name', (y) => void (y.name = e.target.value))
                }
              />
              <Button
                type="text"
                size="small"
                aria-label={`Take ${yarn.name} out of the basket`}
                icon={<Trash />}
                disabled={ends > 0 || plan.yarns.length === 1}
                title={ends > 0 ? 'Rounds are worked in it' : undefined}
                onClick={() =>
                  store.edit(
                    `took out ${yarn.name}`,
                    (d) => void (d.yarns = d.yarns.filter((y) => y.id !== yarn.id)),
                  )
                }
              />
            </div>
            <p>
              {quantity.metres > 0 ? (
                <>
                  <strong>{plural(quantity.balls, 'ball')}</strong>{' '}
                  <span className="estimate">{yarnLengthWords(quantity.metres, unit)}</span>,{' '}
                  {rangeWords(quantity.grams, quantity.spread)} g, {plural(ends, 'end')} to weave in
                </>
              ) : (
                <span className="quiet">Not in this border.</span>
              )}
            </p>
            <div className="basket-label">
              <InputNumber
                size="small"
                aria-label="Metres in 100 g"
                min={5}
                max={5000}
                suffix="m in 100 g"
                value={yarn.metresPer100G}
                onChange={(v) => v && edit(yarn.id, 'metres', (y) => void (y.metresPer100G = v))}
              />
              <InputNumber
                size="small"
                aria-label="Grams in a ball"
                min={1}
                max={5000}
                suffix="g a ball"
                value={yarn.ballG}
                onChange={(v) => v && edit(yarn.id, 'ball', (y) => void (y.ballG = v))}
              />
              <InputNumber
                size="small"
                aria-label="Thickness"
                min={0.1}
                max={40}
                step={0.1}
                suffix="mm thick"
                value={yarn.diameterMm}
                onChange={(v) => v && edit(yarn.id, 'thickness', (y) => void (y.diameterMm = v))}
              />
            </div>
          </li>
        ))}
      </ul>
      <Button
        size="small"
        icon={<Plus />}
        onClick={() =>
          store.edit('added a yarn', (d) => {
            const like = d.yarns[0]!;
            d.yarns.push({ ...like, id: nanoid(6), name: 'Another yarn', colour: '#c9a86a' });
          })
        }
      >
        Another yarn
      </Button>
    </section>
  );
}
