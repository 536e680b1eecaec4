import { useQuery } from '@tanstack/react-query';
import { Button, Drawer } from 'antd';
import { useMemo, useState } from 'react';
import { takeUpVersion } from '../../core/edits/hem.ts';
import { plan as planned } from '../../core/plan/planner.ts';
import { problemLine } from '../../core/problems.ts';
import { plural, sizeWords } from '../../core/say/measures.ts';
import { PlanDrawing } from '../drawing/PlanDrawing.tsx';
import { Guard } from '../hem/Guard.tsx';
import { whenWords } from '../look/when.ts';
import { library } from '../storage/here.ts';
import { useHem, useHemStore, useLabelInTerms } from '../hem/context.ts';
import styles from './versions.module.css';

export interface VersionsProps {
  readonly id: string;
  readonly onClose: () => void;
}

/** Earlier versions of the hem, to be looked at and taken up again; the present one stays among them. */
export function Versions({ id, onClose }: VersionsProps) {
  const store = useHemStore();
  const told = useLabelInTerms();
  const saved = useHem((state) => state.saved);
  const [picked, setPicked] = useState<number | null>(null);
  const { data: versions, error } = useQuery({
    queryKey: ['versions', id, saved],
    queryFn: async () => {
      await store.flush();
      return library.versions(id);
    },
  });
  return (
    <Drawer open onClose={onClose} placement="right" size={560} title="Earlier versions">
      {error ? (
        <p className="problem">The earlier versions cannot be read now. Your hem is safe.</p>
      ) : versions?.length === 0 ? (
        <p className="quiet">There are none yet: each change that is saved leaves one.</p>
      ) : (
        <ol className={styles.versions}>
          {versions?.map((v, i) => (
            <li key={v.revision}>
              <button
                type="button"
                aria-expanded={v.revision === picked}
                onClick={() => setPicked(v.revision === picked ? null : v.revision)}
              >
                <span>{told(v.label) || 'changed'}</span>
                <span className="quiet small">{i === 0 ? 'now' : whenWords(v.at, new Date())}</span>
              </button>
              {v.revision === picked && (
                <Guard what="This version" resetKeys={[picked]}>
                  <VersionShown id={id} revision={v.revision} current={i === 0} onTaken={onClose} />
                </Guard>
              )}
            </li>
          ))}
        </ol>
      )}
      <p className="quiet small">
        Versions get fewer with age: one a minute of the last hour, one a day of the last month.
      </p>
    </Drawer>
  );
}

interface ShownProps {
  readonly id: string;
  readonly revision: number;
  readonly current: boolean;
  readonly onTaken: () => void;
}

function VersionShown({ id, revision, current, onTaken }: ShownProps) {
  const store = useHemStore();
  const { data: outcome, isPending } = useQuery({
    queryKey: ['version', id, revision],
    queryFn: async () => (await library.version(id, revision)) ?? null,
  });
  const made = useMemo(() => (outcome?.ok ? planned(outcome.value) : null), [outcome]);
  if (isPending) return <p className="quiet small">Loading …</p>;
  if (!outcome) return <p className="quiet small">This version is no longer here.</p>;
  if (!outcome.ok) {
    return (
      <ul className="problem small">
        {outcome.problems.slice(0, 5).map((p, i) => (
          <li key={i}>{problemLine(p)}</li>
        ))}
      </ul>
    );
  }
  return (
    <div className={styles.versionShown}>
      {made && <PlanDrawing plan={made} bare />}
      <p className="small">
        {made && sizeWords(made.finishedSize, outcome.value.preferences.length)}, base round +{' '}
        {plural((made?.rounds.length ?? 1) - 1, 'round')}
      </p>
      {current ? (
        <p className="quiet small">This is how it is now.</p>
      ) : (
        <Button
          type="primary"
          onClick={() => {
            if (store.do(takeUpVersion(outcome.value))) onTaken();
          }}
        >
          Restore this version
        </Button>
      )}
    </div>
  );
}
