import type { Notices } from './notices.tsx';

/** Copies a link; where the browser gives no leave to write to the clipboard, it is shown to be copied by hand. */
export async function copyLink(notices: Notices, link: string, description: string): Promise<void> {
  try {
    await navigator.clipboard.writeText(link);
    notices.success({ title: 'The link is copied', description });
  } catch {
    notices.info({
      title: 'Copy this link',
      description: <code className="shared-link">{link}</code>,
      duration: 0,
    });
  }
}
