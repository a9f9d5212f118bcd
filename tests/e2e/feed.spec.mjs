// The ration board: a brake with its reason, a wish with its reason, given in two taps, on a phone and without scripts.
import { test, expect, signIn } from './app.mjs';

test('an oxygen brake, a wish, and a meal in two taps on the phone', async ({ browser, ownDemo: demo }) => {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true });
  const page = await context.newPage();
  await signIn(page, 'Pond hand', demo.url);
  await page.goto(demo.url + '/feed');
  const row = code => page.locator(`#feed-${code}`);
  await expect(row('P4').locator('.feed-brake').first()).toContainText('under the act level');
  await expect(row('P4').locator('.feed-kg b')).toContainText('0');
  // Walking order.
  const codes = await page.locator('.feed-row h2').allInnerTexts();
  expect(codes.indexOf('T1')).toBeLessThan(codes.indexOf('P4'));

  await row('P2').getByText('Change').click();
  await row('P2').getByLabel('For the day').fill('20 lb');
  await row('P2').getByRole('button', { name: 'Want this' }).click();
  await expect(row('P2').getByRole('alert')).toContainText('Say why');
  await expect(row('P2').getByLabel('For the day')).toHaveValue('20 lb');
  await row('P2').getByLabel('Because').fill('sample tomorrow');
  await row('P2').getByRole('button', { name: 'Want this' }).click();
  await expect(row('P2')).toContainText('Pond hand wants 9.1');
  await expect(row('P2').locator('.feed-kg b')).toContainText('9.1');

  // Two taps: the row's button, and Keep.
  const before = await row('P1').locator('.feed-kg').innerText();
  await row('P1').locator('summary', { hasText: 'Fed' }).click();
  await expect(row('P1').getByLabel('Given')).not.toHaveValue('');
  await row('P1').getByRole('button', { name: 'Keep' }).click();
  await expect(row('P1').locator('.feed-kg')).not.toHaveText(before);
  await page.goto(demo.url + '/ponds/P1/log');
  await expect(page.locator('main')).toContainText('P1 fed');
  await context.close();
});
