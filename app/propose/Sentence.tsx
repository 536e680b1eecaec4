import type { ReactNode } from 'react';
import type { Plan } from '../../core/plan/types.ts';
import { LOOKS, WISH_SKILLS, type EdgeLook, type WishSkill, type Wish } from '../../core/propose/wish.ts';
import { LengthInput } from '../controls/LengthInput.tsx';
import { NumberField } from '../look/NumberField.tsx';
import styles from './propose.module.css';

interface SentenceProps {
  readonly plan: Plan;
  readonly wish: Wish;
  readonly onWish: (part: Partial<Wish>) => void;
}

const HOUR = 60;

/** The wish as a sentence whose words can be changed; every one may be left out. */
export function Sentence({ plan, wish, onWish }: SentenceProps) {
  const { yarns, rounds } = plan.hem;
  const there = yarns.reduce((sum, y) => sum + (y.haveG ?? 0), 0);
  const said = yarns.some((y) => y.haveG !== null);
  return (
    <div className={styles.sentence}>
      <Extent plan={plan} wish={wish} onWish={onWish} />,{' '}
      <Word
        label="Look"
        value={wish.look ?? ''}
        onChange={(look) => onWish({ look: (look || null) as EdgeLook | null })}
      >
        <option value="">of any look</option>
        {LOOKS.map((look) => (
          <option key={look} value={look}>
            {look}
          </option>
        ))}
      </Word>
      ,{' '}
      <Word
        label="Look that is not wanted"
        value={wish.notLook ?? ''}
        onChange={(look) => onWish({ notLook: (look || null) as EdgeLook | null })}
      >
        <option value="">no look ruled out</option>
        {LOOKS.map((look) => (
          <option key={look} value={look}>
            but not {look}
          </option>
        ))}
      </Word>
      ,{' '}
      <Word
        label="Yarn"
        value={wish.basket}
        onChange={(basket) => onWish({ basket: basket as Wish['basket'] })}
      >
        <option value="any">whatever yarn it takes</option>
        <option value="enough" disabled={!said}>
          from what is in the basket{' '}
          {said ? `(${Math.round(there)} g)` : '(say on the Yarn page what is there)'}
        </option>
        <option value="used up" disabled={!said}>
          using up what is in the basket
        </option>
      </Word>
      ,{' '}
      <Word
        label="How much it asks of its maker"
        value={wish.skill ?? ''}
        onChange={(skill) => onWish({ skill: (skill || null) as WishSkill | null })}
      >
        <option value="">any difficulty</option>
        {WISH_SKILLS.map((skill) => (
          <option key={skill} value={skill}>
            {skill === 'easy' ? 'easy' : `up to ${skill}`}
          </option>
        ))}
      </Word>
      ,{' '}
      <Word
        label="Loose parts"
        value={wish.noLooseParts ? 'none' : ''}
        onChange={(none) => onWish({ noLooseParts: none === 'none' })}
      >
        <option value="">loose parts and loops allowed or not</option>
        <option value="none">no loose parts or loops</option>
      </Word>
      ,{' '}
      <Word
        label="What stays"
        value={wish.onRounds ? 'rounds' : ''}
        onChange={(stays) => onWish({ onRounds: stays === 'rounds' })}
      >
        <option value="">
          {plan.rounds.some((r) => r.done && r.written)
            ? 'on what has been worked'
            : 'from the base round up'}
        </option>
        <option value="rounds" disabled={rounds.length === 0}>
          on top of the rounds that are there
        </option>
      </Word>
      , in{' '}
      <NumberField
        size="small"
        optional
        aria-label="Hours that there are for it"
        min={0.5}
        max={500}
        step={0.5}
        placeholder="any"
        value={wish.minutes === null ? null : wish.minutes / HOUR}
        onChange={(hours) => onWish({ minutes: hours === null ? null : hours * HOUR })}
      />{' '}
      hours.
    </div>
  );
}

/** How wide the border is to be, or how large the whole. */
function Extent({ plan, wish, onWish }: SentenceProps) {
  const unit = plan.hem.preferences.length;
  const { size } = wish;
  const kind = (
    <Word
      label="Width of the border, or size of the whole"
      value={size ? 'size' : 'width'}
      onChange={(of) =>
        onWish(
          of === 'size'
            ? { size: roundSize(plan) }
            : { size: null, widthCm: wish.widthCm ?? Math.round(plan.borderWidthMm) / 10 },
        )
      }
    >
      <option value="width">About</option>
      <option value="size">To a size of</option>
    </Word>
  );
  if (!size)
    return (
      <>
        {kind}{' '}
        <LengthInput
          label="Width of the border"
          unit={unit}
          cm={wish.widthCm}
          onChange={(widthCm) => onWish({ widthCm })}
          onEmpty={() => onWish({ widthCm: null })}
        />{' '}
        wide
      </>
    );
  return (
    <>
      {kind}{' '}
      <LengthInput
        label="Width of the whole"
        unit={unit}
        cm={size.widthCm}
        onChange={(widthCm) => onWish({ size: { ...size, widthCm } })}
        onEmpty={() => onWish({ size: { ...size, widthCm: null } })}
      />{' '}
      ×{' '}
      <LengthInput
        label="Height of the whole"
        unit={unit}
        cm={size.heightCm}
        onChange={(heightCm) => onWish({ size: { ...size, heightCm } })}
        onEmpty={() => onWish({ size: { ...size, heightCm: null } })}
      />
    </>
  );
}

const USUAL_CM = 4;

/** The size that the piece comes to with a border of a usual width, to the centimeter. */
const roundSize = ({ bodySize, hem }: Plan): NonNullable<Wish['size']> => {
  const whole = (mm: number): number => Math.round((mm / 10 + 2 * USUAL_CM) * hem.blocking);
  return { widthCm: whole(bodySize.widthMm), heightCm: whole(bodySize.heightMm) };
};

interface WordProps {
  readonly label: string;
  readonly value: string;
  readonly onChange: (value: string) => void;
  readonly children: ReactNode;
}

function Word({ label, value, onChange, children }: WordProps) {
  return (
    <select aria-label={label} value={value} onChange={(e) => onChange(e.target.value)}>
      {children}
    </select>
  );
}
