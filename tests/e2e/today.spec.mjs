// The first page: what it says at a glance, and the one action that answers it.
import { test, expect, signIn } from './app.mjs';

test('Today says what to do now, and more air set there lifts the night; taking it back brings the need back', async ({
  as,
  ownDemo: demo,
}) => {
  const page = await as('Manager', demo);
  await page.goto(demo.url + '/');
  await expect(page.getByRole('heading', { level: 1 })).toContainText('night ahead');
  const first = page.locator('.need').first();
  await expect(first).toContainText('P4');
  await expect(first).toContainText('Act now');
  await expect(first).toContainText(/Oxygen passes under 3\.0.mg\/L at about 0\d:\d\d and reaches/);
  await expect(first).toContainText('more aerators lift');
  await expect(page.locator('.need', { hasText: 'Grower 4 mm' })).toContainText('lasts to');
  await expect(page.locator('.need', { hasText: 'P2' })).toContainText('Sample day');
  // Every stocked pond has its line; the worst stands first.
  await expect(page.locator('.outlook tbody tr')).toHaveCount(12);
  await expect(page.locator('.outlook tbody tr').first()).toContainText('P4');
  await expect(page.locator('.job', { hasText: 'Dawn round' })).toContainText('Pond hand');
  const low = async () =>
    Number(
      (await page.locator('.outlook tr', { hasText: 'P4' }).locator('b').first().textContent()).match(/[\d.]+/)[0],
    );
  const before = await low();
  await first.getByRole('button', { name: /^Run A3, A4 and E1 from/ }).click();
  await expect(page.locator('.fresh')).toContainText('on timer');
  expect(await low()).toBeGreaterThan(before + 0.5);
  await expect(page.locator('.need').first().getByRole('button', { name: /^Run/ })).toHaveCount(0);
  await page.getByRole('button', { name: 'Take it back' }).click();
  expect(await low()).toBeCloseTo(before, 1);
});

test('a job is left only with a reason, ticked with a name, and ticks are taken back', async ({
  as,
  ownDemo: demo,
}) => {
  const page = await as('Night watch', demo);
  await page.goto(demo.url + '/');
  const need = page.locator('.need', { hasText: 'P4' });
  await need.getByText('Not now, say why').click();
  await need.getByRole('button', { name: 'Save' }).click();
  await expect(page.locator('.slip-problems')).toContainText('Say in a few words why');
  await need.getByLabel('Why not now').fill('A3 is being repaired');
  await need.getByRole('button', { name: 'Save' }).click();
  await expect(page.locator('.need', { hasText: 'P4' })).toContainText('left, “A3 is being repaired”');
  await page.getByRole('button', { name: 'Take it back' }).click();
  await expect(page.locator('.need', { hasText: 'P4' })).not.toContainText('left, “');
  const job = page.locator('.job', { hasText: 'use the oldest lot first' });
  await job.getByRole('button').click();
  await expect(page.locator('.job', { hasText: 'use the oldest lot first' })).toContainText('Night watch 17:40');
  await page.getByRole('button', { name: 'Take it back' }).click();
  await expect(page.locator('.job', { hasText: 'use the oldest lot first' }).getByRole('button')).toBeVisible();
});

test('the plan comes nearer by button and key, and a viewer sees no buttons that are not theirs', async ({
  as,
  demo,
}) => {
  const page = await as('Vet', demo);
  await page.goto(demo.url + '/');
  const plan = page.locator('svg.plan');
  await expect(plan.locator('g.z1')).toHaveCount(2);
  const wide = (await plan.getAttribute('viewBox')).split(' ')[2];
  await page.getByRole('button', { name: 'Zoom in' }).click();
  expect(Number((await plan.getAttribute('viewBox')).split(' ')[2])).toBe(Number(wide) / 2);
  await plan.focus();
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('-');
  expect((await plan.getAttribute('viewBox')).split(' ')[2]).toBe(wide);
  await expect(page.locator('.need form, .job form')).toHaveCount(0);
  await expect(page.locator('.places')).not.toContainText('Setup');
  await page.goto(demo.url + '/setup/people');
  await expect(page.locator('main')).toContainText('Vet is Viewer here, and this is for others');
});

test('people: let in, mistaken, shut, new role, gone', async ({ as, farm, browser }) => {
  const page = await as('Manager', farm);
  await page.goto(farm.url + '/setup/people');
  const add = page.locator('form', { hasText: 'Let somebody in' });
  await add.getByLabel('Name').fill('Creek hand');
  await add.getByLabel('First password').fill('short');
  await add.getByRole('button').click();
  await expect(page.locator('.slip-problems')).toContainText('8 to 200 letters');
  await add.getByLabel('First password').fill('a wet bank');
  await add.getByRole('button').click();
  await expect(page.locator('main')).toContainText('Creek hand may come in as Pond hand');
  const other = await browser.newPage();
  const tryIn = async (password) => {
    await other.goto(farm.url + '/sign-in');
    await other.getByLabel('Name').fill('creek HAND');
    await other.getByLabel('Password').fill(password);
    await Promise.all([other.waitForEvent('load'), other.getByRole('button', { name: 'Sign in' }).click()]);
  };
  await tryIn('a wet bank');
  await expect(other).not.toHaveURL(/sign-in/);
  await other.goto(farm.url + '/setup/people');
  await expect(other.locator('main')).toContainText('Not yours to do');
  await other.goto(farm.url + '/me');
  // Each step is waited for: a page opened while a form is still on its way breaks off both.
  await other.getByRole('button', { name: 'Sign out' }).click();
  await expect(other).toHaveURL(/sign-in/);
  for (let i = 0; i < 5; i++) await tryIn('wrong guess ' + i);
  await expect(other.locator('.slip-problems')).toContainText('is taken for this name from here for ten minutes');
  await tryIn('a wet bank');
  await expect(other.locator('.slip-problems')).toContainText('is taken for this name from here for ten minutes');
  const row = page.locator('tr', { hasText: 'Creek hand' });
  await row.getByLabel('New password for Creek hand').fill('another wet bank');
  await row.getByRole('button', { name: 'Set' }).click();
  await expect(page.locator('main')).toContainText(/new password/i);
  await tryIn('another wet bank');
  await expect(other).not.toHaveURL(/sign-in/);
  await page.locator('tr', { hasText: 'Manager' }).first().getByLabel('Role of Manager').selectOption('Viewer');
  await page.locator('tr', { hasText: 'Manager' }).first().getByRole('button', { name: /Save/ }).click();
  await expect(page.locator('.slip-problems')).toContainText('needs a Manager');
  await row.getByLabel('Role of Creek hand').selectOption('Gone');
  await row.getByRole('button', { name: /Save/ }).click();
  await expect(row.getByLabel('Role of Creek hand')).toHaveValue('Gone');
  await other.goto(farm.url + '/me');
  await expect(other).toHaveURL(/sign-in/);
  await other.close();
});

test('a limit of one pond, the farm and the table hold in that order, and go back', async ({ as, ownDemo: demo }) => {
  const page = await as('Manager', demo);
  const set = async (pond, value) => {
    await page.goto(`${demo.url}/setup/species/silver_perch?pond=${pond}&stage=Growing`);
    const row = page.locator('tr', { hasText: 'oxygen, act level' });
    if (value === null) await row.getByRole('button', { name: /Reset/ }).click();
    else {
      await row.getByLabel(/Own figure/).fill(value);
      await row.getByRole('button', { name: /Save/ }).click();
    }
    return page.locator('tr', { hasText: 'oxygen, act level' });
  };
  await expect((await set('', '9')).locator('.wrong')).toContainText('outside what can be: 0.5');
  await expect((await set('', '4.5')).locator('.wrong')).toContainText('must lie under the watch level');
  await expect((await set('', '3.4')).locator('b')).toHaveText(/^3\.4\s?mg\/L$/);
  await expect((await set('P5', '2.6')).locator('b')).toHaveText(/^2\.6\s?mg\/L$/);
  const act = async (pond) => {
    await page.goto(`${demo.url}/ponds/${pond}/water`);
    return page.locator('.keyline').textContent();
  };
  expect(await act('P5')).toContain('under 2.6');
  expect(await act('P2')).toContain('under 3.4');
  await set('P5', null);
  expect(await act('P5')).toContain('under 3.4');
  await set('', null);
  expect(await act('P5')).toContain('under 3.0');
});

test('a recurring task taken from what is usual stands on Today until it is ticked', async ({ as, ownDemo }) => {
  const page = await as('Manager', ownDemo);
  await page.goto(ownDemo.url + '/setup/duties');
  await page
    .locator('.usual')
    .getByRole('link', { name: /T1.*siphon the floor/i })
    .click();
  await expect(page.getByLabel('What to do')).toHaveValue('siphon the floor');
  await expect(page.getByLabel('Where')).toHaveText(/T1/);
  await page.getByLabel('Every', { exact: true }).fill('0');
  await page.getByRole('button', { name: 'Save this job' }).click();
  await expect(page.locator('.wrong').first()).toContainText('1 to 366 days');
  await page.getByLabel('Every', { exact: true }).fill('2');
  await page.getByRole('button', { name: 'Save this job' }).click();
  await expect(page.locator('tr', { hasText: 'Siphon the floor' }).filter({ hasText: 'T1' }).first()).toContainText(
    'today',
  );
  await page.goto(ownDemo.url + '/');
  const job = page.locator('.job', { hasText: 'T1: siphon the floor' });
  await expect(job).toContainText('late');
  await job.getByRole('button').click();
  await expect(page.locator('.job-Done', { hasText: 'T1: siphon the floor' })).toBeVisible();
});
