// The day of stocking: what is planned, what arrives, how it comes into the pond.
import { test, expect, fill, send, signIn } from './app.mjs';

const measured = {
  fish: '4000',
  weight: '2 g',
  origin: 'Upstream hatchery',
  hours: '8',
  tb: '22 C',
  pb: '6.8',
  nb: '4',
  ob: '9',
  sb: '0',
  ab: '80',
  t1: '26 C',
  p1: '8.6',
  o1: '6.5',
  t2: '26 C',
  p2: '8.5',
  o2: '6',
  t3: '26 C',
  p3: '8.6',
  o3: '6.6',
  sp: '0',
  np: '0.1',
  ap: '90',
};

test('a plan answers while it is typed, is kept, and leads to the slips', async ({ as, ownDemo: demo }) => {
  const page = await as('Manager', demo);
  await page.goto(demo.url + '/plans/stocking?pond=P6');
  const out = page.locator('.bench-out');
  const before = await out.locator('.big').innerText();
  await page.getByLabel('Target weight').fill('900 g');
  await expect(out.locator('.big')).not.toHaveText(before);
  await page.getByLabel('Your own number').fill('60000');
  await expect(out).toContainText('Act now');
  await expect(out).toContainText('% over');
  // The answer that is on its way when a name is typed does not take it away.
  await page.getByLabel('Your own number').fill('');
  await page.getByLabel('Save it as').fill('Large fish');
  await expect(out).not.toContainText('% over');
  await expect(page.getByLabel('Save it as')).toHaveValue('Large fish');
  await page.getByRole('button', { name: 'Save this plan' }).click();
  await expect(page.getByRole('link', { name: 'Large fish' })).toBeVisible();
  await page.getByRole('link', { name: 'Large fish' }).click();
  await expect(page.getByLabel('Target weight')).toHaveValue(/^900/);
  await page.getByRole('link', { name: 'Prepare P6 for it' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('P6: preparation');
});

test('plan, order, preparation, delivery, the way from the bag on two phones and without signal, stocked, in the ledger', async ({
  as,
  ownDemo: demo,
  browser,
}) => {
  test.setTimeout(480_000);
  const page = await as('Manager', demo);
  await page.goto(demo.url + '/plans/stocking?pond=P6');
  await page.getByLabel('Weight at stocking').fill('2 g');
  await expect(page.locator('.bench-out .order')).toContainText('Feed, crumble');
  await page.getByRole('link', { name: 'Order slip, to print' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Order slip');
  for (const line of ['Silver perch, fingerlings', 'Bags with oxygen', 'Feed, crumble', 'Feed, pellet'])
    await expect(page.locator('.order')).toContainText(line);
  await page.getByRole('link', { name: 'Back to the plan' }).click();
  await expect(page.getByLabel('Weight at stocking')).toHaveValue('2 g');
  await page.getByRole('link', { name: 'Prepare P6 for it' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('P6: preparation');
  await send(page);
  await expect(page.locator('table.prep')).toContainText('Stock');

  await page.goto(demo.url + '/ponds/P6/slip/receive');
  await fill(page, { Seller: 'Upstream hatchery', Count: '4040', MeanWeight: '2 g', Dead: '400' });
  // Nothing is taken for granted: each look wants its own answer.
  await send(page);
  await expect(page.locator('main')).toContainText('Look, then choose yes or no');
  const looked = { Lively: 'yes', Even: 'yes', Sound: 'yes', Papers: 'no', Verdict: 'Accepted' };
  await fill(page, looked);
  await send(page);
  await expect(page.locator('main')).toContainText('dead on arrival');
  await fill(page, { Dead: '40' });
  await send(page);
  await expect(page.getByLabel('How many')).toHaveValue('4000');

  await fill(page, measured);
  const out = page.locator('.bench-out');
  await expect(out).toContainText('Bags closed, then let them out');
  await expect(out).toContainText('let them out at once');
  await page.getByRole('button', { name: 'Begin now' }).click();
  await expect(page.locator('.acc-step h2')).toContainText('Bags to the sheltered side');
  const run = page.url();
  await page.getByRole('button', { name: 'Done, next' }).click();
  await expect(page.locator('.acc-step h2')).toContainText('Closed bags in a tub in the shade');
  await expect(page.locator('.acc-time')).toHaveText(/^\d+:\d\d/);

  // A second phone shows the same, measures, and the first sees it.
  const second = await (await browser.newContext({ viewport: { width: 390, height: 844 } })).newPage();
  await signIn(second, 'Pond hand', demo.url);
  await second.goto(run);
  await expect(second.locator('.acc-step h2')).toContainText('Closed bags in a tub in the shade');
  await second.getByLabel(/^Temperature/).fill('25.9');
  await second.locator('form', { hasText: 'Measured' }).getByRole('button', { name: 'Save' }).click();
  await expect(second.locator('main')).toContainText('too fast');
  await expect(page.locator('main')).toContainText('too fast', { timeout: 15000 });
  await second.getByLabel(/^Oxygen/).fill('900');
  await second.locator('form', { hasText: 'Measured' }).getByRole('button', { name: 'Save' }).click();
  await expect(second.locator('.wrong')).toContainText('0 to 60');

  // Without signal a loss and a reading wait on the phone and are in the books when there is some; once each.
  await page.context().setOffline(true);
  await page.getByLabel('Fish', { exact: true }).fill('12');
  await page.locator('form', { hasText: 'Lost' }).getByRole('button', { name: 'Save' }).click();
  await expect(page.locator('.acc-kept')).toContainText('1 kept on this phone');
  await page.getByLabel(/^Oxygen/).fill('6.2');
  await page.locator('form', { hasText: 'Measured' }).getByRole('button', { name: 'Save' }).click();
  await expect(page.locator('.acc-kept')).toContainText('2 kept on this phone');
  await page.context().setOffline(false);
  await expect(page.locator('main')).toContainText('12 lost', { timeout: 15000 });
  await expect(page.locator('.acc-kept')).toBeHidden();

  // It survives a reload; held minutes stand.
  await page.reload();
  await page.getByRole('button', { name: 'Hold' }).click();
  await expect(page.locator('.acc-clock')).toContainText('held');
  await page.getByRole('button', { name: 'Go on' }).click();
  await expect(page.locator('.acc-clock')).not.toContainText('held');
  for (const next of ['Read oxygen and pH', 'Open, roll the rim', 'Stand still', 'All steps are done']) {
    if (next === 'Stand still') await page.getByLabel('Who is there').fill('Manager');
    await page.getByRole('button', { name: 'Done, next' }).click();
    // Ended before its time: asked, and marked in what happened.
    if (next === 'Read oxygen and pH') {
      await expect(page.locator('.acc-step .wrong')).toContainText('minutes of this step are not over');
      await page.getByRole('button', { name: 'Yes, it is done' }).click();
    }
    await expect(page.locator('.acc-step h2')).toContainText(next);
  }
  await page.getByRole('button', { name: 'They are in the pond' }).click();
  await expect(page.locator('main')).toContainText('12 lost on the way');
  await expect(page.locator('main')).toContainText(
    /Closed bags in a tub in the shade.*: ended after \d+ of \d+\s+minutes/,
  );
  await page.getByRole('link', { name: 'Stocking slip' }).click();
  await expect(page.getByLabel('How many')).toHaveValue('3988');
  await expect(page.getByLabel('From')).toHaveValue('Upstream hatchery');
  await fill(page, { NotReadyReason: 'the delivery could not wait' });
  await send(page);
  if (await page.locator('.slip-problems.ask').count()) await send(page);
  await expect(page).not.toHaveURL(/slip/);
  await page.goto(demo.url + '/fish?pond=P6');
  await expect(page.locator('tbody tr', { hasText: 'from Upstream hatchery' }).first()).toContainText('3,988');
  await page.goto(demo.url + '/ponds/P6/stock');
  await expect(page.locator('main')).toContainText('12 lost');
});

test('which fish, in what: fish side by side, refused at the line, weighed anew by what counts', async ({
  as,
  ownDemo: demo,
}) => {
  const page = await as('Manager', demo);
  await page.goto(demo.url + '/plans/species?pond=P6');
  const out = page.locator('.bench-out');
  await expect(out.locator('thead').first()).toContainText('Jade perch');
  await expect(out).toContainText('Ask who buys it');
  const points = () => out.locator('tr', { hasText: 'Points by what counts' }).locator('b').allInnerTexts();
  const before = await points();
  await page.getByLabel('Soon at market').selectOption('3');
  await page.getByLabel('What it leaves in a bad year').selectOption('0');
  await expect.poll(points).not.toEqual(before);
  // Without a farm-gate price money is not judged; a good week under a bad one is refused.
  await expect(out).toContainText('price not said');
  await page.locator('[name=lo1]').fill('9');
  await page.locator('[name=hi1]').fill('2');
  await expect(out).toContainText('to look at');
  await expect(out).toContainText('no less than that of a bad one');
  await page.getByRole('button', { name: 'Weigh them' }).click();
  await expect(page.locator('#w-hi1')).toContainText('no less than');
  await expect(page.locator('[name=hi1]')).toHaveValue('2');
});
