import { Button } from './Button.tsx';
import { Moon, Sun } from '@phosphor-icons/react';
import { useLook } from './Look.tsx';

/** Changes between daylight and evening light. */
export function GroundButton() {
  const { ground, setGround } = useLook();
  const day = ground === 'day';
  return (
    <Button
      type="text"
      aria-label={day ? 'Evening light' : 'Daylight'}
      icon={day ? <Moon /> : <Sun />}
      onClick={() => setGround(day ? 'evening' : 'day')}
    />
  );
}
