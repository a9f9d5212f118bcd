// A stranger's first hour, by what stands on the screen: a farm, a pond and its fish, in acres and with a comma. Typing and pointing are counted, not timed.
import { test, expect, fill, send } from './app.mjs';
import { metricWords, ruledOutWords } from './metric.mjs';

// Seconds that a practised hand needs (keystroke-level model: 0.28 s a key of an average typist, 1.1 s to point and press, 1.35 s to think before each field).
class Hand {
  constructor(page) {
    this.page = page;
    this.seconds = 0;
    this.taps = 0;
  }
  async type(label, text) {
    const field = this.page.getByLabel(label, { exact: true });
    await this.tap(field);
    await field.fill('');
    await field.pressSequentially(text);
    this.seconds += text.length * 0.28;
  }
  async choose(label, text) {
    await this.page.getByLabel(label, { exact: true }).selectOption({ label: text });
    this.count(2);
  }
  async tap(what) {
    await what.click();
    this.count(1);
  }
  press = (name) => this.tap(this.page.getByRole('button', { name, exact: true }));
  follow = (name) => this.tap(this.page.getByRole('link', { name, exact: true }).first());
  count(times) {
    this.taps += times;
    this.seconds += times * 1.1 + 1.35;
  }
}

const farms = [
  {
    name: 'acres and °F',
    timezoneId: 'Pacific/Honolulu',
    locale: 'en-US',
    area: '2.5',
    depth: '5',
    count: '7,500',
    weight: '8 in',
    species: 'Channel catfish',
    sees: ['2.50 ac', '7,500', 'lb'],
  },
  {
    name: 'hectares and a comma',
    timezoneId: 'America/Sao_Paulo',
    locale: 'pt-BR',
    area: '1,2',
    depth: '1,8',
    count: '3.000',
    weight: '25/kg',
    species: 'Common carp',
    sees: ['1,20 ha', '3.000', 'kg'],
  },
];

for (const how of farms)
  test(`the first pond with fish in under four minutes of typing: ${how.name}`, async ({ browser, farm }) => {
    const context = await browser.newContext({ timezoneId: how.timezoneId, locale: how.locale });
    const page = await context.newPage();
    const hand = new Hand(page);
    const clean = async (place) => {
      const html = await page.content();
      expect(ruledOutWords(html), place).toEqual([]);
      if (how.locale === 'en-US') expect(metricWords(html), place).toEqual([]);
    };
    await page.goto(farm.url);
    await hand.type('Your name or role', 'Boss');
    await hand.type('Password', 'nine blue fish');
    await hand.type('Once more', 'nine blue fish');
    await hand.press('Begin');
    // A click on nothing at all: the clock of the machine brings country, units, decimal sign and money.
    await expect(page.getByRole('heading', { level: 1 })).toContainText('Your farm');
    await hand.press('Save');
    await hand.follow('Describe the first pond');
    await hand.type('Water surface when full', how.area);
    await hand.type('Depth when full', how.depth);
    await hand.press('Save this pond');
    await expect(page.locator('main')).toContainText(how.sees[0]);
    await clean('the new pond');
    await hand.follow('Fish are in it already');
    const before = hand.taps;
    await hand.choose('Fish', how.species);
    await hand.type('How many', how.count);
    await hand.type('Average weight', how.weight);
    await hand.press('Stock them');
    await expect(page).toHaveURL(/line=/);
    expect(hand.taps - before, 'taps for a stocking').toBeLessThanOrEqual(10);
    for (const word of how.sees.slice(1)) await expect(page.locator('main')).toContainText(word);
    expect(hand.seconds, 'seconds of typing').toBeLessThan(240);
    for (const place of ['/', '/ponds', '/oxygen', '/feed', '/season', '/jobs', '/ponds/P1/water', '/ponds/P1/feed']) {
      await page.goto(farm.url + place);
      await clean(place);
    }
    // What waits for the place says so; what was due before the fish came is nobody's fault.
    await page.goto(farm.url);
    await expect(page.getByRole('link', { name: 'Say where it lies' })).toBeVisible();
    await expect(page.locator('.job', { hasText: 'Late' })).toHaveCount(0);
    await fedOnThePhone(context, farm, page);
    await context.close();
  });

async function fedOnThePhone(context, farm, page) {
  await page.goto(farm.url + '/slip/feed');
  await fill(page, { FeedName: 'Grower', Pellet: '3 mm', Protein: '32' });
  await send(page);
  await expect(page).not.toHaveURL(/slip/);
  await page.setViewportSize({ width: 390, height: 844 });
  await page.goto(farm.url);
  const hand = new Hand(page);
  await hand.follow('Feed');
  const row = page.locator('#feed-P1');
  await hand.tap(row.locator('summary', { hasText: 'Fed' }));
  await hand.tap(row.getByRole('button', { name: 'Save' }));
  await expect(row.locator('.feed-kg')).not.toContainText(/given 0[.,]00? /);
  expect(hand.taps, 'taps for a feeding as advised').toBeLessThanOrEqual(3);
  expect(farm.facts().some((f) => f.table === 'feeding')).toBe(true);
}
