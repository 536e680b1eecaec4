import { borderAlong } from '../core/edits/base.ts';
import { performed } from '../core/edits/edit.ts';
import { plan } from '../core/plan/planner.ts';
import { publishedPattern } from '../core/print/published/published.ts';
import { demoPlan } from '../demo/read.ts';
import { expect, test } from './test.ts';

// The smallest demo that nothing was worked on yet.
const whole = demoPlan('fleece');

test('a border along one side is planned, printed and worked in rows, and is still so after a reload', async ({
  page,
}) => {
  const outcome = performed(whole.hem, borderAlong({ first: 0, sides: 1, from: 0, to: null, cut: false }));
  if (!outcome.ok) throw new Error('the core refuses it');
  const rows = plan(outcome.value);
  await page.goto(`/hem/${whole.hem.id}/piece`);
  await page.getByText('Only a part', { exact: true }).click();
  await page.getByRole('combobox', { name: 'How far the border goes' }).click();
  await page.locator('.ant-select-item-option', { hasText: 'in rows, turned' }).click();
  const inThread = page.getByRole('link', { name: /^Pattern/ });
  await expect(inThread).toContainText(`${rows.rounds.length} rows`);
  await expect(page.getByText('Saved in this browser')).toBeVisible();
  await page.reload();
  await expect(inThread).toContainText(`${rows.rounds.length} rows`);

  await inThread.click();
  await page.getByText('As published', { exact: true }).click();
  const told = publishedPattern(rows, 'us').sections.flatMap((s) => s.lines.map((l) => l.text));
  expect(told.length).toBeGreaterThan(5);
  for (const line of told) await expect(page.locator('article')).toContainText(line);

  await page.getByRole('link', { name: /^Work/ }).click();
  await expect(page.getByText('The base row begins')).toBeVisible();
  await page.getByRole('button', { name: 'Started', exact: true }).click();
  await expect(page.getByText(new RegExp(`of ${rows.rounds[0]!.sides[0]!.tally.stitches}$`))).toBeVisible();
});
