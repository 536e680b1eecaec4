import { Button } from './Button.tsx';
import { chooseGround } from './ground.ts';
import { useGround } from './Look.tsx';
import { MoonIcon, SunIcon } from './icons.ts';

/** Changes between daylight and evening light. @param told says words in the terms of a hem, where one is open */
export function GroundButton({ told = (words) => words }: { readonly told?: (words: string) => string }) {
  const day = useGround() === 'day';
  return (
    <Button
      type="text"
      aria-label={told(day ? 'Switch to dark colors' : 'Switch to light colors')}
      icon={day ? <MoonIcon /> : <SunIcon />}
      onClick={() => chooseGround(day ? 'evening' : 'day')}
    />
  );
}
