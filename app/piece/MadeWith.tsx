import { Popover } from 'antd';
import { ListChoice } from '../look/ListChoice.tsx';
import { yarnOf } from '../../core/document/hem.ts';
import * as edits from '../../core/edits/piece.ts';
import type { Plan } from '../../core/plan/types.ts';
import { yarnWeight, YARN_WEIGHTS, type YarnWeightNumber } from '../../core/terms/yarnWeights.ts';
import { ColourButton } from '../controls/ColourButton.tsx';
import { Field } from '../controls/Field.tsx';
import { HookField } from '../controls/HookField.tsx';
import { useHemStore, useInTerms } from '../hem/context.ts';
import { CaretDownIcon } from '../look/icons.ts';
import styles from './made.module.css';

/** Yarn and hook of the border in two words; behind them their fields, and the colour of the piece. */
export function MadeWith({ plan }: { readonly plan: Plan }) {
  const store = useHemStore();
  const inTerms = useInTerms();
  const { gauge, preferences, base, pieceColour } = plan.hem;
  const { weight, colour } = yarnOf(plan.hem, base.yarn);
  const { name } = yarnWeight(weight);
  const words = `${name[preferences.language]} · ${gauge.hookMm} mm`;
  return (
    <Popover
      trigger="click"
      placement="bottomRight"
      onOpenChange={(open) => !open && store.endJoin()}
      content={
        <div className={styles.with}>
          <Field label="Yarn weight">
            <ListChoice<YarnWeightNumber>
              label="Yarn weight"
              value={weight}
              popupMatchSelectWidth={false}
              options={YARN_WEIGHTS.map((w) => ({
                value: w.number,
                label: `${w.number} · ${w.name[preferences.language]}`,
              }))}
              onChange={(number) => store.do(edits.chooseWeight(number))}
            />
          </Field>
          <Field label="Hook">
            <HookField
              label="Hook"
              hookMm={gauge.hookMm}
              onChange={(v) => v !== null && store.do(edits.setGauge({ hookMm: v }))}
            />
          </Field>
          <Field label={inTerms('Color of the piece')}>
            <ColourButton
              label={inTerms('Color of the piece')}
              colour={pieceColour}
              onColour={(c) => store.do(edits.colourPiece(c))}
            />
          </Field>
        </div>
      }
    >
      <button type="button" className={styles.made} aria-label={`What the border is made with: ${words}`}>
        <span className="swatch" style={{ background: colour }} />
        {words}
        <CaretDownIcon size={13} />
      </button>
    </Popover>
  );
}
