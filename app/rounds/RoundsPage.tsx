import { Button, Drawer } from 'antd';
import { Columns, Plus } from '@phosphor-icons/react';
import { nanoid } from 'nanoid';
import { useCallback, useState } from 'react';
import { createPlanner } from '../../core/plan/planner.ts';
import { isRound, workedRound } from '../../core/plan/types.ts';
import type { Hem, RoundEntry, WorkedRound } from '../../core/document/hem.ts';
import { addRounds, type Where } from '../../core/edits/rounds.ts';
import { edgeOf, entriesFor, waysIn } from '../../core/forecast/nextRound.ts';
import { plain } from '../../core/rounds/plain.ts';
import { familyById } from '../../core/rounds/registry.ts';
import { newOwnEntry } from '../../core/stack/stack.ts';
import type { ViewPart } from '../../drawing/parts.ts';
import { plural } from '../../core/words/measures.ts';
import { Guard } from '../hem/Guard.tsx';
import { StitchView } from '../drawing/StitchView.tsx';
import { useHemStore, usePlan } from '../hem/context.ts';
import { useAfterPaint } from '../look/afterPaint.ts';
import { Library } from './Library.tsx';
import { Compare } from './Compare.tsx';
import { Forecast } from './Forecast.tsx';
import { FitList } from '../controls/FitList.tsx';
import { Stack } from './Stack.tsx';
import { StrainStrip } from './StrainStrip.tsx';
import './rounds.css';

const previewPlanner = createPlanner();

/** The stack of rounds, the corner stitch by stitch, and whether it fits and lies flat. */
export function RoundsPage() {
  const plan = usePlan();
  const store = useHemStore();
  const slow = useAfterPaint(plan);
  // By its identity: it stays looked at wherever its entry is moved.
  const [looked, setLooked] = useState<WorkedRound | null>(null);
  const [part, setPart] = useState<ViewPart>({ kind: 'corner', side: 0 });
  const [browsing, setBrowsing] = useState(false);
  const [comparing, setComparing] = useState(false);
  const [preview, setPreview] = useState<Hem | null>(null);
  const round = looked === null ? null : (plan.rounds.find((r) => isRound(r, looked))?.number ?? null);
  const shown = preview ? previewPlanner(preview) : plan;
  const yarn = plan.rounds[plan.rounds.length - 1]!.yarnId;
  // Written rounds are taken for straight ones: they go under an edge, while it is not worked yet.
  const [usual = 'on top'] = waysIn(plan, plain);
  const show = useCallback(
    (number: number, side: number): void => {
      const asked = slow.rounds[number];
      if (asked) setLooked(number === 0 ? null : workedRound(asked));
      setPart({ kind: 'side', side });
    },
    [slow],
  );
  const push = (label: string, entries: readonly RoundEntry[], where: Where): void => {
    store.do(addRounds(label, entries, where, edgeOf(plan)?.id ?? null));
    setLooked(null);
    setBrowsing(false);
  };

  return (
    <div className="rounds-page">
      <section className="rounds-stack">
        <h1>Rounds</h1>
        <Button block icon={<Plus />} onClick={() => setBrowsing(!browsing)} aria-expanded={browsing}>
          Add a round
        </Button>
        <Button block type="text" icon={<Columns />} onClick={() => setComparing(true)}>
          Compare borders ({plan.hem.kept.length + 1})
        </Button>
        <Stack
          plan={plan}
          looked={round}
          onLook={(number) => setLooked(number === null ? null : workedRound(plan.rounds[number]!))}
        />
      </section>
      <Drawer
        open={browsing}
        onClose={() => setBrowsing(false)}
        placement="left"
        size={880}
        title="Which round next?"
        destroyOnHidden
      >
        <Guard what="The library of rounds" resetKeys={[plan]}>
          <Library
            plan={plan}
            onAdd={(family, where) => {
              const entries = entriesFor(plan, family, where, yarn, [nanoid(8), nanoid(8)]);
              const names = entries.map((e) => familyById(e.family)!.name.toLowerCase());
              push(`added ${names.join(' and ')}`, entries, where);
            }}
            onPaste={(entries) => push(`pasted ${plural(entries.length, 'round')}`, entries, usual)}
            onOwn={() =>
              push('added your round', [newOwnEntry(nanoid(8), yarn, plan.hem.preferences.language)], usual)
            }
          />
        </Guard>
      </Drawer>
      <Drawer
        open={comparing}
        onClose={() => setComparing(false)}
        placement="left"
        size={880}
        title="Borders of this piece"
        destroyOnHidden
      >
        <Guard what="The comparison" resetKeys={[plan]}>
          <Compare plan={plan} />
        </Guard>
      </Drawer>
      <section className="rounds-close-up">
        <Guard what="This drawing" resetKeys={[shown]}>
          <StitchView
            plan={shown}
            part={part}
            onPart={setPart}
            round={round}
            label="The border, drawn stitch by stitch"
          />
        </Guard>
      </section>
      <aside className="rounds-judged">
        <Guard what="The fit" resetKeys={[slow]}>
          <FitList plan={slow} stale={slow !== plan} onPreview={setPreview} onShow={show} />
        </Guard>
        <Guard what="How flat it lies" resetKeys={[shown]}>
          <StrainStrip plan={shown} />
        </Guard>
        <Guard what="The forecast" resetKeys={[plan]}>
          <Forecast plan={plan} />
        </Guard>
      </aside>
    </div>
  );
}
