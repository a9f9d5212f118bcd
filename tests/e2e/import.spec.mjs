import { test, expect } from './app.mjs';

const sheet =
  '\uFEFFDatum;Uhrzeit;Teich;DO (mg/L);Temp °C;pH;Bemerkung\r\n' +
  '5/1/2027;6:10;P5;4,9;25,1;7,6;\r\n6/1/2027;6:15;P5;4,7;25,0;7,5;calm\r\n\r\n14/1/2027;6.05;P5;4,8;25,2;10,4;\r\n15/1/2027;6:00;P99;5,0;25,0;7,6;\r\n16/1/2027;6:00;P5;fünf;25,0;7,6;\r\n';
const file = (name, text) => ({ name, mimeType: 'text/csv', buffer: Buffer.from(text) });

test('a sheet with errors is checked by line and column, confirmed, and adds nothing the second time', async ({
  as,
  ownDemo: demo,
}) => {
  const page = await as('Manager', demo);
  const url = demo.url + '/lists/import';
  const send = async (what) => {
    await page.goto(url);
    if (what) await page.setInputFiles('#sheet', what);
    await page.getByRole('button', { name: 'Look at it' }).click();
  };
  // What is no sheet says so.
  await send(null);
  await expect(page.locator('main').getByRole('alert')).toContainText('Choose a file');
  await send(file('photo.csv', 'PK\u0003\u0004\0\0\n\0\0\n\0'));
  await expect(page.locator('main').getByRole('alert')).toContainText('no text');

  await send(file('readings.csv', sheet));
  const column = (heading) => page.getByLabel(heading, { exact: true });
  await expect(column('Datum')).toHaveValue('day');
  await expect(column('DO (mg/L)')).toHaveValue('do|mg/L');
  await expect(page.getByLabel('Decimals are written')).toHaveValue('Comma');
  await expect(page.getByLabel('Days are written')).toHaveValue('DayFirst');
  await expect(column('Bemerkung')).toHaveValue('');
  // A mapping that cannot be is said, and what was chosen stays.
  await column('Datum').selectOption('');
  await page.getByRole('button', { name: 'Check every line' }).click();
  await expect(page.locator('main').getByRole('alert')).toContainText('exactly one column');
  await expect(column('pH')).toHaveValue('ph|');
  await column('Datum').selectOption('day');
  await page.getByRole('button', { name: 'Check every line' }).click();

  // 5 lines: 9 good values of three, one pH unusual, a pond unknown, a figure in words.
  const wrong = page.locator('.sheet-wrong').first();
  await expect(wrong).toContainText('There is no pond “P99”');
  await expect(wrong.getByRole('row', { name: /^7 DO/ })).toContainText('fünf');
  await expect(page.locator('.sheet-wrong').last()).toContainText('10.4 is unusual');
  await page.getByRole('button', { name: 'Enter 10 values', exact: true }).click();
  await expect(page.locator('main')).toContainText('10 values entered');
  await page.goto(demo.url + '/ponds/P5/log');
  await expect(page.locator('main')).toContainText('line 3 of a sheet');

  // The same again: its headings are remembered, and only what was left out is new.
  await send(file('again.csv', sheet));
  await expect(page.locator('main')).toContainText('seen before');
  await page.getByRole('button', { name: 'Check every line' }).click();
  await expect(page.locator('.summary')).toContainText('10');
  await page.getByRole('button', { name: /^Enter 1 value, the unusual too/ }).click();
  await expect(page.locator('main')).toContainText('1 value entered');
  // Dropped: gone.
  await send(file('more.csv', sheet));
  const gone = page.url();
  await page.getByRole('button', { name: /Drop this import/ }).click();
  await page.goto(gone);
  await expect(page.locator('main').getByRole('alert')).toContainText('no longer here');
});
