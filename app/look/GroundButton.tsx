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
      aria-label={day ? 'Switch to dark colors' : 'Switch to light colors'}
      icon={day ? <Moon /> : <Sun />}
      onClick={() => setGround(day ? 'evening' : 'day')}
    />
  );
}
