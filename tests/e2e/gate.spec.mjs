// The ready-to-stock gate: what is met, what is not, what nobody looked at; past it only with a reason that is kept.
import { test, expect, fill, send, enter, metricFarm } from './app.mjs';

test('a pond that does not pass is stocked only with a reason, and the reason stays', async ({ as, farm }) => {
  const page = await as('Manager', farm);
  await page.goto(farm.url);
  await fill(page, metricFarm);
  await send(page);
  await enter(page, farm.url + '/slip/pond', {
    Code: 'G1',
    Day: '2026-10-01',
    Length: '40',
    Width: '25',
    Slope: '2',
    Depth: '1.4',
  });
  const gate = (name) => page.locator('.gate tr').filter({ has: page.getByRole('rowheader', { name, exact: true }) });
  await page.goto(farm.url + '/ponds/G1/stock');
  await expect(gate('dawn oxygen')).toContainText('not known');
  await expect(gate('screens')).toContainText('write it down');
  await enter(page, farm.url + '/ponds/G1/slip/reading', {
    Day: '2027-01-20',
    Hour: '05:30',
    do: '6.1',
    temp: '24',
    ph: '7.4',
    level: '0.5',
  });
  await enter(
    page,
    farm.url + '/ponds/G1/slip/reading',
    { Day: '2027-01-21', Hour: '05:30', do: '6.4', temp: '24', ph: '9.3' },
    { asked: 'perhaps' },
  );
  await enter(page, farm.url + '/ponds/G1/slip/work', { Day: '2027-01-21', Hour: '08:00', Work: 'ScreensFitted' });
  await enter(page, farm.url + '/ponds/G1/slip/work', { Day: '2027-01-21', Hour: '08:00', Work: 'DeclaredReady' });
  await page.goto(farm.url + '/ponds/G1/stock');
  await expect(gate('dawn oxygen')).toContainText('met');
  await expect(gate('screens')).toContainText('✓ met');
  await expect(gate('water')).toContainText('0.50');
  for (const name of ['water', 'pH']) await expect(gate(name)).toContainText('✕ not met');
  const slip = farm.url + '/ponds/G1/slip/stock';
  await page.goto(slip);
  const stocking = { Day: '2027-01-21', Hour: '09:00', Species: 'silver_perch', Count: '500', MeanWeight: '20' };
  await fill(page, stocking);
  await send(page);
  await expect(page.locator('#w-NotReadyReason')).toContainText('does not pass the gate: water 0.50');
  expect(farm.facts().filter((f) => f.table === 'stocking')).toHaveLength(0);
  await fill(page, { NotReadyReason: 'filling goes on, pH falls with it' });
  await send(page);
  await expect(page).toHaveURL(/stock/);
  await expect(page.locator('main')).toContainText('filling goes on, pH falls with it');
  await expect(page.locator('.gate')).toHaveCount(0);
});

test('water that is not well names its remedy, dosed for this pond', async ({ as, farm }) => {
  const page = await as('Manager', farm);
  await page.goto(farm.url);
  await fill(page, metricFarm);
  await send(page);
  await enter(page, farm.url + '/slip/pond', {
    Code: 'R1',
    Day: '2026-10-01',
    Length: '40',
    Width: '25',
    Slope: '2',
    Depth: '1.4',
  });
  await enter(page, farm.url + '/ponds/R1/slip/stock', {
    Day: '2026-11-01',
    Hour: '07:00',
    Species: 'silver_perch',
    Count: '500',
    MeanWeight: '60',
    NotReadyReason: 'test',
  });
  await enter(
    page,
    farm.url + '/ponds/R1/slip/reading',
    { do: '6', temp: '28', ph: '8.8', tan: '1.5', alkalinity: '12', level: '1.2' },
    { asked: 'perhaps' },
  );
  await page.goto(farm.url + '/ponds/R1/water');
  const remedies = page.locator('.remedy');
  await expect(remedies.filter({ hasText: 'Change water' })).toContainText('Un-ionised ammonia');
  await remedies.filter({ hasText: 'Raise alkalinity' }).getByRole('link').click();
  await expect(page).toHaveURL(/workbench.alkalinity\?pond=R1/);
  await expect(page.locator('[name=now]')).toHaveValue('12');
  // 40 × 25 m, slope 2, 1.2 m of water in 1.4 m: 965 m³ by the prismoidal rule.
  await expect(page.locator('[name=volume]')).toHaveValue(/^96[45]/);
});
