import { Button } from '../look/Button.tsx';
import { useState } from 'react';
import { nanoid } from 'nanoid';
import { fileName } from '../../core/document/fileName.ts';
import { salvageHem } from '../../core/document/salvage.ts';
import { problemLine, type Problem } from '../../core/problems.ts';
import { listWords } from '../../core/say/lists.ts';
import { useNotices } from '../look/notices.tsx';
import { saveFile } from '../storage/exports.ts';
import { library } from '../storage/here.ts';
import { nameOf, type RecordFound } from '../storage/records.ts';
import { withWarning } from './telling.ts';
import styles from './shelf.module.css';

export interface TroubleProps {
  readonly found: RecordFound;
  /** Faults of it; none for one that is sound but cannot be worked out. */
  readonly problems: readonly Problem[];
  readonly onChange: () => void;
}

const MOST_TOLD = 3;

/** A hem that cannot be opened: what is wrong with it, and every way on. All other hems are as they were. */
export function TroubleCard({ found, problems, onChange }: TroubleProps) {
  const notices = useNotices();
  // Of a newer one hardly anything would be left; the newer application reads it whole.
  const newer = problems.some((p) => p.code === 'file-too-new');
  const [salvaged] = useState(() => (newer ? null : salvageHem(found.raw, nanoid(10), new Date())));
  const name = nameOf(found);
  const { id } = found;
  const attempt = (work: () => Promise<void>): void => void withWarning(notices, work).then(onChange);
  const earlier = async (): Promise<void> => {
    for (const { revision } of await library.versions(id)) {
      if (revision >= found.revision) continue;
      const outcome = await library.version(id, revision);
      if (!outcome?.ok) continue;
      await library.add([outcome.value], 'restored an earlier version');
      notices.success({ title: `${name} is as it was in its last sound version.` });
      return;
    }
    notices.info({ title: 'There is no earlier version of it in this browser.' });
  };
  const text = (): string => `${JSON.stringify(found.raw, null, 2) ?? ''}\n`;
  return (
    <section className={styles.trouble} aria-label={`${name} cannot be opened`}>
      <h2>{name}</h2>
      <p className="problem small">
        {problems.length === 0
          ? 'It is sound, but cannot be worked out: this is a fault of Zig Hem.'
          : 'It cannot be opened as it is:'}
      </p>
      {problems.length > 0 && (
        <ul className="small">
          {problems.slice(0, MOST_TOLD).map((p, i) => (
            <li key={i}>{problemLine(p)}</li>
          ))}
          {problems.length > MOST_TOLD && <li>and {problems.length - MOST_TOLD} more.</li>}
        </ul>
      )}
      <p className={styles.troubleWays}>
        {salvaged && (
          <Button
            size="small"
            onClick={() =>
              attempt(async () => {
                await library.add(
                  [{ ...salvaged.hem, name: `${name} (readable part)`.slice(0, 200) }],
                  'salvaged',
                );
                notices.info({
                  title: `The readable part of ${name} is on the shelf`,
                  description:
                    salvaged.lost.length > 0
                      ? `Without ${listWords(salvaged.lost)}.`
                      : 'Nothing was left out.',
                  duration: 10,
                });
              })
            }
          >
            Open the readable part
          </Button>
        )}
        <Button size="small" onClick={() => attempt(earlier)}>
          Earlier version
        </Button>
        <Button
          size="small"
          onClick={() => saveFile(fileName(name, '.hem.json'), text(), 'application/json')}
        >
          Download as it is
        </Button>
        <Button size="small" onClick={() => attempt(() => library.remove(id))}>
          Delete {name}
        </Button>
      </p>
    </section>
  );
}
