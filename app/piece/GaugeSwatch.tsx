import { tonesOf } from '../../drawing/colours.ts';
import styles from './piece.module.css';

interface GaugeSwatchProps {
  /** Stitches in 10 cm. */
  readonly stitches: number;
  /** Of the yarn, #rrggbb. */
  readonly colour: string;
  /** Name of the stitch. */
  readonly name: string;
}

const WIDTH = 200;
const ROWS = 3;

/** Gauge as a picture: the stitches that lie along ten centimeters of a swatch. */
export function GaugeSwatch({ stitches, colour, name }: GaugeSwatchProps) {
  const pitch = WIDTH / stitches;
  const high = Math.min(pitch, 22);
  const { edge } = tonesOf(colour);
  const whole = Math.ceil(stitches);
  const tops = Array.from({ length: ROWS }, (_, row) =>
    Array.from({ length: whole }, (_, i) => {
      const [x, y] = [i * pitch, 6 + row * high];
      return `M${x + 0.12 * pitch} ${y}Q${x + 0.5 * pitch} ${y + 0.2 * high} ${x + 0.5 * pitch} ${y + 0.85 * high}Q${x + 0.5 * pitch} ${y + 0.2 * high} ${x + 0.88 * pitch} ${y}`;
    }).join(''),
  ).join('');
  const bottom = 10 + ROWS * high;
  return (
    <svg
      className={styles.gaugeSwatch}
      viewBox={`-2 0 ${WIDTH + 4} ${bottom + 26}`}
      role="img"
      aria-label={`A swatch with ${stitches} ${name} along 10 cm (4 in)`}
    >
      <clipPath id="ten-centimeters">
        <rect width={WIDTH} height={bottom} />
      </clipPath>
      <g clipPath="url(#ten-centimeters)" fill="none" strokeLinecap="round">
        <path d={tops} stroke={edge} strokeWidth={0.36 * pitch} />
        <path d={tops} stroke={colour} strokeWidth={0.24 * pitch} />
      </g>
      <path
        className={styles.ruler}
        d={`M0 ${bottom + 2}V${bottom + 10}M0 ${bottom + 6}H${WIDTH}M${WIDTH} ${bottom + 2}V${bottom + 10}`}
      />
      <text x={WIDTH / 2} y={bottom + 23}>
        {stitches} {name} = 10 cm (4 in)
      </text>
    </svg>
  );
}
