import { held } from '../../core/held.ts';
import { useQueryClient } from '@tanstack/react-query';
import { nanoid } from 'nanoid';
import { useMemo, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { newHem } from '../../core/document/newHem.ts';
import type { Hem } from '../../core/document/hem.ts';
import { constructionOf } from '../../core/edits/constructions.ts';
import { performed } from '../../core/edits/edit.ts';
import { chooseConstruction, describePiece } from '../../core/edits/piece.ts';
import type { StackPosition } from '../../core/edits/rounds.ts';
import { entriesFor } from '../../core/forecast/nextRound.ts';
import { fitted } from '../../core/fit/fitted.ts';
import { usualGauge } from '../../core/hands/gauge.ts';
import { askedOf, type Piece } from '../../core/piece/piece.ts';
import { inStitch, STITCH_OF_ROWS } from '../../core/piece/rows/rows.ts';
import { broughtToWidth } from '../../core/forecast/toWidth.ts';
import { CONSTRUCTIONS, PIECE_KINDS, type PieceKind } from '../../core/piece/registry.ts';
import { plan } from '../../core/plan/planner.ts';
import type { Plan } from '../../core/plan/types.ts';
import { startOfHabit } from '../../core/base/start.ts';
import type { Family } from '../../core/rounds/family.ts';
import { problemLine, type Problem } from '../../core/problems.ts';
import { sizeWords } from '../../core/say/measures.ts';
import { PlanDrawing } from '../drawing/PlanDrawing.tsx';
import { LatticeChoice } from '../controls/LatticeChoice.tsx';
import { sampleHem } from './samples.ts';
import { StitchOfRows } from './StitchOfRows.tsx';
import { Guard } from '../hem/Guard.tsx';
import { Button } from '../look/Button.tsx';
import { useNotices } from '../look/notices.tsx';
import { NumberField } from '../look/NumberField.tsx';
import { Themed } from '../look/Themed.tsx';
import { FamilyLibrary } from '../rounds/Library.tsx';
import { withWarning } from '../shelf/telling.ts';
import { library, libraryReady } from '../storage/here.ts';
import { shelfChanged } from '../storage/shelfQuery.ts';
import { handsToBegin, type HandsToBegin } from '../workers/hands.ts';
import styles from './start.module.css';

/** A hem of a construction, without a round that nobody asked for. */
function hemOf(kind: PieceKind, id: string, now: Date, { hands, pace, habits }: HandsToBegin): Hem {
  const usual = newHem(id, now);
  const gauge = usualGauge(usual.yarns[0]!.weight, hands);
  const base = { ...usual.base, start: startOfHabit(habits) };
  const blank: Hem = { ...usual, base, hands, gauge, pace: pace ?? usual.pace, rounds: [] };
  if (blank.piece.kind === kind) return blank;
  const outcome = performed(blank, chooseConstruction(kind, constructionOf(kind, blank)));
  return outcome.ok ? outcome.value : blank;
}

/** A new hem: what was made, at most four numbers, and which edge. Nothing is stored before it is begun. */
export function StartPage() {
  const navigate = useNavigate();
  const queries = useQueryClient();
  const notices = useNotices();
  const [id] = useState(() => nanoid(10));
  // Worked out while the person looks at the pictures.
  const [known] = useState(() => handsToBegin());
  const [hem, setHem] = useState<Hem | null>(null);
  /** Answers for other constructions, for whoever comes back to one. */
  const [before, setBefore] = useState<Readonly<Partial<Record<PieceKind, Hem>>>>({});
  /** Fields that were typed into, of each. */
  const [said, setSaid] = useState<Readonly<Partial<Record<PieceKind, ReadonlySet<string>>>>>({});
  const [choosing, setChoosing] = useState(false);
  /** Width that the border is to have, cm; null leaves it to the edge. */
  const [borderCm, setBorderCm] = useState<number | null>(null);
  const made = useMemo(() => (hem ? plan(hem) : null), [hem]);
  const begin = async (ready: Hem, first?: 'propose'): Promise<void> => {
    const kept = await withWarning(notices, async () => {
      await libraryReady();
      await library.add([ready], 'a new hem');
      return true;
    });
    if (!kept) return;
    await shelfChanged(queries);
    const stop = first ?? (ready.rounds.length > 0 ? 'rounds' : 'base');
    await navigate(`/hem/${ready.id}/${stop}`, { replace: true });
  };
  const withEdge = (family: Family, where: StackPosition): void => {
    const rounds = entriesFor(held(made, 'an edge is chosen for a piece'), family, where, 'contrast', [
      nanoid(8),
      nanoid(8),
    ]);
    const chosen = held(hem, 'an edge is chosen for a piece');
    const edged = { ...chosen, rounds: [...chosen.rounds, ...rounds] };
    void begin(fitted(borderCm === null ? edged : broughtToWidth(edged, borderCm * 10, nanoid(8))));
  };
  return (
    <Themed>
      <main className={styles.start}>
        <p>
          <Link to="/">Back to the shelf</Link>
        </p>
        {!hem || !made ? (
          <Kinds
            onChoose={(kind) =>
              void known.then((k) => setHem(before[kind] ?? hemOf(kind, id, new Date(), k)))
            }
          />
        ) : choosing ? (
          <>
            <h1>Which edge?</h1>
            <p className="quiet">Each is drawn on your piece. You can change it, and add rounds, later.</p>
            <p className={styles.tools}>
              <Button onClick={() => setChoosing(false)}>Back to the piece</Button>
              <Button onClick={() => void begin(hem)}>Only a base round</Button>
              <Button onClick={() => void begin(hem, 'propose')}>Show me whole borders</Button>
            </p>
            <Guard what="The library of rounds" resetKeys={[made]}>
              <FamilyLibrary plan={made} onAdd={withEdge} />
            </Guard>
          </>
        ) : (
          <Measures
            plan={made}
            said={said[hem.piece.kind] ?? NOTHING_SAID}
            borderCm={borderCm}
            onBorder={setBorderCm}
            onHem={(changed, what) => {
              const { kind } = changed.piece;
              setSaid({ ...said, [kind]: new Set([...(said[kind] ?? []), what]) });
              setHem(changed);
            }}
            onBack={() => {
              setBefore({ ...before, [hem.piece.kind]: hem });
              setHem(null);
            }}
            onEdge={() => setChoosing(true)}
            onBegin={() => void begin(hem)}
          />
        )}
      </main>
    </Themed>
  );
}

/** The constructions as pictures. */
function Kinds({ onChoose }: { readonly onChoose: (kind: PieceKind) => void }) {
  const samples = useMemo(
    () => PIECE_KINDS.map((kind) => [kind, plan(sampleHem(kind, SAMPLE_DATE))] as const),
    [],
  );
  return (
    <>
      <h1>What did you make?</h1>
      <ul className={styles.kinds}>
        {samples.map(([kind, sample]) => (
          <li key={kind}>
            <button type="button" className={styles.kind} onClick={() => onChoose(kind)}>
              <span className={styles.picture} aria-hidden="true">
                <PlanDrawing plan={sample} bare />
              </span>
              {CONSTRUCTIONS[kind].name}
            </button>
          </li>
        ))}
      </ul>
    </>
  );
}

const SAMPLE_DATE = new Date('2026-01-01T00:00:00Z');
const NOTHING_SAID: ReadonlySet<string> = new Set();

/** The few numbers that are asked, beside the piece as they make it. */
function Measures({
  plan: made,
  said,
  borderCm,
  onBorder,
  onHem,
  onBack,
  onEdge,
  onBegin,
}: {
  readonly plan: Plan;
  /** Fields that were typed into already. */
  readonly said: ReadonlySet<string>;
  /** Width of the border, cm, where one is wanted. */
  readonly borderCm: number | null;
  readonly onBorder: (cm: number | null) => void;
  readonly onHem: (hem: Hem, what: string) => void;
  readonly onBack: () => void;
  readonly onEdge: () => void;
  readonly onBegin: () => void;
}) {
  const { hem } = made;
  const { piece } = hem;
  const [refused, setRefused] = useState<readonly Problem[]>([]);
  const describe = (what: string, described: Piece): void => {
    const outcome = performed(hem, describePiece(what, described));
    setRefused(outcome.ok ? [] : outcome.problems);
    if (outcome.ok) onHem(outcome.value, what);
  };
  return (
    <div className={styles.measures}>
      <section>
        <h1>{CONSTRUCTIONS[piece.kind].name}: how big is it?</h1>
        {piece.kind === 'grid' && <LatticeChoice piece={piece} onChange={describe} />}
        {piece.kind === 'rows' && (
          <StitchOfRows
            piece={piece}
            language={hem.preferences.language}
            onStitch={(stitch) => describe(STITCH_OF_ROWS, inStitch(piece, stitch, said))}
          />
        )}
        <div className={styles.fields}>
          {askedOf(piece).map(({ what, unit, least, most, of, told, suffix }) => (
            <label key={what}>
              {what}
              <NumberField
                live
                aria-label={what}
                min={least}
                max={most}
                value={of(piece)}
                step={unit === 'cm' ? 0.5 : 1}
                {...(unit !== 'cm' && unit !== 'mm' && { precision: 0 })}
                unit={unit === 'cm' || unit === 'mm' || unit === 'in' ? unit : null}
                suffix={suffix?.(piece, hem.preferences.language) ?? unit}
                onChange={(value) => {
                  if (value !== null) describe(what, told(piece, value, said));
                }}
              />
            </label>
          ))}
          <label>
            Width of the border, if you want a certain one
            <NumberField
              live
              optional
              aria-label="Width of the border"
              min={1}
              max={40}
              step={0.5}
              unit="cm"
              suffix="cm"
              placeholder="as it comes"
              value={borderCm}
              onChange={onBorder}
            />
          </label>
        </div>
        {refused.map((p) => (
          <p key={p.code} className="problem">
            {problemLine(p)}
          </p>
        ))}
        <p>
          {sizeWords(made.bodySize, hem.preferences.length)}. Worsted yarn and single crochet to begin with:
          yarn, gauge, stitches of the edge and all else can be changed on the next pages.
        </p>
        <p className={styles.tools}>
          <Button type="primary" onClick={onEdge}>
            Choose an edge
          </Button>
          <Button onClick={onBegin}>Only a base round</Button>
          <Button onClick={onBack}>Something else</Button>
        </p>
      </section>
      <Guard what="The drawing of the piece" resetKeys={[made]}>
        <PlanDrawing plan={made} />
      </Guard>
    </div>
  );
}
