/** The drawings that go with a written pattern. */
import { rememberedBy } from '../core/remembered.ts';
import type { Plan } from '../core/plan/types.ts';
import { chartMarks } from './chartMarks.ts';
import { boundsIn } from './find.ts';
import { legendOf, type LegendEntry } from './legend.ts';
import { motifGridSvg } from './motifGrid.ts';
import { partBox, partsOfDrawing, type ViewPart } from './viewParts.ts';
import { planSvg } from './planSvg.ts';
import { sceneOf } from './scene.ts';
import { svgOf } from './svg.ts';

interface Chart {
  readonly name: string;
  readonly svg: string;
}

export interface Drawings {
  readonly plan: string;
  readonly charts: readonly Chart[];
  readonly legend: readonly LegendEntry[];
}

/** The plan, and every stitch of its first corner and of the middle of a side as symbols. */
export const drawingsOf = (plan: Plan, font = ''): Drawings => drawnWith(plan, font);

const drawnWith = rememberedBy((plan: Plan, font: string) => draw(plan, font || undefined));

/** Name of the drawing of joined motifs. */
const GRID = 'Motifs, and the numbers of their seams';

function draw(plan: Plan, font: string | undefined): Drawings {
  const scene = sceneOf(plan, { face: 'symbols', seen: 'right', round: null, ground: '#ffffff' });
  const named = [...partsOfDrawing(plan).values()];
  const wanted: readonly ViewPart['kind'][] = ['corner', 'side', 'join'];
  const charts = wanted.flatMap((kind) => {
    const found = named.find(({ part }) => part.kind === kind);
    if (!found) return [];
    const box = boundsIn([scene.edge, ...scene.rounds], partBox(plan, found.part));
    const marks = { all: chartMarks(plan, scene, box), font: font ?? 'sans-serif' };
    return [{ name: found.label, svg: svgOf(scene, box, found.label, marks) }];
  });
  const grid = motifGridSvg(plan, GRID, font);
  if (grid !== null) charts.push({ name: GRID, svg: grid });
  return { plan: planSvg(plan, font), charts, legend: legendOf(plan, plan.hem.preferences.language) };
}
