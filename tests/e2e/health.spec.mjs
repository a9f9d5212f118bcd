// Sick fish at the pond: from the first gasp to a closed cause on a phone, one step without signal; medicine waits for water; a bath with its clock; a withdrawal that stops a harvest.
import { test, expect, signIn, send } from './app.mjs';

test('gasping fish: water first, one step without signal, the cause closed on the phone', async ({
  browser,
  ownDemo: demo,
}) => {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true });
  const page = await context.newPage();
  await signIn(page, 'Pond hand', demo.url);
  await page.goto(demo.url + '/fish-health/look/P2');
  const live = page.locator('.acc-live');
  await live.locator('summary', { hasText: 'How they swim' }).click();
  const gasp = live.locator('fieldset', { hasText: 'in full daylight' });
  await gasp.getByRole('radio', { name: 'yes' }).check();
  await live.getByRole('button', { name: /Save ?: How they swim/ }).click();
  await expect(live).toContainText('They gasp in water that holds oxygen', { timeout: 15_000 });
  await expect(live.locator('.next-test')).toContainText(/Next:/);

  // Without signal: what was seen on the gills waits on the phone, and is sent once.
  await context.setOffline(true);
  const gills = live.locator('details', { hasText: 'Gills of five fish' });
  if (!(await gills.getAttribute('open')) && !(await gills.evaluate((d) => d.open)))
    await gills.locator('summary').click();
  await gills.locator('fieldset', { hasText: 'brown like chocolate' }).getByRole('radio', { name: 'yes' }).check();
  await gills.getByRole('button', { name: /^Save/ }).click();
  await expect(page.locator('.acc-kept')).toContainText('1 kept on this phone');
  await context.setOffline(false);
  await expect(page.locator('.acc-kept')).toBeHidden({ timeout: 20_000 });
  await expect(live.locator('.ranked li').first()).toContainText('nitrite', { timeout: 15_000 });

  // The kit proves it; salt is said in this pond's own kilograms.
  await live.getByLabel('Nitrite (as N)').fill('2');
  await live.getByLabel('Chloride').fill('12');
  await live.getByRole('button', { name: 'Save the readings' }).click();
  await live.getByRole('button', { name: 'Yes, it is meant: save' }).click({ timeout: 20_000 });
  await expect(live.locator('.panel')).toContainText(/nitrite.*2\.00/, { timeout: 15_000 });
  await live.locator('summary', { hasText: 'Safe at once' }).click();
  await expect(live.locator('.aid')).toContainText(/Salt: .*pure salt/);
  for (const box of await live.locator('.sign label span').all()) {
    const size = await box.boundingBox();
    if (size?.height) expect(size.height).toBeGreaterThanOrEqual(44);
  }
  await live.getByLabel('What it was').selectOption('nitrite');
  await live.getByRole('button', { name: 'Close the investigation' }).click();
  await expect(live.getByRole('button', { name: 'Close the investigation' })).toBeHidden({ timeout: 15_000 });
  await page.goto(demo.url + '/ponds/P2/log');
  expect((await page.locator('main').innerText()).match(/sick fish/g)?.length ?? 0).toBeLessThanOrEqual(6);
  await page.goto(demo.url + '/ponds/P2/health');
  await expect(page.locator('main')).toContainText('Nitrite that browns the blood');
  await context.close();
});

test('medicine waits for the water, a bath has its clock, and its withdrawal stops the harvest', async ({
  page,
  ownDemo: demo,
}) => {
  await signIn(page, 'Manager', demo.url);
  await page.goto(demo.url + '/ponds/T2/slip/treatment');
  const option = await page.locator('select[name=Product] option', { hasText: 'Formalin 37' }).getAttribute('value');
  await page.locator('select[name=Product]').selectOption(option);
  await page.fill('[name=Amount]', '3 kg');
  await expect(page.locator('[data-computed-lines]')).toContainText('Most of the label', { timeout: 15_000 });
  await page.fill('[name=Reason]', 'flukes on the gills');
  await page.fill('[name=Vet]', 'the vet');
  await page.locator('.slip-do .btn').first().click();
  await expect(page.locator('main').getByRole('alert')).toContainText('Water first');
  // Kept as typed; the panel is read, and then formalin still answers to the oxygen it takes.
  await expect(page.locator('[name=Amount]')).toHaveValue('3 kg');

  // Salt is no medicine: given, it opens its timed sheet.
  const salt = await page.locator('select[name=Product] option', { hasText: 'Pond salt' }).getAttribute('value');
  await page.locator('select[name=Product]').selectOption(salt);
  await page.fill('[name=Amount]', '150 kg');
  await send(page);
  if (await page.getByRole('button', { name: /Yes, it is meant/ }).count())
    await page.getByRole('button', { name: /Yes, it is meant/ }).click();
  await page.waitForURL(/ponds\/T2\/health/);
  await page.locator('main').getByRole('link', { name: 'bath' }).first().click();
  const live = page.locator('.acc-live');
  await live.getByRole('button', { name: 'A few fish are in the dose' }).click();
  await expect(live.locator('.acc-time')).toContainText(/0:(30|29)|30:|29:/, { timeout: 15_000 });
  await live.getByRole('button', { name: 'They bore it' }).click();
  await expect(live).toContainText('have not been in it for the time', { timeout: 15_000 });
  await live.getByRole('button', { name: 'They bore it' }).click();
  await live.getByRole('button', { name: 'The dose is in' }).click();
  await expect(live).toContainText('Next oxygen reading', { timeout: 15_000 });
  await live.getByLabel('Where the fish are').fill('2.5');
  await live.locator('form', { hasText: 'Where the fish are' }).getByRole('button', { name: 'Save' }).click();
  await expect(live.locator('.rings')).toContainText('stop, fresh water, air', { timeout: 15_000 });
  await live.getByRole('button', { name: 'Ended: fresh water runs' }).click();
  await expect(live).toContainText('The bath is over', { timeout: 15_000 });

  // T1 was fed a medicine: nobody takes fish out before its degree-days are over, by slip or by plan.
  await page.goto(demo.url + '/ponds/T1/slip/harvest');
  await page.fill('[name=Mass]', '20 kg');
  await page.fill('[name=Count]', '48');
  await page.locator('.slip-do .btn').first().click();
  await expect(page.locator('main').getByRole('alert')).toContainText('Nobody can pass it, only wait');
  await page.goto(demo.url + '/ponds/T1/slip/plan-harvest');
  await page.fill('[name=On]', '2027-01-25');
  await page.locator('.slip-do .btn').first().click();
  await expect(page.locator('main').getByRole('alert')).toContainText('withdrawal of Fluke premix');
});
