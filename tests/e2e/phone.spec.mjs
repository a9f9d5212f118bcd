// On the bank, where there is no signal: over the farm's own certificate pages open after a reload, over plain HTTP the open page goes on.
import { test, expect, startSecure, signIn, fill, send } from './app.mjs';
import { way, phone, trusting, keptAll } from './bank.mjs';
import { readFileSync, writeFileSync } from 'node:fs';
import { get as getPlain } from 'node:http';
import { get } from 'node:https';

// What was entered since, a fact each, in the order of the log: its pond, kind, first figure and instant.
const kinds = { reading: 'value', feeding: 'kg', loss: 'count', sample: 'count' };
const since = (farm, from) => {
  const facts = farm.facts();
  const code = new Map(facts.filter((f) => f.table === 'pond').map((f) => [f.row.pond, f.row.code]));
  return facts
    .filter((f) => f.row.line > from && f.table in kinds && !f.row.n)
    .sort((a, b) => a.row.line - b.row.line)
    .map(({ table, row }) => ({ pond: code.get(row.pond), kind: table, figure: row[kinds[table]], at: row.happened }));
};
const last = (farm) => Math.max(...farm.facts().map((f) => f.row.line ?? 0));
const reading = (oxygen) => ({ do: oxygen, temp: '28' });
const count = (page) => page.locator('.kept-count');
const slip = async (page, base, address, values) => {
  await page.goto(base + address);
  await fill(page, values);
  await send(page);
};
const noSignal = (page) => expect(page.locator('.slip-kept')).toContainText('No signal: kept on this phone');

test('the certificate is trusted by itself alone, for the names of the farm only', async () => {
  const farm = await startSecure();
  const ca = Buffer.from(await (await fetch(farm.url + '/farm-certificate.crt')).arrayBuffer());
  const pem = `-----BEGIN CERTIFICATE-----\n${ca.toString('base64').replace(/.{64}/g, '$&\n')}\n-----END CERTIFICATE-----\n`;
  const ask = (servername, more = {}) =>
    new Promise((found) =>
      get(`${farm.secure}/health`, { ca: pem, servername, headers: { host: 'farm.test' }, ...more }, (r) => {
        r.resume();
        found(r.statusCode);
      }).on('error', (e) => found(e.code)),
    );
  expect(await ask('farm.test')).toBe(200);
  expect(await ask('localhost')).toBe(200);
  expect(await ask('bank.example')).toBe('ERR_TLS_CERT_ALTNAME_INVALID');
  expect(await ask('farm.test', { ca: undefined })).toBe('UNABLE_TO_VERIFY_LEAF_SIGNATURE');
  // A page over plain HTTP leads to the page that says how; the desk of the machine itself goes on.
  const plain = (host) =>
    new Promise((found) =>
      getPlain(`${farm.url}/ponds`, { headers: { accept: 'text/html', host } }, (r) => {
        r.resume();
        found(r.headers.location);
      }),
    );
  expect(await plain('farm.test')).toBe('/phone?to=%2Fponds');
  expect(await plain('127.0.0.1')).toContain('/sign-in');
  await farm.stop();
});

test('without signal after a reload: eleven entries of four kinds, server restarted between, one refused and mended, on two phones with wrong clocks', async () => {
  test.setTimeout(600_000);
  let farm = await startSecure(true);
  const road = await way(new URL(farm.secure).port);
  const base = `https://farm.test:${road.port}`;
  const browser = await trusting();
  const [one, two] = [await phone(browser, { offMin: 197 }), await phone(browser, { offMin: -4000 })];
  await signIn(one.page, 'Pond hand', base);
  await signIn(two.page, 'Pond hand', base);
  await one.page.goto(base + '/');
  await two.page.goto(base + '/ponds');
  await keptAll(one.page);
  await keptAll(two.page);
  const from = last(farm);

  road.cut();
  // Not only what was open: every page that is kept opens again, and says from when it is.
  for (const [address, text] of [
    ['/', 'P4'],
    ['/oxygen', 'P4'],
    ['/oxygen/cards', 'first'],
    ['/kept', 'Everything is sent'],
  ]) {
    await one.page.goto(base + address);
    await one.page.reload();
    await expect(one.page.locator('.as-kept')).toBeVisible();
    await expect(one.page.locator('main')).toContainText(text);
  }
  expect((await one.page.goto(base + '/compare')).status()).toBe(503);
  await expect(one.page.locator('main')).toContainText('not kept on this phone');

  const entries = [
    ['P1', 'reading', reading('6.1')],
    ['P2', 'reading', reading('5.9')],
    ['P3', 'feeding', { Mass: '4.5' }],
    ['P1', 'deaths', { Count: '2' }],
    ['P2', 'sample', { N1: '60', M1: '16' }],
    ['P1', 'reading', reading('6.2')],
    ['P1', 'feeding', { Mass: '5.5' }],
    ['P3', 'deaths', { Count: '99999' }], // more than there are: refused
    ['P2', 'reading', reading('5.8')],
  ];
  for (const [pond, kind, values] of entries) {
    await slip(one.page, base, `/ponds/${pond}/slip/${kind}`, values);
    await noSignal(one.page);
  }
  await one.page.reload();
  await expect(count(one.page)).toContainText('kept on this phone: 9');
  await slip(two.page, base, '/ponds/P4/slip/reading', reading('5.1'));
  await slip(two.page, base, '/ponds/P4/slip/deaths', { Count: '1', Day: '2027-01-21', Hour: '06:10' });
  await noSignal(two.page);
  expect(since(farm, from)).toHaveLength(0);

  // The server ends and begins anew on the same books while the phone has no signal, and once more right after it has.
  farm = await farm.again();
  road.back(new URL(farm.secure).port);
  await one.page.reload();
  road.cut();
  farm = await farm.again();
  road.back(new URL(farm.secure).port);
  await one.page.goto(base + '/kept');
  await two.page.goto(base + '/kept');
  await expect(count(one.page)).toContainText('kept on this phone: 2, 2 to look at');
  await expect(two.page.locator('.kept-state')).toHaveText('Everything is sent.');
  // The door asks the same as at the desk: feed before a night that is forecast short of oxygen, more dead than there are.
  const asked = entries.filter(([, , v]) => v.Mass === '5.5' || v.Count === '99999');
  // Once each, in order, at the farm's hour whatever the phones' clocks say (the demo's stands at 17:40); where an hour was typed, at that.
  const kindOf = { reading: 'reading', feeding: 'feeding', deaths: 'loss', sample: 'sample' };
  const of = (pond) => since(farm, from).filter((f) => (f.pond === 'P4') === (pond === 'P4'));
  expect(of('others').map((f) => `${f.pond} ${f.kind}`)).toEqual(
    entries.filter((e) => !asked.includes(e)).map(([pond, kind]) => `${pond} ${kindOf[kind]}`),
  );
  expect(
    of('others')
      .filter((f) => f.kind === 'reading')
      .map((f) => f.figure),
  ).toEqual([6.1, 5.9, 6.2, 5.8]);
  expect(of('P4').map((f) => f.kind)).toEqual(['reading', 'loss']);
  for (const f of [...of('others'), of('P4')[0]])
    expect(Math.abs(f.at - new Date('2027-01-21T17:40+10:00')), f.kind).toBeLessThan(600_000);
  expect(new Date(of('P4')[1].at).toISOString()).toBe('2027-01-20T20:10:00.000Z');

  await expect(one.page.locator('.kept-rows li').first()).toContainText('forecast low');
  await one.page.getByRole('button', { name: 'Yes, it is meant' }).first().click();
  await expect(count(one.page)).toContainText('kept on this phone: 1, 1 to look at');
  await expect(one.page.locator('.kept-rows')).toContainText('99999');
  await one.page.getByRole('link', { name: 'Mend it' }).click();
  await expect(one.page.locator('[name=Count]')).toHaveValue('99999');
  await fill(one.page, { Count: '3' });
  await send(one.page);
  await expect(one.page).not.toHaveURL(/slip/);
  await expect(count(one.page)).toBeHidden();
  expect(since(farm, from)).toHaveLength(11);
  await browser.close();
  road.close();
  await farm.stop();
});

test('what is kept belongs to the person: gone at sign-out, nothing of it for the next; a new version takes the place of the old', async () => {
  test.setTimeout(400_000);
  const farm = await startSecure(true);
  const road = await way(new URL(farm.secure).port);
  const base = `https://farm.test:${road.port}`;
  const browser = await trusting();
  const { page } = await phone(browser);
  await signIn(page, 'Manager', base);
  await page.goto(base + '/');
  await keptAll(page);
  road.cut();
  await slip(page, base, '/ponds/P1/slip/reading', reading('6.4'));
  await noSignal(page);
  const entry = await page.evaluate(() =>
    localStorage.getItem(Object.keys(localStorage).find((k) => k.startsWith('dorsk-kept:'))),
  );
  road.back();
  await page.goto(base + '/me');
  await page.locator('form[action="/sign-out"] button').click();
  await expect(page).toHaveURL(/sign-in/);
  expect(await page.evaluate(async () => (await caches.keys()).filter((k) => k.startsWith('dorsk-pages')))).toEqual([]);
  // As if it had not been sent before: it waits for its person, and shows nothing to the next.
  await page.evaluate((e) => localStorage.setItem('dorsk-kept:' + JSON.parse(e).id, e), entry);
  await page.getByRole('button', { name: 'Pond hand' }).click();
  await expect(page).not.toHaveURL(/sign-in/);
  await page.goto(base + '/kept');
  await expect(page.locator('.kept-rows')).toContainText('an entry of');
  await expect(page.locator('.kept-rows')).not.toContainText('6.4');
  await keptAll(page);
  expect(await page.evaluate(async () => !!(await caches.match('/setup')))).toBe(false);

  const at = 'artifacts/test/app/wwwroot/lib/worker.js';
  const before = readFileSync(at, 'utf8');
  const old = await page.evaluate(async () => (await caches.keys()).find((k) => k.startsWith('dorsk-lib-')));
  try {
    writeFileSync(at, before.replace(old.slice('dorsk-lib-'.length), 'anotherversion00'));
    await page.reload();
    await expect
      .poll(() => page.evaluate(async () => (await caches.keys()).filter((k) => k.startsWith('dorsk-lib-'))))
      .toEqual(['dorsk-lib-anotherversion00']);
  } finally {
    writeFileSync(at, before);
  }
  await browser.close();
  road.close();
  await farm.stop();
});

test('over plain HTTP the open page keeps what is typed; an answer that is lost enters nothing twice; notes wait as text', async ({
  browser,
  ownDemo: farm,
}) => {
  test.setTimeout(400_000);
  const road = await way(new URL(farm.url).port);
  const base = `http://farm.test:${road.port}`;
  const { context, page } = await phone(browser);
  await signIn(page, 'Pond hand', base);
  const from = last(farm);
  await page.goto(base + '/ponds/P1/slip/reading');
  road.loseAnswer('handler=Keep');
  await fill(page, reading('6.1'));
  await send(page);
  await expect(page).toHaveURL(/line=\d+&again=1/); // sent twice, entered once
  expect(road.lost()).toBe(1);
  await page.goto(base + '/ponds/P1/slip/reading');
  road.cut();
  for (const oxygen of ['6.2', '6.3']) {
    await fill(page, reading(oxygen));
    await send(page);
    await noSignal(page);
  }
  await expect(count(page)).toContainText('kept on this phone: 2');
  road.back();
  await page.reload();
  await expect(count(page)).toBeHidden();
  const values = () => since(farm, from).map((f) => f.figure);
  expect(values()).toEqual([6.1, 6.2, 6.3]);

  await page.goto(base + '/notes');
  road.cut();
  await page.locator('#text').fill('P2 do 5.7 yesterday 17:30\nP9 do 6 06:10');
  await page.getByRole('button', { name: 'Read' }).click();
  await expect(page.locator('.note-kept')).toContainText('kept on this phone as text');
  road.back();
  await page.goto(base + '/kept');
  await expect(count(page)).toBeHidden();
  await page.goto(base + '/notes');
  expect(values()).toEqual([6.1, 6.2, 6.3]);
  await expect(page.locator('main')).toContainText('written without signal');
  await page.getByRole('button', { name: 'Record it', exact: true }).click();
  await expect(page.locator('main')).toContainText('1 line recorded');
  expect(values()).toEqual([6.1, 6.2, 6.3, 5.7]);
  expect(new Date(since(farm, from).at(-1).at).toISOString()).toBe('2027-01-20T07:30:00.000Z');
  await context.close();
  road.close();
});

test('a store that is full and a window that keeps nothing are said, and the entry still arrives', async ({
  ownDemo: farm,
  browser,
}) => {
  const road = await way(new URL(farm.url).port);
  const base = `http://farm.test:${road.port}`;
  const { context, page } = await phone(browser);
  await context.addInitScript(() => {
    const real = Storage.prototype.setItem;
    Storage.prototype.setItem = function (k, v) {
      if (k.startsWith('dorsk-kept:') || k === 'dorsk-try') throw new DOMException('full', 'QuotaExceededError');
      return real.call(this, k, v);
    };
  });
  await signIn(page, 'Pond hand', base);
  const from = last(farm);
  await page.goto(base + '/ponds/P1/slip/reading');
  await expect(page.locator('.kept-trouble')).toContainText('keeps nothing');
  road.cut();
  await fill(page, reading('6.1'));
  await send(page);
  await noSignal(page);
  await expect(page.locator('.kept-trouble')).toContainText('storage of this phone is full');
  road.back();
  await expect(count(page)).toBeHidden();
  expect(since(farm, from).map((f) => f.figure)).toEqual([6.1]);
  await page.goto(base + '/kept');
  await expect(page.locator('.kept-how')).toContainText('keeps no pages');
  await context.close();
  road.close();
});
