// The net day on a phone: begins one at P1 of the demo, weighs a few baskets, reads the air, and takes a picture. net-shot.mjs BASE OUT
import { chromium } from '@playwright/test';

const [base, out] = process.argv.slice(2);
const browser = await chromium.launch({
  executablePath: '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-gpu', '--disable-quic'],
});
const page = await (await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true })).newPage();
const press = async (text) => {
  for (const d of text)
    await page
      .locator('.r-pad .pad')
      .filter({ hasText: new RegExp(`^[${d}]$`) })
      .click();
};
const field = (name) => page.locator('.n-rest button', { hasText: name }).click();
await page.goto(base + '/sign-in');
await page.getByRole('button', { name: 'Manager' }).click();
await page.waitForURL((u) => !u.pathname.includes('sign-in'));
await page.goto(base + '/ponds/P1/slip/net');
await page.getByRole('button', { name: 'Begin the net day' }).click();
await page.locator('.slip-problems').waitFor();
await page.getByLabel('Why, where a condition is not met').fill('the plant wants them today');
await page.getByRole('button', { name: 'Begin the net day' }).click();
await page.waitForURL(/\/ponds\/P1\/(?!slip)/);
await page.goto(base + '/harvest/P1/net');
await field('Empty basket');
await press('1.9');
await field('With the basket');
for (const gross of ['17.4', '16.2', '18', '17.1']) {
  await press(gross);
  await page.getByRole('button', { name: 'Save basket' }).click();
}
await field('Oxygen there');
await press('6.2');
await page.getByRole('button', { name: 'Save oxygen' }).click();
await press('16.8');
await page.waitForTimeout(1500);
await page.screenshot({ path: `${out}/phone-net.png` });
await browser.close();
