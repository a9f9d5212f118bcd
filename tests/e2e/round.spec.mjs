// The walk with the phone, at an address where browsers give neither service worker nor randomUUID.
import { test, expect, signIn } from './app.mjs';

const phone = async (browser, app, size = { width: 390, height: 844 }) => {
  const context = await browser.newContext({ viewport: size, hasTouch: true });
  const page = await context.newPage();
  const base = app.url.replace('127.0.0.1', 'farm.test');
  await signIn(page, 'Pond hand', base);
  await page.goto(base + '/round');
  return { context, page, base };
};
const press = async (page, text) => {
  for (const d of text)
    await page.locator('.r-pad .pad', { hasText: new RegExp(`^${d === '.' ? '\\.' : d}$`) }).click();
};

test('eleven ponds without signal, two taps beside digits each; on-line again the log holds 22 readings once each', async ({
  browser,
  farm,
  page,
}) => {
  test.setTimeout(480_000);
  await signIn(page, 'Manager', farm.url);
  // A farm of eleven stocked ponds, by the slips' own forms.
  const post = (path, values) =>
    page.evaluate(
      async ([path, values]) => {
        const html = await (await fetch(path)).text();
        const form = new DOMParser().parseFromString(html, 'text/html').querySelector('form.slip');
        const body = new FormData(form);
        for (const [k, v] of Object.entries(values)) body.set(k, v);
        const r = await fetch(path, { method: 'POST', body });
        return r.redirected;
      },
      [path, values],
    );
  expect(
    await post('/slip/farm', {
      Name: 'Eleven',
      PlaceName: 'x',
      Latitude: '-29.4',
      Longitude: '152.6',
      Altitude: '60',
      Zone: 'Etc/GMT-10',
      Units: 'Metric',
      Sign: 'Point',
      Currency: 'AUD',
    }),
  ).toBe(true);
  for (let i = 1; i <= 11; i++) {
    expect(
      await post('/slip/pond', {
        Code: `P${i}`,
        Day: '2026-01-01',
        Length: '40',
        Width: '25',
        Slope: '2',
        Depth: '1.4',
      }),
    ).toBe(true);
    expect(
      await post(`/ponds/P${i}/slip/stock`, {
        Day: '2026-11-01',
        Hour: '07:00',
        Count: '500',
        MeanWeight: '60',
        Species: 'silver_perch',
        NotReadyReason: 'test',
      }),
    ).toBe(true);
  }
  await page.goto(farm.url + '/setup/people');
  const add = page.locator('form', { hasText: 'Let somebody in' });
  await add.getByLabel('Name').fill('Pond hand');
  await add.getByLabel('First password').fill('four plain words');
  await add.getByRole('button').click();
  await expect(page.locator('main')).toContainText('may come in');

  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true });
  const walk = await context.newPage();
  const base = farm.url.replace('127.0.0.1', 'farm.test');
  await walk.goto(base + '/sign-in');
  await walk.getByLabel('Name').fill('Pond hand');
  await walk.getByLabel('Password').fill('four plain words');
  await walk.getByRole('button', { name: 'Sign in' }).click();
  await expect(walk).not.toHaveURL(/sign-in/);
  await walk.goto(base + '/round');
  expect(await walk.evaluate(() => [typeof crypto.randomUUID, 'serviceWorker' in navigator])).toEqual([
    'undefined',
    false,
  ]);
  await context.setOffline(true);
  let taps = 0;
  for (let i = 1; i <= 11; i++) {
    await expect(walk.locator('.r-pond .name')).toHaveText(`P${i}`);
    await press(walk, (4 + i / 10).toFixed(1));
    await walk.locator('.pad.go').click();
    taps++;
    await press(walk, '27.5');
    await walk.locator('.r-keep').click();
    taps++;
  }
  expect(taps / 11).toBeLessThanOrEqual(6);
  await expect(walk.locator('.r-list')).toContainText('kept on this phone: 11');
  // Half typed, then the page is loaded again: nothing is gone. (Without signal it cannot load; the phone has some for a moment.)
  expect(farm.facts().filter((f) => f.table === 'reading')).toHaveLength(0);
  await context.setOffline(false);
  await walk.reload();
  await expect(walk.locator('.r-out')).toHaveText('all sent');
  await walk.reload();
  await expect.poll(() => farm.facts().filter((f) => f.table === 'reading').length).toBe(22);
  const rows = farm
    .facts()
    .filter((f) => f.table === 'reading')
    .map((f) => `${f.row.pond} ${f.row.parameter}`);
  expect(new Set(rows).size).toBe(22);
  await page.goto(farm.url + '/ponds/P1/log');
  await expect(page.locator('.log-line', { hasText: 'reading' })).toContainText('Pond hand');
  await context.close();
});

test('a mistyped figure is asked about at once, an odd one by the farm, and both can be mended', async ({
  browser,
  ownDemo: demo,
}) => {
  const { context, page } = await phone(browser, demo);
  await page.locator('.r-walk button', { hasText: 'P2' }).click();
  await press(page, '31');
  await expect(page.locator('.doubt.no')).toContainText('Or 3.1?');
  await page.locator('.r-keep').click();
  await expect(page.locator('.r-pond .name')).toHaveText('P2');
  await page.getByRole('button', { name: 'delete' }).click();
  await press(page, '.1');
  await expect(page.locator('.r-active')).toContainText('Watch: under 4');
  await page.locator('.pad.go').click();
  // 39 °C is beyond the usual: the phone asks. Answered with yes it goes in, also past the farm's own question.
  await press(page, '39');
  await expect(page.locator('.doubt')).toContainText('unusual');
  await page.getByRole('button', { name: 'yes, it is so' }).click();
  await page.locator('.r-keep').click();
  await expect(page.locator('.r-pond .name')).toHaveText('P3');
  await expect(page.locator('.r-out')).toHaveText('all sent');
  await expect(page.locator('.r-walk button', { hasText: 'P2' })).toContainText('sent');
  // 5 °C under an hour ago's reading is no limit of the card but a jump: the farm asks, the phone keeps it and shows the question.
  await page.locator('.pad.go').click();
  await press(page, '20');
  await page.locator('.r-keep').click();
  await expect(page.locator('.r-list')).toContainText('kept on this phone: 1');
  await expect(page.locator('.r-say')).toContainText('has a question');
  await page.locator('.r-list').click();
  await expect(page.locator('.r-box')).toContainText('large change');
  await page.getByRole('button', { name: 'type it again' }).click();
  await expect(page.locator('.r-pond .name')).toHaveText('P3');
  await page.locator('.r-rest button', { hasText: 'Water' }).click();
  for (let i = 0; i < 2; i++) await page.getByRole('button', { name: 'delete' }).click();
  await press(page, '28');
  await page.locator('.r-keep').click();
  await expect(page.locator('.r-out')).toHaveText('all sent');
  await context.close();
});

test('a wrong phone clock is seen and does no harm; a small phone in the dark has room for it all', async ({
  browser,
  ownDemo: demo,
}) => {
  const { context, page, base } = await phone(browser, demo, { width: 320, height: 568 });
  await expect(page.locator('.r-say')).toContainText("This phone's clock is");
  await context.addCookies([{ name: 'theme', value: 'dark', url: base }]);
  await page.reload();
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(320);
  await page.locator('.r-walk button', { hasText: 'B1' }).click();
  await press(page, '6.2');
  await page.locator('.r-keep').click();
  await expect(page.locator('.r-out')).toHaveText('all sent');
  // Written at the farm's hour, 17:40 of 21 January 2027, whatever this machine's clock says.
  await page.goto(base + '/ponds/B1/log');
  await expect(page.locator('.log-line').first()).toContainText(/17:(39|40)/);
  await context.close();
});
