// One night with everything alive, six hundred times as fast: buoys, panels and a mailbox outside, people inside.
import { test, expect, signIn, startNight } from './app.mjs';

test('forecast at dusk, a bloom dies, an alarm, mail, an aerator started from the board, power cut and back, the dawn scored', async ({
  page,
}) => {
  test.setTimeout(480_000);
  const night = await startNight('2027-01-21T18:45+10:00', 600);
  try {
    const outside = (path, values) =>
      fetch(night.outside + path, { method: 'POST', body: new URLSearchParams(values), redirect: 'manual' });
    await signIn(page, 'Night watch', night.url);
    await page.goto(night.url + '/oxygen?open=P4');
    const p4 = page.locator('#row-P4');
    await expect(p4).toContainText(/Under 3\.0 from \d\d:\d\d/);
    await expect(p4).toContainText('kWh (AUD');

    // Started by hand: the panel obeys and says what it draws; the page hears of it by itself.
    await expect(p4.locator('.nb-state').nth(3)).toHaveText('stands', { timeout: 30_000 });
    await p4.getByRole('button', { name: 'Start A4' }).click();
    await expect(p4.locator('.nb-state').nth(3)).toContainText(/runs, 2\.3.A; on by hand, Night watch/, {
      timeout: 30_000,
    });

    // The bloom dies; the alarm rings over every page, somebody is called, and answers.
    expect((await outside('/fault', { pond: 'P4', fault: 'None', trouble: 'BloomCrash' })).status).toBe(302);
    await expect(async () => {
      await page.goto(night.url + '/alarms');
      const alarm = page.locator('article', { hasText: /P4 (is likely to pass|oxygen \d)/ }).first();
      // A click that was slow to be answered stands all the same.
      if (!(await alarm.getByText('answered by Night watch').count()))
        await alarm.getByRole('button', { name: 'I go' }).click({ timeout: 500 });
      await expect(page.locator('main')).toContainText('answered by Night watch', { timeout: 500 });
    }).toPass({ timeout: 60_000 });
    await expect
      .poll(async () => (await fetch(night.outside)).text(), { timeout: 20_000 })
      .toContain('To night.watch@farm.test');

    // Power goes: one alarm for the farm, whatever the machines do; and is over when it is back.
    await outside('/power', { out: 'true' });
    await expect(async () => {
      await page.goto(night.url + '/alarms');
      await expect(page.locator('main')).toContainText('No mains at the panels of', { timeout: 500 });
    }).toPass({ timeout: 30_000 });
    await outside('/power', { out: 'false' });

    // Morning: the buoys have read the dawn, and the night stands scored, for each method.
    await expect(async () => {
      await page.goto(night.url + '/proof?pond=P4');
      await expect(page.locator('main table').last().locator('tbody tr').first()).toContainText('Thu 21 Jan', {
        timeout: 500,
      });
    }).toPass({ timeout: 150_000, intervals: [3000] });
    await page.goto(night.url + '/ponds/P4/log');
    for (const words of ['A4 on by hand', 'A1 on: timer', 'A1 runs'])
      await expect(page.locator('main')).toContainText(words);
  } finally {
    await night.stop();
  }
});

test('an afternoon in which a bloom dies: nobody answers, the ladder goes on, the phone is called, the pond is saved', async ({
  page,
}) => {
  test.setTimeout(480_000);
  const night = await startNight('2027-01-21T17:30+10:00', 300);
  try {
    const outside = (values) =>
      fetch(night.outside + '/fault', { method: 'POST', body: new URLSearchParams(values), redirect: 'manual' });
    // Before anything else: on a busy machine the evening runs on while pages load, and a bloom that dies at midnight takes less.
    await expect(async () => {
      expect((await outside({ pond: 'P4', fault: 'None', trouble: 'BloomCrash' })).status).toBe(302);
    }).toPass({ timeout: 30_000 });
    await page.setViewportSize({ width: 390, height: 844 });
    await signIn(page, 'Manager', night.url);
    await page.goto(night.url + '/ponds/P4/stock');
    const standing = (await page.locator('main').innerText()).match(/([\d,]+)\s+booked/)[1];

    // It rings, and nobody answers: all on the list are called in turn, the message program gets each call, the steps go on.
    const low = page.locator('article', { hasText: /P4 oxygen \d/ }).first();
    const seen = new Set();
    await expect(async () => {
      await page.goto(night.url + '/alarms');
      const said = await low.innerText({ timeout: 500 });
      for (const step of ['emergency machine', 'take fish out', 'call the owner'])
        if (said.includes(step)) seen.add(step);
      expect(said).toMatch(/called: Night watch, Manager, Neighbour with a tractor/);
      expect([...seen]).toContain('call the owner');
    }).toPass({ timeout: 240_000, intervals: [200] });
    expect(seen.size, 'a step before people').toBeGreaterThan(1);
    await expect
      .poll(async () => (await fetch(night.outside)).text(), { timeout: 30_000 })
      .toContain('Neighbour with a tractor');
    const call = page.getByRole('link', { name: /Call Neighbour with a tractor/ });
    expect(await call.getAttribute('href')).toBe('tel:0491570157');
    expect((await call.boundingBox()).height).toBeGreaterThanOrEqual(44);

    // Somebody comes: every aerator runs, the water clears, and only good readings end the alarm.
    await expect(async () => {
      await page.goto(night.url + '/alarms');
      if (!(await low.getByText('answered by Manager').count()))
        await low.getByRole('button', { name: 'I go' }).click({ timeout: 500 });
      await expect(low).toContainText('answered by Manager', { timeout: 500 });
    }).toPass({ timeout: 60_000 });
    await page.goto(night.url + '/oxygen?open=P4');
    for (const start of await page
      .locator('#row-P4')
      .getByRole('button', { name: /^Start / })
      .all())
      if (await start.isVisible()) await start.click();
    await outside({ pond: 'P4', fault: 'None', trouble: 'None' });
    await expect(async () => {
      await page.goto(night.url + '/alarms');
      await expect(page.locator('article', { hasText: /P4 (oxygen \d|is likely to pass)/ })).toHaveCount(0, {
        timeout: 500,
      });
    }).toPass({ timeout: 150_000, intervals: [2000] });
    await page.goto(night.url + '/ponds/P4/stock');
    await expect(page.locator('main')).toContainText(`${standing} booked`);
  } finally {
    await night.stop();
  }
});
