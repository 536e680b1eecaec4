import { isDisc } from '../../core/piece/outline.ts';
import {
  DndContext,
  KeyboardSensor,
  PointerSensor,
  closestCenter,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import {
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable';
import { Button, Checkbox, Select } from 'antd';
import { DotsSixVertical, Trash } from '@phosphor-icons/react';
import type { RoundEntry } from '../../core/document/hem.ts';
import { chooseBaseYarn } from '../../core/edits/base.ts';
import * as edits from '../../core/edits/rounds.ts';
import type { Plan, RoundPlan } from '../../core/plan/types.ts';
import { familyById } from '../../core/rounds/registry.ts';
import { problemLine } from '../../core/problems.ts';
import { abbreviation } from '../../core/terms/stitches.ts';
import { CORNERS } from '../../core/terms/corners.ts';
import { plural } from '../../core/words/measures.ts';
import { LOOPS } from '../../core/terms/places.ts';
import { baseWords } from '../../core/words/countWords.ts';
import { useHemStore } from '../hem/context.ts';
import { BegunNote } from '../controls/BegunNote.tsx';
import { StartChoice } from '../controls/StartFields.tsx';
import { OwnRound } from './OwnRound.tsx';
import { NumberField } from '../look/NumberField.tsx';

export interface StackProps {
  readonly plan: Plan;
  /** Worked round that is looked at, or null for all. */
  readonly looked: number | null;
  readonly onLook: (round: number | null) => void;
}

/** The stack of rounds, the outermost on top, as they lie on the piece. */
export function Stack({ plan, looked, onLook }: StackProps) {
  const store = useHemStore();
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 5 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const entries = [...plan.hem.rounds].reverse();
  return (
    <div className="stack">
      <DndContext
        sensors={sensors}
        collisionDetection={closestCenter}
        accessibility={{
          screenReaderInstructions: {
            draggable:
              'To take up a round, press Space. Move it with the arrow keys, put it down with Space, or leave it where it was with Escape.',
          },
        }}
        onDragEnd={({ active, over }) => {
          if (!over || active.id === over.id) return;
          store.do(edits.moveRound(String(active.id), String(over.id)));
        }}
      >
        <SortableContext items={entries.map((e) => e.id)} strategy={verticalListSortingStrategy}>
          <ol>
            {entries.map((e) => (
              <StackEntry key={e.id} plan={plan} entry={e} looked={looked} onLook={onLook} />
            ))}
          </ol>
        </SortableContext>
      </DndContext>
      <div className={looked === 0 ? 'entry base-entry here' : 'entry base-entry'}>
        <button type="button" className="entry-name" onClick={() => onLook(looked === 0 ? null : 0)}>
          <Swatch plan={plan} yarn={plan.hem.base.yarn} />
          Base round
        </button>
        <span className="quiet small">{baseWords(plan)}</span>
        <YarnChoice
          plan={plan}
          value={plan.hem.base.yarn}
          label="Yarn of the base round"
          onChange={(yarn) => store.do(chooseBaseYarn(yarn))}
        />
      </div>
    </div>
  );
}

function StackEntry({ plan, entry, looked, onLook }: StackProps & { readonly entry: RoundEntry }) {
  const store = useHemStore();
  const { attributes, listeners, setNodeRef, setActivatorNodeRef, transform, transition, isDragging } =
    useSortable({ id: entry.id });
  const family = familyById(entry.family);
  const name = family?.name ?? 'Own round';
  const { language } = plan.hem.preferences;
  const corners = !isDisc(plan.body.outline);
  const rounds = plan.rounds.filter((r) => r.written?.entry.id === entry.id);
  const first = rounds[0];
  const last = rounds[rounds.length - 1];
  const choose = (what: string, choice: edits.EntryChoice): void =>
    void store.do(edits.chooseRound(entry, what, choice));
  const numbers = [...new Set([first, last].map((r) => r?.number ?? '–'))].join('–');
  const here = looked !== null && rounds.some((r) => r.number === looked);
  return (
    <li
      ref={setNodeRef}
      className={`entry${here ? ' here' : ''}${isDragging ? ' moving' : ''}`}
      style={{ transform: transform ? `translateY(${transform.y}px)` : undefined, transition }}
    >
      <button
        type="button"
        ref={setActivatorNodeRef}
        className="grip"
        aria-label={`Move ${name}`}
        {...attributes}
        {...listeners}
      >
        <DotsSixVertical />
      </button>
      <button
        type="button"
        className="entry-name"
        aria-pressed={here}
        onClick={() => onLook(here ? null : (last?.number ?? null))}
      >
        {entry.yarns.map((yarn, k) => (
          <Swatch key={k} plan={plan} yarn={yarn} />
        ))}
        <span className="entry-number">{numbers}</span> {name}
      </button>
      <Button
        type="text"
        size="small"
        aria-label={`Take ${name} off`}
        icon={<Trash />}
        onClick={() => store.do(edits.removeRound(entry))}
      />
      <BegunNote plan={plan} rounds={rounds.map((r) => r.number)} />
      <div className="entry-choices">
        {family && family.stitches.length > 1 && (
          <Select
            size="small"
            aria-label="Stitch"
            popupMatchSelectWidth={false}
            value={entry.stitch}
            options={family.stitches.map((s) => ({ value: s, label: abbreviation(s, language) }))}
            onChange={(stitch) => choose(abbreviation(stitch, language), { stitch })}
          />
        )}
        {family && corners && family.corners.length > 1 && (
          <Select
            size="small"
            aria-label="Corner"
            popupMatchSelectWidth={false}
            value={entry.corner}
            options={family.corners.map((id) => ({
              value: id,
              label: CORNERS.find((c) => c.id === id)!.name,
            }))}
            onChange={(corner) => choose('corner', { corner })}
          />
        )}
        {family && corners && family.corners.length > 1 && (
          <Checkbox
            checked={entry.cornerOpen}
            onChange={(e) => choose('corners open or not', { cornerOpen: e.target.checked })}
          >
            fit may choose it
          </Checkbox>
        )}
        {family && family.loops.length > 1 && (
          <Select
            size="small"
            aria-label="Loop"
            popupMatchSelectWidth={false}
            value={entry.loop}
            options={family.loops.map((loop) => ({ value: loop, label: LOOPS[loop].name }))}
            onChange={(loop) => choose(LOOPS[loop].name, { loop })}
          />
        )}
        {family && family.sizes.length > 1 && (
          <Select
            size="small"
            aria-label={family.sizeCounts}
            popupMatchSelectWidth={false}
            value={entry.size}
            options={family.sizes.map((size) => ({ value: size, label: `${size} ${family.sizeCounts}` }))}
            onChange={(size) => choose(`${size} ${family.sizeCounts}`, { size })}
          />
        )}
        {(family?.repeatable ?? true) && (
          <NumberField
            size="small"
            aria-label="Times"
            min={1}
            max={100}
            value={entry.times}
            prefix="×"
            onChange={(times) => times && choose(`${times} times`, { times })}
          />
        )}
        <Select<'usual' | 'right' | 'wrong'>
          size="small"
          aria-label="Which side faces"
          popupMatchSelectWidth={false}
          value={entry.facing ?? 'usual'}
          options={[
            { value: 'usual', label: 'usual side' },
            { value: 'right', label: 'right side facing' },
            { value: 'wrong', label: 'wrong side facing' },
          ]}
          onChange={(v) => choose('facing', { facing: v === 'usual' ? null : v })}
        />
        <NumberField
          size="small"
          optional
          aria-label="Hook of this round in millimetres"
          className="entry-hook"
          min={0.5}
          max={40}
          step={0.25}
          suffix="mm"
          placeholder={`${plan.hem.gauge.hookMm}`}
          value={entry.hookMm}
          onChange={(hookMm) => choose('hook', { hookMm })}
        />
        <Yarns
          plan={plan}
          entry={entry}
          rounds={rounds.length}
          onChange={(yarns) => choose('yarn', { yarns })}
        />
        <EntryStart plan={plan} entry={entry} onChange={(start) => choose('start', { start })} />
      </div>
      {entry.written && <OwnRound entry={entry} language={language} />}
      {family?.caution && <p className="caution small entry-counts">{family.caution}</p>}
      {rounds.length > 0 ? <FitWords plan={plan} rounds={rounds} /> : <NotWorked plan={plan} />}
    </li>
  );
}

/** Why an entry is not worked: a round before it, or its own first, goes beyond what can be planned. */
function NotWorked({ plan }: { readonly plan: Plan }) {
  const why = plan.problems.find((p) => p.code === 'round-too-large' || p.code === 'round-makes-nothing');
  return why ? <span className="odd small entry-counts">{problemLine(why)}</span> : null;
}

function FitWords({ plan, rounds }: { readonly plan: Plan; readonly rounds: readonly RoundPlan[] }) {
  const last = rounds[rounds.length - 1]!;
  const odd = rounds.find((r) => !r.even);
  if (!odd) {
    return (
      <span className="quiet small entry-counts">
        {(isDisc(plan.body.outline) ? [] : last.sides)
          .map(
            ({ tally }, i) =>
              `${plan.sides[i]!.name} ${tally.stitches}${tally.spaces > 0 ? ` and ${plural(tally.spaces, 'space')}` : ''}`,
          )
          .concat(`${last.total} in all`)
          .join(' · ')}
      </span>
    );
  }
  const stuck = odd.sides.some((s) => s.fit?.stuck);
  if (stuck) {
    const told = plan.problems.find((p) => p.where.in === 'round' && p.where.number === odd.number);
    return (
      <span className="odd small entry-counts">{told ? problemLine(told) : 'Cannot be worked here.'}</span>
    );
  }
  const sides = odd.sides.flatMap((s, i) =>
    s.fit && (s.fit.over > 0 || s.fit.short > 0)
      ? [`${plan.sides[i]!.name} ${s.fit.over > 0 ? `${s.fit.over} over` : `${s.fit.short} too few`}`]
      : [],
  );
  return <span className="odd small entry-counts">Does not fit: {sides.join(', ')}</span>;
}

function Swatch({ plan, yarn }: { readonly plan: Plan; readonly yarn: string }) {
  return (
    <span className="swatch" style={{ background: plan.hem.yarns.find((y) => y.id === yarn)!.colour }} />
  );
}

/** The yarn of an entry; of several worked rounds, one that they share or several that repeat round by round. */
function Yarns({
  plan,
  entry,
  rounds,
  onChange,
}: {
  readonly plan: Plan;
  readonly entry: RoundEntry;
  readonly rounds: number;
  readonly onChange: (yarns: readonly string[]) => void;
}) {
  const { yarns } = entry;
  return (
    <span className="yarns">
      {yarns.map((yarn, k) => (
        <YarnChoice
          key={k}
          plan={plan}
          value={yarn}
          label={yarns.length === 1 ? 'Yarn' : `Yarn ${k + 1}`}
          onChange={(id) => onChange(yarns.map((y, i) => (i === k ? id : y)))}
        />
      ))}
      {rounds > yarns.length && (
        <Button
          size="small"
          onClick={() => {
            const last = plan.hem.yarns.findIndex((y) => y.id === yarns[yarns.length - 1]);
            onChange([...yarns, plan.hem.yarns[(last + 1) % plan.hem.yarns.length]!.id]);
          }}
        >
          {yarns.length === 1 ? 'Stripes' : 'One more'}
        </Button>
      )}
      {yarns.length > 1 && (
        <Button size="small" onClick={() => onChange(yarns.slice(0, -1))}>
          One fewer
        </Button>
      )}
    </span>
  );
}

/** Where the rounds of an entry begin, where that is not where the others do. */
function EntryStart({
  plan,
  entry,
  onChange,
}: {
  readonly plan: Plan;
  readonly entry: RoundEntry;
  readonly onChange: (start: RoundEntry['start']) => void;
}) {
  const { newYarn: _, ...usual } = plan.hem.base.start;
  const name = familyById(entry.family)?.name ?? 'Own round';
  return (
    <>
      <Checkbox
        checked={entry.start !== null}
        onChange={(e) => onChange(e.target.checked ? usual : null)}
        aria-label={`${name} starts elsewhere`}
      >
        starts elsewhere
      </Checkbox>
      {entry.start && (
        <StartChoice
          plan={plan}
          value={entry.start}
          name={`${name} starts`}
          onChange={(part) => onChange({ ...usual, ...entry.start, ...part })}
        />
      )}
    </>
  );
}

/** A yarn from the basket, by its colour. */
function YarnChoice({
  plan,
  value,
  label,
  onChange,
}: {
  readonly plan: Plan;
  readonly value: string;
  readonly label: string;
  readonly onChange: (id: string) => void;
}) {
  return (
    <Select
      size="small"
      aria-label={label}
      value={value}
      className="yarn-choice"
      popupMatchSelectWidth={false}
      options={plan.hem.yarns.map((y) => ({ value: y.id, label: y.name }))}
      optionRender={(o) => (
        <span>
          <Swatch plan={plan} yarn={String(o.value)} /> {o.label}
        </span>
      )}
      onChange={onChange}
    />
  );
}
