import { Input } from 'antd';
import { useState } from 'react';
import type { RoundEntry } from '../../core/document/hem.ts';
import { parseRound } from '../../core/notation/parse.ts';
import { remedyFor, whatIsWrong } from '../../core/problems.ts';
import { needsOf } from '../../core/ring/recipe.ts';
import type { Language } from '../../core/terms/stitches.ts';

export interface OwnRoundProps {
  readonly entry: RoundEntry;
  readonly language: Language;
  readonly onWrite: (text: string) => void;
}

/** A round in written crochet: read as it is typed; what cannot be read is kept and pointed at. */
export function OwnRound({ entry, language, onWrite }: OwnRoundProps) {
  const written = entry.written!;
  const [text, setText] = useState(written.text);
  const outcome = parseRound(text, written.language);
  return (
    <div className="own-written">
      <Input.TextArea
        aria-label={`Own round in ${written.language.toUpperCase()} terms`}
        autoSize={{ minRows: 2, maxRows: 8 }}
        spellCheck={false}
        value={text}
        status={outcome.ok ? '' : 'error'}
        onChange={(e) => {
          setText(e.target.value);
          onWrite(e.target.value);
        }}
      />
      {outcome.ok ? (
        <p className="quiet small">
          {needsOf(outcome.value).modulus === 1
            ? 'Comes out even on any count.'
            : `Comes out even on a multiple of ${needsOf(outcome.value).modulus} and ${needsOf(outcome.value).remainder} more.`}
          {written.language !== language && ` Written in ${written.language.toUpperCase()} terms.`}
        </p>
      ) : (
        outcome.problems.map((p, i) => (
          <p key={i} className="problem small" role="alert">
            {p.place}: {whatIsWrong(p)}. {remedyFor(p)}
          </p>
        ))
      )}
    </div>
  );
}
