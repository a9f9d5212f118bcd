// What a browser adds to a slip: echoes while typing, questions, the same twice. The sentences at the fields are held on the server.
import { test, expect, fill, send, enter, metricFarm } from './app.mjs';

async function newFarm(page, farm) {
  await page.goto(farm.url);
  await fill(page, metricFarm);
  await send(page);
  await enter(page, farm.url + '/slip/pond', {
    Code: 'B1',
    Day: '2026-01-01',
    Length: '40',
    Width: '25',
    Slope: '2',
    Depth: '1.4',
  });
  await enter(page, farm.url + '/slip/feed', { FeedName: 'Grower', Pellet: '4', Protein: '35' });
  await enter(page, farm.url + '/ponds/B1/slip/stock', {
    Day: '2026-11-01',
    Hour: '07:00',
    Species: 'silver_perch',
    Count: '500',
    MeanWeight: '60',
    NotReadyReason: 'test',
  });
}

test('84F is understood, echoed and entered as 28.9 °C', async ({ as, farm }) => {
  const page = await as('Manager', farm);
  await newFarm(page, farm);
  await page.goto(farm.url + '/ponds/B1/slip/reading');
  await page.locator('[name=temp]').pressSequentially('84F');
  await expect(page.locator('[data-echo=temp]')).toContainText('28.9');
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/water/);
  expect(farm.facts().find((f) => f.table === 'reading').row.value).toBeCloseTo(28.889, 3);
});

test('a harvest above what stands is asked, then booked against unexplained', async ({ as, farm }) => {
  const page = await as('Manager', farm);
  await newFarm(page, farm);
  await page.goto(farm.url + '/ponds/B1/slip/harvest');
  await fill(page, { Mass: '78', Count: '520', Final: true, DifferenceReason: 'short count at stocking' });
  await send(page);
  await expect(page.locator('.slip-problems.ask')).toContainText('more than the 500 on the books');
  expect(farm.facts().filter((f) => f.table === 'harvest')).toHaveLength(0);
  await page.getByRole('button', { name: 'Yes, it is meant' }).click();
  await expect(page).toHaveURL(/harvest/);
  const unexplained = farm
    .facts()
    .filter((f) => f.table === 'posting' && f.row.account === 'Unexplained')
    .map((f) => f.row.count);
  expect(unexplained).toEqual([-20]);
});

test('a changed figure is asked about anew', async ({ as, farm }) => {
  const page = await as('Manager', farm);
  await newFarm(page, farm);
  await page.goto(farm.url + '/ponds/B1/slip/reading');
  await fill(page, { do: '16' });
  await send(page);
  await expect(page.locator('.slip-problems.ask')).toBeVisible();
  await fill(page, { do: '18' });
  await send(page);
  await expect(page.locator('.slip-problems.ask')).toContainText('18.0');
  expect(farm.facts().filter((f) => f.table === 'reading')).toHaveLength(0);
});

test('sent twice, from two tabs or after going back, it is entered once', async ({ as, farm, context }) => {
  const page = await as('Manager', farm);
  await newFarm(page, farm);
  await page.goto(farm.url + '/ponds/B1/slip/deaths');
  await fill(page, { Count: '3' });
  await send(page);
  await expect(page).toHaveURL(/stock/);
  await page.goBack();
  await fill(page, { Count: '3' });
  await send(page);
  await expect(page.locator('main')).toContainText('already entered');
  const ids = farm.facts().filter((f) => f.table === 'loss');
  expect(ids.length).toBe(1);
  const [one, two] = [await context.newPage(), await context.newPage()];
  for (const tab of [one, two]) {
    await tab.goto(farm.url + '/ponds/B1/slip/deaths');
    await fill(tab, { Count: '2' });
  }
  for (const tab of [one, two]) {
    await send(tab);
    await expect(tab).toHaveURL(/stock/);
  }
  expect(farm.facts().filter((f) => f.table === 'loss')).toHaveLength(3);
});

test('a void that later entries need is refused and names them', async ({ as, farm }) => {
  const page = await as('Manager', farm);
  await newFarm(page, farm);
  await enter(page, farm.url + '/ponds/B1/slip/deaths', { Day: '2026-12-01', Hour: '06:00', Count: '3' });
  await page.goto(farm.url + '/ponds/B1/log');
  await page.locator('.log-line', { hasText: 'stocked' }).getByRole('link', { name: 'correct' }).click();
  await page.getByRole('button', { name: /Take line/ }).click();
  await expect(page.locator('.slip-problems')).toContainText('Later entries need these fish');
  await page.goto(farm.url + '/ponds/B1/log');
  await page.locator('.log-line', { hasText: 'dead' }).getByRole('link', { name: 'correct' }).click();
  await page.getByRole('button', { name: /Take line/ }).click();
  await expect(page).toHaveURL(/stock/);
  await expect(page.locator('table.balance tr').last()).toContainText('500');
});

test.describe('without scripts', () => {
  test.use({ javaScriptEnabled: false });
  test('a reading is entered by the plain form', async ({ as, farm }) => {
    const page = await as('Manager', farm);
    await newFarm(page, farm);
    await enter(page, farm.url + '/ponds/B1/slip/reading', { do: '6.2', temp: '27' });
    await expect(page.locator('main')).toContainText('6.2');
  });
});

test('another hemisphere, zone and decimal sign: the right night, and figures as they are typed there', async ({
  as,
  farm,
}) => {
  const page = await as('Manager', farm);
  await page.goto(farm.url);
  // A made-up place in the north; the app's clock says 21 January 2027, 07:40 UTC, so 08:40 there: still the night of the 20th.
  await fill(page, { ...metricFarm, Latitude: '52,5', Longitude: '13,4', Zone: 'Europe/Berlin', Sign: 'Comma' });
  await send(page);
  await enter(page, farm.url + '/slip/pond', {
    Code: 'B1',
    Day: '2026-05-01',
    Length: '40,5',
    Width: '25',
    Slope: '2',
    Depth: '1,4',
  });
  await enter(page, farm.url + '/ponds/B1/slip/stock', {
    Day: '2026-11-01',
    Hour: '07:00',
    Species: 'common_carp',
    Count: '500',
    MeanWeight: '60,5',
    NotReadyReason: 'test',
  });
  await enter(
    page,
    farm.url + '/ponds/B1/slip/reading',
    { Hour: '08:30', do: '9,75', temp: '4,5' },
    { asked: 'perhaps' },
  );
  expect(
    farm
      .facts()
      .filter((f) => f.table === 'reading')
      .map((f) => f.row.value),
  ).toEqual([9.75, 4.5]);
  // By the almanac of that latitude: sunset 16:27 to 16:30, sunrise 8:03 to 8:06.
  await expect(page.locator('svg.night-rule')).toHaveAttribute(
    'aria-label',
    /sunset 16:(2\d|30), sunrise 08:0[2-6], now 08:40/,
  );
  await page.goto(farm.url + '/');
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Morning');
  await page.goto(farm.url + '/ponds/B1/water');
  await expect(page.locator('main')).toContainText('9,8');
  await page.goto(farm.url + '/round');
  await expect(page.locator('.r-pad')).toContainText(',');
});
