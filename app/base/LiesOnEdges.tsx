import { memo } from 'react';
import type { Point } from '../../core/piece/outline.ts';
import type { Verdict } from '../../core/flat/flat.ts';
import { isWorkedSide } from '../../core/piece/part.ts';
import type { Plan } from '../../core/plan/types.ts';
import { sideLabels } from '../../drawing/sideLabels.ts';
import styles from './base.module.css';

/** How each side lies with the base round, on the edge itself: straight, waving or drawn in, by colour and by shape. */
export const LiesOnEdges = memo(function LiesOnEdges({ plan }: { readonly plan: Plan }) {
  const { outline } = plan.body;
  const largest = Math.max(plan.finishedSize.widthMm, plan.finishedSize.heightMm);
  return (
    <g className={styles.lies} strokeWidth={largest * 0.009} aria-hidden="true">
      {sideLabels(plan, 1).map(({ name, inner }, side) => {
        if (!isWorkedSide(outline.part, side, outline.sides.length)) return null;
        const { verdict } = plan.rounds[0]!.sides[side]!;
        const deep = plan.hem.preferences.hand === 'left' ? -0.016 : 0.016;
        return (
          <path key={name} className={styles[CLASS[verdict]]} d={lineOf(verdict, inner, deep * largest)} />
        );
      })}
    </g>
  );
});

const CLASS: Readonly<Record<Verdict, 'flatEdge' | 'blocksEdge' | 'ripplesEdge' | 'cupsEdge'>> = {
  flat: 'flatEdge',
  'blocks out': 'blocksEdge',
  ripples: 'ripplesEdge',
  cups: 'cupsEdge',
};

/** A line from one end of a side to the other. @param deep how far it waves or is drawn in, mm, to the left of its way */
function lineOf(verdict: Verdict, [p, q]: readonly [Point, Point], deep: number): string {
  const long = Math.hypot(q.x - p.x, q.y - p.y) || 1;
  const at = (t: number, off: number): string => {
    const x = p.x + (q.x - p.x) * t + ((q.y - p.y) / long) * off;
    const y = p.y + (q.y - p.y) * t - ((q.x - p.x) / long) * off;
    return `${x.toFixed(1)} ${y.toFixed(1)}`;
  };
  if (verdict === 'cups') return `M${at(0, 0)}Q${at(0.5, 4 * deep)} ${at(1, 0)}`;
  if (verdict !== 'ripples') return `M${at(0, 0)}L${at(1, 0)}`;
  const waves = Math.max(2, Math.round(long / (6 * Math.abs(deep))));
  const bends = Array.from({ length: waves }, (_, k) => {
    const off = k % 2 === 0 ? deep : -deep;
    return `Q${at((k + 0.5) / waves, 1.6 * off)} ${at((k + 1) / waves, 0)}`;
  });
  return `M${at(0, 0)}${bends.join('')}`;
}
