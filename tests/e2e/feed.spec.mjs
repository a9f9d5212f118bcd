// The ration board: a brake with its reason, a wish with its reason, given in two taps, on a phone and without scripts.
import { test, expect, signIn } from './app.mjs';

test('an oxygen brake, a wish, and a meal in two taps on the phone', async ({ browser, ownDemo: demo }) => {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true });
  const page = await context.newPage();
  await signIn(page, 'Pond hand', demo.url);
  await page.goto(demo.url + '/feed');
  const row = (code) => page.locator(`#feed-${code}`);
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
  await row('P1').getByRole('button', { name: 'Save' }).click();
  await expect(row('P1').locator('.feed-kg')).not.toHaveText(before);
  await page.goto(demo.url + '/ponds/P1/log');
  await expect(page.locator('main')).toContainText('P1 fed');
  await context.close();
});

test('a load comes, is counted, a change of feed lies ahead, and a mix that cannot be says why', async ({
  page,
  ownDemo: demo,
}) => {
  await signIn(page, 'Manager', demo.url);
  await page.goto(demo.url + '/feed/store');
  const grower = page.locator('table.store tr', { hasText: 'Grower' });
  await expect(grower).toContainText('now');
  const left = async () => Number((await grower.locator('td').first().innerText()).replace(/[^0-9.]/g, ''));
  const before = await left();

  // A load with its price and freight: what a kg costs is worked out while typing.
  await page.getByRole('link', { name: 'Record a feed delivery' }).click();
  await page.getByLabel('What').selectOption({ label: 'Grower 4 mm' });
  await page.getByLabel('Mass').fill('6 t');
  await page.getByLabel('Lot on the bag').fill('GR27X');
  await page.getByLabel('Use by').fill('2027-02-20');
  await page.getByLabel('Price', { exact: true }).fill('2.00');
  await page.getByLabel('Freight of the load').fill('600');
  await expect(page.locator('[data-computed-lines]')).toContainText('2.10 AUD/kg, freight included');
  await page.getByRole('button', { name: 'Save this load' }).click();
  await expect.poll(left).toBeGreaterThan(before + 5990);
  // It expires before the old lot: it goes out first.
  await expect(grower).toContainText('GR27X');
  await expect(grower.locator('td').nth(3)).not.toContainText('now');

  // A count that differs wants a name.
  await page.getByRole('link', { name: 'Stock-take' }).click();
  await page.getByLabel('What').selectOption({ label: 'Grower 4 mm' });
  await page.getByLabel('Lies there').fill('6500 kg');
  await page.getByRole('button', { name: 'Save this count' }).click();
  await expect(page.locator('main').getByRole('alert').first()).toContainText('Name the likely cause');
  await expect(page.getByLabel('Lies there')).toHaveValue('6500 kg');
  await page.getByLabel('Likely cause').fill('rats behind the pallets');
  await page.getByRole('button', { name: 'Save this count' }).click();
  await expect(page.locator('main')).toContainText('rats behind the pallets');
  await expect.poll(left).toBe(6500);

  // What is fed goes out of the lot that expires first.
  await page.goto(demo.url + '/ponds/P1/slip/feeding');
  await page.getByLabel('Feed', { exact: true }).selectOption({ label: 'Grower 4 mm' });
  await page.getByLabel('Given').fill('10');
  await page.getByRole('button', { name: 'Save this feeding' }).click();
  await expect(page).toHaveURL(/line=/);
  await page.goto(demo.url + '/feed/store');
  await expect.poll(left).toBe(6490);

  await page.goto(demo.url + '/feed/changes');
  const change = page.locator('tr', { hasText: 'N2' }).first();
  await expect(change).toContainText('Starter 2 mm');
  for (const part of ['25 %', '50 %', '75 %', '100 %']) await expect(change).toContainText(part);

  // Protein of 60 % from grain and soy cannot be: the page says which demand, and how near it comes.
  await page.goto(demo.url + '/workbench/mix');
  const out = page.locator('.bench-out');
  await expect(out).toContainText('is what costs you');
  await page.getByLabel('Protein at least').fill('60');
  await expect(out).toContainText('These ingredients cannot meet');
  await expect(out).toContainText('protein');
  await page.getByLabel('Protein at least').fill('28');
  await expect(out).toContainText('Feed cost of the gain');
  await page.goto(demo.url + '/workbench/square?a=48&b=8.5&wanted=60&kg=100');
  await expect(page.locator('.bench-out')).toContainText('these two cannot make it');
});
