import { useMemo } from 'react';
import type { Hem } from '../../core/document/hem.ts';
import { meet, type EarlierVersion, type Meeting } from '../../core/document/meet.ts';
import { plan as planOf } from '../../core/plan/planner.ts';
import { listWords } from '../../core/say/lists.ts';
import { plural, sizeWords } from '../../core/say/measures.ts';
import { partWords } from '../../core/document/partWords.ts';
import { PlanDrawing } from '../drawing/PlanDrawing.tsx';
import { Guard } from '../hem/Guard.tsx';
import { Button } from '../look/Button.tsx';
import styles from './shelf.module.css';

interface MeetingProps {
  readonly here: Hem;
  readonly there: Hem;
  /** Earlier versions of the one that is here. */
  readonly versions: readonly EarlierVersion[];
  /** Goes on with the first; the others stay as earlier versions. */
  readonly onChoice: (goesOn: Hem, kept: readonly Hem[]) => void;
}

/** Two copies of one hem meet: what was done is put together; of two designs that were both changed the maker chooses. */
export function TwoCopies({ here, there, versions, onChoice }: MeetingProps) {
  const met = useMemo(() => meet(here, there, versions), [here, there, versions]);
  const { changed, together } = met;
  const both = changed === 'both';
  return (
    <section aria-label="Two copies">
      <p>{recordWords(met)}</p>
      <p>{DESIGN_WORDS[changed]}</p>
      {both && (
        <>
          <p className="small">
            They differ in {met.differing.map((part) => partWords(here, part)).join(', ')}.
          </p>
          <div className={styles.twoCopies}>
            <Copy hem={met.here} name="Here" />
            <Copy hem={met.there} name="From there" />
          </div>
        </>
      )}
      <p className={styles.refusedChoices}>
        {!both && (
          <Button type="primary" onClick={() => onChoice(changed === 'there' ? met.there : met.here, [])}>
            Put them together
          </Button>
        )}
        {both && together && (
          <Button type="primary" onClick={() => onChoice(together, [met.there])}>
            Take the changes of both
          </Button>
        )}
        {both && (
          <>
            <Button onClick={() => onChoice(met.here, [met.there])}>Go on with the one here</Button>
            <Button onClick={() => onChoice(met.there, [])}>Go on with the one from there</Button>
          </>
        )}
      </p>
      {both && (
        <p className="quiet small">Whatever you choose, the other stays among the earlier versions.</p>
      )}
    </section>
  );
}

const DESIGN_WORDS: Readonly<Record<Meeting['changed'], string>> = {
  neither: 'The design is the same on both.',
  here: 'The design was changed here alone: that goes on.',
  there: 'The design was changed there alone: that goes on. The one here stays among the earlier versions.',
  both: 'The design was changed on both.',
};

function recordWords({ onlyThere, onlyHere, both }: Meeting): string {
  if (onlyThere + onlyHere + both === 0) return 'Nothing has been done of it yet.';
  if (onlyThere + onlyHere === 0) return 'What was done is the same on both.';
  const parts = [
    ...(onlyThere > 0 ? [`${plural(onlyThere, 'entry')} from there`] : []),
    ...(onlyHere > 0 ? [`${plural(onlyHere, 'entry')} from here alone`] : []),
  ];
  return `What was done is put together: ${listWords(parts)} with what both have. Nothing is lost.`;
}

function Copy({ hem, name }: { readonly hem: Hem; readonly name: string }) {
  const plan = useMemo(() => planOf(hem), [hem]);
  return (
    <figure>
      <figcaption>
        <strong>{name}</strong>: {sizeWords(plan.finishedSize, hem.preferences.length)},{' '}
        {plural(plan.rounds.length - 1, 'round')} on the base round
      </figcaption>
      <Guard what="This drawing" resetKeys={[hem]}>
        <PlanDrawing plan={plan} bare />
      </Guard>
    </figure>
  );
}
