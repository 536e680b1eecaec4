import { memo, useEffect, useRef } from 'react';
import { NavLink, useLocation } from 'react-router';
import { usePlan } from '../hem/context.ts';
import { STOPS } from './stops.ts';
import { WarningIcon } from '../look/icons.ts';

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
    <nav className="thread" aria-label="Pages of this hem">
      <ol>
        {STOPS.map((stop, i) => (
          <li key={stop.path} ref={i === here ? current : null} className={i <= here ? 'worked' : undefined}>
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
    <NavLink to={path} className={() => (sound ? '' : 'wants-looking-at')}>
      <svg className="loop" viewBox="0 0 44 22" preserveAspectRatio="none" aria-hidden="true">
        <path d="M0 15 C 10 15, 12 4, 22 4 S 34 15, 44 15" className="strand-edge" />
        <path d="M0 15 C 10 15, 12 4, 22 4 S 34 15, 44 15" className="strand" />
      </svg>
      {here && <span className="knot" aria-hidden="true" />}
      <span className="stop-name">{name}</span>
      <span className="stop-says">
        {!sound && <WarningIcon weight="fill" aria-label="Look here:" />}
        {says}
      </span>
    </NavLink>
  );
});
