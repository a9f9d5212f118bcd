// Every place: axe, console and policy clean; every computed figure has its why; thumbs, keyboard, print.
import { test, expect, signIn } from './app.mjs';
import AxeBuilder from '@axe-core/playwright';
import { places } from './places.mjs';

// Names, roles and order are the same in every theme and width: the whole of axe walks the paper theme, the others what can differ there.
const whole = (axe) => axe.withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa']);
// Colours are looked at on every third page: all pairs of colours are worked out by a test of their own, and the rule is by far the dearest.
const plain = (axe) => whole(axe).disableRules(['color-contrast', 'link-in-text-block']);
// Slips and calculators are drawn by one template each: all of axe walks every fourth, names and roles of its lines all of them.
const names = (axe) =>
  axe.withRules(['label', 'select-name', 'button-name', 'link-name', 'aria-valid-attr-value', 'aria-input-field-name']);
const alike = /\/slip\/|\/workbench\//;
const colours = (axe) => axe.withRules(['color-contrast', 'link-in-text-block']);
const thumb = (axe) =>
  axe.withRules(['target-size', 'scrollable-region-focusable', 'link-name', 'button-name', 'label', 'select-name']);

const wide = { width: 1280, height: 800 };
const phone = { width: 390, height: 844 };

async function clean(page, url, rules) {
  await page.goto(url);
  await same(page, url, rules);
}

async function same(page, url, rules) {
  // A form without the token is refused by the farm: its button would do nothing.
  expect(
    await page.locator('form[method=post]:not(:has([name=__RequestVerificationToken]))').count(),
    `forms without a token on ${url}`,
  ).toBe(0);
  const { violations } = await rules(
    new AxeBuilder({ page }).setLegacyMode(true).options({ resultTypes: ['violations'] }),
  ).analyze();
  expect(
    violations.map(
      (v) => `${v.id}: ${v.nodes.map((n) => n.target.join(' ') + ' ' + (n.any[0]?.message ?? '')).join(' | ')}`,
    ),
    url,
  ).toEqual([]);
}

// Two halves, so that two workers share the walk. Each page is opened once, at an address that is not localhost and with a touch screen,
// and looked at wide and as on a phone. In the dark every fourth page stands for its like (all pairs of colours are worked out in both
// themes by a test of their own), drawn anew where charts take their colours when they are drawn.
const half = (k) => places.filter((_, i) => i % 2 === k);
for (const k of [0, 1])
  test(`axe finds nothing on any page, in paper and in the dark, wide and on the phone, half ${k + 1} of 2`, async ({
    browser,
    demo,
  }) => {
    test.setTimeout(900_000);
    const base = demo.url.replace('127.0.0.1', 'farm.test');
    const context = await browser.newContext({ viewport: wide, hasTouch: true });
    const page = await context.newPage();
    const theme = (word) => context.addCookies([{ name: 'theme', value: word, url: base }]);
    await clean(page, base + '/sign-in', whole);
    await signIn(page, 'Manager', base);
    const heard = [];
    page.on('console', (m) => {
      if (m.type() === 'error' && !m.text().includes('404')) heard.push(m.text());
    });
    for (const [i, place] of half(k).entries()) {
      await theme('paper');
      await clean(page, base + place, alike.test(place) && i % 4 !== 0 ? names : i % 3 === 0 ? whole : plain);
      await page.setViewportSize(phone);
      if (i % 3 === 0) await same(page, place + ' on the phone', thumb);
      await fitsThumbs(page, place);
      await page.setViewportSize(wide);
      if (i % 4 === 0) await inTheDark(page, base + place, theme);
    }
    expect(heard).toEqual([]);
    await context.close();
  });

async function inTheDark(page, url, theme) {
  if (await page.locator('[data-chart]').count()) {
    await theme('dark');
    await page.goto(url);
  } else
    await page.evaluate(() => {
      document.documentElement.dataset.theme = 'dark';
    });
  await same(page, url + ' in the dark', colours);
}

// Nothing is wider than a phone, and what is tapped is large enough for a thumb.
async function fitsThumbs(page, place) {
  await expect
    .poll(() => page.evaluate(() => document.documentElement.scrollWidth), { message: place + ' scrolls sideways' })
    .toBeLessThanOrEqual(phone.width);
  const small = await page
    .locator(
      'form.slip :is(input:not([type=hidden], [type=checkbox]), select, button), .tabs a, .places a, .do-list a, .round button, .need .btn, button.tick, a.tick, .csvs a, .in-row :is(button, select, input)',
    )
    .evaluateAll((all) =>
      all.filter((e) => e.offsetParent && e.getBoundingClientRect().height < 44).map((e) => e.outerHTML.slice(0, 90)),
    );
  expect(small, place).toEqual([]);
}

test('every computed figure opens its why', async ({ as, demo }) => {
  const page = await as('Manager', demo);
  const found = {};
  for (const place of [
    '/',
    '/proof',
    '/proof?pond=P4&day=2027-01-20&hour=19:00',
    ...places.filter((p) => /^.ponds/.test(p) && !p.includes('slip')),
  ]) {
    await page.goto(demo.url + place);
    const cards = await page
      .locator('[data-computed]')
      .evaluateAll((all) => all.map((figure) => figure.querySelector('.why-card')?.textContent.trim() ?? ''));
    found[place] = cards.length;
    for (const card of cards) {
      expect(card.length, place).toBeGreaterThan(60);
      expect(card, place).toContain('Source: ');
    }
  }
  // The figures that are reckoned, place by place: a page that stops giving grounds is noticed here.
  expect(found['/ponds']).toBeGreaterThanOrEqual(44);
  expect(found['/']).toBeGreaterThanOrEqual(13);
  expect(found['/proof']).toBeGreaterThanOrEqual(12);
  for (const place of ['/ponds/P4/water', '/ponds/P4/feed', '/ponds/P3/growth', '/ponds/P6/harvest'])
    expect(found[place], place).toBeGreaterThanOrEqual(5);
});

test('the keyboard opens a why and closes it, and the page says what it found', async ({ as, demo }) => {
  const page = await as('Manager', demo);
  await page.goto(demo.url + '/ponds/P4');
  await expect(page).toHaveURL(/ponds\/P4$/);
  await expect(page.getByRole('heading', { name: /P4.*Act now/ })).toBeVisible();
  await expect(page.locator('.tabs [aria-current=page]')).toContainText('Water');
  const first = page.locator('details.why').first();
  await first.locator('summary').focus();
  await page.keyboard.press('Enter');
  await expect(first.locator('.why-card')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(first.locator('.why-card')).toBeHidden();
});

test('charts draw, and draw again when the page gets narrow', async ({ as, demo }) => {
  const page = await as('Manager', demo);
  await page.goto(demo.url + '/ponds/P3/growth');
  const drawing = page.locator('[data-chart=growth] svg');
  await expect(drawing).toBeVisible();
  const wide = await drawing.evaluate((e) => e.getBoundingClientRect().width);
  await page.setViewportSize({ width: 480, height: 800 });
  await expect.poll(() => drawing.evaluate((e) => e.getBoundingClientRect().width)).toBeLessThan(wide);
});

test('a slip prints on paper', async ({ as, demo }) => {
  const page = await as('Manager', demo);
  await page.goto(demo.url + '/ponds/P2/slip/sample');
  await page.emulateMedia({ media: 'print' });
  await expect(page.locator('.slip-do')).toBeHidden();
  await expect(page.locator('form.slip')).toBeVisible();
  expect((await page.pdf({ format: 'A4' })).length).toBeGreaterThan(5000);
});

test('the night board is one sheet of paper; every stop of the tour stands', async ({ as, demo }) => {
  const page = await as('Manager', demo);
  await page.goto(demo.url + '/oxygen');
  const paper = (await page.pdf({ preferCSSPageSize: true })).toString('latin1');
  expect(paper.match(/\/Type\s*\/Page\b(?!s)/g)).toHaveLength(1);
  await page.goto(demo.url + '/');
  await page.getByRole('link', { name: 'Tour of the demo' }).click();
  await expect(page.locator('.tour > li')).toHaveCount(8);
  const links = await page.locator('.tour a').evaluateAll((all) => all.map((a) => a.href));
  expect(links.length).toBeGreaterThan(15);
  for (const link of links) expect((await page.request.get(link)).status(), link).toBe(200);
});
