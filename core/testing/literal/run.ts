/** A way along places, done step by step. */
import type { Stitch } from '../../ring/stitch.ts';
import { Unclear, legsTaken, used, type LiteralStep, type Noun, type Way } from './crochet.ts';
import { standsAlone, type Place } from './made.ts';

export type StepToWork = Extract<LiteralStep, { do: 'work' }>;

/** One stitch in each place, if that is all of a way. */
export function oneInEach({ head, body, tail }: Way): StepToWork | null {
  const [only] = body;
  if (head.length > 0 || tail.length > 0 || body.length > 1 || only?.do !== 'work') return null;
  return used(body) === 1 && only.what.length === 1 && legsTaken(only.what[0]!) === 1 ? only : null;
}

export const isOtherwise = (words: string): boolean =>
  /counted from the (?:corner|start)$|^(?:at the (?:first|last|\d+\w\w) |do not |after the last repeat|nothing: )/i.test(
    words,
  );

export const kindsOf = ({ head, body, tail }: Way): ReadonlySet<Noun> =>
  new Set([...head, ...body, ...tail].flatMap((s) => (s.do === 'make' ? [] : [s.noun])));

/** Skips that are to pass over more places than usual, or fewer. */
export interface SkipChanges {
  /** Of all of them. */
  readonly sum: number;
  /** Of a skip, by its number from 0, of so many. */
  readonly of: (skip: number, all: number) => number;
}

export function skipChanges(told: readonly string[]): SkipChanges {
  const changes = told.flatMap((t): readonly (readonly [which: string, by: number])[] => {
    const other = /^at the (.+) (?:skip|miss), (?:skip|miss) (\d+) \S+ instead of (\d+)$/.exec(t);
    if (other) return [[other[1]!, Number(other[2]) - Number(other[3])]];
    const none = /^do not (?:skip|miss) at the (.+) (?:skip|miss)$/.exec(t);
    return none ? [[none[1]!, -1]] : [];
  });
  const number = (which: string, all: number): number =>
    ({ first: 0, last: all - 1, 'last but one': all - 2 })[which] ?? Number(/^\d+/.exec(which)![0]) - 1;
  return {
    sum: changes.reduce((sum, [, by]) => sum + by, 0),
    of: (skip, all) => changes.reduce((sum, [which, by]) => sum + (number(which, all) === skip ? by : 0), 0),
  };
}

export function leftOver(told: readonly string[]): number {
  for (const t of told) {
    const m = /^after the last repeat, (?:skip|miss) the (\d+) \S+ left over$/.exec(t);
    if (m) return Number(m[1]);
  }
  return 0;
}

/** A cursor over places. */
export class Following {
  at = 0;
  private skips = 0;
  private passed: Place | null = null;
  private lastUsed: Place | null = null;

  constructor(
    private readonly places: readonly Place[],
    private readonly add: (stitch: Stitch, place: Place | null) => void,
    private readonly change: (skip: number) => number,
  ) {}

  beginAt(place: number, skips: number): void {
    this.at = place;
    this.skips = skips;
    // What is passed over before it is still to be worked into, where it says so.
    this.passed = this.places.at(place - 1) ?? null;
  }

  pass(count: number): void {
    this.at += count;
  }

  steps(steps: readonly LiteralStep[]): void {
    for (const s of steps) this.step(s);
  }

  upTo(body: readonly LiteralStep[], step: number): void {
    this.steps(body.slice(0, step));
  }

  from(body: readonly LiteralStep[], first: number): void {
    this.skips += body.slice(0, first).filter((s) => s.do === 'skip').length;
    this.steps(body.slice(first));
  }

  private step(s: LiteralStep): void {
    if (s.do === 'make') this.add(s.what, null);
    else if (s.do === 'skip') {
      for (let k = s.count + this.change(this.skips++); k > 0; k--) this.passed = this.take();
    } else {
      for (let k = 0; k < s.times; k++) {
        const place = s.at === 'next' ? this.take() : s.at === 'same' ? this.lastUsed : this.passed;
        if (s.at === 'next') this.lastUsed = place;
        if (!place) throw new Unclear('there is no place to work into');
        for (const stitch of s.what) {
          this.add(stitch, place);
          for (let leg = 1; leg < legsTaken(stitch); leg++) this.take();
        }
      }
    }
  }

  private take(): Place {
    const place = this.places[this.at++];
    if (!place) throw new Unclear('the side has no more places');
    return place;
  }
}

export const firstWork = (body: readonly LiteralStep[]): number => {
  const at = body.findIndex((s) => s.do === 'work' && s.what.some((x) => !standsAlone(x)));
  if (at < 0) throw new Unclear('nothing is worked in the repeat');
  return at;
};
