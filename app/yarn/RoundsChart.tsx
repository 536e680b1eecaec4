import { max } from 'd3-array';
import { scaleLinear } from 'd3-scale';
import { ballEnds } from '../../core/forecast/supply.ts';
import type { Plan } from '../../core/plan/types.ts';
import { plural, rangeWords, yarnLengthWords, timeWords } from '../../core/words/measures.ts';

const ROW = 30;
const LEFT = 150;
const WIDTH = 660;

/** Metres of every round as a bar in its colour, with the range of the estimate and the balls that end in it. */
export function RoundsChart({ plan }: { readonly plan: Plan }) {
  const unit = plan.hem.preferences.length;
  const yarns = new Map(plan.yarns.map((y) => [y.yarn.id, y]));
  const ends = ballEnds(plan);
  const most = max(plan.rounds, (r) => r.yarnM * (1 + yarns.get(r.yarnId)!.quantity.spread)) ?? 1;
  const x = scaleLinear()
    .domain([0, most])
    .range([LEFT, WIDTH - 130]);
  return (
    <svg
      className="yarn-chart"
      viewBox={`0 0 ${WIDTH} ${plan.rounds.length * ROW + 8}`}
      role="img"
      aria-label="Yarn for each round"
    >
      {[...plan.rounds].reverse().map((r, row) => {
        const { spread } = yarns.get(r.yarnId)!.quantity;
        const low = x(r.yarnM * (1 - spread));
        const high = x(r.yarnM * (1 + spread));
        const here = ends.filter((e) => e.round === r.number);
        return (
          <g key={r.number} transform={`translate(0 ${row * ROW})`}>
            <title>{`${plural(r.total, 'stitch')}, ${rangeWords(r.yarnM, spread)} m, about ${timeWords(r.minutes)}`}</title>
            <text x={0} y={19}>
              {r.number === 0 ? '' : `${r.number} `}
              {r.name}
            </text>
            <rect
              className="bar"
              x={LEFT}
              width={Math.max(0, x(r.yarnM) - LEFT)}
              y={5}
              height={19}
              rx={3}
              fill={yarns.get(r.yarnId)!.yarn.colour}
            />
            <path className="range" d={`M${low},14.500H${high}m0,-5v10M${low},9.500v10`} />
            <text className="amount" x={high + 8} y={19}>
              {yarnLengthWords(r.yarnM, unit)}
              {here.length > 0 && (
                <tspan className="ball-end" dx={8}>
                  ball {here.map((e) => e.ball).join(', ')} ends
                </tspan>
              )}
            </text>
          </g>
        );
      })}
    </svg>
  );
}
