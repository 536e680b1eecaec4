import type { Hem } from '../../core/document/hem.ts';
import type { RefusedFile } from '../../core/document/opened.ts';
import { problemLine } from '../../core/problems.ts';
import { listWords } from '../../core/say/lists.ts';
import { Button } from '../look/Button.tsx';
import styles from './shelf.module.css';

interface RefusedProps {
  readonly file: RefusedFile;
  readonly onOpen: (hem: Hem) => void;
  readonly onClose: () => void;
}

/** A file that was not opened: why, and what can be had of it. */
export function Refused({ file: { name, problems, salvaged }, onOpen, onClose }: RefusedProps) {
  return (
    <section className={`problem ${styles.refused}`} role="alert">
      <h2>{name} was not opened</h2>
      <ul>
        {problems.slice(0, 20).map((p, i) => (
          <li key={i}>{problemLine(p)}</li>
        ))}
        {problems.length > 20 && <li>and {problems.length - 20} more.</li>}
      </ul>
      {salvaged && (
        <p>
          Part of this file can be read. It would open as “{salvaged.hem.name}”
          {salvaged.lost.length > 0 && `, without ${listWords(salvaged.lost.slice(0, 12))}`}. The file is not
          changed.
        </p>
      )}
      <p className={styles.refusedChoices}>
        {salvaged && (
          <Button
            size="small"
            onClick={() => {
              onOpen(salvaged.hem);
              onClose();
            }}
          >
            Open the readable part
          </Button>
        )}
        <Button size="small" onClick={onClose}>
          {salvaged ? 'Do not open' : 'Close'}
        </Button>
      </p>
    </section>
  );
}
