import { test, expect, fill, send, signIn } from './app.mjs';

// Six values one-handed on the phone, a pH that cannot be, strips, and a calibration.
test('the usual six values take few taps on a phone', async ({ browser, ownDemo: demo }) => {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });
  const page = await context.newPage();
  await signIn(page, 'Pond hand', demo.url);
  await page.goto(demo.url + '/ponds/P4');
  let taps = 0;
  const tap = async (where) => {
    taps++;
    await where.tap();
  };
  await tap(page.getByRole('link', { name: /Write a reading/ }));
  await tap(page.locator('form.slip [name=do]'));
  const values = { do: '7.1', temp: '27.5', ph: '8.0', secchi: '22', tan: '0.3', nitrite: '0.05' };
  for (const [i, [name, value]] of Object.entries(values).entries()) {
    expect(await page.evaluate(() => document.activeElement.name)).toBe(name);
    await page.keyboard.type(value);
    if (i < 5) {
      taps++;
      await page.keyboard.press('Enter');
    } // the keyboard's Next
  }
  await tap(page.locator('form.slip .slip-do button').first());
  await expect(page.locator('main [role=status]')).toContainText('Entered as line');
  expect(taps).toBeLessThanOrEqual(12);
  await context.close();
});

test('an implausible pH is asked about, an impossible one refused, a strip read by its step', async ({
  as,
  ownDemo: demo,
}) => {
  const page = await as('Manager', demo);
  const slip = demo.url + '/ponds/P5/slip/reading';
  await page.goto(slip);
  await fill(page, { ph: '78' });
  await send(page);
  await expect(page.locator('#w-ph')).toContainText('3.0 to 11.5');
  await expect(page.locator('[name=ph]')).toHaveValue('78');
  await fill(page, { ph: '10.4' });
  await send(page);
  await expect(page.locator('#w-ph')).toContainText('unusual');
  await expect(page.locator('.slip-problems.ask')).toBeVisible();
  await send(page);
  await expect(page.locator('main [role=status]')).toContainText('Entered');

  await page.goto(slip);
  await page.locator('details.more summary').click();
  await fill(page, { alkalinity: '80-120', colour: '8', Depth: '1.2' });
  await send(page);
  await page.goto(demo.url + '/ponds/P5/course/alkalinity');
  await expect(page.locator('main')).toContainText('100 mg/L');
  await page.goto(demo.url + '/ponds/P5/water');
  await expect(page.locator('main')).toContainText('milky or silvery');

  // A calibration that was never done is a job; done, it is none.
  await page.goto(demo.url + '/slip/instrument');
  await fill(page, { Name: 'old meter', Every: '14', 'm-do': true });
  await send(page);
  await expect(page.getByRole('row', { name: /old meter/ })).toContainText('due now');
  await page.goto(demo.url);
  await expect(page.locator('.jobs')).toContainText('Calibrate old meter');
  await page.goto(demo.url + '/setup/instruments');
  await page.getByRole('button', { name: /Calibrated today.*old meter/ }).click();
  await expect(page.getByRole('row', { name: /old meter/ })).not.toContainText('due now');
});
