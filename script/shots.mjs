// Takes pictures of pages: shots.mjs BASE OUT name=path[@phone][@dark] ...
import { chromium } from '@playwright/test';

const [base, out, ...wanted] = process.argv.slice(2);
const browser = await chromium.launch({
  executablePath: '/usr/bin/chromium',
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
  ],
});
for (const item of wanted) {
  const name = item.slice(0, item.indexOf('=')),
    rest = item.slice(name.length + 1);
  const [path, ...how] = rest.split('@');
  const phone = how.includes('phone');
  const context = await browser.newContext({
    viewport: phone ? { width: 390, height: 844 } : { width: 1280, height: 800 },
    timezoneId: 'America/New_York',
  });
  if (how.includes('dark')) await context.addCookies([{ name: 'theme', value: 'dark', url: base }]);
  const page = await context.newPage();
  page.on('console', (m) => m.type() === 'error' && console.error(name + ': ' + m.text()));
  const as = how.find((h) => h.startsWith('as:'))?.slice(3) ?? 'Manager';
  if (as !== 'nobody') {
    await page.goto(base + '/sign-in');
    await page.getByRole('button', { name: as.replace('-', ' ') }).click();
    await page.waitForURL((u) => !u.pathname.includes('sign-in'));
  }
  await page.goto(base + path, { waitUntil: 'networkidle' });
  if (how.includes('why')) await page.locator('details.why > summary').first().click();
  await page.waitForTimeout(150);
  await page.screenshot({ path: `${out}/${name}.png`, fullPage: how.includes('full') });
  await context.close();
}
await browser.close();
