import {
  createContext,
  useContext,
  useEffect,
  useEffectEvent,
  useMemo,
  useState,
  type ReactNode,
} from 'react';
import styles from './notices.module.css';
import { CheckCircleIcon, InfoIcon, WarningIcon, XIcon, XCircleIcon } from './icons.ts';

export interface Notice {
  /** A notice with the same key takes the place of one that is there. */
  readonly key?: string;
  readonly title: string;
  readonly description?: ReactNode;
  /** Seconds that it stays, longer while it is looked at; 0 until it is closed. */
  readonly duration?: number;
  readonly actions?: ReactNode;
}

type Kind = 'info' | 'success' | 'warning' | 'error';

export interface Notices extends Readonly<Record<Kind, (notice: Notice) => void>> {
  readonly destroy: (key: string) => void;
}

interface Shown extends Notice {
  readonly key: string;
  readonly kind: Kind;
}

const NoticesContext = createContext<Notices | null>(null);

const USUAL_SECONDS = 4.5;

/** Short notices at the edge of the page. */
export function useNotices(): Notices {
  const notices = useContext(NoticesContext);
  if (!notices) throw new Error('notices are asked for outside their provider');
  return notices;
}

export function NoticesProvider({ children }: { readonly children: ReactNode }) {
  const [shown, setShown] = useState<readonly Shown[]>([]);
  const notices = useMemo((): Notices => {
    let count = 0;
    const tell =
      (kind: Kind) =>
      (notice: Notice): void => {
        const key = notice.key ?? `notice ${++count}`;
        setShown((all) => [...all.filter((n) => n.key !== key), { ...notice, key, kind }]);
      };
    return {
      info: tell('info'),
      success: tell('success'),
      warning: tell('warning'),
      error: tell('error'),
      destroy: (key) => setShown((all) => all.filter((n) => n.key !== key)),
    };
  }, []);
  const last = shown.at(-1)?.key;
  useEffect(() => {
    if (last === undefined) return;
    const close = (event: KeyboardEvent): void => {
      // What lies over the page has the key first.
      if (event.key !== 'Escape' || event.defaultPrevented || document.querySelector('[role="dialog"]'))
        return;
      notices.destroy(last);
    };
    window.addEventListener('keydown', close);
    return () => window.removeEventListener('keydown', close);
  }, [notices, last]);
  return (
    <NoticesContext value={notices}>
      {children}
      <div className={styles.notices}>
        {shown.map((notice) => (
          <NoticeCard key={notice.key} notice={notice} onClose={() => notices.destroy(notice.key)} />
        ))}
      </div>
    </NoticesContext>
  );
}

const ICONS: Readonly<Record<Kind, ReactNode>> = {
  info: <InfoIcon />,
  success: <CheckCircleIcon />,
  warning: <WarningIcon />,
  error: <XCircleIcon />,
};

function NoticeCard({ notice, onClose }: { readonly notice: Shown; readonly onClose: () => void }) {
  const { kind, title, description, duration = USUAL_SECONDS, actions } = notice;
  const [looked, setLooked] = useState(false);
  const close = useEffectEvent(onClose);
  useEffect(() => {
    if (duration === 0 || looked) return;
    const wait = setTimeout(() => close(), 1000 * duration);
    return () => clearTimeout(wait);
  }, [notice, duration, looked]);
  return (
    <div
      className={`${styles.notice} ${styles[kind] ?? ''}`}
      role={kind === 'warning' || kind === 'error' ? 'alert' : 'status'}
      onPointerEnter={() => setLooked(true)}
      onPointerLeave={() => setLooked(false)}
      onFocus={() => setLooked(true)}
      onBlur={() => setLooked(false)}
    >
      <span className={styles.noticeKind} aria-hidden="true">
        {ICONS[kind]}
      </span>
      <div>
        <p className={styles.noticeTitle}>{title}</p>
        {description && <div className={styles.noticeWords}>{description}</div>}
        {actions && <div className={styles.noticeActions}>{actions}</div>}
      </div>
      <button type="button" className={styles.noticeClose} aria-label="Close" onClick={onClose}>
        <XIcon aria-hidden="true" />
      </button>
    </div>
  );
}
