import { useQueryClient } from '@tanstack/react-query';
import { Button } from 'antd';
import { nanoid } from 'nanoid';
import { useMemo } from 'react';
import { Link, useLocation, useNavigate } from 'react-router';
import { plan } from '../../core/plan.ts';
import { problemLine } from '../../core/problems.ts';
import { sizeWords } from '../../core/words/measures.ts';
import { PlanDrawing } from '../drawing/PlanDrawing.tsx';
import { saveHem } from '../storage/hems.ts';
import { hemOfLink } from '../storage/link.ts';
import './shelf.css';

/** A hem that came in a link: shown, and put on the shelf as a copy when the user says so. */
export function OpenLinkPage() {
  const { hash } = useLocation();
  const navigate = useNavigate();
  const queries = useQueryClient();
  const outcome = useMemo(() => hemOfLink(hash), [hash]);
  const made = useMemo(() => (outcome.ok ? plan(outcome.value) : null), [outcome]);
  if (!outcome.ok || !made) {
    return (
      <main className="shelf opened-link">
        <h1>This link cannot be opened</h1>
        <ul className="problem">
          {!outcome.ok && outcome.problems.map((p, i) => <li key={i}>{problemLine(p)}</li>)}
        </ul>
        <p>
          <Link to="/">To the shelf</Link>
        </p>
      </main>
    );
  }
  const keep = async (): Promise<void> => {
    const hem = { ...outcome.value, id: nanoid(10), changed: new Date().toISOString() };
    await saveHem(hem);
    await queries.invalidateQueries({ queryKey: ['shelf'] });
    await navigate(`/hem/${hem.id}/base`, { replace: true });
  };
  return (
    <main className="shelf opened-link">
      <h1>{outcome.value.name}</h1>
      <p className="quiet">
        {sizeWords(made.finishedSize, outcome.value.preferences.length)}. It came in a link and is not on your
        shelf yet; nothing was sent anywhere.
      </p>
      <div className="shelf-drawing">
        <PlanDrawing plan={made} bare />
      </div>
      <p>
        <Button type="primary" onClick={() => void keep()}>
          Put a copy on my shelf
        </Button>{' '}
        <Link to="/">Leave it</Link>
      </p>
    </main>
  );
}
