import { memo, useEffect, useRef } from 'react';
import { NavLink, useLocation } from 'react-router';
import { usePlan } from '../hem/context.ts';
import { STOPS } from './stops.ts';
import { WarningIcon } from '../look/icons.ts';
import styles from './thread.module.css';

/** The thread of stops: always in view, every stop saying its result. */
export function Thread() {
  const plan = usePlan();
  const { pathname } = useLocation();
  const here = STOPS.findIndex((stop) => pathname.endsWith(`/${stop.path}`));
  const current = useRef<HTMLLIElement>(null);
  // On a narrow screen the thread is longer than the page.
  useEffect(() => {
    void current.current?.scrollIntoView({ inline: 'center', block: 'nearest' });
  }, [here]);
  return (
    <nav className={styles.thread} aria-label="Pages of this hem">
      <ol>
        {STOPS.map((stop, i) => (
          <li
            key={stop.path}
            ref={i === here ? current : null}
            className={i <= here ? styles.worked : undefined}
          >
            <StopLink
              path={stop.path}
              name={stop.name}
              says={stop.says(plan)}
              sound={stop.sound(plan)}
              here={i === here}
            />
          </li>
        ))}
      </ol>
      <p className="visually-hidden" role="status">
        {STOPS.filter((stop) => !stop.sound(plan))
          .map((stop) => `${stop.name}: ${stop.says(plan)}`)
          .join('. ')}
      </p>
    </nav>
  );
}

interface StopLinkProps {
  readonly path: string;
  readonly name: string;
  readonly says: string;
  readonly sound: boolean;
  readonly here: boolean;
}

/** Most edits change what one or two stops say. */
const StopLink = memo(function StopLink({ path, name, says, sound, here }: StopLinkProps) {
  return (
    <NavLink to={path} className={() => (sound ? '' : styles.wantsLookingAt)}>
      <svg className={styles.loop} viewBox="0 0 44 22" preserveAspectRatio="none" aria-hidden="true">
        <path d="M0 15 C 10 15, 12 4, 22 4 S 34 15, 44 15" className={styles.strandEdge} />
        <path d="M0 15 C 10 15, 12 4, 22 4 S 34 15, 44 15" className={styles.strand} />
      </svg>
      {here && <span className={styles.knot} aria-hidden="true" />}
      <span className={styles.stopName}>{name}</span>
      <span className={styles.stopSays}>
        {!sound && <WarningIcon weight="fill" aria-label="Look here:" />}
        {says}
      </span>
    </NavLink>
  );
});
