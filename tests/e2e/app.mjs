// Opens a farm in the published program for a test, with its own data folder and clock, watches the console, and fills slips.
import { test as base, expect } from '@playwright/test';
import { spawn, execFileSync } from 'node:child_process';
import { copyFileSync, mkdtempSync, rmSync, readdirSync } from 'node:fs';
import { createServer } from 'node:net';
import { createInterface } from 'node:readline';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const folder = 'artifacts/test/app';
const app = join(folder, 'dorsk');

/** A second new farm beside a test's own; the test stops it. */
export const startSecond = () => start(false);

const freePort = () =>
  new Promise((found) => {
    const s = createServer().listen(0, '127.0.0.1', () => {
      const { port } = s.address();
      s.close(() => found(port));
    });
  });

// All farms of a worker live in one program: none waits for a start, and pages stay compiled.
let host;
let farms = 0;
const waiting = new Map();
const inApp = (name) => join(folder, name);

function begin() {
  // Another culture than any developer's: figures must not follow the machine's.
  host = spawn(
    'dotnet',
    ['exec', '--depsfile', inApp('dorsk.deps.json'), '--runtimeconfig', inApp('dorsk.runtimeconfig.json')].concat(
      inApp('dorsk-test-host.dll'),
    ),
    { env: { ...process.env, LANG: 'de_DE.UTF-8', TZ: 'Asia/Kolkata' }, stdio: ['pipe', 'pipe', 'inherit'] },
  );
  createInterface({ input: host.stdout }).on('line', (line) => {
    if (!line.startsWith('@@')) return;
    const answer = JSON.parse(line.slice(2));
    const { found, failed } = waiting.get(answer.id);
    waiting.delete(answer.id);
    if (answer.problem) failed(new Error(answer.problem));
    else found(answer);
  });
  host.on('exit', (code) => {
    for (const { failed } of waiting.values()) failed(new Error(`the program of the farms ended with ${code}`));
    host = undefined;
  });
}

function tell(word) {
  if (!host) begin();
  return new Promise((found, failed) => {
    waiting.set(word.id, { found, failed });
    host.stdin.write(JSON.stringify(word) + '\n');
  });
}

/** The demo with its stand-ins, at a pace of its own: buoys, panels, weather mast, mailbox, faults to switch on. */
export async function startNight(clock, rate) {
  const [mqtt, smtp, outside] = [await freePort(), await freePort(), await freePort()];
  const looks = [
    '--mqtt',
    mqtt,
    '--smtp',
    `127.0.0.1:${smtp}`,
    '--alarm-look',
    '2',
    '--air-look',
    '1',
    '--forecast-look',
    '5',
  ].map(String);
  const farm = await start(true, ['--clock', clock, '--rate', String(rate), ...looks], (data) =>
    execFileSync(app, ['demo-devices', join(data, 'keys.json'), `http://127.0.0.1:${outside}/message`, '--data', data]),
  );
  const others = spawn(
    'artifacts/standins/dorsk-standins',
    [
      '--farm',
      farm.url,
      '--keys',
      join(farm.data, 'keys.json'),
      '--mqtt-port',
      mqtt,
      '--smtp-port',
      smtp,
      '--urls',
      `http://127.0.0.1:${outside}`,
    ].map(String),
    { stdio: 'ignore' },
  );
  return {
    ...farm,
    outside: `http://127.0.0.1:${outside}`,
    stop: async () => {
      others.kill();
      await farm.stop();
    },
  };
}

/** The demo farm (or a new one) by HTTPS too; `again()` ends it and begins it anew on the same books. */
export async function startSecure(seed = true, data = mkdtempSync(join(tmpdir(), 'dorsk-e2e-')), fresh = true) {
  const more = ['--clock', '2027-01-21T17:40+10:00', '--rate', '0', '--https', 'true', '--https-names', 'farm.test'];
  const farm = await start(seed, more, () => {}, { data, fresh, keep: true });
  return {
    ...farm,
    secure: farm.urls.find((u) => u.startsWith('https:')),
    again: async () => {
      await farm.stop();
      return startSecure(seed, data, false);
    },
    stop: async () => {
      await farm.stop();
      rmSync(data, { recursive: true, force: true });
    },
  };
}

/** The demo farm on several days, one after the other: `on(clock)` ends the day before and opens the next on the same books. */
export function days() {
  const data = mkdtempSync(join(tmpdir(), 'dorsk-e2e-'));
  let running;
  return {
    on: async (clock) => {
      const first = !running;
      await running?.stop();
      running = await start(true, ['--clock', clock, '--rate', '0'], () => {}, { data, fresh: first, keep: true });
      return running;
    },
    stop: async () => {
      await running?.stop();
      rmSync(data, { recursive: true, force: true });
    },
  };
}

async function start(
  seed,
  more = ['--clock', '2027-01-21T17:40+10:00', '--rate', '0'],
  before = () => {},
  { data = mkdtempSync(join(tmpdir(), 'dorsk-e2e-')), fresh = true, keep = false } = {},
) {
  if (seed && fresh)
    copyFileSync(
      join(
        'artifacts/demo',
        readdirSync('artifacts/demo').find((f) => f.startsWith('seed-') && f.endsWith('.db')),
      ),
      join(data, 'farm.db'),
    );
  before(data);
  const id = String(farms++);
  const { url, urls } = await tell({
    id,
    start: ['--urls', 'http://127.0.0.1:0', '--data', data, ...more, ...(seed ? ['--demo', 'true'] : ['--new'])],
  });
  return {
    url,
    urls,
    data,
    facts: () =>
      execFileSync(app, ['facts', join(data, 'farm.db')], { encoding: 'utf8', maxBuffer: 1 << 28 })
        .trim()
        .split('\n')
        .filter(Boolean)
        .map((l) => JSON.parse(l)),
    stop: async () => {
      await tell({ id, stop: true });
      if (!keep) rmSync(data, { recursive: true, force: true });
    },
  };
}

export const test = base.extend({
  // The demo is only read: one for each worker. Who writes to it takes a demo of their own; a new farm is each test's own.
  demo: [
    async ({}, use) => {
      const a = await start(true);
      await use(a);
      await a.stop();
    },
    { scope: 'worker' },
  ],
  ownDemo: async ({}, use) => {
    const a = await start(true);
    await use(a);
    await a.stop();
  },
  farm: async ({}, use) => {
    const a = await start(false);
    await use(a);
    await a.stop();
  },
  page: async ({ page }, use) => {
    const heard = [];
    page.on('console', (m) => {
      // A refusal is an answer, not an error of the page.
      if (m.type() === 'error' && !/status of (403|404|422)|ERR_CONNECTION_REFUSED/.test(m.text()))
        heard.push(m.text());
    });
    page.on('pageerror', (e) => heard.push(String(e)));
    page.on('response', (r) => {
      if (r.status() >= 500) heard.push(`${r.status()} ${r.url()}`);
    });
    await use(page);
    expect(heard, 'console errors, policy reports, answers of 500').toEqual([]);
  },
  as: async ({ page }, use) =>
    use(async (role, app) => {
      await signIn(page, role, app.url);
      return page;
    }),
});

export { expect };

/** Comes in as a role: by its button on the demo farm, as the first Manager on a new one. */
export async function signIn(page, role, base) {
  await page.goto(base + '/sign-in');
  if (page.url().endsWith('/first')) {
    for (const [name, value] of [
      ['name', 'Manager'],
      ['password', 'four plain words'],
      ['again', 'four plain words'],
    ])
      await page.locator(`[name=${name}]`).fill(value);
    await page.getByRole('button', { name: 'Begin' }).click();
  } else await page.getByRole('button', { name: role }).click();
  await expect(page).not.toHaveURL(/sign-in|first/);
}

/** Fills a slip as a person would, in one step; a folded line is unfolded first. A field that is missing, hidden or shut is an error. */
export async function fill(page, values) {
  await page.locator('form.slip').first().waitFor();
  await page.evaluate((wanted) => {
    for (let [name, value] of Object.entries(wanted)) {
      const field = document.querySelector(`form.slip [name="${name}"]:not([type=hidden])`);
      if (!field) throw new Error(`no field ${name} on ${location}`);
      const folded = field.closest('details.more:not([open])');
      if (folded) folded.open = true;
      if (field.disabled || field.readOnly || !field.checkVisibility()) throw new Error(`${name} cannot be filled`);
      if (field.type === 'checkbox') {
        if (field.checked !== value) field.click();
        continue;
      }
      field.focus();
      const option = [...(field.options ?? [])].find((o) => o.value === value || o.label === value);
      field.value = option?.value ?? value;
      if (option) value = option.value;
      if (field.value !== value) throw new Error(`${name} does not take ${value}`);
      field.dispatchEvent(new Event('input', { bubbles: true }));
      field.dispatchEvent(new Event('change', { bubbles: true }));
    }
  }, values);
}

/** Saves a slip, and waits until the farm's next page is there or the phone says that it keeps the entry. */
export async function send(page) {
  await page.evaluate(() => {
    document.querySelector('.slip-kept')?.remove();
    window.sentFrom = true;
  });
  await page.locator('form.slip .slip-do button').first().click();
  await page.waitForFunction(() => !window.sentFrom || document.querySelector('.slip-kept'));
  await page.waitForLoadState();
}

/** Fills a slip and expects it to be entered; answers a question with yes when told to. */
export async function enter(page, url, values, { asked = false } = {}) {
  await page.goto(url);
  await fill(page, values);
  await send(page);
  if (asked === 'perhaps') {
    await expect(page.locator('.slip-problems.ask, main .summary')).toBeVisible();
    if (await page.locator('.slip-problems.ask').count()) await send(page);
  } else if (asked) {
    await expect(page.locator('.slip-problems.ask')).toBeVisible();
    await send(page);
  }
  await expect(page.locator('.slip-problems'), `${url} with ${JSON.stringify(values)}`).toHaveCount(0);
  await expect(page).not.toHaveURL(/slip/);
}

/** Sends a slip by its own plain form without opening it: quick ways into a state that is not what is tested. True where it was entered. */
export async function post(page, path, values) {
  return page.evaluate(
    async ([path, values]) => {
      const html = await (await fetch(path)).text();
      const form = new DOMParser().parseFromString(html, 'text/html').querySelector('form.slip');
      const body = new FormData(form);
      for (const [k, v] of Object.entries(values)) body.set(k, v);
      const answer = await fetch(path, { method: 'POST', body });
      return answer.redirected || (await answer.text()).match(/class="wrong[^>]*>.{0,400}/s)?.[0];
    },
    [path, values],
  );
}

export const metricFarm = {
  Name: 'Test ponds',
  PlaceName: 'a made-up creek',
  Latitude: '-29.4',
  Longitude: '152.6',
  Altitude: '60',
  Zone: 'Etc/GMT-10',
  Units: 'Metric',
  Sign: 'Point',
  Currency: 'AUD',
};

/** A new farm with stocked ponds P1 to Pn, for whoever is signed in. */
export async function stockedPonds(page, n) {
  expect(await post(page, '/slip/farm', { ...metricFarm, Name: 'Many ponds' })).toBe(true);
  for (let i = 1; i <= n; i++) {
    const shape = { Code: `P${i}`, Day: '2026-01-01', Length: '40', Width: '25', Slope: '2', Depth: '1.4' };
    expect(await post(page, '/slip/pond', shape)).toBe(true);
    const fish = { Day: '2026-11-01', Hour: '07:00', Count: '500', MeanWeight: '60', Species: 'silver_perch' };
    expect(await post(page, `/ponds/P${i}/slip/stock`, { ...fish, NotReadyReason: 'test' })).toBe(true);
  }
}
