/** Notes the work on a hem as the Work page does, for makers of tests. */
import type { Lay } from '../hands/flatness.ts';
import type { Hem } from '../document/hem.ts';
import { noted, type Deed } from '../document/record.ts';
import { identityOfRound, type Plan, type RoundPlan } from '../plan/types.ts';

const DAY_MS = 86_400_000;
const STEP_MINUTES = 8;

export interface Noted {
  readonly grams: number;
  readonly minutes: number;
  readonly scale: () => number;
  readonly depthCm: number;
  readonly sidesCm: readonly (number | null)[];
  readonly lies: readonly Lay['lies'][];
}

/** Notes the work on a hem as the Work page does. */
export class Noter {
  constructor(
    public hem: Hem,
    private readonly plan: Plan,
    private clock: number,
  ) {}

  private note(deed: Deed): void {
    this.hem = {
      ...this.hem,
      record: noted(this.hem.record, deed, 'here', new Date(this.clock).toISOString()),
    };
  }

  round(made: RoundPlan, { grams, minutes, scale, depthCm, sidesCm, lies }: Noted): void {
    const round = identityOfRound(made);
    const { piece, base } = this.plan.hem;
    const yarn = this.plan.hem.yarns.find((y) => y.id === made.yarnId)!;
    const written = made.written?.entry ?? null;
    const counts = made.sides.map((s) => s.tally.stitches);
    this.note({
      did: 'began',
      round,
      entry: written,
      ground: written ? null : { piece, base },
      yarn,
      counts,
    });
    const ball = 500;
    const weigh = (of: 'same' | 'new', left: number): void =>
      this.note({
        did: 'weighed',
        round,
        stitches: of === 'new' ? 0 : made.ring.made.length,
        yarn: made.yarnId,
        ball: of,
        grams: Math.max(0, left + scale()),
      });
    weigh('new', ball);
    const { length } = made.ring.made;
    const steps = Math.ceil(minutes / STEP_MINUTES);
    this.note({ did: 'made', round, stitches: 1 });
    for (let k = 1; k <= steps; k++) {
      this.clock += (minutes * 60_000) / steps;
      this.note({ did: 'made', round, stitches: Math.max(1, Math.round((length * k) / steps)) });
    }
    weigh('same', ball - grams);
    this.note({ did: 'finished', round });
    this.note({
      did: 'looked',
      round,
      lies: [...lies],
      sizeCm: [null, null],
      sidesCm: [...sidesCm],
      depthCm,
      photo: null,
      note: '',
    });
    this.clock += DAY_MS;
  }
}
