import { roundWords } from '../../core/say/rounds.ts';
import { saidOfRows } from '../../core/plan/roundNames.ts';
import { fetched } from '../look/fetched.ts';
import { Button, Segmented } from 'antd';
import { ListChoice } from '../look/ListChoice.tsx';
import { nanoid } from 'nanoid';
import { Suspense, useState } from 'react';
import type { WeighIn } from '../../core/document/hem.ts';
import { noteWeighing, removeWeighing } from '../../core/edits/yarn.ts';
import { usedSlip, type DoubtedNumber } from '../../core/evidence/slips.ts';
import { swatchM } from '../../core/plan/observed.ts';
import { isRound, identityOfRound, type Plan, type RoundPlan } from '../../core/plan/types.ts';
import { abbreviation, type StitchKind } from '../../core/terms/stitches.ts';
import { useHemStore, usePlan } from '../hem/context.ts';
import { AskedAbout } from '../sections/AskedAbout.tsx';
import { NumberField } from '../look/NumberField.tsx';
import { TrashIcon } from '../look/icons.ts';
import styles from './yarn.module.css';

const Scale = fetched(async () => (await import('../controls/Scale.tsx')).Scale);

const SWATCH_STITCHES: readonly StitchKind[] = ['sc', 'hdc', 'dc', 'tr'];

interface SwatchMade {
  readonly yarn: string;
  readonly stitch: StitchKind;
  readonly stitches: number;
}

function weighedSlip(plan: Plan, of: SwatchMade | RoundPlan, grams: number): DoubtedNumber | null {
  if ('ring' in of) return usedSlip(plan, of.yarnId, of.yarnM, grams);
  const used = plan.yarns.find((y) => y.yarn.id === of.yarn) ?? plan.yarns[0]!;
  const metres = swatchM(of, used.yarn, plan.stitchWidthMm, plan.hem.hands?.yarn ?? null);
  return usedSlip(plan, used.yarn.id, metres * used.calibration.ratio, grams);
}

/** Weighings: each narrows the ranges. */
export function WeighIns() {
  const plan = usePlan();
  const store = useHemStore();
  const { language } = plan.hem.preferences;
  const [kind, setKind] = useState<'swatch' | 'round'>('swatch');
  const [yarn, setYarn] = useState(plan.hem.yarns[0]!.id);
  const [stitch, setStitch] = useState<StitchKind>('sc');
  const [stitches, setStitches] = useState(100);
  const [round, setRound] = useState(0);
  const [grams, setGrams] = useState<number | null>(null);
  const [scaleOpen, setScaleOpen] = useState(false);
  const worked = plan.rounds[Math.min(round, plan.rounds.length - 1)]!;
  const slip =
    grams !== null && grams > 0
      ? weighedSlip(plan, kind === 'swatch' ? { yarn, stitch, stitches } : worked, grams)
      : null;
  const add = (): void => {
    if (grams === null || grams <= 0) return;
    const of = kind === 'swatch' ? { kind, stitch, stitches } : { kind, round: identityOfRound(worked) };
    const ofSwatch = plan.hem.yarns.find((y) => y.id === yarn) ?? plan.hem.yarns[0]!;
    const yarnId = kind === 'swatch' ? ofSwatch.id : worked.yarnId;
    if (store.do(noteWeighing({ id: nanoid(6), yarn: yarnId, of, grams }))) setGrams(null);
  };
  const say = ({ of, grams: weighed }: WeighIn): string => {
    if (of.kind === 'swatch') return `${of.stitches} ${abbreviation(of.stitch, language)}: ${weighed} g`;
    const worked = plan.rounds.find((r) => isRound(r, of.round));
    const name = worked ? saidOfRows(plan)(roundWords(worked.number)) : 'a round that was taken off';
    return `${name}: ${weighed} g`;
  };
  return (
    <section className={styles.weighIns}>
      <h2>Weighing</h2>
      <p className="quiet small">
        Weigh a swatch. Or weigh the ball before and after a round, and enter the difference. Each weighing
        makes the estimate surer.
      </p>
      <ul>
        {plan.hem.weighIns.map((w) => (
          <li key={w.id}>
            <span
              className="swatch"
              style={{ background: plan.hem.yarns.find((y) => y.id === w.yarn)?.colour }}
            />
            {say(w)}
            <Button
              type="text"
              size="small"
              aria-label={`Remove ${say(w)}`}
              icon={<TrashIcon />}
              onClick={() => store.do(removeWeighing(w.id))}
            />
          </li>
        ))}
      </ul>
      <div className={styles.weighFields}>
        <Segmented
          size="small"
          aria-label="What was weighed"
          value={kind}
          options={['swatch', 'round']}
          onChange={(v) => setKind(v as typeof kind)}
        />
        {kind === 'swatch' ? (
          <>
            <NumberField
              size="small"
              aria-label="Stitches of the swatch"
              min={1}
              max={20000}
              value={stitches}
              onChange={(v) => v && setStitches(v)}
            />
            <ListChoice
              size="small"
              label="Stitch of the swatch"
              value={stitch}
              options={SWATCH_STITCHES.map((s) => ({ value: s, label: abbreviation(s, language) }))}
              onChange={setStitch}
            />
            <ListChoice
              size="small"
              label="Yarn of the swatch"
              value={yarn}
              popupMatchSelectWidth={false}
              options={plan.hem.yarns.map((y) => ({ value: y.id, label: y.name }))}
              onChange={setYarn}
            />
          </>
        ) : (
          <ListChoice
            size="small"
            label="Round that was weighed"
            value={Math.min(round, plan.rounds.length - 1)}
            popupMatchSelectWidth={false}
            options={plan.rounds.map((r) => ({
              value: r.number,
              label: `${r.number === 0 ? '' : `${r.number} `}${r.name}`,
            }))}
            onChange={setRound}
          />
        )}
        <NumberField
          size="small"
          optional
          aria-label="Grams weighed"
          min={0}
          max={100000}
          step={0.1}
          unit="g"
          suffix="g"
          placeholder="weight"
          value={grams}
          onChange={setGrams}
        />
        {/* Never disabled: what has been typed is taken as the field is left, which may be by this press. */}
        <Button size="small" type="primary" onClick={add}>
          Note it
        </Button>
        <Button size="small" aria-expanded={scaleOpen} onClick={() => setScaleOpen(!scaleOpen)}>
          Kitchen scale
        </Button>
      </div>
      {slip && <AskedAbout slip={slip} say={(g) => `${Number(g.toPrecision(3))} g`} onInstead={setGrams} />}
      {scaleOpen && (
        <Suspense fallback={null}>
          <Scale onReading={setGrams} />
        </Suspense>
      )}
    </section>
  );
}
