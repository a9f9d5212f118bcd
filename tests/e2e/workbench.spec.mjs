// Calculators without a pond: figures as they are typed, kept in the address, refused where they would hurt.
import { test, expect } from './app.mjs';

test('a dose follows the typing, stands in the address, and never goes over fish', async ({ as, demo }) => {
  const page = await as('Vet', demo);
  await page.goto(demo.url + '/workbench/alkalinity');
  const set = async (name, value) => page.locator(`form.slip [name=${name}]`).fill(value);
  await set('now', '30');
  await set('wanted', '50');
  await set('volume', '2.5 ac-ft');
  // By hand: 20 mg/L × 1.679 g/m³ × 3083.7 m³ = 103.5 kg; 33.6 g/m³ is within one step of 50; four bags of 25 and 3.5 kg.
  await expect(page.locator('.bench-out .big')).toContainText('103.5');
  await expect(page.locator('.bench-out')).toContainText('4 and 3.5');
  await expect(page.locator('.bench-out')).toContainText('all at once');
  await expect(page).toHaveURL(/wanted=50/);
  await page.reload();
  await expect(page.locator('.bench-out .big')).toContainText('103.5');
  await set('wanted', '120');
  await expect(page.locator('.bench-out')).toContainText('on 4 days');
  await page.locator('form.slip [name=product]').selectOption('CaO');
  await expect(page.locator('.bench-out')).toContainText('never given over fish');
  await page.locator('form.slip [name=fish]').uncheck();
  await expect(page.locator('.bench-out .big')).toContainText('155');
  await set('wanted', 'lots');
  await page.getByRole('button', { name: 'Work it out' }).click();
  await expect(page.locator('#w-wanted')).toContainText('not a number');
  await expect(page.locator('[name=wanted]')).toHaveValue('lots');
});

test('part changes of water are not simply added, and cool by the same share', async ({ as, demo }) => {
  const page = await as('Manager', demo);
  // By hand: 1 − 0.8 × 0.8 × 0.7 = 55.2 % renewed; 2 mg/L falls to 0.896. Half the difference of 30 and 20 °C stays: 25 °C.
  await page.goto(
    demo.url +
      '/workbench/exchange?now=2&inflow=0&wanted=1&volume=1000&times=3&flow=50&power=3&price=0.3&parts=20+20+30&temp=30&newtemp=20',
  );
  const line = (text) =>
    page.locator('.bench-out tr, .bench-out dl > div, .bench-out .computed').filter({ hasText: text });
  await expect(line('3 parts as typed')).toContainText('55.2 % renewed, down to 0.90');
  await expect(line('Temperature after it')).toContainText('25.0');
  await page.locator('form.slip [name=parts]').fill('20 lots');
  await page.getByRole('button', { name: 'Work it out' }).click();
  await expect(page.locator('#w-parts')).toContainText('“lots”');
});

test('a calculator starts from a pond as it stands, and every figure has its why', async ({ as, demo }) => {
  const page = await as('Manager', demo);
  await page.goto(demo.url + '/workbench/volume');
  await page.locator('#pond').selectOption('P4');
  await page.getByRole('button', { name: 'Take' }).click();
  await expect(page.locator('[name=length]')).toHaveValue('75');
  await expect(page.locator('[name=width]')).toHaveValue('60');
  await expect(page.locator('.bench-out .section')).toBeVisible();
  for (const key of [
    'saturation',
    'ammonia',
    'alkalinity',
    'salt',
    'carbon',
    'mixing',
    'exchange',
    'volume',
    'fill',
    'drain',
    'leak',
    'building',
    'fertiliser',
    'converter',
  ]) {
    await page.goto(`${demo.url}/workbench/${key}?pond=P1`);
    await expect(page.locator('.bench-out .big'), key).toBeVisible();
    for (const why of await page.locator('.bench-out [data-computed]').all())
      expect((await why.locator('.why-card').textContent()).length).toBeGreaterThan(60);
  }
});
