// A sample weighed at the pond: the page says when it is enough, keeps the list over a lost page, and tells bad input from good.
import { test, expect, signIn } from './app.mjs';

test('fish by fish on the phone until it is good enough', async ({ browser, ownDemo: demo }) => {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true });
  const page = await context.newPage();
  await signIn(page, 'Pond hand', demo.url);
  await page.goto(demo.url + '/ponds/P2/sheet');
  const out = page.locator('.weigh-out');
  await expect(out).toContainText('77 fish one by one');
  await page.getByLabel('Weighed').selectOption('single');
  await page.getByLabel('good enough at').selectOption('10');
  const weight = page.locator('#weigh-a');
  await page.getByRole('button', { name: 'Next' }).click();
  await expect(page.locator('#weigh-wrong')).toHaveText('Type the figure first.');
  // A spread of about 18 %: ± 10 % is reached long before, but not believed before 25 fish.
  const fish = [
    272, 225, 318, 240, 300, 262, 331, 205, 289, 251, 270, 310, 236, 284, 222, 345, 259, 277, 248, 296, 214, 305, 268,
    243, 281,
  ];
  for (const [i, g] of fish.entries()) {
    await weight.fill(String(g));
    await weight.press('Enter');
    if (i === 19) await expect(out.locator('.verdict')).toHaveAttribute('data-enough', 'no');
  }
  await expect(out.locator('.verdict')).toHaveAttribute('data-enough', 'yes');
  await expect(out).toContainText('Good enough: stop here. 25 fish weighed.');
  const mean = fish.reduce((a, b) => a + b) / fish.length;
  await expect(out.locator('.weigh-mean b')).toContainText(mean.toFixed(0));

  // Gone and come back: nothing is lost.
  await page.goto(demo.url + '/ponds/P2/growth');
  await page.goto(demo.url + '/ponds/P2/sheet');
  await expect(out).toContainText('25 fish weighed');
  await page.getByText('Health marks').click();
  await page.getByRole('button', { name: 'one more sores' }).click();
  await page.getByText('All that was weighed').click();
  await page.getByLabel('One after the other').fill(fish.join(' ') + ' 26x');
  await page.getByRole('button', { name: 'Save this sample' }).click();
  await expect(page.locator('main').getByRole('alert')).toContainText('26x');
  await expect(page.getByLabel('One after the other')).toHaveValue(/26x$/);
  await page.getByLabel('One after the other').fill(fish.join(' '));
  await page.getByRole('button', { name: 'Save this sample' }).click();
  await expect(page).toHaveURL(/growth\?line=/);
  await expect(page.locator('main')).toContainText('Sample');
  await page.goto(demo.url + '/ponds/P2/sheet');
  await expect(out).toContainText('The mean stands here after the first');
  await context.close();
});
