// A farm that reads feet, pounds and Fahrenheit sees no metric word on any page. Sources and methods behind a "why" cite what they cite.
import { test, expect, signIn, fill, send } from './app.mjs';
import { places } from './places.mjs';

const metric =
  /(?<![A-Za-z0-9])(?:[0-9][0-9.,]*[\s\u2009]*)?(?:kg|kilograms?|hectares?|ha|metres?|cm|mm|m²|m³|°C|litres?|tonnes?|kW\/ha|W\/m³|g\/m³|mg\/L|kg\/ha|kPa|km)(?![A-Za-z0-9²³])/g;
const grams = /(?<![A-Za-z0-9])[0-9][0-9.,]*[\s\u2009]*(?:g|m|L|t)(?![A-Za-z0-9\/])/g;

// What stands behind a why, in a field that shows what may be typed, or names a unit on purpose.
const read = (html) =>
  html
    .replace(/<(script|style|template|head)[\s\S]*?<\/\1>/g, ' ')
    .replace(/<div class="why-card[\s\S]*?<\/div>/g, ' ')
    .replace(/<[^>]+data-both-units[^>]*>[\s\S]*?<\/[a-z]+>/g, ' ')
    .replace(/<[^>]+>/g, ' ')
    .replace(/&#x2009;|&thinsp;/g, '\u2009')
    .replace(/&#xB2;|&#178;/gi, '²')
    .replace(/&#xB3;|&#179;/gi, '³')
    .replace(/&#xB0;|&#176;/gi, '°')
    .replace(/&[a-z#0-9]+;/gi, ' ')
    .replace(/\s+/g, ' ');

test('a US farm reads no metric word on any page', async ({ page, ownDemo }) => {
  test.setTimeout(180_000);
  await signIn(page, 'Manager', ownDemo.url);
  await page.goto(ownDemo.url + '/slip/farm');
  await fill(page, { Units: 'Us' });
  await send(page);
  await expect(page).not.toHaveURL(/slip/);
  const found = [];
  for (const place of places.filter((p) => !/converter|nowhere|log/.test(p))) {
    const answer = await page.request.get(ownDemo.url + place);
    const text = read(await answer.text());
    for (const word of [...text.matchAll(metric), ...text.matchAll(grams)])
      found.push(`${place}: …${text.slice(Math.max(0, word.index - 40), word.index + 30)}…`);
  }
  expect(found).toEqual([]);
});
