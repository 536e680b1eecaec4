import { ownName } from '../../core/stack/stack.ts';
import { context2d } from '../../drawing/context2d.ts';
import { held } from '../../core/held.ts';
import {
  DndContext,
  KeyboardSensor,
  PointerSensor,
  closestCenter,
  useSensor,
  useSensors,
  type Announcements,
} from '@dnd-kit/core';
import {
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable';
import { memo, useEffect, useMemo, useRef } from 'react';
import { landmarksOf } from '../../core/chart/landmarks.ts';
import { yarnOf, type RoundEntry } from '../../core/document/hem.ts';
import * as edits from '../../core/edits/rounds.ts';
import { FLATNESS, type Verdict } from '../../core/flat/flat.ts';
import type { Plan, RoundPlan } from '../../core/plan/types.ts';
import { familyById } from '../../core/rounds/registry.ts';
import { countsWords } from '../../core/plan/countWords.ts';
import { flatnessWords } from '../../core/flat/flatWords.ts';
import { paint } from '../../drawing/paint.ts';
import { sceneOf, type Scene } from '../../drawing/scene.ts';
import { useHemStore } from '../hem/context.ts';
import { useAfterPaint } from '../look/afterPaint.ts';
import { Button } from '../look/Button.tsx';
import { useTheme } from '../look/ThemeAndNotices.tsx';
import { DotsSixVerticalIcon, TrashIcon } from '../look/icons.ts';
import { THEMES } from '../look/tokens.ts';
import styles from './stack.module.css';

export interface StackProps {
  readonly plan: Plan;
  /** Id of the entry that is picked; null for the base round. */
  readonly picked: string | null;
  readonly onPick: (entry: string | null) => void;
}

const nameOf = (entry: RoundEntry): string => familyById(entry.family)?.name ?? ownName(entry);

/** The rounds, the outermost on top, as they lie on the piece: a line each. */
export function StackList({ plan, picked, onPick }: StackProps) {
  const store = useHemStore();
  const { sheet } = THEMES[useTheme()];
  const drawn = useAfterPaint(plan);
  const pictures = useMemo(
    () => ({
      plan: drawn,
      scene: sceneOf(drawn, { face: 'yarn', seen: 'right', round: null, ground: sheet }),
    }),
    [drawn, sheet],
  );
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 5 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const entries = [...plan.hem.rounds].reverse();
  return (
    <div className={styles.stack}>
      <DndContext
        sensors={sensors}
        collisionDetection={closestCenter}
        accessibility={{
          announcements: announcements(entries),
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
          <ol aria-label="Rounds">
            {entries.map((e) => (
              <EntryLine
                key={e.id}
                plan={plan}
                pictures={pictures}
                entry={e}
                picked={picked}
                onPick={onPick}
              />
            ))}
          </ol>
        </SortableContext>
      </DndContext>
      <div className={styles.line}>
        <span />
        <LineButton
          plan={plan}
          pictures={pictures}
          rounds={[plan.rounds[0]!]}
          name="Base round"
          numbers=""
          yarns={[plan.hem.base.yarn]}
          here={picked === null}
          onPick={() => onPick(null)}
        />
      </div>
    </div>
  );
}

/** Words while a round is moved. */
function announcements(entries: readonly RoundEntry[]): Announcements {
  const name = (id: string | number): string => {
    const entry = entries.find((e) => e.id === id);
    return entry ? nameOf(entry) : 'The round';
  };
  const place = (id: string | number): string =>
    `entry ${entries.length - entries.findIndex((e) => e.id === id)} of ${entries.length}, counted from the piece`;
  return {
    onDragStart: ({ active }) => `${name(active.id)} taken up.`,
    onDragOver: ({ over }) => (over ? `Now ${place(over.id)}.` : 'Now beside the rounds.'),
    onDragEnd: ({ active, over }) =>
      over ? `${name(active.id)} put down as ${place(over.id)}.` : `${name(active.id)} stays where it was.`,
    onDragCancel: ({ active }) => `Move cancelled. ${name(active.id)} stays where it was.`,
  };
}

/** Source of the pictures of the lines: a plan that may be one edit behind. */
interface Pictures {
  readonly plan: Plan;
  readonly scene: Scene;
}

interface EntryLineProps extends StackProps {
  readonly pictures: Pictures;
  readonly entry: RoundEntry;
}

function EntryLine({ plan, pictures, entry, picked, onPick }: EntryLineProps) {
  const store = useHemStore();
  const { attributes, listeners, setNodeRef, setActivatorNodeRef, transform, transition, isDragging } =
    useSortable({ id: entry.id });
  const name = nameOf(entry);
  const rounds = plan.rounds.filter((r) => r.written?.entry.id === entry.id);
  const numbers = [...new Set([rounds[0], rounds[rounds.length - 1]].map((r) => r?.number ?? '–'))].join('–');
  // Two of a kind are told apart by where they are.
  const spoken = rounds.length > 0 ? `${name}, round ${numbers}` : name;
  return (
    <li
      ref={setNodeRef}
      className={isDragging ? `${styles.line} ${styles.moving}` : styles.line}
      style={{ transform: transform ? `translateY(${transform.y}px)` : undefined, transition }}
    >
      <button
        type="button"
        ref={setActivatorNodeRef}
        className={styles.grip}
        aria-label={`Move ${spoken}`}
        {...attributes}
        {...listeners}
      >
        <DotsSixVerticalIcon />
      </button>
      <LineButton
        plan={plan}
        pictures={pictures}
        rounds={rounds}
        name={name}
        numbers={numbers}
        yarns={entry.yarns}
        here={picked === entry.id}
        onPick={() => onPick(entry.id)}
      />
      <Button
        type="text"
        size="small"
        aria-label={`Remove ${spoken}`}
        icon={<TrashIcon />}
        onClick={() => store.do(edits.removeRound(entry))}
      />
    </li>
  );
}

interface LineButtonProps {
  readonly plan: Plan;
  readonly pictures: Pictures;
  readonly rounds: readonly RoundPlan[];
  readonly name: string;
  readonly numbers: string;
  readonly yarns: readonly string[];
  readonly here: boolean;
  readonly onPick: () => void;
}

/** Label of a line, which picks its rounds. */
function LineButton({ plan, pictures, rounds, name, numbers, yarns, here, onPick }: LineButtonProps) {
  const last = rounds[rounds.length - 1];
  const odd = rounds.find((r) => !r.even);
  const entry = last?.written?.entry.id;
  const pictured = pictures.plan.rounds.findLast((r) => r.written?.entry.id === entry);
  return (
    <button type="button" className={styles.pick} aria-pressed={here} onClick={onPick}>
      {last && pictured ? (
        <RoundPicture plan={pictures.plan} scene={pictures.scene} round={pictured.number} />
      ) : (
        <span />
      )}
      <span className={styles.number}>{numbers}</span>
      <span className={styles.name}>
        {name}
        <span className={odd || !last ? 'odd' : styles.counts}>
          {odd ? missWords(odd) : last ? countsWords(plan, last.number) : 'not worked'}
        </span>
      </span>
      <span className={styles.yarns}>
        {yarns.slice(0, 4).map((yarn, k) => (
          <YarnDot key={k} plan={plan} yarn={yarn} />
        ))}
      </span>
      {last && <FlatMark verdict={worstOf(rounds)} />}
    </button>
  );
}

function missWords({ sides }: RoundPlan): string {
  const misses = sides.flatMap(({ fit }) =>
    fit && (fit.over > 0 || fit.short > 0 || fit.stuck) ? [fit] : [],
  );
  const [first] = misses;
  if (!first || first.stuck) return 'cannot be worked here';
  return first.over > 0 ? `${first.over} left over` : `${first.short} too few`;
}

/** A yarn as a dot of its colour. */
function YarnDot({ plan, yarn }: { readonly plan: Plan; readonly yarn: string }) {
  const { colour, name } = yarnOf(plan.hem, yarn);
  return <span className="swatch" style={{ background: colour }} title={name} />;
}

const worstOf = (rounds: readonly RoundPlan[]): Verdict =>
  rounds
    .flatMap((r) => r.sides.map((s) => s.verdict))
    .reduce((a, b) => (FLATNESS[b] > FLATNESS[a] ? b : a), 'flat');

/** How the edge of the fabric looks: straight, hardly waved, waved, or bowed. */
const FLAT_LINES: Readonly<Record<Verdict, string>> = {
  flat: 'M1 7 H21',
  'blocks out': 'M1 7 C 5 5, 8 5, 11 7 S 17 9, 21 7',
  ripples: 'M1 7 C 3 0, 5 0, 8 7 S 12 14, 15 7 S 19 0, 21 5',
  cups: 'M1 2 C 5 14, 17 14, 21 2',
};

function FlatMark({ verdict }: { readonly verdict: Verdict }) {
  return (
    <svg
      className={`${styles.mark} ${styles[verdict.replace(' ', '-')]}`}
      viewBox="0 0 22 14"
      role="img"
      aria-label={flatnessWords(verdict)}
    >
      <title>{flatnessWords(verdict)}</title>
      <path d={FLAT_LINES[verdict]} />
    </svg>
  );
}

const PICTURE = { width: 44, height: 30, stitches: 4.2 } as const;

interface RoundPictureProps {
  readonly plan: Plan;
  readonly scene: Scene;
  readonly round: number;
}

/** A few stitches of a round, from the middle of its first side. */
const RoundPicture = memo(function RoundPicture({ plan, scene, round }: RoundPictureProps) {
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    const at = landmarksOf(plan, round).find((l) => l.kind === 'side');
    const made = plan.rounds[round]!;
    const ratio = window.devicePixelRatio || 1;
    const element = held(canvas.current, 'it is on the page while effects and events run');
    element.width = PICTURE.width * ratio;
    element.height = PICTURE.height * ratio;
    if (!at) return;
    const inwards = made.ownHeightMm / 2;
    const far = Math.hypot(at.x, at.y) || 1;
    // A round that is taller than the picture is shown whole.
    const scale = Math.min(
      (PICTURE.width * ratio) / (PICTURE.stitches * made.stitchWidthMm),
      (0.84 * PICTURE.height * ratio) / made.ownHeightMm,
    );
    paint(
      context2d(element),
      { ...scene, body: [], rounds: [scene.rounds[round]!] },
      { x: at.x - (at.x / far) * inwards, y: at.y - (at.y / far) * inwards, scale },
    );
  }, [plan, scene, round]);
  return (
    <canvas
      ref={canvas}
      className={styles.picture}
      style={{ width: PICTURE.width, height: PICTURE.height }}
      aria-hidden="true"
    />
  );
});
