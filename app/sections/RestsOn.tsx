import { useState } from 'react';
import type { Plan } from '../../core/plan/types.ts';
import { allRestsOn } from '../../core/evidence/estimateWords.ts';

/** Basis of yarn, time, size and flatness; read when it is asked for. */
export function RestsOn({ plan }: { readonly plan: Plan }) {
  const [open, setOpen] = useState(false);
  return (
    <details className="quiet small" onToggle={(e) => setOpen(e.currentTarget.open)}>
      <summary>What these numbers rest on</summary>
      {open && allRestsOn(plan)}
    </details>
  );
}
