import { useEffect, useRef } from 'react';
import type { Notices } from './notices.tsx';
import styles from './notices.module.css';

/** A link on one line, selected, so that one key copies it. */
function LinkToCopy({ link }: { readonly link: string }) {
  const field = useRef<HTMLInputElement>(null);
  useEffect(() => {
    field.current?.focus();
    field.current?.select();
  }, [link]);
  return (
    <input
      ref={field}
      className={styles.sharedLink}
      aria-label="The link"
      readOnly
      value={link}
      onFocus={(e) => e.target.select()}
    />
  );
}

/** Copies a link; where the browser gives no leave to write to the clipboard, it is shown to be copied by hand. */
export async function copyLink(notices: Notices, link: string, description: string): Promise<void> {
  try {
    await navigator.clipboard.writeText(link);
    notices.success({ title: 'The link is copied', description });
  } catch {
    notices.info({
      key: 'copy this link',
      title: 'Copy this link',
      description: <LinkToCopy link={link} />,
      duration: 0,
    });
  }
}
