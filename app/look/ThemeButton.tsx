import { Button } from './Button.tsx';
import { chooseTheme } from './theme.ts';
import { useTheme } from './ThemeAndNotices.tsx';
import { MoonIcon, SunIcon } from './icons.ts';

/** Changes between daylight and evening light. @param told says words in the terms of a hem, where one is open */
export function ThemeButton({ told = (words) => words }: { readonly told?: (words: string) => string }) {
  const day = useTheme() === 'day';
  return (
    <Button
      type="text"
      aria-label={told(day ? 'Switch to dark colors' : 'Switch to light colors')}
      icon={day ? <MoonIcon /> : <SunIcon />}
      onClick={() => chooseTheme(day ? 'evening' : 'day')}
    />
  );
}
