// The night board: order, timers tried by typing and by dragging, set, heard by another page; power and signs.
import { test, expect, signIn } from './app.mjs';

test('timers are tried on the strip, worked out by the farm, set, and another page hears of it', async ({
  as,
  ownDemo: demo,
  browser,
}) => {
  const page = await as('Night watch', demo);
  await page.goto(demo.url + '/oxygen');
  const rows = page.locator('.nb-row');
  await expect(rows.first()).toHaveAttribute('id', 'row-P4');
  await expect(rows.first()).toContainText('Act now');
  const p4 = page.locator('#row-P4');
  const tried = async () =>
    Number(
      (
        await p4
          .locator('.nb-try b')
          .first()
          .innerText({ timeout: 1000 })
          .catch(() => 'none yet')
      ).replace(',', '.'),
    );
  const within = { timeout: 20000 };
  await expect.poll(tried, within).toBeGreaterThan(0);
  // Without the emergency machine of the shed, which would make up for what the others do.
  const withAll = await tried();
  await p4.getByLabel('E1 on at').fill('');
  await p4.getByLabel('E1 off at').fill('');
  await expect.poll(tried, within).toBeLessThan(withAll);
  const advised = await tried();

  // Typed: without the advised timers the night is what it was; a later start lifts less.
  await p4.getByLabel('A4 on at').fill('');
  await p4.getByLabel('A4 off at').fill('');
  await expect.poll(tried, within).toBeLessThan(advised);
  await p4.getByLabel('A4 on at').fill('25:00');
  await expect(p4.locator('.wrong')).toContainText('two hours such as');
  await p4.getByLabel('A4 on at').fill('21:00');
  await p4.getByLabel('A4 off at').fill('07:00');
  await expect(p4.locator('.wrong')).toHaveCount(0);
  await expect.poll(tried, within).toBeGreaterThan(0);
  const typed = await tried();

  // Dragged: the bar's left end to the right, a start after two, by quarters of an hour: less is gained.
  const bar = p4.locator('.ns-bar.adv[data-aerator=A4]').last();
  const box = await bar.boundingBox();
  await page.mouse.move(box.x + 3, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + 160, box.y + box.height / 2, { steps: 5 });
  await page.mouse.up();
  await expect(p4.getByLabel('A4 on at')).not.toHaveValue('21:00');
  expect(await p4.getByLabel('A4 on at').inputValue()).toMatch(/^\d\d:(00|15|30|45)$/);
  await expect.poll(tried, within).toBeLessThan(typed);

  // Another page, a viewer's, sees what is set without asking.
  const other = await (await browser.newContext()).newPage();
  await signIn(other, 'Vet', demo.url);
  await other.goto(demo.url + '/oxygen?open=P4');
  await expect(other.locator('#row-P4').getByRole('button', { name: 'Set these timers' })).toHaveCount(0);
  const before = await other.locator('#row-P4 .nb-big').innerText();
  await p4.getByRole('button', { name: 'Set these timers' }).click();
  await expect(page).toHaveURL(/open=P4/);
  await expect(other.locator('#row-P4 .nb-big')).not.toHaveText(before, { timeout: 15000 });
  await page.goto(demo.url + '/ponds/P4/log');
  await expect(page.locator('main')).toContainText('P4 timers');
});

test('power out: tanks first, minutes, what a generator carries; signs without a meter', async ({ as, demo }) => {
  const page = await as('Night watch', demo);
  await page.goto(demo.url + '/oxygen/power');
  await expect(page.locator('.mins tbody tr').first()).toContainText('T1');
  await expect(page.locator('.mins tbody tr').first()).toContainText('min');
  await page.getByLabel(/It gives/).fill('4');
  await page.getByRole('button', { name: 'Share it out' }).click();
  await expect(page.locator('main')).toContainText('Start, in this order: T1 1, T2 1');
  await expect(page.locator('main')).toContainText('Without:');
  await page.getByLabel(/It gives/).fill('a big one');
  await page.getByRole('button', { name: 'Share it out' }).click();
  await expect(page.locator('.wrong')).toBeVisible();
  await expect(page.getByLabel(/It gives/)).toHaveValue('a big one');
  await page.goto(demo.url + '/oxygen/signs');
  await expect(page.locator('.verdict')).toContainText('that is no reading');
  await page.getByLabel('fish gasp').check();
  await page.getByRole('button', { name: 'What does it tell?' }).click();
  await expect(page.locator('.verdict')).toContainText('Act now');
  await expect(page.getByLabel('fish gasp')).toBeChecked();
});
