import { makingOf, type MakingStep } from '../../core/print/making.ts';
import type { Stitch } from '../../core/ring/stitch.ts';
import { stitchWords } from '../../core/print/stitchWords.ts';
import type { Preferences } from '../../core/document/hem.ts';
import { tonesOf } from '../../drawing/colours.ts';
import { STRAND } from '../../drawing/yarnFace.ts';
import {
  drawingHeight,
  finishedDrawing,
  isDrawnInSteps,
  makingDrawing,
  type DrawnPath,
} from '../../drawing/making.ts';
import styles from './stitches.module.css';

const COLOURS = { fabric: '#cfc6ac', yarn: '#c4574a', hook: '#8a90a8' } as const;

export interface MakingStripProps {
  readonly stitch: Stitch;
  readonly preferences: Preferences;
}

/** A stitch step by step: what is done, and what lies on the hook after it. */
export function MakingStrip({ stitch, preferences }: MakingStripProps) {
  const steps = makingOf(stitch, preferences.language, preferences.hand);
  const drawn = isDrawnInSteps(stitch);
  const mirrored = preferences.hand === 'left';
  const name = stitchWords(stitch, preferences.language);
  return (
    <div className={drawn ? styles.makingSteps : `${styles.makingSteps} ${styles.told}`}>
      {!drawn && (
        <MakingDrawing
          stitch={stitch}
          steps={steps}
          index={steps.length - 1}
          mirrored={mirrored}
          name={name}
        />
      )}
      <ol className={styles.making}>
        {steps.map((step, i) => (
          <li key={i}>
            {drawn && (
              <MakingDrawing stitch={stitch} steps={steps} index={i} mirrored={mirrored} name={name} />
            )}
            <p>
              {step.words}.{' '}
              {step.movement.do !== 'insert' && drawn && i < steps.length - 1 && (
                <span className="quiet">
                  {step.loops} {step.loops === 1 ? 'loop' : 'loops'} on the hook.
                </span>
              )}
            </p>
          </li>
        ))}
      </ol>
    </div>
  );
}

interface DrawingProps {
  readonly stitch: Stitch;
  readonly steps: readonly MakingStep[];
  readonly index: number;
  readonly mirrored: boolean;
  readonly name: string;
}

function MakingDrawing({ stitch, steps, index, mirrored, name }: DrawingProps) {
  const layers = isDrawnInSteps(stitch) ? makingDrawing(stitch, steps, index) : finishedDrawing(stitch);
  const top = drawingHeight(stitch);
  return (
    <svg
      className={styles.makingDrawing}
      viewBox={`-2.45 ${-top} 4.95 ${top + 0.75}`}
      role="img"
      aria-label={`${name}, step ${index + 1} of ${steps.length}`}
    >
      <g
        transform={mirrored ? 'scale(-1 -1)' : 'scale(1 -1)'}
        fill="none"
        strokeLinecap="round"
        strokeLinejoin="round"
      >
        {layers.map((layer, i) => (
          <Strand key={i} layer={layer} />
        ))}
      </g>
    </svg>
  );
}

function Strand({ layer: { d, x, y, of } }: { readonly layer: DrawnPath }) {
  const tones = tonesOf(COLOURS[of]);
  const thick = of === 'hook' ? 1.35 : of === 'yarn' ? 0.8 : 0.85;
  return (
    <g transform={`translate(${x} ${y})`}>
      {(['edge', 'body', 'light'] as const).map((tone) => (
        <path key={tone} d={d} stroke={tones[tone]} strokeWidth={STRAND[tone] * thick} />
      ))}
    </g>
  );
}
