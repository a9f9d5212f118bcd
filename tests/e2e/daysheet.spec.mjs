// A day of thirteen ponds from a sheet of paper, by the keyboard alone; the same day by slips leaves the same facts.
import { test, expect, signIn, post, stockedPonds } from './app.mjs';

const ponds = 13;
// What somebody wrote: dawn oxygen, water, dead, afternoon oxygen, pH, feed, work, how much, remarks.
const rows = Array.from({ length: ponds }, (_, i) => ({
  do1: (4.1 + i / 10).toFixed(1),
  temp1: (25 + i / 10).toFixed(1),
  dead: i % 4 ? '' : '1',
  do2: (8.2 + i / 10).toFixed(1),
  ph2: (8 + i / 20).toFixed(2),
  fed: (0.4 + i / 50).toFixed(2),
  work: i === 2 ? 'fert' : i === 5 ? 'topp' : '',
  amount: i === 2 ? '2' : i === 5 ? '30' : '',
  note: i === 2 ? 'TSP' : i === 7 ? 'inlet raked' : '',
}));

/** All facts of a day, without their numbers in the log. */
const factsOf = (farm, day) => {
  const from = Date.parse(`${day}T00:00+10:00`);
  return farm
    .facts()
    .filter((f) => f.row.happened >= from && f.row.happened < from + 24 * 3600e3 && f.table !== 'posting')
    .map(({ table, row }) => JSON.stringify([table, { ...row, line: 0, happened: row.happened - from }]))
    .sort();
};

test('thirteen ponds by the keyboard, and the same day by slips: the same facts', async ({ farm, page }) => {
  test.setTimeout(300_000);
  await signIn(page, 'Manager', farm.url);
  await stockedPonds(page, ponds);
  const feed = { FeedName: 'Grower', Pellet: '4', Protein: '35', Price: '2.15' };
  expect(await post(page, '/slip/feed', feed)).toBe(true);
  const meter = { Name: 'hand meter', Day: '2026-11-01', Kind: 'Meter', 'm-do': 'true', 'm-temp': 'true' };
  expect(await post(page, '/slip/instrument', meter)).toBe(true);

  await page.goto(farm.url + '/day/enter?day=2026-12-10');
  await page.getByLabel('Dawn round at').focus();
  const began = Date.now();
  const type = async (text) => {
    await page.keyboard.type(text);
    await page.keyboard.press('Enter');
  };
  for (const head of ['05:40', '15:10', '31', '2', '3', '4']) {
    await page.keyboard.press('ControlOrMeta+a');
    await type(head);
  }
  for (const row of rows) for (const cell of Object.values(row)) await type(cell);
  // Nothing is lost with the window: opened again the sheet is as it was.
  await page.goto(farm.url + '/day/enter?day=2026-12-10');
  await expect(page.getByLabel('P8 remarks')).toHaveValue('inlet raked');
  await expect(page.getByLabel('P3 work or treatment')).toHaveValue('Fertilised');
  await page.getByLabel('P2 pH').focus();
  await page.keyboard.press('ArrowDown');
  await expect(page.getByLabel('P3 pH')).toBeFocused();
  await page.keyboard.press('Control+Enter');
  await expect(page.locator('main')).toContainText('The whole sheet is in.');
  test.info().annotations.push({ type: 'a sheet of thirteen ponds, s', description: `${(Date.now() - began) / 1000}` });
  // Gone from this machine: the next opening is an empty sheet.
  await page.goto(farm.url + '/day/enter?day=2026-12-10');
  await expect(page.getByLabel('P8 remarks')).toHaveValue('');

  const on = { Day: '2026-12-20' };
  expect(await post(page, '/slip/weather', { ...on, Hour: '15:10', air: '31', wind: '2', cloud: '3', rain: '4' })).toBe(
    true,
  );
  for (const [i, row] of rows.entries()) {
    const slip = (kind, values) => post(page, `/ponds/P${i + 1}/slip/${kind}`, { ...on, ...values });
    const early = { Hour: '05:40' },
      late = { Hour: '15:10' };
    expect(await slip('reading', { ...early, do: row.do1, temp: row.temp1 })).toBe(true);
    if (row.dead) expect(await slip('deaths', { ...early, Count: row.dead })).toBe(true);
    expect(await slip('reading', { ...late, do: row.do2, ph: row.ph2 })).toBe(true);
    expect(await slip('feeding', { ...late, Mass: row.fed })).toBe(true);
    if (row.note || row.work) {
      const [kind, what] = { fert: ['Fertilised', 'Amount'], topp: ['ToppedUp', 'Volume'] }[
        row.work.split(/[ ,]/)[0]
      ] ?? ['Note', 'Amount'];
      expect(await slip('work', { ...late, Work: kind, [what]: row.amount, Text: row.note })).toBe(true);
    }
  }
  const [sheet, slips] = [factsOf(farm, '2026-12-10'), factsOf(farm, '2026-12-20')];
  expect(sheet.length).toBeGreaterThan(ponds * 5);
  expect(sheet).toEqual(slips);

  // An answer that is lost on its way: the sheet is still here, sent again it is entered once.
  await page.goto(farm.url + '/day/enter?day=2026-12-11');
  await page.getByLabel('P1 dawn oxygen').fill('5.1');
  await page.getByLabel('P1 dead').fill('2');
  let lost = 0;
  await page.route('**/day/enter**', async (route) => {
    if (route.request().method() !== 'POST' || lost++) return route.continue();
    await route.fetch();
    await route.abort();
  });
  await page.keyboard.press('Control+Enter');
  await expect.poll(() => lost).toBe(1);
  await expect.poll(() => page.url()).toContain('chrome-error');
  expect(factsOf(farm, '2026-12-11')).toHaveLength(2);
  await page.goto(farm.url + '/day/enter?day=2026-12-11');
  await expect(page.getByLabel('P1 dead')).toHaveValue('2');
  await page.getByLabel('P1 dead').press('Control+Enter');
  await expect(page.locator('main')).toContainText('Saved: P1.');
  expect(factsOf(farm, '2026-12-11')).toHaveLength(2);

  // The filled sheet, the month and the blank one say the same figures, and print on a page.
  await page.goto(farm.url + '/day?day=2026-12-10');
  await expect(page.locator('.day-sheet tbody tr').nth(2)).toContainText(/4\.3\s+25\.2\s+8\.4\s+8\.1\s+0\.4/);
  await page.goto(farm.url + '/month?month=2026-12&pond=P3');
  await expect(page.locator('.month-sheet tbody tr').nth(9)).toContainText(/4\.3\s+25\.2/);
  await page.goto(farm.url + '/day?day=2026-12-10&blank=true');
  await expect(page.locator('.day-sheet')).not.toContainText('4.3');
});
