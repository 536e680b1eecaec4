import { isDisc } from '../../core/piece/outline.ts';
import { Select } from 'antd';
import { memo } from 'react';
import type { Start, StartOfRound } from '../../core/base/start.ts';
import { setStart } from '../../core/edits/base.ts';
import type { Plan } from '../../core/plan/types.ts';
import { useHemStore } from '../hem/context.ts';

const AT: readonly { readonly value: Start['at']; readonly label: string }[] = [
  { value: 'corner', label: 'with the last part of the corner before' },
  { value: 'whole corner', label: 'with the whole corner before' },
  { value: 'before the corner', label: 'just before the corner of' },
  { value: 'along the side', label: 'a third along' },
];

const FIRST: readonly { readonly value: Start['first']; readonly label: string }[] = [
  { value: 'usual', label: 'first stitch as is usual for it' },
  { value: 'chain', label: 'after a chain that does not count' },
  { value: 'counted chain', label: 'a chain that counts, where it may' },
  { value: 'standing', label: 'a standing stitch, where yarn is new' },
];

export interface StartChoiceProps {
  readonly plan: Plan;
  readonly value: StartOfRound;
  /** Whose start it is, for the names of the fields: “Rounds start”. */
  readonly name: string;
  readonly onChange: (part: Partial<StartOfRound>) => void;
}

/** Where a round begins, where it is joined, and how its first stitch comes to stand. */
export function StartChoice({ plan, value, name, onChange }: StartChoiceProps) {
  const corners = !isDisc(plan.body.outline);
  const inCorner = value.at === 'corner' || value.at === 'whole corner';
  return (
    <>
      {corners && (
        <>
          <Select
            aria-label={name}
            size="small"
            value={value.at}
            popupMatchSelectWidth={false}
            options={[...AT]}
            onChange={(at) => onChange({ at })}
          />
          <Select
            aria-label={`${name}: side`}
            size="small"
            value={value.side}
            options={plan.sides.map((s, side) => ({ value: side, label: s.name }))}
            onChange={(side) => onChange({ side })}
          />
        </>
      )}
      {corners && inCorner && (
        <Select
          aria-label={`${name}: the join`}
          size="small"
          value={value.join}
          popupMatchSelectWidth={false}
          options={[
            { value: 'climbing', label: 'the join climbs straight up' },
            { value: 'centred', label: 'the join stays at the corner’s middle' },
          ]}
          onChange={(join) => onChange({ join })}
        />
      )}
      <Select
        aria-label={`${name}: the first stitch`}
        size="small"
        value={value.first}
        popupMatchSelectWidth={false}
        options={[...FIRST]}
        onChange={(first) => onChange({ first })}
      />
    </>
  );
}

/** Where rounds start and join, how they begin, and where new yarn is joined. */
export const StartFields = memo(Fields, (a, b) => same(a.plan, b.plan));

/** Whether the fields show the same of two plans. */
const same = (a: Plan, b: Plan): boolean => a.hem.base.start === b.hem.base.start && a.body === b.body;

function Fields({ plan }: { readonly plan: Plan }) {
  const store = useHemStore();
  const { start } = plan.hem.base;
  const set = (part: Partial<Start>): void => void store.do(setStart(part));
  return (
    <div className="start-fields">
      {!isDisc(plan.body.outline) && <span>Rounds start</span>}
      <StartChoice plan={plan} value={start} name="Rounds start" onChange={set} />
      {!isDisc(plan.body.outline) && (
        <Select
          aria-label="Where new yarn is joined"
          size="small"
          value={start.newYarn}
          popupMatchSelectWidth={false}
          options={[
            { value: 'same place', label: 'new yarn at the same corner' },
            { value: 'next corner', label: 'new yarn at the next corner' },
          ]}
          onChange={(newYarn) => set({ newYarn })}
        />
      )}
    </div>
  );
}
