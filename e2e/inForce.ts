/** Terms, unit and hand, which stand behind one control over every page of a hem. */
import type { Page } from '@playwright/test';

export type Setting = 'US terms' | 'UK terms' | 'cm' | 'in' | 'Right hand' | 'Left hand';

const SAID = /^(.*): change terms, unit or hand$/;

const control = (page: Page) => page.getByRole('button', { name: /change terms, unit or hand$/ });

/** Opens the control, if it is not open, and chooses. */
export async function choose(page: Page, what: Setting): Promise<void> {
  const choice = page.locator('[popover]').getByText(what, { exact: true });
  if (!(await choice.isVisible())) await control(page).click();
  await choice.click();
}

/** Settings in force, as the control says it: “UK terms · cm · left hand”. */
export async function inForce(page: Page): Promise<string> {
  const name = await control(page).textContent();
  return SAID.exec(name!)![1]!;
}
