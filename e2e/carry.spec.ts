import { readFileSync } from 'node:fs';
import { expect, test } from './test.ts';
import { carriedLinks } from '../app/storage/carry.ts';
import { readHem, writeHem } from '../core/document/check.ts';
import { keyOf } from '../core/document/record.ts';
import { demoPlans } from '../demo/read.ts';

const { hem } = demoPlans().find(([, p]) => p.hem.record.length > 20)![1];
const mine = { ...hem, id: 'carried', name: 'Carried lap blanket' };

test('a hem goes to a phone by its codes, is worked on there, and comes back to a laptop that went on too', async ({
  browser,
  baseURL,
}) => {
  const laptop = await (await browser.newContext({ baseURL: baseURL! })).newPage();
  await laptop.goto('/');
  await laptop.getByLabel('Choose hem files').setInputFiles({
    name: 'carried.hem.json',
    mimeType: 'application/json',
    buffer: Buffer.from(writeHem(mine)),
  });
  await laptop.getByRole('link', { name: /Carried lap blanket/ }).click();
  await laptop.getByRole('link', { name: /^Work/ }).click();
  await laptop.getByRole('link', { name: 'Take it to another device' }).click();
  // This address is of this machine alone.
  await expect(laptop.getByText('this address can only be opened on this device')).toBeVisible();

  const phone = await (
    await browser.newContext({ baseURL: baseURL!, viewport: { width: 390, height: 844 } })
  ).newPage();
  const links = carriedLinks(mine, baseURL!, 1300)!;
  expect(links.length).toBeGreaterThan(1);
  for (const [k, link] of links.entries()) {
    await phone.goto('/stitches');
    await phone.goto(link);
    if (k < links.length - 1)
      await expect(
        phone.getByRole('heading', { name: `${k + 1} of ${links.length} codes read` }),
      ).toBeVisible();
  }
  await phone.getByRole('button', { name: 'Put it on my shelf' }).click();
  await phone.getByRole('button', { name: 'Done', exact: true }).click();
  await phone.getByRole('link', { name: 'Take it to another device' }).click();
  const coming = phone.waitForEvent('download');
  await phone.getByRole('button', { name: 'Download the hem file' }).click();
  const text = readFileSync(await (await coming).path(), 'utf8');

  // Meanwhile the laptop gives it another name, and both change the notes.
  const name = laptop.getByLabel('Name of this hem');
  await name.fill('Carried and renamed');
  await name.press('Enter');
  await expect(laptop).toHaveTitle(/Carried and renamed/);
  const outcome = readHem(text);
  if (!outcome.ok) throw new Error('the file cannot be read');
  const back = { ...outcome.value, notes: 'From the phone.' };
  expect(back.record.length).toBeGreaterThan(mine.record.length);
  await laptop.goto('/');
  await laptop.getByLabel('Choose hem files').setInputFiles({
    name: 'back.hem.json',
    mimeType: 'application/json',
    buffer: Buffer.from(writeHem(back)),
  });
  const met = laptop.getByRole('region', { name: 'Two copies' });
  await expect(met.getByText(/1 entry from there/)).toBeVisible();
  await expect(met.getByText('The design was changed on both.')).toBeVisible();
  await met.getByRole('button', { name: 'Take the changes of both' }).click();
  await laptop.getByRole('link', { name: /Carried and renamed/ }).click();
  await laptop.getByRole('link', { name: /^Pattern/ }).click();
  await expect(laptop.getByText('From the phone.').first()).toBeVisible();
  await laptop.getByRole('link', { name: /^Work/ }).click();
  await laptop.getByRole('link', { name: 'Take it to another device' }).click();
  const again = laptop.waitForEvent('download');
  await laptop.getByRole('button', { name: 'Download the hem file' }).click();
  const whole = readHem(readFileSync(await (await again).path(), 'utf8'));
  if (!whole.ok) throw new Error('the file cannot be read');
  expect(whole.value.record.map(keyOf)).toEqual(back.record.map(keyOf));
});
