import type { Page } from '@playwright/test';
import { expect, test } from './test.ts';
import { writeHem } from '../core/document/check.ts';
import { entry, rowsHem } from '../core/testing/hems.ts';

// One hand, one phone.
test.use({ viewport: { width: 390, height: 844 }, hasTouch: true });

const mat = {
  ...rowsHem({
    stitches: 33,
    rows: [{ stitch: 'dc', count: 16 }],
    widthCm: 23,
    heightCm: 22,
    counts: [33, 33, 33, 33],
    rounds: [
      entry({ id: 'a', times: 2 }),
      entry({ id: 's', family: 'shell', stitch: 'hdc', corner: 'three' }),
    ],
  }),
  id: 'mat',
  name: 'Small mat',
};

async function openMat(page: Page): Promise<void> {
  await page.goto('/');
  await page.getByLabel('Choose hem files').setInputFiles({
    name: 'mat.hem.json',
    mimeType: 'application/json',
    buffer: Buffer.from(writeHem(mat)),
  });
  await expect(page.getByRole('heading', { name: 'Small mat' })).toBeVisible();
  await page.goto('/hem/mat/work');
  await expect(page.getByText('The base round begins')).toBeVisible();
  // The drawing of the place has room.
  await expect
    .poll(async () => (await page.locator('.stitch-stage canvas').first().boundingBox())?.height ?? 0)
    .toBeGreaterThan(150);
}

const done = (page: Page) => page.getByRole('button', { name: /^(Started|Done|Round joined)$/ });
const now = (page: Page) => page.getByRole('region', { name: 'What to do now' });

/** Goes on until a text is there. */
async function goOnTo(page: Page, text: string | RegExp): Promise<void> {
  for (let k = 0; k < 200; k++) {
    if ((await now(page).getByText(text).count()) > 0) return;
    const before = await now(page).innerText();
    // Touches that follow each other at once count as one.
    await page.waitForTimeout(240);
    await done(page).tap();
    await expect.poll(() => now(page).innerText()).not.toBe(before);
  }
  throw new Error(`it never comes to “${String(text)}”`);
}

test('a border is worked to its end, counted, repaired and ripped back, over a reload and without the network', async ({
  page,
  context,
}) => {
  await openMat(page);
  await page.getByLabel('One step is').selectOption('side');
  await goOnTo(page, 'Side B');
  await expect(page.getByRole('link', { name: /^Work/ })).toContainText('base round, side B');
  await expect(page.getByText('Saved in this browser')).toBeVisible();

  // In the middle of the round: it is gone on with where it was.
  await page.reload();
  await expect(now(page).getByText('Side B').first()).toBeVisible();
  await page.getByLabel('One step is').selectOption('side');

  // One short on side A: told why, and made up for in the next plain round.
  await page.getByRole('button', { name: 'Count' }).tap();
  const field = page.getByRole('textbox', { name: /^Side A/ });
  const expected = Number(
    (
      await page
        .getByText(/^should be \d+$/)
        .first()
        .innerText()
    ).replace(/\D/g, ''),
  );
  await field.fill(String(expected - 1));
  await expect(page.getByText(/hides behind the corner/)).toBeVisible();
  await page.getByRole('button', { name: /^Go on, and make up for it in round 1/ }).tap();
  await expect(page.getByText('The drawing shows how it will be.')).toBeVisible();
  await page.getByRole('button', { name: 'Do this' }).tap();
  await expect(page.getByRole('link', { name: /^Base round/ })).toContainText(`A ${expected - 1}`);
  await expect(page.getByRole('link', { name: /^Rounds/ })).toContainText('all fit');

  // The ball on the scale, twice: the second time tells what went into the stitches between.
  const weigh = async (grams: string): Promise<void> => {
    await page.getByRole('button', { name: 'Weigh' }).tap();
    await page.getByRole('button', { name: 'Kitchen scale' }).tap();
    await page.getByRole('spinbutton', { name: 'On the pan' }).fill(grams);
    await page.getByRole('spinbutton', { name: 'On the pan' }).press('Tab');
    await page.getByRole('button', { name: 'Put it on' }).tap();
    await page.getByRole('button', { name: 'Take this reading' }).tap();
    await expect(page.getByRole('textbox', { name: /^Left of the ball/ })).not.toHaveValue('');
    await page.getByRole('button', { name: 'Note it' }).tap();
  };
  await weigh('48');
  await goOnTo(page, /^Round 1 begins/);
  await goOnTo(page, 'Side C');
  await weigh('43');
  await page.getByRole('button', { name: 'Weigh' }).tap();
  await expect(page.getByText(/from your hands: 1 observation/)).toBeVisible();
  await page.getByRole('button', { name: 'Close' }).tap();

  // A look, with the tape and a photo, which is made smaller.
  await page.getByRole('button', { name: 'Look' }).tap();
  await page.getByRole('textbox', { name: /^Border width/ }).fill('2.5');
  await page.getByLabel('Photo').setInputFiles('docs/screenshots/work.png');
  await expect(page.getByRole('img', { name: 'The work, laid flat' })).toBeVisible();
  await page.getByRole('button', { name: 'Note it' }).tap();
  await page.getByRole('button', { name: 'Pause' }).tap();
  await expect(page.getByText(/^Paused\./)).toBeVisible();

  await context.setOffline(true);
  await goOnTo(page, /^Round 2 begins/);
  // A round too far: back to its corner, and to the round before.
  await goOnTo(page, 'Side C');
  await page.getByRole('button', { name: 'Rip back' }).tap();
  await page.getByRole('button', { name: /^All of round 1/ }).tap();
  await expect(now(page).getByText(/^Round 1 begins/)).toBeVisible();
  await page.getByRole('button', { name: 'Undo last step' }).tap();
  await expect(now(page).getByText(/^The base round ends/)).toBeVisible();
  await goOnTo(page, 'Finishing');
  await expect(page.getByRole('link', { name: /^Work/ })).toContainText('all worked');
  await context.setOffline(false);

  await page.goto('/');
  const first = page.locator('.shelf_hem').first();
  await expect(first).toContainText('Small mat');
  await expect(first).toContainText('All worked');
  await first.getByRole('link').click();
  await expect(page).toHaveURL(/\/work$/);
});

test('two tabs work on one border: what is done in either is done', async ({ page, context }) => {
  await openMat(page);
  const other = await context.newPage();
  await other.goto('/hem/mat/work');
  await done(page).tap();
  await expect(page.getByText('Saved in this browser')).toBeVisible();
  await expect(other.getByRole('link', { name: /^Work/ })).toContainText('base round, side A');
  await other.waitForTimeout(240);
  await done(other).tap();
  await expect(other.getByText('Saved in this browser')).toBeVisible();
  await expect(now(page).getByText('12–21 of')).toBeVisible();
  await other.close();
});

test('what is touched is large enough for a thumb', async ({ page }) => {
  await openMat(page);
  await done(page).tap();
  for (const button of await now(page).getByRole('button').all()) {
    const box = (await button.boundingBox())!;
    expect(Math.min(box.width, box.height)).toBeGreaterThanOrEqual(48);
  }
  // The way on is in view without scrolling.
  const box = (await done(page).boundingBox())!;
  expect(box.y + box.height).toBeLessThanOrEqual(844);
});

test('what was noted wrongly is struck in the log, over a reload, and all logs stand together', async ({
  page,
}) => {
  await page.goto('/');
  await page.getByRole('link', { name: 'Clover lap blanket' }).first().click();
  await page.getByRole('link', { name: 'Log of this hem' }).click();
  await page.getByRole('button', { name: 'Counts' }).click();
  await page
    .getByRole('button', { name: /^Cross out: .*counted/ })
    .first()
    .click();
  await expect(page.getByRole('button', { name: /^Count it again, as noted/ })).toBeVisible();
  await expect(page.getByText('Saved in this browser')).toBeVisible();
  await page.reload();
  await expect(page.getByRole('button', { name: /^Count it again, as noted/ })).toBeVisible();
  await page.goto('/log');
  await expect(page.getByRole('link', { name: 'Clover lap blanket' }).first()).toBeVisible();
});

test('what the log teaches is seen, switched off, and begun afresh', async ({ page }) => {
  await page.goto('/log');
  await page.getByRole('link', { name: 'My hands' }).click();
  // What demo hems came with was made by nobody.
  await expect(page.getByText(/^About 18 stitches a minute/)).toBeVisible();
  await expect(page.getByText('Typical value; nothing logged yet.').first()).toBeVisible();
  await page
    .getByRole('checkbox', { name: /^New hems begin with it/ })
    .first()
    .uncheck();
  // What is known better stands in the place of what was learned.
  await page.getByRole('spinbutton', { name: /^Your own word: yarn/ }).fill('12');
  await page.getByRole('spinbutton', { name: /^Your own word: yarn/ }).press('Tab');
  await expect(page.getByText(/You use about 12% more yarn than usual/)).toBeVisible();
  await expect(page.getByText('Your own word.')).toBeVisible();
  await page.getByRole('button', { name: 'Start afresh from now' }).click();
  await expect(page.getByRole('button', { name: 'Take everything into account again' })).toBeVisible();
  await page.reload();
  await expect(page.getByRole('checkbox', { name: /^New hems begin with it/ }).first()).not.toBeChecked();
  await page.getByRole('button', { name: 'Take everything into account again' }).click();
  await expect(page.getByText('The log itself is never deleted by this.')).toBeVisible();

  // A new hem begins with it.
  await page.goto('/new');
  await page.getByRole('button', { name: 'Rows', exact: true }).click();
  await page.getByRole('button', { name: 'Choose an edge' }).click();
  await page.getByRole('button', { name: 'Only a base round' }).click();
  await page.getByRole('link', { name: /^Yarn/ }).click();
  await expect(page.getByText('This hem uses your')).toContainText('yarn');
  await page.getByRole('button', { name: 'Use typical values' }).click();
  await expect(page.getByRole('button', { name: 'Use my hands' })).toBeVisible();
});
