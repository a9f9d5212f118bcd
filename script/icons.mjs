// Draws the icons that phones put among their programs from the one drawing; run it when that changes.
import { chromium } from '@playwright/test';
import { readFileSync } from 'node:fs';

const folder = new URL('../src/Dorsk.Web/Icons/', import.meta.url).pathname;
const drawing = readFileSync(folder + 'dorsk-icon.svg', 'utf8');
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox'] });
for (const size of [180, 192, 512]) {
  const page = await browser.newPage({ viewport: { width: size, height: size } });
  await page.setContent(`<body style="margin:0">${drawing}</body>`);
  await page.screenshot({ path: `${folder}dorsk-${size}.png` });
  await page.close();
}
await browser.close();
