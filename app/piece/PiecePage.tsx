import { HookField } from '../controls/HookField.tsx';
import { yarnOf } from '../../core/document/hem.ts';
import { Select } from 'antd';
import { useRef, useState, type ComponentType } from 'react';
import { hasMovableCorners, type Piece } from '../../core/piece/piece.ts';
import { CONSTRUCTIONS, PIECE_KINDS, type PieceKind } from '../../core/piece/registry.ts';
import { constructionOf } from '../../core/edits/constructions.ts';
import * as edits from '../../core/edits/piece.ts';
import { problemLine } from '../../core/problems.ts';
import { abbreviation, stitchName } from '../../core/terms/stitches.ts';
import { YARN_WEIGHTS, type YarnWeightNumber } from '../../core/terms/yarnWeights.ts';
import { PlanDrawing } from '../drawing/PlanDrawing.tsx';
import type { PlanPart } from '../../drawing/parts.ts';
import { IconChoice, pathIcon } from '../controls/IconChoice.tsx';
import { ColourButton } from '../controls/ColourButton.tsx';
import { BegunNote } from '../sections/BegunNote.tsx';
import { Guard } from '../hem/Guard.tsx';
import { WORDS } from '../../core/terms/words.ts';
import { bodyLiesWords } from '../../core/document/partWords.ts';
import { unequalWords } from '../../core/plan/readingWords.ts';
import { smallLengthWords } from '../../core/say/measures.ts';
import { useHemStore, useInTerms, usePlan } from '../hem/context.ts';
import { Field } from '../controls/Field.tsx';
import type { EditorProps } from './editorProps.ts';
import { GaugeSwatch } from './GaugeSwatch.tsx';
import { CornerHandles } from './CornerHandles.tsx';
import { AlongPart } from './AlongPart.tsx';
import { ManyAlike } from './ManyAlike.tsx';
import { MotifsOnPiece } from './MotifsOnPiece.tsx';
import { MotifTools, useMotifTool, type MotifTool } from './MotifTools.tsx';
import { PartPanel } from './PartPanel.tsx';
import { EDITORS } from './editors.tsx';
import styles from './piece.module.css';
import { NumberField } from '../look/NumberField.tsx';

const BASE_ROUND: readonly number[] = [0];

const PARTS = ['side', 'corner', 'join', 'rows'] as const;
const NO_PARTS = [] as const;
const WITHOUT_CORNERS = ['side', 'join', 'rows'] as const;

/** The piece: its construction and measures, the yarn and gauge of its border. */
export function PiecePage() {
  const plan = usePlan();
  const store = useHemStore();
  const inTerms = useInTerms();
  const { piece } = plan.hem;
  const [picked, setPicked] = useState<PlanPart | null>(null);
  const [tool, setTool] = useState<MotifTool | null>(null);
  const movable = hasMovableCorners(piece);
  const problems = plan.problems.filter((p) => p.where.in === 'the piece');
  const put = (label: string, changed: Piece): void => void store.do(edits.describePiece(label, changed));
  const press = useMotifTool(plan, put);
  const motifs = piece.kind === 'grid' ? piece : null;
  const brush = motifs && tool;
  // What was said of another construction is there when one comes back to it.
  const left = useRef(new Map<Piece['kind'], Piece>());
  const choose = (kind: PieceKind): void => {
    if (kind === piece.kind) return;
    left.current.set(piece.kind, piece);
    const chosen = left.current.get(kind) ?? constructionOf(kind, plan.hem);
    store.do(edits.chooseConstruction(CONSTRUCTIONS[kind].name.toLowerCase(), chosen));
  };
  return (
    <div className={styles.page}>
      <section className={styles.plan}>
        <Guard what="The drawing of the piece" resetKeys={[plan]}>
          <PlanDrawing
            plan={plan}
            parts={brush ? NO_PARTS : movable ? WITHOUT_CORNERS : PARTS}
            picked={picked}
            onPick={setPicked}
          >
            {movable && (
              <CornerHandles
                plan={plan}
                onPick={(side) => setPicked({ kind: 'corner', side })}
                onPiece={put}
              />
            )}
            {motifs && brush && (
              <MotifsOnPiece
                plan={plan}
                piece={motifs}
                does={brush.does === 'color' ? inTerms('Color') : 'Leave out'}
                withGaps={brush.does === 'leave out'}
                withColours={brush.does === 'color'}
                onMotif={(motif, here) => press(brush, motif, here)}
              />
            )}
          </PlanDrawing>
          {motifs && <MotifTools plan={plan} piece={motifs} tool={tool} onTool={setTool} />}
          {movable && (
            <p className="quiet small">
              Drag a corner of the piece, or type below. Lengths follow, and your counts with them.
            </p>
          )}
        </Guard>
        <Guard what="The part that is picked" resetKeys={[plan, picked]}>
          {!brush && <PartPanel plan={plan} part={picked} onPiece={put} />}
        </Guard>
      </section>
      <section className={styles.words} onBlur={() => store.endJoin()}>
        <BegunNote plan={plan} rounds={BASE_ROUND} />
        <h1>The piece</h1>
        <IconChoice
          label="How it was made"
          value={piece.kind}
          options={PIECE_KINDS.map((kind) => ({
            value: kind,
            name: CONSTRUCTIONS[kind].name,
            icon: pathIcon(EDITORS[kind].icon),
          }))}
          onChoose={choose}
        />
        <PieceEditor piece={piece} onChange={put} />
        <LiesItself />
        <Guard what="Only a part" resetKeys={[plan]}>
          <AlongPart />
        </Guard>
        <Guard what="Many alike" resetKeys={[plan]}>
          <ManyAlike />
        </Guard>
        {unequalWords(plan).map((words) => (
          <p key={words} className="problem small">
            {words}
          </p>
        ))}
        {problems.map((p) => (
          <p key={p.code} className="problem">
            {problemLine(p)}
          </p>
        ))}
      </section>
      <GaugeFields />
    </div>
  );
}

const LIES = [
  ['flat', 'lies flat'],
  ['ripples', 'waves'],
  ['cups', 'pulls in'],
] as const;

/** How the piece itself lies, before it has a border. */
function LiesItself() {
  const store = useHemStore();
  const { hem } = usePlan();
  const words = bodyLiesWords(hem);
  return (
    <>
      <div className={styles.liesItself} role="radiogroup" aria-label="How the piece itself lies">
        <span>Without a border it</span>
        {LIES.map(([value, label]) => (
          <label key={value}>
            <input
              type="radio"
              name="lies"
              checked={hem.bodyLies === value}
              onChange={() => store.do(edits.sayHowItLies(value))}
            />{' '}
            {label}
          </label>
        ))}
      </div>
      {words && <p className="problem small">{words}</p>}
    </>
  );
}

function PieceEditor({ piece, onChange }: EditorProps<Piece>) {
  const { Editor } = EDITORS[piece.kind] as { readonly Editor: ComponentType<EditorProps<Piece>> };
  return <Editor piece={piece} onChange={onChange} />;
}

/** Yarn weight, hook and gauge of the border. */
function GaugeFields() {
  const plan = usePlan();
  const inTerms = useInTerms();
  const store = useHemStore();
  const { gauge, preferences, base, pieceColour } = plan.hem;
  const { weight, colour } = yarnOf(plan.hem, base.yarn);
  return (
    <section className={styles.gauge} onBlur={() => store.endJoin()}>
      <h2>The border’s {WORDS[preferences.language].gauge}</h2>
      <Field label="Yarn weight">
        <Select<YarnWeightNumber>
          aria-label="Yarn weight"
          value={weight}
          popupMatchSelectWidth={false}
          options={YARN_WEIGHTS.map((w) => ({
            value: w.number,
            label: `${w.number} · ${w.name[preferences.language]}`,
          }))}
          onChange={(number) => store.do(edits.chooseWeight(number))}
        />
      </Field>
      <Field label="Hook">
        <HookField
          label="Hook"
          hookMm={gauge.hookMm}
          onChange={(v) => v !== null && store.do(edits.setGauge({ hookMm: v }))}
        />
      </Field>
      <Field label={`${stitchName('sc', preferences.language)} in 10 cm (4 in)`}>
        <NumberField
          aria-label="Stitches in 10 cm"
          min={1}
          max={100}
          step={0.5}
          value={gauge.stitchesPer10Cm}
          onChange={(v) => v && store.do(edits.setGauge({ stitchesPer10Cm: v }))}
        />
      </Field>
      <GaugeSwatch
        stitches={gauge.stitchesPer10Cm}
        colour={colour}
        name={abbreviation('sc', preferences.language)}
      />
      <p className="quiet small">
        Usual values for this weight. Your own swatch is better: measure 4 in (10 cm). One border stitch is{' '}
        {smallLengthWords(plan.stitchWidthMm, preferences.length)} wide.
      </p>
      <Field label={inTerms('Color of the piece')}>
        <ColourButton
          label={inTerms('Color of the piece')}
          colour={pieceColour}
          onColour={(colour) => store.do(edits.colourPiece(colour))}
        />
      </Field>
    </section>
  );
}
