// A day of fishing is planned while it is typed; a harvest is sold by the crate, held against what was caught, and its lot leads from buyer to pond.
import { test, expect, signIn } from './app.mjs';

test('a harvest planned as it is typed, sold by the crate and traced', async ({ page, ownDemo: demo }) => {
  await signIn(page, 'Manager', demo.url);
  await page.goto(demo.url + '/harvest');
  await page.getByRole('link', { name: 'Plan P1' }).click();
  const out = page.locator('.bench-out');
  await expect(out).toContainText('Tue 26 Jan');
  await expect(out).toContainText('oxygen in the net is not known');
  await page.getByLabel('Oxygen there').fill('6');
  await expect(out).toContainText(/minutes until the act level/, { timeout: 15_000 });
  await page.getByLabel('Draw down to').fill('0.6');
  await expect(out).toContainText('outlet opened', { timeout: 15_000 });
  await expect(page).toHaveURL(/draw=0\.6/);
  await page.getByLabel('Take fish from').fill('90000');
  await expect(out.getByRole('alert')).toContainText('outside what can be worked with', { timeout: 15_000 });

  // Two hundred are taken out, past the conditions that are asked about.
  await page.goto(demo.url + '/ponds/P1/slip/harvest');
  await page.getByLabel('Mass').fill('100');
  await page.getByLabel('Fish, if counted').fill('200');
  await page.getByRole('button', { name: 'Book this harvest' }).click();
  await page.getByRole('button', { name: /meant/ }).click();
  await page.waitForURL(/line=/);

  // More than was harvested is refused where it was typed; what fits is sold.
  await page.goto(demo.url + '/ponds/P1/slip/sale');
  await page.getByLabel('Buyer').selectOption({ label: 'Reedmouth plant' });
  await page.getByLabel('Weighed, with crates').fill('140');
  await page.getByLabel('Crates', { exact: true }).fill('4');
  await page.getByLabel('One empty crate').fill('1.5');
  await page.getByRole('button', { name: 'Save this sale' }).click();
  await expect(page.locator('main').getByRole('alert').first()).toContainText('are not sold yet');
  await page.getByLabel('Weighed, with crates').fill('86');
  await page
    .getByRole('button', { name: /Save this sale|meant/ })
    .first()
    .click();
  await page.waitForURL(/line=/);
  await page.goto(demo.url + '/lots');
  const row = page.locator('tbody tr', { has: page.getByRole('link', { name: /^P1-/ }) }).first();
  await expect(row).toContainText(/80\.0\s?kg/);
  await expect(row).toContainText(/20\.0\s?kg/);
  await row.getByRole('link', { name: /^P1-/ }).click();
  await expect(page.locator('main')).toContainText('Reedmouth plant');
  await expect(page.getByRole('img', { name: 'Code of this page for a phone' })).toBeVisible();
  await expect(page.locator('main')).toContainText('Where they came from');
});
