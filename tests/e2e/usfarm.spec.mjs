// A farm that reads feet, pounds and Fahrenheit sees no metric word on any page. Sources and methods behind a "why" cite what they cite.
import { test, expect, signIn, fill, send } from './app.mjs';
import { metricWords, pointFigures, ruledOutWords } from './metric.mjs';
import { places } from './places.mjs';

// The farm slip offers both systems; the log shows what was typed then.
const both = /converter|nowhere|slip\/farm|\/log/;

test('a US farm reads no metric word on any page, and no word that docs/words.md rules out', async ({
  page,
  ownDemo,
}) => {
  test.setTimeout(480_000);
  await signIn(page, 'Manager', ownDemo.url);
  await page.goto(ownDemo.url + '/slip/farm');
  await fill(page, { Units: 'Us' });
  await send(page);
  await expect(page).not.toHaveURL(/slip/);
  const found = [];
  for (const place of places.filter((p) => !both.test(p))) {
    const html = await (await page.request.get(ownDemo.url + place)).text();
    found.push(...[...metricWords(html), ...ruledOutWords(html)].map((w) => `${place}: ${w}`));
  }
  expect(found).toEqual([]);
});

test('a farm that writes a comma reads no figure with a point', async ({ page, ownDemo }) => {
  test.setTimeout(480_000);
  await signIn(page, 'Manager', ownDemo.url);
  await page.goto(ownDemo.url + '/slip/farm');
  await fill(page, { Sign: 'Comma' });
  await send(page);
  await expect(page).not.toHaveURL(/slip/);
  const found = [];
  for (const place of places.filter((p) => !both.test(p)))
    found.push(
      ...pointFigures(await (await page.request.get(ownDemo.url + place)).text()).map((w) => `${place}: ${w}`),
    );
  expect(found).toEqual([]);
});
