import { Link } from 'react-router';

/** A page that is not there. */
export function NotFound({ what = 'There is nothing at this address.' }: { readonly what?: string }) {
  return (
    <main style={{ padding: '4rem 2rem', maxWidth: '36rem', margin: '0 auto' }}>
      <h1>{what}</h1>
      <p style={{ marginTop: '1rem' }}>
        <Link to="/">Back to the shelf</Link>
      </p>
    </main>
  );
}

/** Shown in place of a page that failed. The hem is in the browser's storage and not touched by it. */
export function Mishap() {
  return <NotFound what="This page failed. Your hem is safe. Reload, or go back to the shelf." />;
}
