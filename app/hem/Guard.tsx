import { Button } from '../look/Button.tsx';
import { useContext, type ReactNode } from 'react';
import { ErrorBoundary, type FallbackProps } from 'react-error-boundary';
import { fileName } from '../../core/document/fileName.ts';
import { writeHem } from '../../core/document/check.ts';
import { NotFetched } from '../look/fetched.ts';
import { HemContext, usePlan } from './context.ts';
import { saveFile } from '../storage/exports.ts';
import styles from './guard.module.css';

export interface GuardProps {
  /** Part that fails here, as a sentence names it: “This drawing”. */
  readonly what: string;
  /** When one of these changes it is tried again. */
  readonly resetKeys?: readonly unknown[];
  readonly children: ReactNode;
}

/** One fault hurts one thing: what stands inside may fail, all else goes on. */
export function Guard({ what, resetKeys, children }: GuardProps) {
  return (
    <ErrorBoundary
      {...(resetKeys ? { resetKeys: [...resetKeys] } : {})}
      fallbackRender={(fault) => <Fault {...fault} what={what} />}
    >
      {children}
    </ErrorBoundary>
  );
}

/** Tried again whenever the hem that is open is planned anew; what stands inside is not rendered again for that. */
export const PlanGuard = (props: Omit<GuardProps, 'resetKeys'>) => (
  <Guard {...props} resetKeys={[usePlan()]} />
);

/** A part that failed, and the ways out of it. */
function Fault({ what, error, resetErrorBoundary }: FallbackProps & { readonly what: string }) {
  const store = useContext(HemContext);
  const hem = store?.get().plan.hem;
  const notFetched = error instanceof NotFetched;
  return (
    <div className="fault problem" role="alert">
      <p>
        {what} failed. {store ? 'Your hem is safe.' : 'Your hems are safe.'}{' '}
        {notFetched && 'A part of Zig Hem could not be fetched: reload the page.'}
      </p>
      <p className={styles.faultWays}>
        <Button size="small" onClick={notFetched ? () => window.location.reload() : resetErrorBoundary}>
          {notFetched ? 'Reload' : 'Try again'}
        </Button>
        {store?.get().undoLabel && (
          <Button
            size="small"
            onClick={() => {
              store.undo();
              resetErrorBoundary();
            }}
          >
            Undo: {store.get().undoLabel}
          </Button>
        )}
        {hem && (
          <Button
            size="small"
            onClick={() => saveFile(fileName(hem.name, '.hem.json'), writeHem(hem), 'application/json')}
          >
            Download the hem file
          </Button>
        )}
      </p>
    </div>
  );
}
