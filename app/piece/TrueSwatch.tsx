import { useCallback, useMemo, useState } from 'react';
import { changePiece } from '../../core/document/changePiece.ts';
import { yarnOf, type Hem } from '../../core/document/hem.ts';
import { setGauge } from '../../core/edits/piece.ts';
import type { Piece } from '../../core/piece/piece.ts';
import type { Plan } from '../../core/plan/types.ts';
import { plurals } from '../../core/say/measures.ts';
import { stitchName } from '../../core/terms/stitches.ts';
import { Stretched } from '../controls/Stretched.tsx';
import { Swatch } from '../drawing/Swatch.tsx';
import { trialPlan } from '../hem/trialPlan.ts';
import { useHemStore, useInTerms } from '../hem/context.ts';
import { Button } from '../look/Button.tsx';
import { keepTrueSize, useTrueSize } from './trueSize.ts';
import styles from './trueSwatch.module.css';

/** Size of the swatch on the page about, pixels. */
const WIDTH = 260;
const HEIGHT = 92;
/** The most stitches that it shows. */
const MOST = 24;
/** Stitches and rows of the piece that the swatch is a part of. */
const STITCHES = 40;
const ROWS = 24;

/** A piece in single crochet of the border’s yarn and gauge. */
function swatchHem(hem: Hem): Hem {
  const stitchCm = 10 / hem.gauge.stitchesPer10Cm;
  const piece: Piece = {
    kind: 'rows',
    stitches: STITCHES,
    rows: [{ stitch: 'sc', count: ROWS }],
    foundation: 'both loops of the chain',
    lastRow: 'stitch tops',
    widthCm: STITCHES * stitchCm,
    heightCm: ROWS * stitchCm,
  };
  return {
    ...hem,
    ...changePiece({ ...hem, base: { ...hem.base, part: null } }, piece),
    rounds: [],
    record: [],
    pieceColour: yarnOf(hem, hem.base.yarn).colour,
    partColours: {},
  };
}

/** The border’s gauge as a swatch at true size, to be stretched until it equals one’s own. */
export function TrueSwatch({ plan }: { readonly plan: Plan }) {
  const store = useHemStore();
  const inTerms = useInTerms();
  const { pixelsPerCm, measured } = useTrueSize();
  const [measuring, setMeasuring] = useState(false);
  const { gauge, preferences } = plan.hem;
  const perStitch = (10 / gauge.stitchesPer10Cm) * pixelsPerCm;
  const count = Math.min(MOST, Math.max(2, Math.floor(WIDTH / perStitch)));
  const made = useMemo(() => trialPlan(swatchHem(plan.hem)), [plan.hem]);
  const look = useCallback(() => ({ plan: made, at: { x: 0, y: 0 } }), [made]);
  const name = stitchName('sc', preferences.language);
  const gaugeAt = (width: number): number => {
    const per10 = (10 * pixelsPerCm * count) / width;
    return Math.min(100, Math.max(1, Math.round(per10 * 4) / 4));
  };
  const shown = count * perStitch;
  return (
    <div className={styles.trueSwatch}>
      <Stretched
        label="Width of the swatch"
        width={shown}
        height={HEIGHT}
        least={shown / 2}
        most={Math.min(shown * 1.6, WIDTH * 1.4)}
        valueText={(width) => `${gaugeAt(width)} ${inTerms('stitches in 10 centimeters')}`}
        onWidth={(width) => void store.do(setGauge({ stitchesPer10Cm: gaugeAt(width) }))}
      >
        {(width) => (
          <>
            <div className={styles.drawn} style={{ transform: `scaleX(${width / shown})` }}>
              <Swatch look={look} across={count} width={Math.round(shown)} height={HEIGHT} withPiece />
            </div>
            <span className={styles.told}>{gaugeAt(width)}</span>
          </>
        )}
      </Stretched>
      <p className="quiet small">
        {count} {plurals(name)} at {measured ? 'true size' : 'about true size'}. Lay {count} of your own
        beside them and pull the edge until both are as wide.{' '}
        {!measuring && (
          <Button size="small" onClick={() => setMeasuring(true)}>
            {measured ? 'Measure the screen again' : 'Measure the screen'}
          </Button>
        )}
      </p>
      {measuring && <Measuring pixelsPerCm={pixelsPerCm} onDone={() => setMeasuring(false)} />}
    </div>
  );
}

/** Things that are held to the screen: what they are called, and their width, cm. */
const HELD = {
  card: { name: 'a bank card', widthCm: 8.56, heightCm: 5.398 },
  ruler: { name: '5 cm of a ruler', widthCm: 5, heightCm: 1.6 },
  inches: { name: '2 in of a ruler', widthCm: 5.08, heightCm: 1.6 },
} as const;

/** Something of a known width, held to the screen. */
function Measuring({ pixelsPerCm, onDone }: { readonly pixelsPerCm: number; readonly onDone: () => void }) {
  const [held, setHeld] = useState<keyof typeof HELD>('card');
  const { name, widthCm, heightCm } = HELD[held];
  return (
    <div className={styles.measuring}>
      <div className={styles.things} role="group" aria-label="What is held to the screen">
        {(Object.keys(HELD) as (keyof typeof HELD)[]).map((key) => (
          <Button key={key} size="small" aria-pressed={key === held} onClick={() => setHeld(key)}>
            {HELD[key].name}
          </Button>
        ))}
      </div>
      <p className="quiet small">Hold {name} to the screen and pull the edge until both are as wide.</p>
      <Stretched
        label={`Width of ${name} on this screen`}
        width={pixelsPerCm * widthCm}
        height={Math.round(pixelsPerCm * heightCm)}
        least={60}
        most={600}
        valueText={(width) => `${Math.round(width)} pixels`}
        onWidth={(width) => keepTrueSize(width / widthCm)}
      >
        {() => <div className={held === 'card' ? `${styles.thing} ${styles.card}` : styles.thing} />}
      </Stretched>
      <Button
        size="small"
        onClick={() => {
          keepTrueSize(pixelsPerCm);
          onDone();
        }}
      >
        They are as wide
      </Button>
    </div>
  );
}
