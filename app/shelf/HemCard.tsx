import { Button } from '../look/Button.tsx';
import { Copy, DownloadSimple, Trash } from '@phosphor-icons/react';
import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { writeHem } from '../../core/document/check.ts';
import { fileName } from '../../core/document/fileName.ts';
import type { Hem } from '../../core/document/hem.ts';
import { whenWords } from '../look/when.ts';
import { saveFile } from '../storage/exports.ts';

export interface HemCardProps {
  readonly hem: Hem;
  /** How far the work is; null when it has not been begun. */
  readonly place: string | null;
  /** Null until it is known. */
  readonly border: string | null;
  readonly drawing: ReactNode;
  readonly onDuplicate: (hem: Hem) => void;
  readonly onDiscard: () => void;
}

/** What the shelf shows of a sound hem, and what can be done with it there. */
export function HemCard({ hem, place, border, drawing, onDuplicate, onDiscard }: HemCardProps) {
  return (
    <>
      <Link to={`/hem/${hem.id}`} className="shelf-link">
        <div className="shelf-drawing">{drawing}</div>
        <h2>{hem.name}</h2>
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
            changed {whenWords(hem.changed, new Date())}
          </p>
          <div className="shelf-actions">
            <Button
              size="small"
              type="text"
              icon={<Copy />}
              aria-label={`Copy ${hem.name}`}
              onClick={() => onDuplicate(hem)}
            />
            <Button
              size="small"
              type="text"
              icon={<DownloadSimple />}
              aria-label={`Download ${hem.name} as a file`}
              onClick={() => saveFile(fileName(hem.name, '.hem.json'), writeHem(hem), 'application/json')}
            />
            <Button
              size="small"
              type="text"
              icon={<Trash />}
              aria-label={`Delete ${hem.name}`}
              onClick={onDiscard}
            />
          </div>
        </>
      )}
    </>
  );
}
