import { Button, Input } from 'antd';
import { nanoid } from 'nanoid';
import { useMemo, useState } from 'react';
import type { RoundEntry } from '../../core/document/hem.ts';
import type { Plan } from '../../core/plan/types.ts';
import { problemLine } from '../../core/problems.ts';
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
  const count = outcome?.ok ? outcome.value.rounds.reduce((sum, r) => sum + r.to - r.from + 1, 0) : 0;
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
          disabled={count === 0}
          onClick={() =>
            outcome?.ok && onRounds(outcome.value.rounds.map((r) => entryOf(r, plan, yarn, language)))
          }
        >
          {count === 0 ? 'Add them' : `Add ${plural(count, 'round')}`}
        </Button>
      </div>
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
