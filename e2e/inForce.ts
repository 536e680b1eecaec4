/** Terms, unit and hand, which stand behind one control over every page of a hem. */
import type { Page } from '@playwright/test';

export type Setting = 'US terms' | 'UK terms' | 'cm' | 'in' | 'Right hand' | 'Left hand';

/** Opens the control, if it is not open, and chooses. */
export async function choose(page: Page, what: Setting): Promise<void> {
  const choice = page.locator('[popover]').getByText(what, { exact: true });
  if (!(await choice.isVisible())) await page.getByRole('button', { name: /^Terms, unit and hand/ }).click();
  await choice.click();
}

/** Settings in force, as the control says it: “UK terms, cm, left hand”. */
export async function inForce(page: Page): Promise<string> {
  const name = await page.getByRole('button', { name: /^Terms, unit and hand/ }).getAttribute('aria-label');
  return name!.replace('Terms, unit and hand: ', '');
}
