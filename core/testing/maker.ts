/** Simulated makers of several kinds, most of which do not follow the model that is fitted: their truth, round by round. */
import type { HandsPart } from '../hands/hands.ts';
import type { StitchKind } from '../terms/stitches.ts';
import { normal, type Chance } from '../chance.ts';

export const MAKER_STITCHES: readonly StitchKind[] = ['sc', 'hdc', 'dc'];

/** Standard deviations of a logarithm. */
type Spreads = Readonly<Record<HandsPart, number>>;
const spreads = (yarn: number, time: number, height: number, width: number): Spreads => ({
  yarn,
  time,
  height,
  width,
});

/** Ways in which makers differ from hem to hem and from round to round. */
interface Manner {
  /** From hem to hem, and from round to round. */
  readonly hems: Spreads;
  readonly rounds: Spreads;
  /** Rounds of far outliers: Student’s t with 3 degrees of freedom, in place of a normal distribution. */
  readonly tails?: true;
  /** Slower in the beginning by this factor less one, half as much after so many rounds. */
  readonly learning?: { readonly slower: number; readonly half: number };
  /** Slower and looser with every round of a hem. */
  readonly tired?: Spreads;
  /** Tension that wanders from round to round, and stays where it came. */
  readonly wanders?: Spreads;
  /** A yarn of another color, and another hook, take more or less. */
  readonly colours?: number;
  /** How often a number is noted with its point in the wrong place. */
  readonly slips: number;
}

const STEADY = spreads(0.045, 0.1, 0.03, 0.03);
const DAILY = spreads(0.03, 0.1, 0.03, 0.02);
const SLIPS = 0.02;

/** Each kind is tried by itself. */
export const MANNERS = {
  steady: { hems: STEADY, rounds: DAILY, slips: SLIPS },
  'getting quicker': { hems: STEADY, rounds: DAILY, learning: { slower: 0.5, half: 9 }, slips: SLIPS },
  'tiring in each hem': {
    hems: STEADY,
    rounds: DAILY,
    tired: spreads(0.008, 0.03, 0.008, 0.006),
    slips: SLIPS,
  },
  moody: { hems: spreads(0.07, 0.17, 0.05, 0.05), rounds: DAILY, slips: SLIPS },
  'now and then far off': { hems: STEADY, rounds: DAILY, tails: true, slips: SLIPS },
  'drifting in tension': {
    hems: STEADY,
    rounds: DAILY,
    wanders: spreads(0.014, 0.03, 0.014, 0.01),
    slips: SLIPS,
  },
  'by color and hook': { hems: STEADY, rounds: DAILY, colours: 0.05, slips: SLIPS },
  mistyping: { hems: STEADY, rounds: DAILY, slips: 0.04 },
} as const satisfies Readonly<Record<string, Manner>>;
export type MannerName = keyof typeof MANNERS;
export const MANNER_NAMES = Object.keys(MANNERS) as readonly MannerName[];

/** How hands differ among each other, and from stitch to stitch. */
const HANDS = spreads(0.1, 0.35, 0.08, 0.08);
const BY_STITCH = spreads(0.04, 0.15, 0.04, 0);
/** People differ in what strain they see, and see it earlier or later from one time to another. */
const SEES = 0.35;
export const SEES_AT_TIMES = 0.3;

const zero = (): Record<HandsPart, number> => ({ yarn: 0, time: 0, height: 0, width: 0 });

/** The truth of a maker, round by round. */
export class Maker {
  private readonly own: Spreads;
  private readonly byStitch: ReadonlyMap<StitchKind, Spreads>;
  /** Logarithm of the threshold of strain that shows, beside the rule of thumb. */
  readonly sees: number;
  private readonly colours: Record<string, number> = {};
  private readonly wandered = zero();
  private mood: Spreads = zero();
  private rounds = 0;
  private inHem = 0;

  constructor(
    private readonly chance: Chance,
    readonly manner: Manner,
  ) {
    this.own = this.some(HANDS);
    this.byStitch = new Map(MAKER_STITCHES.map((kind) => [kind, this.some(BY_STITCH)]));
    this.sees = normal(chance, SEES);
  }

  private some(of: Spreads): Spreads {
    const one = (part: HandsPart): number => normal(this.chance, of[part]);
    return { yarn: one('yarn'), time: one('time'), height: one('height'), width: one('width') };
  }

  private daily(): Spreads {
    const { rounds, tails } = this.manner;
    if (!tails) return this.some(rounds);
    const t = (part: HandsPart): number => {
      const squares = [1, 2, 3].reduce((sum) => sum + normal(this.chance, 1) ** 2, 0);
      return normal(this.chance, rounds[part]) / Math.sqrt(Math.max(0.05, squares / 3));
    };
    return { yarn: t('yarn'), time: t('time'), height: t('height'), width: t('width') };
  }

  begins(): void {
    this.mood = this.some(this.manner.hems);
    this.inHem = 0;
  }

  /** Width of a stitch of a swatch that is made before the first round, beside the usual one. */
  swatchWidth(): number {
    return Math.exp(this.own.width + this.mood.width + this.wandered.width);
  }

  /** The next round in a stitch and a color: factors beside the rules of thumb. */
  works(stitch: StitchKind, colour: string): Spreads {
    const { tired, wanders, learning, colours = 0 } = this.manner;
    const daily = this.daily();
    const step = wanders && this.some(wanders);
    const slower = learning ? Math.log(1 + learning.slower * 0.5 ** (this.rounds / learning.half)) : 0;
    const ofColour = (this.colours[colour] ??= normal(this.chance, colours));
    const of = (part: HandsPart): number => {
      this.wandered[part] += step?.[part] ?? 0;
      const all =
        this.own[part] +
        this.byStitch.get(stitch)![part] +
        this.mood[part] +
        this.wandered[part] +
        daily[part] +
        (tired?.[part] ?? 0) * this.inHem +
        (part === 'time' ? slower : part === 'yarn' ? ofColour : 0);
      return Math.exp(all);
    };
    const made = { yarn: of('yarn'), time: of('time'), height: of('height'), width: of('width') };
    this.rounds++;
    this.inHem++;
    return made;
  }

  slip(x: number): number {
    return this.chance.maybe(this.manner.slips) ? x * this.chance.pick([0.1, 10]) : x;
  }
}
