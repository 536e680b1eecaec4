import { Button } from './Button.tsx';
import { useLook } from './Look.tsx';
import { MoonIcon, SunIcon } from './icons.ts';

/** Changes between daylight and evening light. */
export function GroundButton() {
  const { ground, setGround } = useLook();
  const day = ground === 'day';
  return (
    <Button
      type="text"
      aria-label={day ? 'Switch to dark colors' : 'Switch to light colors'}
      icon={day ? <MoonIcon /> : <SunIcon />}
      onClick={() => setGround(day ? 'evening' : 'day')}
    />
  );
}
