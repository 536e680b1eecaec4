import { Button } from '../look/Button.tsx';
import { CopyIcon, DownloadSimpleIcon, TrashIcon } from '../look/icons.ts';
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { writeHem } from '../../core/document/check.ts';
import { fileName } from '../../core/document/fileName.ts';
import type { Hem } from '../../core/document/hem.ts';
import { isDemo } from '../../core/document/record.ts';
import { whenWords } from '../look/when.ts';
import { saveFile } from '../storage/exports.ts';
import styles from './shelf.module.css';

export interface HemCardProps extends Pick<Hem, 'id' | 'name' | 'changed'> {
  /** How far the work is; null when it has not been begun. */
  readonly place: string | null;
  /** Null until it is known. */
  readonly border: string | null;
  readonly drawing: ReactNode;
  /** Null until it has been read. */
  readonly hem: Hem | null;
  readonly onDuplicate: (hem: Hem) => void;
  readonly onDiscard: () => void;
}

/** Card of a sound hem on the shelf, with its actions. */
export function HemCard({
  id,
  name,
  changed,
  place,
  border,
  drawing,
  hem,
  onDuplicate,
  onDiscard,
}: HemCardProps) {
  return (
    <>
      <Link to={`/hem/${id}`} className={styles.link}>
        <div className={styles.drawing}>{drawing}</div>
        <h2>{name}</h2>
      </Link>
      {border !== null && (
        <>
          <p className="quiet small">
            {place !== null && (
              <>
                <strong>{place}</strong>
                <br />
              </>
            )}
            {border}
            <br />
            {isDemo(id) && 'a demo, '}changed {whenWords(changed, new Date())}
          </p>
          <div className={styles.actions}>
            <Button
              size="small"
              type="text"
              icon={<CopyIcon />}
              aria-label={`Copy ${name}`}
              disabled={!hem}
              onClick={() => hem && onDuplicate(hem)}
            />
            <Button
              size="small"
              type="text"
              icon={<DownloadSimpleIcon />}
              aria-label={`Download ${name} as a file`}
              disabled={!hem}
              onClick={() => hem && saveFile(fileName(name, '.hem.json'), writeHem(hem), 'application/json')}
            />
            <Button
              size="small"
              type="text"
              icon={<TrashIcon />}
              aria-label={`Delete ${name}`}
              disabled={!hem}
              onClick={onDiscard}
            />
          </div>
        </>
      )}
    </>
  );
}
