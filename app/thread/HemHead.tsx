import { Segmented } from 'antd';
import { useState } from 'react';
import { Link } from 'react-router';
import { writeHem } from '../../core/document/check.ts';
import { fileName } from '../../core/document/fileName.ts';
import { prefer, rename } from '../../core/edits/hem.ts';
import type { LengthUnit } from '../../core/say/measures.ts';
import { useHem, useHemStore, useInTerms, useLabelInTerms } from '../hem/context.ts';
import type { SavingState } from '../hem/saving.ts';
import { Button } from '../look/Button.tsx';
import { ThemeButton } from '../look/ThemeButton.tsx';
import { KeysButton } from '../look/KeysButton.tsx';
import { useNarrow } from '../look/narrow.ts';
import { HandChoice, LanguageChoice } from '../look/PreferenceChoice.tsx';
import {
  ArrowUUpLeftIcon,
  ArrowUUpRightIcon,
  CaretDownIcon,
  ClockCounterClockwiseIcon,
} from '../look/icons.ts';
import { saveFile } from '../storage/exports.ts';
import styles from './hemHead.module.css';

const SAVED_WORDS: Readonly<Record<SavingState, string>> = {
  saved: 'Saved in this browser',
  saving: 'Saving …',
  failed: 'Not saved: this browser refused. It is tried again.',
  full: 'Not saved: this browser’s storage is full. Download the hem file, then make room.',
  hangs: 'Not saved yet: this browser’s storage does not answer. It is tried again.',
  binned: 'Deleted in another tab. It is in the bin of the shelf.',
};

/** One line over every page of a hem: its name, whether it is saved, undo, and what is in force. */
export function HemHead({ onVersions }: { readonly onVersions: () => void }) {
  const id = useHem((state) => state.plan.hem.id);
  const narrow = useNarrow();
  const inTerms = useInTerms();
  const tools = (
    <>
      <Button
        type="text"
        aria-label="Earlier versions of this hem"
        title="Earlier versions"
        icon={<ClockCounterClockwiseIcon />}
        onClick={onVersions}
      />
      <KeysButton />
      <ThemeButton told={inTerms} />
      <StitchesLink />
    </>
  );
  return (
    <header className={styles.head}>
      <Link to="/" className={styles.link}>
        Shelf
      </Link>
      <HemName key={id} />
      <SavedWords />
      <div className={styles.tools}>
        <UndoButtons />
        <InForce>{narrow && <div className={styles.row}>{tools}</div>}</InForce>
        {!narrow && tools}
      </div>
    </header>
  );
}

/** Whether what is here is stored, and the way out when it is not. */
function SavedWords() {
  const store = useHemStore();
  const saved = useHem((state) => state.saved);
  const fine = saved === 'saved' || saved === 'saving';
  return (
    <span className={fine ? styles.saved : styles.failed} role="status">
      {SAVED_WORDS[saved]}
      {saved === 'binned' && (
        <Button size="small" onClick={() => void store.keepAgain()}>
          Put it back
        </Button>
      )}
      {!fine && (
        <Button
          size="small"
          onClick={() => {
            const { hem } = store.get().plan;
            saveFile(fileName(hem.name, '.hem.json'), writeHem(hem), 'application/json');
          }}
        >
          Download the hem file
        </Button>
      )}
    </span>
  );
}

function UndoButtons() {
  const store = useHemStore();
  const told = useLabelInTerms();
  const undoLabel = told(useHem((state) => state.undoLabel) ?? '');
  const redoLabel = told(useHem((state) => state.redoLabel) ?? '');
  return (
    <>
      <Button
        type="text"
        aria-label={undoLabel ? `Undo: ${undoLabel}` : 'Undo'}
        title={undoLabel ? `Undo: ${undoLabel}` : 'Nothing to undo'}
        icon={<ArrowUUpLeftIcon />}
        disabled={!undoLabel}
        onClick={() => store.undo()}
      />
      <Button
        type="text"
        aria-label={redoLabel ? `Redo: ${redoLabel}` : 'Redo'}
        title={redoLabel ? `Redo: ${redoLabel}` : 'Nothing to redo'}
        icon={<ArrowUUpRightIcon />}
        disabled={!redoLabel}
        onClick={() => store.redo()}
      />
    </>
  );
}

const PANEL = 'in-force';

/** The terms, unit and hand in force, and behind them the choice. */
function InForce({ children }: { readonly children: React.ReactNode }) {
  const store = useHemStore();
  const { language, length, hand } = useHem((state) => state.plan.hem.preferences);
  const terms = language.toUpperCase();
  return (
    <>
      <button type="button" className={styles.inForce} popoverTarget={PANEL}>
        <span>
          {terms}
          <span className={styles.wide}> terms</span> · {length}
          <span className={styles.wide}> · {hand} hand</span>
          <span className="visually-hidden">: change terms, unit or hand</span>
        </span>
        <CaretDownIcon size={12} />
      </button>
      <div id={PANEL} popover="auto" className={styles.panel}>
        <LanguageChoice value={language} onChange={(v) => store.do(prefer('language', v))} />
        <Segmented<LengthUnit>
          aria-label="Unit of length"
          value={length}
          options={['cm', 'in']}
          onChange={(v) => store.do(prefer('length', v))}
        />
        <HandChoice value={hand} onChange={(v) => store.do(prefer('hand', v))} />
        {children}
      </div>
    </>
  );
}

function StitchesLink() {
  const { language, hand } = useHem((state) => state.plan.hem.preferences);
  const id = useHem((state) => state.plan.hem.id);
  return (
    <Link className={styles.link} to={`/stitches?terms=${language}&hand=${hand}&hem=${id}`}>
      Stitches
    </Link>
  );
}

/** The name as it is typed; one that is emptied stays as it was. */
function HemName() {
  const store = useHemStore();
  const name = useHem((state) => state.plan.hem.name);
  const [typed, setTyped] = useState<string | null>(null);
  return (
    <input
      className={styles.name}
      aria-label="Name of this hem"
      value={typed ?? name}
      maxLength={200}
      onChange={(e) => {
        setTyped(e.target.value);
        store.do(rename(e.target.value));
      }}
      onBlur={() => {
        setTyped(null);
        store.endJoin();
      }}
    />
  );
}
