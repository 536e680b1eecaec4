import { Popover } from 'antd';
import { hcl } from 'd3-color';
import { useHem, useHemStore, useInTerms } from '../hem/context.ts';
import { Button } from '../look/Button.tsx';
import styles from './colourButton.module.css';

export interface ColourButtonProps {
  /** Whose colour it is: “Color of Rosehip”. */
  readonly label: string;
  /** #rrggbb */
  readonly colour: string;
  readonly onColour: (colour: string) => void;
  /** Back to the colour of the whole; without it, there is none to go back to. */
  readonly onClear?: (() => void) | undefined;
  readonly small?: boolean;
}

/** A colour, as a button that the keyboard reaches; behind it the basket, and a card of colours. */
export function ColourButton({ label, colour, onColour, onClear, small = false }: ColourButtonProps) {
  const store = useHemStore();
  return (
    <Popover
      trigger="click"
      destroyOnHidden
      onOpenChange={(open) => !open && store.endJoin()}
      content={<Card label={label} colour={colour} onColour={onColour} onClear={onClear} />}
    >
      <button
        type="button"
        className={small ? `${styles.button} ${styles.small}` : styles.button}
        aria-label={label}
        title={label}
      >
        <span style={{ background: colour }} />
      </button>
    </Popover>
  );
}

/** Hues of yarns as they are dyed, degrees, each from light to dark; and undyed wool to black. */
const HUES: readonly (readonly [name: string, hue: number])[] = [
  ['rose', 5],
  ['red', 32],
  ['orange', 58],
  ['yellow', 84],
  ['green', 128],
  ['sea green', 172],
  ['teal', 212],
  ['blue', 262],
  ['violet', 306],
  ['plum', 340],
];
const DEPTHS: readonly (readonly [name: string, chroma: number, light: number])[] = [
  ['pale', 20, 88],
  ['light', 40, 74],
  ['full', 50, 56],
  ['dark', 38, 36],
];
const NATURALS: readonly (readonly [name: string, colour: string])[] = [
  ['white', '#fbfaf5'],
  ['cream', '#efe6d0'],
  ['fawn', '#cdb791'],
  ['brown', '#6d4f3a'],
  ['light gray', '#c9ccce'],
  ['gray', '#878c91'],
  ['charcoal', '#4a4e54'],
  ['black', '#23252a'],
];

const CARD: readonly (readonly [name: string, colour: string])[] = [
  ...DEPTHS.flatMap(([depth, chroma, light]) =>
    HUES.map(([hue, degrees]) => [`${depth} ${hue}`, hcl(degrees, chroma, light).formatHex()] as const),
  ),
  ...NATURALS,
];

const SLIDERS = [
  ['Hue', 'h', 360],
  ['Strength', 'c', 100],
  ['Lightness', 'l', 100],
] as const;

function Card({ label, colour, onColour, onClear }: ColourButtonProps) {
  const yarns = useHem((state) => state.plan.hem.yarns);
  const inTerms = useInTerms();
  const now = hcl(colour);
  const patch = (name: string, of: string) => (
    <button
      key={`${name} ${of}`}
      type="button"
      role="radio"
      aria-checked={of === colour}
      aria-label={name}
      title={name}
      style={{ background: of }}
      onClick={() => onColour(of)}
    />
  );
  return (
    <div className={styles.card} role="group" aria-label={label}>
      <div className={styles.basket} role="radiogroup" aria-label="From the basket">
        {yarns.map((y) => patch(y.name, y.colour))}
      </div>
      <div className={styles.patches} role="radiogroup" aria-label={inTerms('Card of colors')}>
        {CARD.map(([name, of]) => patch(inTerms(name), of))}
      </div>
      {SLIDERS.map(([name, key, most]) => (
        <label key={key}>
          {name}
          <input
            type="range"
            min={0}
            max={most}
            value={Math.round(Number.isNaN(now[key]) ? 0 : now[key])}
            onChange={(e) => {
              const next = hcl(Number.isNaN(now.h) ? 60 : now.h, Number.isNaN(now.c) ? 0 : now.c, now.l);
              next[key] = Number(e.target.value);
              onColour(next.formatHex());
            }}
          />
        </label>
      ))}
      {onClear && (
        <Button size="small" onClick={onClear}>
          As the rest of the piece
        </Button>
      )}
    </div>
  );
}
