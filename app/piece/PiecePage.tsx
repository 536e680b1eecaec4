import { Button, ColorPicker, InputNumber, Select } from 'antd';
import { ArrowDown, ArrowUp, Plus, Trash } from '@phosphor-icons/react';
import type { ReactNode } from 'react';
import type { Draft } from 'immer';
import type { Hem } from '../../core/document/hem.ts';
import { problemLine } from '../../core/problems.ts';
import { abbreviation, stitchName, type StitchKind } from '../../core/terms/stitches.ts';
import { YARN_WEIGHTS, yarnWeight, type YarnWeightNumber } from '../../core/terms/yarnWeights.ts';
import { lengthWords, plural } from '../../core/words/measures.ts';
import { PlanDrawing } from '../drawing/PlanDrawing.tsx';
import { useHemStore, usePlan } from '../hem/context.ts';
import { LengthInput } from './LengthInput.tsx';
import './piece.css';

const ROW_STITCHES: readonly StitchKind[] = ['sc', 'esc', 'hdc', 'hhdc', 'dc', 'tr', 'dtr'];

/** What was made: its rows, its measures, the yarn and gauge of its border. */
export function PiecePage() {
  const plan = usePlan();
  const store = useHemStore();
  const { hem } = plan;
  const { piece, gauge, preferences } = hem;
  const edit = (label: string, change: (d: Draft<Hem>) => void): void => store.edit(label, change, label);
  const rows = piece.rows.reduce((sum, r) => sum + r.count, 0);
  const weight = hem.yarns.find((y) => y.id === hem.base.yarn)!.weight;
  const problems = plan.problems.filter((p) => p.place === 'the piece');

  return (
    <div className="piece-page">
      <section className="piece-plan">
        <PlanDrawing plan={plan} />
      </section>
      <section className="piece-words" onBlur={() => store.endJoin()}>
        <h1>A piece in rows</h1>
        <p className="quiet">
          {plural(piece.stitches, 'stitch')} wide, {plural(rows, 'row')} high. The last row lies along side A,
          the foundation along C.
        </p>
        <Field label="Stitches in a row">
          <InputNumber
            aria-label="Stitches in a row"
            min={4}
            max={5000}
            precision={0}
            value={piece.stitches}
            onChange={(v) => v && edit('stitches in a row', (d) => void (d.piece.stitches = v))}
          />
        </Field>
        <Field label="Width, lying loose">
          <LengthInput
            label="Width"
            cm={piece.widthCm}
            unit={preferences.length}
            onChange={(v) => edit('width', (d) => void (d.piece.widthCm = v))}
          />
        </Field>
        <Field label="Height, lying loose">
          <LengthInput
            label="Height"
            cm={piece.heightCm}
            unit={preferences.length}
            onChange={(v) => edit('height', (d) => void (d.piece.heightCm = v))}
          />
        </Field>
        {problems.map((p) => (
          <p key={p.code} className="problem">
            {problemLine(p)}
          </p>
        ))}
        <p className="quiet small">
          By themselves the rows come to {lengthWords(plan.body.edges[1]!.computedMm, preferences.length)}, at
          the usual height of each stitch and your {(plan.body.stitchWidthMm / 10).toFixed(2)} cm a stitch.
          Measure twice, without stretching.
        </p>

        <h2>Rows, from the last down to the foundation</h2>
        <ol className="row-runs">
          {piece.rows
            .map((run, i) => ({ run, i }))
            .reverse()
            .map(({ run, i }) => (
              <li key={i}>
                <InputNumber
                  aria-label={`Rows in run ${i + 1}`}
                  min={1}
                  max={5000}
                  precision={0}
                  value={run.count}
                  onChange={(v) =>
                    v && edit(`rows of run ${i + 1}`, (d) => void (d.piece.rows[i]!.count = v))
                  }
                />
                <span>rows of</span>
                <Select
                  aria-label={`Stitch of run ${i + 1}`}
                  value={run.stitch}
                  popupMatchSelectWidth={false}
                  options={ROW_STITCHES.map((s) => ({
                    value: s,
                    label: `${abbreviation(s, preferences.language)} · ${stitchName(s, preferences.language)}`,
                  }))}
                  onChange={(v) => edit(`stitch of run ${i + 1}`, (d) => void (d.piece.rows[i]!.stitch = v))}
                />
                <Button
                  type="text"
                  size="small"
                  aria-label="Up"
                  icon={<ArrowUp />}
                  disabled={i === piece.rows.length - 1}
                  onClick={() => edit('order of rows', (d) => swap(d.piece.rows, i, i + 1))}
                />
                <Button
                  type="text"
                  size="small"
                  aria-label="Down"
                  icon={<ArrowDown />}
                  disabled={i === 0}
                  onClick={() => edit('order of rows', (d) => swap(d.piece.rows, i, i - 1))}
                />
                <Button
                  type="text"
                  size="small"
                  aria-label="Take out this run"
                  icon={<Trash />}
                  disabled={piece.rows.length === 1}
                  onClick={() => edit('took out a run', (d) => void d.piece.rows.splice(i, 1))}
                />
              </li>
            ))}
        </ol>
        <Button
          size="small"
          icon={<Plus />}
          onClick={() => store.edit('added rows', (d) => void d.piece.rows.push({ stitch: 'dc', count: 4 }))}
        >
          Rows on top
        </Button>
      </section>
      <section className="piece-gauge" onBlur={() => store.endJoin()}>
        <h2>The border’s gauge</h2>
        <Field label="Yarn weight">
          <Select<YarnWeightNumber>
            aria-label="Yarn weight"
            value={weight}
            popupMatchSelectWidth={false}
            options={YARN_WEIGHTS.map((w) => ({
              value: w.number,
              label: `${w.number} · ${w.name[preferences.language]}`,
            }))}
            onChange={(number) =>
              store.edit('yarn weight', (d) => {
                const w = yarnWeight(number);
                d.gauge = { stitchesPer10Cm: w.stitchesPer10Cm, hookMm: w.hookMm[0] };
                for (const yarn of d.yarns)
                  Object.assign(yarn, {
                    weight: number,
                    diameterMm: w.diameterMm,
                    metresPer100G: w.metresPer100G,
                  });
              })
            }
          />
        </Field>
        <Field label="Hook">
          <InputNumber
            aria-label="Hook in millimetres"
            min={0.5}
            max={40}
            step={0.25}
            suffix="mm"
            value={gauge.hookMm}
            onChange={(v) => v && edit('hook', (d) => void (d.gauge.hookMm = v))}
          />
        </Field>
        <Field label={`${stitchName('sc', preferences.language)} in 10 cm (4 in)`}>
          <InputNumber
            aria-label="Stitches in 10 cm"
            min={1}
            max={100}
            step={0.5}
            value={gauge.stitchesPer10Cm}
            onChange={(v) => v && edit('gauge', (d) => void (d.gauge.stitchesPer10Cm = v))}
          />
        </Field>
        <p className="quiet small">
          The weight brings usual values; what you measure on a swatch is better. One border stitch is{' '}
          {plan.stitchWidthMm.toFixed(1)} mm wide.
        </p>
        <Field label="Colour of the piece">
          <ColorPicker
            value={hem.pieceColour}
            disabledAlpha
            onChangeComplete={(c) =>
              store.edit('colour of the piece', (d) => void (d.pieceColour = c.toHexString().slice(0, 7)))
            }
          />
        </Field>
      </section>
    </div>
  );
}

function swap<T>(list: T[], a: number, b: number): void {
  const kept = list[a]!;
  list[a] = list[b]!;
  list[b] = kept;
}

function Field({ label, children }: { readonly label: string; readonly children: ReactNode }) {
  return (
    <div className="field">
      <span>{label}</span>
      {children}
    </div>
  );
}
