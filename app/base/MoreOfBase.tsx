import { held } from '../../core/held.ts';
import { HookField } from '../controls/HookField.tsx';
import { Checkbox } from 'antd';
import { ListChoice } from '../look/ListChoice.tsx';
import { memo, useMemo, useState } from 'react';
import type { RowRates } from '../../core/base/baseRound.ts';
import * as edits from '../../core/edits/base.ts';
import { workBetweenPosts } from '../../core/edits/piece.ts';
import { verdict } from '../../core/flat/flat.ts';
import { flatnessWords } from '../../core/flat/flatWords.ts';
import { baseHooks } from '../../core/forecast/alternatives.ts';
import type { Plan } from '../../core/plan/types.ts';
import { abbreviation } from '../../core/terms/stitches.ts';
import { percentWords } from '../../core/say/measures.ts';
import { NumberField } from '../look/NumberField.tsx';
import { useHemStore } from '../hem/context.ts';
import styles from './base.module.css';

/** Rare settings of a base round: its hook, a table for row ends, end rows, chains between groups. */
export const MoreOfBase = memo(function MoreOfBase({ plan }: { readonly plan: Plan }) {
  const [open, setOpen] = useState(false);
  return (
    <details className={`${styles.more} small`} onToggle={(e) => setOpen(e.currentTarget.open)}>
      <summary>More about the base round</summary>
      {open && <MoreFields plan={plan} />}
    </details>
  );
});

function MoreFields({ plan }: { readonly plan: Plan }) {
  const store = useHemStore();
  const { base, gauge, preferences } = plan.hem;
  const kinds = [
    ...new Set(
      plan.body.edges.flatMap((e) =>
        e.spots.flatMap((s) =>
          s.kind === 'row end' ? [held(s.stitch, 'row ends have the stitch of their row')] : [],
        ),
      ),
    ),
  ] as readonly (keyof RowRates)[];
  const hooks = useMemo(() => baseHooks(plan), [plan]);
  const groups = plan.sides.some((s) => s.choice.school === 'clusters');
  return (
    <>
      <label>
        Hook, if another than {gauge.hookMm} mm{' '}
        <HookField
          label="Hook of the base round"
          hookMm={base.hookMm}
          usualMm={gauge.hookMm}
          onChange={(hookMm) => store.do(edits.chooseBaseHook(hookMm))}
        />
      </label>
      <p className="quiet">
        {hooks
          .map(
            ({ hookMm, strain }) =>
              `${hookMm} mm: ${percentWords(strain)}, ${flatnessWords(verdict(strain, plan.flatLimits))}`,
          )
          .join(' · ')}
        . Typical values, with the counts as they are.
      </p>
      {kinds.length > 0 && (
        <>
          <label>
            At the corners of the rows{' '}
            <ListChoice
              size="small"
              label="At the corners of the rows"
              popupMatchSelectWidth={false}
              value={base.endRows}
              options={[
                { value: 'added', label: 'the corner comes on top of its end row' },
                { value: 'own', label: 'one of the corner is the end row’s own' },
              ]}
              onChange={(endRows) => store.do(edits.chooseEndRows(endRows))}
            />
          </label>
          <div>
            Your own table, stitches in a row end:
            {kinds.map((kind) => (
              <label key={kind} className={styles.rate}>
                {abbreviation(kind, preferences.language)}
                <NumberField
                  size="small"
                  aria-label={`Stitches in a row end of ${abbreviation(kind, preferences.language)}`}
                  min={0}
                  max={6}
                  step={0.5}
                  value={base.rates[kind]}
                  onChange={(rate) => rate !== null && store.do(edits.setRowRate(kind, rate))}
                />
              </label>
            ))}
          </div>
        </>
      )}
      <Checkbox checked={base.betweenPosts} onChange={(e) => store.do(workBetweenPosts(e.target.checked))}>
        I see no tops: I work between the posts
      </Checkbox>
      {groups && (
        <label>
          Chains between groups{' '}
          <NumberField
            size="small"
            aria-label="Chains between groups"
            min={0}
            max={3}
            value={base.clusterChains}
            onChange={(chains) => chains !== null && store.do(edits.setClusterChains(chains))}
          />
        </label>
      )}
    </>
  );
}
