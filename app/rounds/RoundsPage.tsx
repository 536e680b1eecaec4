import { turnedCorners } from '../../core/piece/outline.ts';
import { sidesWorked } from '../../core/plan/types.ts';
import { Checkbox, Drawer } from 'antd';
import { nanoid } from 'nanoid';
import { useCallback, useMemo, useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import type { Hem, RoundEntry } from '../../core/document/hem.ts';
import { ownStartOf } from '../../core/base/start.ts';
import { addRounds, chooseRound, type StackPosition } from '../../core/edits/rounds.ts';
import { edgeOf, entriesFor, waysIn } from '../../core/forecast/nextRound.ts';
import { plain } from '../../core/rounds/plain.ts';
import { familyWith } from '../../core/rounds/registry.ts';
import { newOwnEntry } from '../../core/stack/stack.ts';
import { startAt } from '../../core/procedure/startAt.ts';
import type { StitchFound } from '../../drawing/find.ts';
import type { ViewPart } from '../../drawing/viewParts.ts';
import { plural } from '../../core/say/measures.ts';
import { trialPlan } from '../hem/trialPlan.ts';
import { Guard } from '../hem/Guard.tsx';
import { StitchView } from '../drawing/StitchView.tsx';
import { useHemStore, usePlan } from '../hem/context.ts';
import { Button } from '../look/Button.tsx';
import { useAfterPaint } from '../look/afterPaint.ts';
import { ColumnsIcon, PlusIcon } from '../look/icons.ts';
import { Choices } from './Choices.tsx';
import { FamilyLibrary } from './Library.tsx';
import { Compare } from './Compare.tsx';
import { Forecast } from './Forecast.tsx';
import { FitList } from '../sections/FitList.tsx';
import { StackList } from './Stack.tsx';
import { StrainStrip } from './StrainStrip.tsx';
import styles from './roundsPage.module.css';

/** The border stitch by stitch; the rounds it is made of beside it, and under it what can be chosen of the one that is picked. */
export function RoundsPage() {
  const plan = usePlan();
  const store = useHemStore();
  const slow = useAfterPaint(plan);
  // An entry, whether it can be worked or not; null for the base round, undefined before one was picked.
  const [asked, setAsked] = useState<string | null | undefined>(undefined);
  const [part, setPart] = useState<ViewPart>(() => ({
    kind: 'corner',
    side: turnedCorners(plan.body.outline)[0] ?? sidesWorked(plan)[0]!,
  }));
  const [alone, setAlone] = useState(false);
  const [browsing, setBrowsing] = useState(false);
  const [address] = useSearchParams();
  const [comparing, setComparing] = useState(() => address.has('compare'));
  const [preview, setPreview] = useState<Hem | null>(null);
  const outermost = plan.rounds[plan.rounds.length - 1]!;
  const { rounds } = plan.hem;
  const picked =
    asked === null ? null : (rounds.find((e) => e.id === asked) ?? rounds[rounds.length - 1] ?? null);
  const ofPicked = plan.rounds.findLast((r) => (r.written?.entry.id ?? null) === (picked?.id ?? null));
  const shown = preview ? trialPlan(preview) : plan;
  const side = 'side' in part ? part.side : 0;
  // Written rounds are taken for straight ones: they go under an edge, while it is not worked yet.
  const [usual = 'on top'] = waysIn(plan, plain);
  const pick = useCallback((entry: string | null): void => {
    setAsked(entry);
    setBrowsing(false);
  }, []);
  const pickRound = useCallback(
    (number: number): void => {
      const round = store.get().plan.rounds[number];
      if (round) pick(round.written?.entry.id ?? null);
    },
    [store, pick],
  );
  // Where the round that is picked begins is pointed out in the drawing.
  const [pointing, setPointing] = useState(false);
  const touched = ({ round, entry }: StitchFound): void => {
    const own = plan.rounds[round];
    if (!pointing || !picked || own?.written?.entry.id !== picked.id) {
      pickRound(round);
      return;
    }
    const start = startAt(own, entry);
    setPointing(false);
    if (start)
      store.do(
        chooseRound(picked, 'start', {
          start: { ...(picked.start ?? ownStartOf(plan.hem.base.start)), ...start },
        }),
      );
  };
  const show = useCallback(
    (number: number, at: number): void => {
      pickRound(number);
      setPart({ kind: 'side', side: at });
    },
    [pickRound],
  );
  const push = (label: string, entries: readonly RoundEntry[], where: StackPosition): void => {
    setPreview(null);
    store.do(addRounds(label, entries, where, edgeOf(plan)?.id ?? null));
    setAsked(entries[entries.length - 1]!.id);
    setBrowsing(false);
  };

  const only = useMemo(
    () => (
      <Checkbox checked={alone} onChange={(e) => setAlone(e.target.checked)}>
        fade other rounds
      </Checkbox>
    ),
    [alone],
  );

  return (
    <div className={styles.page}>
      <section className={styles.drawing}>
        <Guard what="This drawing" resetKeys={[shown]}>
          <StitchView
            plan={shown}
            part={part}
            onPart={setPart}
            round={alone && ofPicked && shown.rounds[ofPicked.number] ? ofPicked.number : null}
            onStitch={touched}
            label="The border, drawn stitch by stitch"
          >
            {only}
          </StitchView>
        </Guard>
      </section>
      <section className={styles.choices}>
        {browsing ? (
          <Guard what="The library of rounds" resetKeys={[plan]}>
            <div className={styles.browsing}>
              <h2>Which round next?</h2>
              <Button size="small" onClick={() => setBrowsing(false)}>
                Cancel
              </Button>
            </div>
            <FamilyLibrary
              plan={plan}
              side={side}
              onPreview={setPreview}
              onAdd={(family, where) => {
                const entries = entriesFor(plan, family, where, outermost.yarnId, [nanoid(8), nanoid(8)]);
                const names = entries.map((e) => familyWith(e.family).name.toLowerCase());
                push(`added ${names.join(' and ')}`, entries, where);
              }}
              onPaste={(entries) => push(`pasted ${plural(entries.length, 'round')}`, entries, usual)}
              onOwn={(written) => {
                const entry = newOwnEntry(nanoid(8), outermost.yarnId, plan.hem.preferences.language);
                push('added your round', [written ? { ...entry, written } : entry], usual);
              }}
            />
          </Guard>
        ) : (
          <Guard what="The choices of this round" resetKeys={[plan, picked]}>
            <Choices
              plan={plan}
              entry={picked}
              side={side}
              onPreview={setPreview}
              pointing={pointing}
              onPointing={setPointing}
            />
          </Guard>
        )}
      </section>
      <section className={styles.stack}>
        <header>
          <h1>Rounds</h1>
          <Button icon={<PlusIcon />} onClick={() => setBrowsing(!browsing)} aria-expanded={browsing}>
            Add a round
          </Button>
        </header>
        <Guard what="The rounds" resetKeys={[plan]}>
          <StackList plan={plan} picked={picked?.id ?? null} onPick={pick} />
        </Guard>
        <p>
          <Link to={`/hem/${plan.hem.id}/propose`}>What could I do with this?</Link>
        </p>
        <Button type="text" icon={<ColumnsIcon />} onClick={() => setComparing(true)}>
          Compare borders ({plan.hem.kept.length + 1})
        </Button>
        <Guard what="The fit" resetKeys={[slow]}>
          <FitList plan={slow} stale={slow !== plan} onPreview={setPreview} onShow={show} />
        </Guard>
        <details className={styles.details}>
          <summary>Details: how flat, how large</summary>
          <Guard what="How flat it lies" resetKeys={[shown]}>
            <StrainStrip plan={shown} />
          </Guard>
          <Guard what="The forecast" resetKeys={[plan]}>
            <Forecast plan={plan} />
          </Guard>
        </details>
      </section>
      <Drawer
        open={comparing}
        onClose={() => setComparing(false)}
        placement="left"
        size="min(1120px, 100vw)"
        title="Borders of this piece"
        destroyOnHidden
      >
        <Guard what="The comparison" resetKeys={[plan]}>
          <Compare plan={plan} />
        </Guard>
      </Drawer>
    </div>
  );
}
