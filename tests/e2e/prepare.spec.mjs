import { test, expect, fill, send } from './app.mjs';

// The demo's P6 is half prepared: a step is done late, one is left out, and fish come past the gate only with a reason.
test('a preparation moves when a step slips, and the gate asks for a reason', async ({ as, ownDemo: demo }) => {
  const page = await as('Manager', demo);
  await page.goto(demo.url + '/ponds/P6/prepare');
  await expect(page.locator('h2').first()).toHaveText('Fish can come Wed 27 Jan');
  await expect(page.locator('#step-leak')).toContainText('+2 d');
  await expect(page.locator('#step-lime')).toContainText('✓ done');
  await page.goto(demo.url + '/');
  await expect(page.locator('.jobs')).toContainText('P6: leak test');
  await page.goto(demo.url + '/ponds/P6/prepare');

  // Leaving out needs a reason; then nothing waits for it.
  const wild = page.locator('#step-nowild');
  await wild.locator('summary').click();
  await wild.locator('button').click();
  await expect(wild.locator('[role=alert]')).toContainText('why it is left');
  await wild.locator('input[name=reason]').fill('filled from the bore, no fish in it');
  await wild.locator('button').click();
  await expect(wild).toContainText('left out: filled from the bore');

  // Another day that cannot be kept: it says so while it is typed; a wrong figure loses nothing.
  await page.goto(demo.url + '/ponds/P6/slip/prepare');
  await fill(page, { StockOn: '2027-01-23', MudPh: '5.5' });
  await expect(page.locator('[data-computed-lines]')).toContainText('there is not time enough');
  await fill(page, { LimeValue: '500' });
  await send(page);
  await expect(page.locator('#w-LimeValue')).toContainText('10 to 180 %');
  await expect(page.locator('[name=MudPh]')).toHaveValue('5.5');
  await fill(page, { LimeValue: '90', DryDays: '0' });
  await send(page);
  await expect(page.locator('#step-filling')).toContainText('✓ done');
  await expect(page.locator('#step-dry')).toHaveCount(0);
  const before = await page.locator('#step-stock .p-day').innerText();

  // Done, from the step: the slip opens filled in, and the days stand as they were.
  await page.locator('#step-leak a').click();
  await expect(page.locator('[name=Work]')).toHaveValue('HeldWater');
  await send(page);
  await expect(page.locator('#step-leak')).toContainText('✓ done');
  expect((await page.locator('#step-stock .p-day').innerText()).slice(0, 10)).toBe(before.slice(0, 10));

  // Past the gate: refused without a reason, kept with one.
  await page.goto(demo.url + '/ponds/P6/slip/stock');
  await fill(page, { Count: '1000', MeanWeight: '20' });
  await send(page);
  await expect(page.locator('#w-NotReadyReason')).toContainText('preparation');
  await fill(page, { NotReadyReason: 'fingerlings came a week early' });
  await send(page);
  await expect(page).toHaveURL(/stock\?line/);
  await expect(page.locator('main')).toContainText('fingerlings came a week early');
});
