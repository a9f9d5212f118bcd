// A net day on two phones, one of them without signal for ten baskets: both tallies and the ledger say the same in the end.
import { test, expect, signIn } from './app.mjs';

const phone = async (browser, url) => {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true });
  const page = await context.newPage();
  await signIn(page, 'Manager', url);
  return { context, page };
};
const press = async (page, text) => {
  for (const d of text)
    await page.locator('.r-pad .pad', { hasText: new RegExp(`^${d === '.' ? '\\.' : d}$`) }).click();
};
// Digits and one tap.
const basket = async (page, gross) => {
  await press(page, gross);
  await page.getByRole('button', { name: 'Save basket' }).click();
};

test('two phones tally one net day, one without signal, nothing twice', async ({ browser, page, ownDemo: demo }) => {
  test.setTimeout(240_000);
  await signIn(page, 'Manager', demo.url);
  await page.goto(demo.url + '/ponds/P1/slip/net');
  await page.getByLabel('Crew').fill('four on the lines');
  await page.getByRole('button', { name: 'Begin the net day' }).click();
  // Conditions that are not met, and what is not booked, want a reason.
  await expect(page.locator('main').getByRole('alert').first()).toContainText('crew: nobody wrote it down');
  await page.getByLabel('Why, where a condition is not met').fill('the plant wants them today');
  await page.getByRole('button', { name: 'Begin the net day' }).click();
  await page.waitForURL(/\/ponds\/P1\/(?!slip)/);

  const a = await phone(browser, demo.url);
  const b = await phone(browser, demo.url);
  for (const p of [a, b]) {
    await p.page.goto(demo.url + '/harvest/P1/net');
    await expect(p.page.locator('.n-sum')).toContainText(/of [\d\u202f]+ to [\d\u202f]+ kg/);
  }
  // The empty basket is weighed once; it stays for all that follow.
  for (const p of [a, b]) {
    await p.page.locator('.n-rest button', { hasText: 'Empty basket' }).click();
    await press(p.page, '2');
    await p.page.locator('.n-rest button', { hasText: 'With the basket' }).click();
  }
  // A tare heavier than the gross is refused on the phone.
  await press(a.page, '1.5');
  await expect(a.page.locator('.n-form').getByRole('alert')).toContainText('weighs as much as the full one');
  await a.page.locator('.r-pad .pad', { hasText: 'clear' }).click();
  for (const gross of ['17', '16', '18']) await basket(a.page, gross);
  await expect(a.page.locator('.r-out')).toHaveText('all sent');
  await expect(a.page.locator('.n-sum b')).toHaveText('45');

  // Phone B loses its signal for ten baskets.
  await b.context.setOffline(true);
  for (let i = 0; i < 10; i++) await basket(b.page, i % 2 ? '16' : '18');
  await expect(b.page.locator('.r-list')).toHaveText('kept on this phone: 10');
  // Meanwhile A weighs one three times its neighbours: asked, and typed again.
  await expect(a.page.locator('.n-tally')).toContainText('3 baskets');
  await a.page.reload();
  await press(a.page, '66');
  await expect(a.page.locator('.n-form').getByRole('alert')).toContainText('Is it so?');
  await a.page.locator('.r-pad .pad', { hasText: 'clear' }).click();
  await basket(a.page, '16');
  await b.context.setOffline(false);
  await expect(b.page.locator('.r-out')).toHaveText('all sent', { timeout: 40_000 });
  // 45 and 14 and ten baskets of 15 kg on average.
  for (const p of [a, b]) await expect(p.page.locator('.n-sum b')).toHaveText('209', { timeout: 40_000 });
  await expect(a.page.locator('.n-tally')).toContainText('14 baskets');

  // Air in the net: typed, counted down.
  await a.page.locator('.n-rest button', { hasText: 'Oxygen there' }).click();
  await press(a.page, '5');
  await a.page.getByRole('button', { name: 'Save oxygen' }).click();
  await expect(a.page.locator('.n-air')).toContainText(/Air in the net: \d+ min|used up/);
  await a.page.getByRole('button', { name: 'All on ice' }).click();
  await a.page.getByRole('button', { name: 'Pull 1 is over' }).click();
  await expect(a.page.locator('.n-tally')).toContainText('pull 2');
  await expect(a.page.locator('.r-out')).toHaveText('all sent', { timeout: 40_000 });

  await page.goto(demo.url + '/ponds/P1/slip/net-close');
  await page.getByRole('button', { name: 'Into the ledger' }).click();
  const meant = page.getByRole('button', { name: /meant/ });
  if (await meant.count()) await meant.click();
  await page.waitForURL(/\/ponds\/P1/);
  await page.goto(demo.url + '/harvest/P1/net');
  await expect(page.locator('main')).toContainText('closed, in the ledger');
  await page.goto(demo.url + '/lots');
  const rows = page.locator('tbody tr', { has: page.getByRole('link', { name: /^P1-/ }) });
  await expect(rows).toHaveCount(1);
  await expect(rows.first()).toContainText(/209\.0\s?kg/);
});
