/** The symbols that a chart uses, each with what it stands for. */
import type { Plan } from '../core/plan/types.ts';
import { isChainRun, stitchOf, type Stitch } from '../core/ring/stitch.ts';
import { abbreviation, STITCHES, type Language } from '../core/terms/stitches.ts';
import { stitchWords } from '../core/print/stitchWords.ts';
import { chartAsMade } from './asMade.ts';
import { SYMBOL_LINE, symbolOf } from './symbolFace.ts';

export interface LegendEntry {
  readonly svg: string;
  readonly words: string;
}

/** One entry for every stitch of a plan, a chain for all chain runs. */
export function legendOf(plan: Plan, language: Language): readonly LegendEntry[] {
  const stitches = new Set<Stitch>();
  for (const { number } of plan.rounds) {
    for (const s of chartAsMade(plan, number).ring.made)
      stitches.add(isChainRun(s) ? stitchOf({ kind: 'ch', chains: 1 }) : s);
  }
  return [...stitches].map((stitch) => {
    const { lines, filled } = symbolOf(stitch);
    const height = stitch.kind === 'ch' ? 1.7 : STITCHES[stitch.kind].height;
    const plain = stitch.form === 'plain' && stitch.post === 'none' && stitch.loop === 'both';
    const name = isChainRun(stitch) ? 'chain' : stitchWords(stitch, language);
    return {
      svg:
        `<svg xmlns="http://www.w3.org/2000/svg" viewBox="-0.9 ${-height - 0.3} 1.8 ${height + 0.8}">` +
        `<g transform="scale(1 -1)" fill="none" stroke="#222" stroke-width="${SYMBOL_LINE}" stroke-linecap="round">` +
        `${lines && `<path d="${lines}"/>`}${filled ? `<path d="${filled}" fill="#222"/>` : ''}</g></svg>`,
      words: plain ? `${abbreviation(stitch.kind, language)} ${name}` : name,
    };
  });
}
