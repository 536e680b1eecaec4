import { Button, Input } from 'antd';
import { nanoid } from 'nanoid';
import { useMemo, useState } from 'react';
import type { RoundEntry } from '../../core/document/hem.ts';
import type { Plan } from '../../core/plan/types.ts';
import { problemLine } from '../../core/problems.ts';
import { landmarksOf } from '../../core/chart/landmarks.ts';
import { parseRound } from '../../core/notation/parse.ts';
import { printRound, printStitch } from '../../core/notation/print.ts';
import { isDisc } from '../../core/piece/outline.ts';
import { plainStitchOf } from '../../core/ring/recipe.ts';
import { cornerTreatment, type CornerId } from '../../core/terms/corners.ts';
import { PictureChoice } from '../controls/PictureChoice.tsx';
import type { SwatchView } from '../drawing/Swatch.tsx';
import { trialPlan } from '../hem/trialPlan.ts';
import { newOwnEntry } from '../../core/stack/stack.ts';
import { abbreviation, type Language } from '../../core/terms/stitches.ts';
import { LanguageChoice } from '../look/PreferenceChoice.tsx';
import { plural } from '../../core/say/measures.ts';
import { readPattern, type ReadRound } from '../../core/print/readPattern.ts';
import styles from './rounds.module.css';

export interface PasteRoundsProps {
  readonly plan: Plan;
  readonly onRounds: (entries: readonly RoundEntry[]) => void;
}

const example = (language: Language): string => {
  const [sc, hdc] = [abbreviation('sc', language), abbreviation('hdc', language)];
  return `Rnd 1: ${sc} in each st around, 3 ${sc} in each corner, join with sl st.\n\nRounds 2–3\nEach side: ${hdc} in each st\nCorner: 3 ${hdc} in corner`;
};

/** Rounds from a written pattern, read as they are pasted. */
export function PasteRounds({ plan, onRounds }: PasteRoundsProps) {
  const [text, setText] = useState('');
  const [language, setLanguage] = useState<Language>(plan.hem.preferences.language);
  const outcome = useMemo(() => (text.trim() ? readPattern(text, language) : null), [text, language]);
  const yarn = plan.rounds[plan.rounds.length - 1]!.yarnId;
  /** Corners of rounds that say nothing of them; null before they were asked about. */
  const [corner, setCorner] = useState<CornerId | null>(null);
  const read = outcome?.ok ? outcome.value.rounds : [];
  // Slip stitches have no height that a corner would have to make room for.
  const silent = isDisc(plan.body.outline)
    ? []
    : read.filter((r) => !r.saysCorners && plainStitchOf(r.recipe).kind !== 'slst');
  const count = read.reduce((sum, r) => sum + r.to - r.from + 1, 0);
  const entries = (): readonly RoundEntry[] =>
    read.map((r) => entryOf(silent.includes(r) ? withCorner(r, corner ?? 'walk') : r, plan, yarn, language));
  return (
    <div className={styles.pasteRounds}>
      <Input.TextArea
        aria-label="Written rounds"
        autoSize={{ minRows: 5, maxRows: 16 }}
        spellCheck={false}
        placeholder={example(language)}
        value={text}
        status={outcome && !outcome.ok ? 'error' : ''}
        onChange={(e) => setText(e.target.value)}
      />
      <div className={styles.pasteChoices}>
        <LanguageChoice value={language} onChange={setLanguage} />
        <Button
          type="primary"
          size="small"
          disabled={count === 0 || (silent.length > 0 && corner === null)}
          onClick={() => onRounds(entries())}
        >
          {count === 0 ? 'Add them' : `Add ${plural(count, 'round')}`}
        </Button>
      </div>
      {silent[0] && (
        <CornersAsked
          plan={plan}
          yarn={yarn}
          first={silent[0]}
          count={silent.length}
          value={corner}
          onChange={setCorner}
        />
      )}
      {language === 'uk' && (
        <p className="quiet small">
          The same letters mean another stitch in US terms: check which terms your text uses.
        </p>
      )}
      {outcome &&
        !outcome.ok &&
        outcome.problems.map((p, i) => (
          <p key={i} className="problem small" role="alert">
            {problemLine(p)}
          </p>
        ))}
    </div>
  );
}

/** Corners that are offered for a round that says nothing of them. */
const OFFERED: readonly CornerId[] = ['three', 'chain-1', 'chain-2', 'twos', 'threes', 'walk'];

/** The round with a corner that its text does not say. */
function withCorner(read: ReadRound, id: CornerId): ReadRound {
  const stitch = printStitch(plainStitchOf(read.recipe), 'us');
  const sides = printRound(read.recipe, 'us').replace(/^corner:.*\n?/m, '');
  const outcome = parseRound(`${sides.trimEnd()}\n${cornerTreatment(id).write(stitch, 0)}`, 'us');
  return outcome.ok ? { ...read, recipe: outcome.value } : read;
}

interface CornersAskedProps {
  readonly plan: Plan;
  readonly yarn: string;
  /** The first of the rounds that say nothing, which is drawn, and how many there are. */
  readonly first: ReadRound;
  readonly count: number;
  readonly value: CornerId | null;
  readonly onChange: (corner: CornerId) => void;
}

/** Asks how corners are worked of which the text says nothing, each way drawn on the piece. */
function CornersAsked({ plan, yarn, first, count, value, onChange }: CornersAskedProps) {
  const looks = useMemo(
    () =>
      OFFERED.map((id) => (): SwatchView => {
        const entry = entryOf(withCorner(first, id), plan, yarn, 'us');
        const made = trialPlan({ ...plan.hem, rounds: [...plan.hem.rounds, entry], record: [] });
        const at = landmarksOf(made, made.rounds.length - 1).find((l) => l.kind === 'corner');
        return { plan: made, at: at ?? { x: 0, y: 0 } };
      }),
    [plan, yarn, first],
  );
  return (
    <>
      <p>
        {count === 1 ? 'One round says' : `${count} rounds say`} nothing of the corners. How are they worked?
      </p>
      <PictureChoice
        label="Corners of the pasted rounds"
        across={9}
        pictures={OFFERED.map((id, i) => ({
          name: cornerTreatment(id).name,
          look: looks[i]!,
          chosen: id === value,
          onChoose: () => onChange(id),
        }))}
      />
    </>
  );
}

/** A round that was read as an entry of the stack. Quiet changes are kept where the piece has sides of those names. */
function entryOf(read: ReadRound, plan: Plan, yarn: string, language: Language): RoundEntry {
  const times = Math.min(100, Math.max(1, read.to - read.from + 1));
  const changes = plan.sides.map((s) => read.changes.get(s.name) ?? 0);
  const changed = changes.some((c) => c !== 0);
  return {
    ...newOwnEntry(nanoid(8), yarn, language, read.recipe),
    times,
    changes: changed ? Object.fromEntries(Array.from({ length: times }, (_, k) => [String(k), changes])) : {},
  };
}
