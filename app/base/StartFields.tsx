import { Checkbox, Select } from 'antd';
import { memo } from 'react';
import type { Start } from '../../core/base/start.ts';
import { setStart } from '../../core/edits/base.ts';
import type { Plan } from '../../core/plan.ts';
import { useHemStore } from '../hem/context.ts';

const AT: readonly { readonly value: Start['at']; readonly label: string }[] = [
  { value: 'corner', label: 'in the corner before' },
  { value: 'before the corner', label: 'just before the corner of' },
  { value: 'along the side', label: 'a third along' },
];

/** Where rounds start and join, and whether the starting chain counts. */
export const StartFields = memo(function StartFields({ plan }: { readonly plan: Plan }) {
  const store = useHemStore();
  const { start } = plan.hem.base;
  const corners = plan.body.outline.turns.length > 0;
  const set = (part: Partial<Start>): void => void store.do(setStart(part));
  return (
    <div className="start-fields">
      {corners && (
        <>
          <span>Rounds start</span>
          <Select
            aria-label="Rounds start"
            size="small"
            value={start.at}
            popupMatchSelectWidth={false}
            options={[...AT]}
            onChange={(at) => set({ at })}
          />
          <Select
            aria-label="Side"
            size="small"
            value={start.side}
            options={plan.sides.map((s, value) => ({ value, label: s.name }))}
            onChange={(side) => set({ side })}
          />
          <Select
            aria-label="The join"
            size="small"
            value={start.join}
            popupMatchSelectWidth={false}
            options={[
              { value: 'climbing', label: 'the join climbs straight up' },
              { value: 'centred', label: 'slip back to the corner’s centre' },
            ]}
            onChange={(join) => set({ join })}
          />
        </>
      )}
      <Checkbox checked={start.chainCounts} onChange={(e) => set({ chainCounts: e.target.checked })}>
        the starting chain counts as a stitch
      </Checkbox>
    </div>
  );
});
