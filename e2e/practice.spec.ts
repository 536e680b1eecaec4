import type { Page } from '@playwright/test';
import { expect, test } from './test.ts';

const panel = (page: Page) => page.getByRole('region', { name: 'Practice' });
const prompt = (page: Page) => panel(page).getByRole('status');

/** Counts on the table of a round, side by side. */
async function lying(page: Page, round: string): Promise<readonly number[]> {
  const details = panel(page).locator('details', { hasText: 'Count what lies there' });
  if ((await details.getAttribute('open')) === null) await details.locator('summary').click();
  const line = await details.getByText(new RegExp(`^${round}:`)).innerText();
  return [...line.matchAll(/[A-D] (\d+)/g)].map((m) => Number(m[1]));
}

test('a simulated maker works a whole border, its mistakes are found and repaired, in less than three minutes', async ({
  page,
}) => {
  await page.goto('/practice');
  await panel(page).getByText('The maker', { exact: true }).click();
  await page.getByLabel(/^Number of the mistakes/).fill('5');
  await page.getByLabel(/^Number of the mistakes/).press('Tab');
  await page.getByLabel(/^Number of the mistakes/).press('Enter');
  const began = Date.now();
  const seen: string[] = [];
  let rounds = 0;
  for (let k = 0; k < 60; k++) {
    const on = panel(page).getByRole('button', { name: 'To the end of the round' });
    const ask = panel(page).getByRole('button', {
      name: /^(Weigh the ball|Count it|Count the rounds|Choose where to rip to|Another one)$/,
    });
    await expect(on.or(ask)).toBeVisible();
    if (await on.isVisible()) {
      await on.click();
      // It works until something is asked, or the round is done.
      await expect(panel(page).getByRole('button', { name: 'Stop' })).toBeHidden();
      continue;
    }
    const asked = await ask.innerText();
    seen.push(asked);
    if (asked === 'Another one') break;
    const said = await prompt(page).innerText();
    await ask.click();
    if (asked === 'Weigh the ball') {
      await page.getByLabel('Left of the ball, g').fill(/says ([\d.]+) g/.exec(said)![1]!);
      await page.getByRole('button', { name: 'Note it' }).click();
    } else if (asked === 'Choose where to rip to') {
      await page.getByRole('group', { name: 'Rip back' }).getByRole('button').first().click();
    } else {
      const sheet = page.getByRole('group', { name: 'Count' });
      const chooser = sheet.getByLabel('Round');
      const name =
        (await chooser.count()) > 0 ? await chooser.locator('option:checked').innerText() : 'base round';
      const counts = await lying(page, name[0]!.toUpperCase() + name.slice(1));
      for (const [side, count] of counts.entries())
        await sheet.getByRole('textbox', { name: `Side ${'ABCD'[side]!}` }).fill(`${count}`);
      const right = sheet.getByRole('button', { name: 'Note that it is right' });
      const ways = sheet.locator('ol button');
      await expect(right.or(ways.first())).toBeVisible();
      if (await right.isVisible()) await right.click();
      else {
        // A small mistake is made up for, a large one is ripped.
        rounds++;
        const rip = ways.filter({ hasText: /^Rip/ }).first();
        const other = ways.filter({ hasNotText: /^Rip/ }).first();
        await (rounds > 1 ? rip : other).click();
        await sheet.getByRole('button', { name: 'Do this' }).click();
      }
    }
  }
  expect(seen.at(-1)).toBe('Another one');
  for (const what of ['Weigh the ball', 'Count it']) expect(seen).toContain(what);
  for (const task of ['a recount', 'a repair', 'weighing', 'ripping back'])
    await expect(panel(page).getByRole('listitem', { name: `${task}: seen` })).toBeVisible();
  await expect(page.getByRole('heading', { name: 'The border is worked' })).toBeVisible();
  expect(Date.now() - began).toBeLessThan(180_000);
});
