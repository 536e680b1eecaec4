import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import styles from './licences.module.css';

async function textAt(address: string): Promise<string> {
  const response = await fetch(address);
  if (!response.ok) throw new Error(`there is nothing at ${address}`);
  return response.text();
}

/** Under which terms Zig Hem and what it is made with may be used. */
export function LicencesPage() {
  const own = useQuery({ queryKey: ['licence'], queryFn: () => textAt('/LICENSE.txt') }).data;
  const others = useQuery({ queryKey: ['licences'], queryFn: () => textAt('/third-party.md') });
  return (
    <main className={styles.licences}>
      <p>
        <Link to="/">Back to the shelf</Link>
      </p>
      <h1>Licenses</h1>
      <pre>{own ?? 'Loading …'}</pre>
      <h2>What Zig Hem is made with</h2>
      <p>The typeface is Commissioner, under the SIL Open Font License 1.1.</p>
      <pre>{others.data ?? (others.error ? 'This list comes with the built application.' : 'Loading …')}</pre>
    </main>
  );
}
