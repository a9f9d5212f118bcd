// A week of the ration board: mornings short of oxygen, a wish, a fast before fishing, meals in two taps; at the end the books add up.
import { test, expect, signIn, days, fill, send } from './app.mjs';

const figure = async (where) => Number((await where.innerText()).replace(/[^0-9.]/g, ''));

test('a week of rations with an oxygen brake and an overrule', async ({ browser }) => {
  test.setTimeout(480_000);
  const week = days(),
    context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  const page = await context.newPage();
  let url;
  const row = (code) => page.locator(`#feed-${code}`);
  const morning = async (day) => {
    url = (await week.on(`2027-01-${day}T10:00+10:00`)).url;
    await context.clearCookies();
    await signIn(page, 'Pond hand', url);
  };
  const dawn = async (day, code, mgL) => {
    await page.goto(`${url}/ponds/${code}/slip/reading`);
    await fill(page, { Day: `2027-01-${day}`, Hour: '05:20', do: String(mgL), temp: '27' });
    await send(page);
    if (await page.locator('.slip-problems.ask').count()) await send(page);
    await expect(page).toHaveURL(/line=/);
  };
  const open = async () => page.goto(url + '/feed');
  // Two taps from the plan; what was given is what the row proposed.
  const give = async (code, asked) => {
    await row(code).locator('summary', { hasText: 'Fed' }).click();
    const kg = Number(await row(code).getByLabel('Given').inputValue());
    await row(code).getByRole('button', { name: 'Save' }).click();
    if (asked) {
      await expect(row(code).getByRole('alert')).toContainText(asked);
      await row(code).getByRole('button', { name: 'Save' }).click();
    }
    await expect(row(code).getByRole('alert')).toHaveCount(0);
    expect(kg).toBeGreaterThan(0);
    return kg;
  };
  let given = 0;
  try {
    // Friday: a good morning, the whole ration.
    await morning(22);
    await dawn(22, 'P2', 6.1);
    await open();
    await expect(row('P2').locator('.feed-brake')).toContainText(['sample is due this morning']);
    given += await give('P2', 'Was it fed all the same?');
    // Saturday: under the watch level, the morning meal is halved; Sunday under the act level, it is held.
    await morning(23);
    await dawn(23, 'P2', 5.9);
    await open();
    const whole = await figure(row('P2').locator('.feed-kg b'));
    await morning(24);
    await dawn(24, 'P2', 3.6);
    await open();
    await expect(row('P2').locator('.feed-brake').first()).toContainText('under the watch level');
    expect(await figure(row('P2').locator('.feed-kg b'))).toBeLessThan(0.85 * whole);
    given += await give('P2');
    await morning(25);
    await dawn(25, 'P2', 2.4);
    await open();
    await expect(row('P2').locator('.feed-brake').first()).toContainText('under the act level');
    // P1 is fished tomorrow: off feed since yesterday evening.
    await expect(row('P1').locator('.feed-brake').first()).toContainText('They are fished on Tue 26 Jan');
    await expect(row('P1').locator('.feed-kg b')).toHaveText(/^0/);
    // Somebody knows better, and says why; it holds for that day.
    await row('P2').getByText('Change').click();
    await row('P2').getByLabel('For the day').fill('15 kg');
    await row('P2').getByLabel('Because').fill('oxygen back at 7 by nine, they rise');
    await row('P2').getByRole('button', { name: 'Want this' }).click();
    await expect(row('P2')).toContainText('Pond hand wants 15.0');
    given += await give('P2');
    // Wednesday: nothing was read; the board says that the brake could not speak, and the wish is of yesterday.
    await morning(27);
    await open();
    await expect(row('P2')).not.toContainText('wants 15.0');
    given += await give('P2');
    // The books: every meal, the reason, and the store by exactly what was given.
    await page.goto(url + '/ponds/P2/log');
    await expect(page.locator('main')).toContainText('oxygen back at 7 by nine');
    const farm = await week.on('2027-01-28T10:00+10:00');
    const fed = farm.facts().filter((f) => f.table === 'feeding' && f.row.happened > Date.parse('2027-01-21T12:00Z'));
    expect(fed.length).toBe(4);
    expect(fed.reduce((sum, f) => sum + f.row.mass_kg, 0)).toBeCloseTo(given, 6);
    expect(given).toBeGreaterThan(30);
  } finally {
    await week.stop();
    await context.close();
  }
});
