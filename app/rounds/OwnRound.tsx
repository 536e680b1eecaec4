import { held } from '../../core/held.ts';
import { Input } from 'antd';
import { useEffect, useRef, useState, type KeyboardEvent } from 'react';
import type { RoundEntry } from '../../core/document/hem.ts';
import { nameRound, writeRound } from '../../core/edits/rounds.ts';
import { withRound } from '../../core/hands/wishes.ts';
import { LIMITS } from '../../core/limits.ts';
import type { OwnWritten } from '../../core/notation/ownRound.schema.ts';
import { parseRound } from '../../core/notation/parse.ts';
import { wordNotRead } from '../../core/notation/problems.ts';
import { problemLine, type Problem } from '../../core/problems.ts';
import { needsOf } from '../../core/ring/recipe.ts';
import type { Language } from '../../core/terms/stitches.ts';
import { useHemStore } from '../hem/context.ts';
import { Button } from '../look/Button.tsx';
import { keepWishes, wishesHere } from '../storage/wishes.ts';
import styles from './rounds.module.css';

export interface OwnRoundProps {
  readonly entry: RoundEntry;
  readonly language: Language;
}

/** After so long without a key, what comes is another step of undo; ms. */
const PAUSE = 900;

/** A round in written crochet: read as it is typed; what cannot be read is kept and pointed at. */
export function OwnRound({ entry, language }: OwnRoundProps) {
  const store = useHemStore();
  const written = held(entry.written, 'a round of one’s own is written');
  const pause = useRef<ReturnType<typeof setTimeout>>(undefined);
  useEffect(() => () => clearTimeout(pause.current), []);
  const outcome = parseRound(written.text, written.language);
  const write = (text: string): void => {
    store.do(writeRound(entry.id, text));
    clearTimeout(pause.current);
    pause.current = setTimeout(() => store.endJoin(), PAUSE);
  };
  /** Undo and redo do here what the box shows: its text is the hem's. */
  const onKey = (e: KeyboardEvent): void => {
    if (!(e.ctrlKey || e.metaKey) || e.altKey) return;
    const key = e.key.toLowerCase();
    if (key !== 'z' && key !== 'y') return;
    e.preventDefault();
    e.stopPropagation();
    store.endJoin();
    if (key === 'y' || e.shiftKey) store.redo();
    else store.undo();
  };
  const [kept, setKept] = useState<OwnWritten | null>(null);
  const keep = async (): Promise<void> => {
    await keepWishes(withRound(await wishesHere(), written));
    setKept(written);
  };
  return (
    <div className={styles.ownWritten}>
      <span className={styles.ownName}>
        <Input
          size="small"
          aria-label="Name of this round"
          placeholder="Its name"
          maxLength={LIMITS.ownName}
          value={written.name}
          onChange={(e) => store.do(nameRound(entry.id, { name: e.target.value }))}
          onBlur={() => store.endJoin()}
        />
        <Button size="small" disabled={!outcome.ok || written.name.trim() === ''} onClick={() => void keep()}>
          {kept === written ? 'Kept' : 'Keep for other hems'}
        </Button>
      </span>
      <Input.TextArea
        aria-label={`Own round in ${written.language.toUpperCase()} terms`}
        autoSize={{ minRows: 2, maxRows: 8 }}
        spellCheck={false}
        value={written.text}
        status={outcome.ok ? '' : 'error'}
        onChange={(e) => write(e.target.value)}
        onKeyDown={onKey}
        onBlur={() => store.endJoin()}
      />
      {outcome.ok ? (
        <p className="quiet small">
          {needsOf(outcome.value).modulus === 1
            ? 'Fits any count.'
            : `Fits a multiple of ${needsOf(outcome.value).modulus} and ${needsOf(outcome.value).remainder} more.`}
          {written.language !== language && ` Written in ${written.language.toUpperCase()} terms.`}
        </p>
      ) : (
        outcome.problems.map((p, i) => (
          <p key={i} className="problem small" role="alert">
            <Marked text={written.text} problem={p} /> {problemLine(p)}
          </p>
        ))
      )}
      <Input.TextArea
        aria-label="Note on this round, printed in the pattern"
        placeholder="A note on it, printed in the pattern"
        autoSize={{ minRows: 1, maxRows: 5 }}
        maxLength={LIMITS.ownNote}
        value={written.note}
        onChange={(e) => store.do(nameRound(entry.id, { note: e.target.value }))}
        onBlur={() => store.endJoin()}
      />
    </div>
  );
}

/** Letters shown on either side of a word that cannot be read. */
const AROUND = 24;

/** The word that a fault is about, marked in what stands around it. */
function Marked({ text, problem }: { readonly text: string; readonly problem: Problem }) {
  const word = wordNotRead(problem);
  if (word === null) return null;
  const at = text.indexOf(word);
  if (at < 0) return null;
  const end = at + word.length;
  return (
    <span className={styles.aroundFault}>
      {at > AROUND && '…'}
      {text.slice(Math.max(0, at - AROUND), at)}
      <mark>{word}</mark>
      {text.slice(end, end + AROUND)}
      {text.length > end + AROUND && '…'}
    </span>
  );
}
