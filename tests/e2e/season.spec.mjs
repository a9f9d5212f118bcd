// The season: a moved harvest shows what it brings, is kept as a copy and as a plan; dragged, typed and without scripts.
import { test, expect, signIn, send } from './app.mjs';

const kg = (text) => Number(text.replace(/[^0-9]/g, '') || 0);
const rowOf = (page, code) => page.locator('.rb-row', { has: page.locator('a', { hasText: new RegExp(`^${code}$`) }) });
const dayOf = (page, code, what) =>
  page
    .locator('.season-days tr', { has: page.locator('th', { hasText: new RegExp(`^${code}$`) }) })
    .filter({ hasText: what })
    .locator('input');

test('a moved harvest shows a shortage of feed, is kept as a copy and put into the plans', async ({
  page,
  ownDemo: demo,
}) => {
  await signIn(page, 'Manager', demo.url);
  await page.goto(demo.url + '/season');
  const fits = page.locator('.fits');
  await expect(fits).toContainText('Grower 4 mm lasts to Tue 26 Jan');
  // A store that just lasts half a year, as planned: counted so.
  const cells = (await page.locator('.by-month tr', { hasText: 'Grower 4 mm' }).locator('td').allInnerTexts()).map(kg);
  const toGo =
    kg(
      await page
        .locator('.rb-feed .rb-next')
        .innerText()
        .then((t) => t.match(/([\d.]+)\s*t[^\d]*to go/)[1].replace('.', '')),
    ) *
      100 +
    100;
  const store = Math.round(toGo + cells.slice(7, 12).reduce((a, b) => a + b) + 0.75 * cells[12]);
  await page.goto(demo.url + '/slip/store-count');
  await page.getByLabel('What').selectOption({ label: 'Grower 4 mm' });
  await page.getByLabel('Lies there').fill(`${store} kg`);
  await page.getByLabel('Likely cause').fill('a silo was filled');
  await send(page);
  const sure = page.getByRole('button', { name: /Save|Yes/ });
  if (!page.url().includes('line=')) await sure.first().click();
  await page.waitForURL(/line=/);
  await page.goto(demo.url + '/season');
  await expect(fits).not.toContainText('Grower 4 mm lasts to');

  // By keyboard, in the line of its day: worked out at once.
  const p4 = dayOf(page, 'P4', 'harvest').first();
  await expect(p4).toHaveValue('2027-05-06');
  await p4.fill('2027-07-01');
  await expect(fits).toContainText('By these days: Grower 4 mm lasts to');
  await expect(page.locator('.moved')).toContainText('P4 harvest Thu 1 Jul instead of Thu 6 May');
  await expect(page).toHaveURL(/h\d+-\d+=2027-07-01/);
  // Fish that are to come find the pond full, too.
  await expect(fits).toContainText(/P4 still holds .* when 9,500 fish are to come/);
  await page.locator('#copy-name').fill('P4 in winter');
  await page.getByRole('button', { name: 'Save as a copy' }).click();
  await expect(page.locator('.moved')).toContainText('Copy “P4 in winter”');
  await page.goto(demo.url + '/season');
  await expect(dayOf(page, 'P4', 'harvest').first()).toHaveValue('2027-05-06');
  await page.getByRole('link', { name: 'P4 in winter' }).click();
  await page.getByRole('button', { name: 'Put into the plans' }).click();
  await expect(page).toHaveURL(demo.url + '/season');
  await expect(dayOf(page, 'P4', 'harvest').first()).toHaveValue('2027-07-01');
  await page.goto(demo.url + '/feed/store');
  await expect(page.locator('table.store tr', { hasText: 'Grower' }).locator('td').nth(2)).toContainText(/Jun|Jul/);
  await page.goto(demo.url + '/ponds/P4/log');
  await expect(page.locator('main')).toContainText('P4 harvest on 2027-07-01');
});

test('a harvest is dragged on its ribbon', async ({ as, demo }) => {
  const page = await as('Manager', demo);
  await page.goto(demo.url + '/season');
  const grab = rowOf(page, 'T2').locator('[data-move^="h"]');
  await grab.scrollIntoViewIfNeeded();
  const box = await grab.boundingBox(),
    y = box.y + box.height / 2;
  await page.mouse.move(box.x + 12, y);
  await page.mouse.down();
  for (const by of [10, 20, 30]) await page.mouse.move(box.x + 12 + by, y);
  await page.mouse.up();
  // Two pixels a day: about a fortnight later, and said so.
  await expect(page.locator('.moved')).toContainText(/T2 harvest (Wed|Thu|Fri) (9|10|11) Jun instead of Wed 26 May/);
  await expect(rowOf(page, 'T2').locator('.rb-next')).toContainText('Jun');
  await page.getByRole('link', { name: 'Back to the plans' }).click();
  await expect(rowOf(page, 'T2').locator('.rb-next')).toContainText('26 May');
});

test('without scripts the days are typed and sent, and a day that cannot be is told', async ({ browser, demo }) => {
  const context = await browser.newContext({ javaScriptEnabled: false, viewport: { width: 390, height: 844 } });
  const page = await context.newPage();
  await signIn(page, 'Manager', demo.url);
  await page.goto(demo.url + '/season');
  await dayOf(page, 'T1', 'harvest').first().fill('2027-01-02');
  await page.getByRole('button', { name: 'Work out with these days' }).click();
  await expect(page.locator('.season-days .wrong')).toContainText('A day from today on');
  await dayOf(page, 'T1', 'harvest').first().fill('2027-03-20');
  await page.getByRole('button', { name: 'Work out with these days' }).click();
  await expect(page.locator('.moved')).toContainText('T1 harvest Sat 20 Mar instead of Wed 10 Mar');
  await context.close();
});
