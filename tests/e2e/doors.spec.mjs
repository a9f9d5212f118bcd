// What must not pass at any door: too many fish, fish that are held apart, a screen that does not hold them.
import { test, expect, fill, send, enter, metricFarm } from './app.mjs';

const begin = async (page, farm, codes) => {
  await page.goto(farm.url);
  await fill(page, metricFarm);
  await send(page);
  for (const code of codes)
    await enter(page, farm.url + '/slip/pond', {
      Code: code,
      Day: '2026-10-01',
      Length: '40',
      Width: '25',
      Slope: '2',
      Depth: '1.4',
    });
};

const stocking = {
  Day: '2027-01-20',
  Hour: '09:00',
  Species: 'silver_perch',
  Origin: 'made-up hatchery',
  MeanWeight: '20',
  NotReadyReason: 'they are on the road',
};

test('a wrong stocking is stopped with the limit, how far over it is, and a number that fits', async ({ as, farm }) => {
  const page = await as('Manager', farm);
  await begin(page, farm, ['D1']);
  await page.goto(farm.url + '/ponds/D1/slip/stock');
  await fill(page, { ...stocking, Count: '1000000', NotReadyReason: '' });
  await send(page);
  const count = page.locator('#w-Count');
  await expect(count).toContainText('% over the limit');
  await expect(count).toContainText('Put in at most');
  expect(farm.facts().filter((f) => f.table === 'stocking')).toHaveLength(0);
  // The number that is offered goes in, and a second sending of too many is stopped like the first.
  const most = Number((await count.innerText()).match(/at most ([\d,]+)/)[1].replace(/,/g, ''));
  await fill(page, { Count: String(most), NotReadyReason: stocking.NotReadyReason });
  await send(page);
  if (await page.locator('.slip-problems.ask').count()) await send(page);
  await expect(page).toHaveURL(/D1\/stock/);
  expect(farm.facts().filter((f) => f.table === 'stocking')).toHaveLength(1);
});

test('a screen that does not hold them stands against fish at the slip and in the pond', async ({ as, farm }) => {
  const page = await as('Manager', farm);
  await begin(page, farm, ['D1']);
  await enter(page, farm.url + '/ponds/D1/slip/equipment', {
    Day: '2026-12-01',
    Hour: '08:00',
    OutletScreenMesh: '12',
  });
  await page.goto(farm.url + '/ponds/D1/slip/stock');
  await fill(page, { ...stocking, Count: '500', MeanWeight: '2', NotReadyReason: '' });
  await send(page);
  await expect(page.locator('#w-NotReadyReason')).toContainText('screens');
  await fill(page, { NotReadyReason: 'a finer one is fitted tonight' });
  await send(page);
  if (await page.locator('.slip-problems.ask').count()) await send(page);
  await expect(page).toHaveURL(/D1\/stock/);
  await page.goto(farm.url + '/ponds/D1/water');
  await expect(page.locator('main')).toContainText('outlet screen of 12');
});

test('fish that are held apart cannot leave their water by any slip', async ({ as, farm }) => {
  const page = await as('Manager', farm);
  await begin(page, farm, ['Q1', 'D2']);
  for (const [code, count] of [
    ['Q1', '300'],
    ['D2', '400'],
  ])
    await enter(page, `${farm.url}/ponds/${code}/slip/stock`, { ...stocking, Count: count }, { asked: 'perhaps' });
  // Held without air or a place to rest is asked about.
  await page.goto(farm.url + '/ponds/Q1/slip/quarantine');
  await fill(page, { Day: '2027-01-20', Hour: '10:00', Event: 'Begun', Days: '21', Text: 'bought fish' });
  await send(page);
  await expect(page.locator('.slip-problems.ask')).toContainText('calm place');
  await fill(page, { Air: true, Rest: true });
  await send(page);
  await expect(page).not.toHaveURL(/slip/);
  const refused = async (url, values) => {
    await page.goto(farm.url + url);
    await fill(page, values);
    await send(page);
    await expect(page.locator('.slip-problems')).toContainText('held');
  };
  await refused('/ponds/Q1/slip/move', {
    Day: '2027-01-21',
    Hour: '09:00',
    ToPond: 'D2',
    Count: '50',
    MeanWeight: '20',
  });
  await refused('/ponds/Q1/slip/harvest', {
    Day: '2027-01-21',
    Hour: '09:00',
    To: 'SoldAlive',
    Mass: '1',
    Count: '50',
  });
  await refused('/ponds/Q1/slip/stock', { ...stocking, Day: '2027-01-21', Count: '100' });
  await refused('/ponds/D2/slip/move', {
    Day: '2027-01-21',
    Hour: '09:00',
    ToPond: 'Q1',
    Count: '50',
    MeanWeight: '20',
  });
  expect(farm.facts().filter((f) => ['move', 'harvest'].includes(f.table))).toHaveLength(0);
});
