import { useRef, useState } from 'react';
import { constructionOf } from '../../core/edits/constructions.ts';
import * as edits from '../../core/edits/piece.ts';
import type { Piece } from '../../core/piece/piece.ts';
import { CONSTRUCTIONS, type PieceKind } from '../../core/piece/registry.ts';
import { unequalWords } from '../../core/plan/readingWords.ts';
import { problemLine } from '../../core/problems.ts';
import { smallLengthWords } from '../../core/say/measures.ts';
import { stitchName } from '../../core/terms/stitches.ts';
import { WORDS } from '../../core/terms/words.ts';
import type { PlanPart } from '../../drawing/parts.ts';
import { Field } from '../controls/Field.tsx';
import { Meaning } from '../controls/Meaning.tsx';
import { Guard } from '../hem/Guard.tsx';
import { useHemStore, usePlan } from '../hem/context.ts';
import { NumberField } from '../look/NumberField.tsx';
import { BegunNote } from '../sections/BegunNote.tsx';
import { AllFields } from './AllFields.tsx';
import { AlongPart } from './AlongPart.tsx';
import { LiesItself } from './LiesItself.tsx';
import { MadeAs } from './MadeAs.tsx';
import { MadeWith } from './MadeWith.tsx';
import { ManyAlike } from './ManyAlike.tsx';
import { MotifTools, type MotifTool } from './MotifTools.tsx';
import { PartPanel } from './PartPanel.tsx';
import { PieceStage } from './PieceStage.tsx';
import { TrueSwatch } from './TrueSwatch.tsx';
import styles from './piece.module.css';

const BASE_ROUND: readonly number[] = [0];

/** The piece as a drawing that is touched, and beside it the choices of what was touched. */
export function PiecePage() {
  const plan = usePlan();
  const store = useHemStore();
  const { piece } = plan.hem;
  const [picked, setPicked] = useState<PlanPart | null>(null);
  const [tool, setTool] = useState<MotifTool | null>(null);
  const problems = plan.problems.filter((p) => p.where.in === 'the piece');
  const put = (label: string, changed: Piece): void => void store.do(edits.describePiece(label, changed));
  // What was said of another construction is there when one comes back to it.
  const left = useRef(new Map<Piece['kind'], Piece>());
  const choose = (kind: PieceKind): void => {
    if (kind === piece.kind) return;
    left.current.set(piece.kind, piece);
    const chosen = left.current.get(kind) ?? constructionOf(kind, plan.hem);
    setPicked(null);
    store.do(edits.chooseConstruction(CONSTRUCTIONS[kind].name.toLowerCase(), chosen));
  };
  return (
    <div className={styles.page} onBlur={() => store.endJoin()}>
      <section aria-label="The piece, drawn">
        <div className={styles.bar}>
          <h1>The piece</h1>
          <MadeAs piece={piece} onChange={put} onKind={choose} />
          <MadeWith plan={plan} />
        </div>
        <Guard what="The drawing of the piece" resetKeys={[plan]}>
          <PieceStage plan={plan} picked={picked} onPick={setPicked} tool={tool} onPiece={put} />
          {piece.kind === 'grid' && <MotifTools plan={plan} piece={piece} tool={tool} onTool={setTool} />}
        </Guard>
      </section>
      <section className={styles.beside} aria-label="Choices">
        <BegunNote plan={plan} rounds={BASE_ROUND} />
        {problems.map((p) => (
          <p key={p.code} className="problem">
            {problemLine(p)}
          </p>
        ))}
        {unequalWords(plan).map((words) => (
          <p key={words} className="problem small">
            {words}
          </p>
        ))}
        <Guard what="The part that is picked" resetKeys={[plan, picked]}>
          {!(piece.kind === 'grid' && tool) && <PartPanel plan={plan} part={picked} onPiece={put} />}
        </Guard>
        <BorderGauge />
        <LiesItself />
        <Guard what="Only a part" resetKeys={[plan]}>
          <AlongPart />
        </Guard>
        <Guard what="Many alike" resetKeys={[plan]}>
          <ManyAlike />
        </Guard>
        <AllFields piece={piece} onChange={put} />
      </section>
    </div>
  );
}

/** Gauge of the border, as a number and as a swatch. */
function BorderGauge() {
  const plan = usePlan();
  const store = useHemStore();
  const { gauge, preferences } = plan.hem;
  return (
    <section className={styles.gauge}>
      <Field
        label={`Border’s ${WORDS[preferences.language].gauge}: ${stitchName('sc', preferences.language)} in 10 cm (4 in)`}
      >
        <NumberField
          aria-label="Stitches in 10 cm"
          min={1}
          max={100}
          step={0.5}
          value={gauge.stitchesPer10Cm}
          onChange={(v) => v && store.do(edits.setGauge({ stitchesPer10Cm: v }))}
        />
      </Field>
      <Guard what="The swatch" resetKeys={[plan]}>
        <TrueSwatch plan={plan} />
      </Guard>
      <p className="quiet small">
        <Meaning of="gauge" as="Gauge" />: usual for this weight, until you measure your own. One border
        stitch is {smallLengthWords(plan.stitchWidthMm, preferences.length)} wide.
      </p>
    </section>
  );
}
