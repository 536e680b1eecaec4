import { Button } from './Button.tsx';
import { chooseGround } from './ground.ts';
import { useGround } from './Look.tsx';
import { MoonIcon, SunIcon } from './icons.ts';

/** Changes between daylight and evening light. */
export function GroundButton() {
  const day = useGround() === 'day';
  return (
    <Button
      type="text"
      aria-label={day ? 'Switch to dark colors' : 'Switch to light colors'}
      icon={day ? <MoonIcon /> : <SunIcon />}
      onClick={() => chooseGround(day ? 'evening' : 'day')}
    />
  );
}
