import { expect, jest, test } from '@jest/globals';
import { QueryClient, QueryObserver } from '@tanstack/react-query';

jest.unstable_mockModule('./here.ts', () => ({ shelf: () => Promise.resolve([]) }));
const { SHELF, shelfChanged } = await import('./shelfQuery.ts');

test('a first reading that began before something was written does not have the last word', async () => {
  const queries = new QueryClient({ defaultOptions: { queries: { staleTime: Infinity, retry: false } } });
  const answers: ((names: readonly string[]) => void)[] = [];
  const shown: (readonly string[] | undefined)[] = [];
  const stop = new QueryObserver(queries, {
    queryKey: SHELF.queryKey,
    queryFn: () => new Promise<readonly string[]>((resolve) => answers.push(resolve)),
  }).subscribe(({ data }) => shown.push(data));
  const changed = shelfChanged(queries);
  answers[0]!(['deleted', 'kept']);
  await new Promise((done) => setTimeout(done));
  expect(answers).toHaveLength(2);
  answers[1]!(['kept']);
  await changed;
  expect(queries.getQueryData(SHELF.queryKey)).toEqual(['kept']);
  expect(shown).not.toContainEqual(['deleted', 'kept']);
  stop();
});

test('a shelf that nobody looks at is read when it is looked at again', async () => {
  const queries = new QueryClient({ defaultOptions: { queries: { staleTime: Infinity } } });
  let reads = 0;
  const look = () =>
    queries.fetchQuery({ queryKey: SHELF.queryKey, queryFn: () => Promise.resolve(++reads) });
  await look();
  await look();
  expect(reads).toBe(1);
  await shelfChanged(queries);
  expect(reads).toBe(1);
  expect(await look()).toBe(2);
});
