// A phone on the bank: a way to the farm that can be cut, and a phone whose clock is wrong.
import { connect, createServer } from 'node:net';
import { chromium, devices, expect } from '@playwright/test';

/** Stands between phone and farm: `cut()` is no signal, `back(port)` is signal again; `loseAnswer(text)` drops the answer to the next request with that text. */
export async function way(port) {
  const open = new Set();
  let to = port,
    up = true,
    lose = '',
    lost = 0;
  const server = createServer((phone) => {
    if (!up) return phone.destroy();
    const farm = connect(to, '127.0.0.1');
    let deaf = false;
    open.add(phone).add(farm);
    phone.on('data', (d) => {
      if (lose && d.toString('latin1').includes(lose)) {
        deaf = true;
        lose = '';
        lost++;
        // The farm has the time to write it; then the phone is left without an answer.
        setTimeout(() => phone.destroy(), 1500);
      }
      farm.write(d);
    });
    farm.on('data', (d) => deaf || phone.write(d));
    for (const [one, other] of [
      [phone, farm],
      [farm, phone],
    ]) {
      one.on('error', () => other.destroy());
      one.on('close', () => {
        open.delete(one);
        other.destroy();
      });
    }
  });
  await new Promise((ready) => server.listen(0, '127.0.0.1', ready));
  return {
    port: server.address().port,
    cut: () => {
      up = false;
      for (const s of open) s.destroy();
    },
    back: (port = to) => ([to, up] = [port, true]),
    loseAnswer: (text) => (lose = text),
    lost: () => lost,
    close: () => {
      for (const s of open) s.destroy();
      server.close();
    },
  };
}

/** A browser of its own that takes the farm's certificate as trusted; that it is trustworthy is checked by the chain, apart. */
export const trusting = () =>
  chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: [
      '--no-sandbox',
      '--disable-gpu',
      '--disable-quic',
      '--host-resolver-rules=MAP farm.test 127.0.0.1',
      '--ignore-certificate-errors',
    ],
  });

/** A phone with a clock that is wrong by so many minutes. */
export async function phone(browser, { offMin = 0, ...more } = {}) {
  const context = await browser.newContext({
    ...devices['Pixel 5'],
    defaultBrowserType: undefined,
    viewport: { width: 390, height: 844 },
    timezoneId: 'America/New_York',
    locale: 'de-DE',
    ...more,
  });
  if (offMin)
    await context.addInitScript((ms) => {
      const real = Date.now.bind(Date);
      globalThis.Date = class extends Date {
        constructor(...a) {
          super(...(a.length ? a : [real() + ms]));
        }
        static now() {
          return real() + ms;
        }
      };
    }, offMin * 60e3);
  return { context, page: await context.newPage() };
}

/** Until the phone has all its pages. */
export const keptAll = (page) =>
  expect
    .poll(
      () =>
        page.evaluate(async () => {
          const list = await caches.match('/~pages');
          return list ? ((await list.json()).whole ?? false) : false;
        }),
      { timeout: 120_000 },
    )
    .toBe(true);
