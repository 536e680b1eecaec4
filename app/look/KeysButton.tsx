import { fetched } from './fetched.ts';
import { Button } from './Button.tsx';
import { Suspense, useEffect, useState } from 'react';
import { tinykeys } from 'tinykeys';
import { unlessTyping } from './typing.ts';
import { KeyboardIcon } from './icons.ts';

const KeysSheet = fetched(async () => (await import('./KeysSheet.tsx')).KeysSheet);

/** Opens the sheet of keys; so does “?” anywhere. */
export function KeysButton() {
  const [open, setOpen] = useState(false);
  useEffect(() => tinykeys(window, { 'Shift+?': unlessTyping(() => setOpen((was) => !was)) }), []);
  return (
    <>
      <Button
        type="text"
        aria-label="Show keyboard shortcuts"
        title="Keyboard shortcuts (?)"
        icon={<KeyboardIcon />}
        onClick={() => setOpen(true)}
      />
      {open && (
        <Suspense>
          <KeysSheet onClose={() => setOpen(false)} />
        </Suspense>
      )}
    </>
  );
}
