// The plan editor: drawn, reshaped and undone with the keyboard alone, then by pointer; kept as facts in metres.
import { test, expect, enter, send, metricFarm } from './app.mjs';

const built = (facts) => facts.filter((f) => f.table === 'pond');

test('a pond is drawn, reshaped and undone with the keyboard alone, then moved and marked by pointer', async ({
  as,
  farm,
}) => {
  const page = await as('Manager', farm);
  await enter(page, farm.url + '/slip/farm', metricFarm);
  await page.goto(farm.url + '/setup/plan');
  const keys = async (...all) => {
    for (const k of all) {
      const [key, n] = k.split('*');
      for (let i = 0; i < (Number(n) || 1); i++) await page.keyboard.press(key);
    }
  };
  await page.getByRole('button', { name: 'Draw a pond' }).focus();
  await keys('Enter'); // and the board has the focus
  await keys(
    'Enter',
    'Shift+ArrowRight*4',
    'Enter',
    'Shift+ArrowDown*2',
    'ArrowDown*5',
    'Enter',
    'Shift+ArrowLeft*4',
    'Enter',
  );
  await expect(page.locator('.told')).toContainText('area 0.10 ha (1,000 m²)');
  await keys('c');
  await expect(page.locator('.told')).toContainText('bank 130 m');
  // Reshaped: the second corner 10 m further out, then taken back.
  await keys('c', 'c', 'Shift+ArrowRight');
  await expect(page.locator('.told')).toContainText('area 0.113 ha (1,125 m²)');
  await keys('Control+z');
  await expect(page.locator('.told')).toContainText('(1,000 m²)');
  // Crossing sides are named while they are drawn, with the place.
  await keys('Shift+ArrowLeft*6');
  await expect(page.locator('.told')).toContainText('crosses itself at');
  await keys('Control+z*6');
  await page.getByLabel('Code').fill('p7');
  await page.getByLabel('Depth when full').fill('1.4');
  await page.getByRole('button', { name: 'Save the plan' }).click();
  await expect(page.locator('#pick')).toContainText('P7');
  const first = built(farm.facts());
  expect(first.map((f) => [f.row.code, f.row.shape, f.row.depth_m, f.row.slope])).toEqual([
    ['P7', 'OutlinePond', 1.4, 2],
  ]);
  await page.goto(farm.url + '/ponds/P7/water');
  // The same pond as lengths, 40 × 25 × 1.4 m at slope 2, by the prismoidal rule: 1400 − 2·1.4²·65 + 4/3·2²·1.4³ = 1,159.8.
  await expect(page.locator('main')).toContainText('1,160');

  // By pointer: taken hold of and moved by whole metres, an aerator set in it, a corner drawn out.
  await page.goto(farm.url + '/setup/plan');
  const box = await page.locator('svg.board').boundingBox();
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2 + 40];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x + 60, y - 30, { steps: 5 });
  await page.mouse.up();
  await expect(page.locator('.told')).toContainText('P7.');
  await page.getByLabel('Mark').selectOption('Aerator');
  await page.locator('.grab[data-corner="2"]').hover();
  await page.mouse.down();
  await page.mouse.move(x + 400, y + 20, { steps: 8 });
  await page.mouse.up();
  await expect(page.locator('.told')).toContainText('corner 3');
  await page.getByRole('button', { name: 'Save the plan' }).click();
  await expect(page.getByText('not kept yet')).toBeHidden();
  await expect.poll(() => built(farm.facts()).length).toBe(2);
  expect(farm.facts().filter((f) => f.table === 'mark')).toHaveLength(1);
});

test('outlines go out as GeoJSON and come back; a crossing one is refused with its place', async ({
  as,
  ownDemo: demo,
}) => {
  const page = await as('Manager', demo);
  const geo = await (await page.request.get(demo.url + '/setup/plan.geojson')).json();
  expect(geo.features.map((f) => f.properties.code)).toContain('P4');
  const read = async (what) => {
    await page.goto(demo.url + '/setup/plan');
    await page.locator('#file').setInputFiles({
      name: 'ponds.geojson',
      mimeType: 'application/geo+json',
      buffer: Buffer.from(typeof what === 'string' ? what : JSON.stringify(what)),
    });
    await page.getByRole('button', { name: 'Read outlines in' }).click();
  };
  const p4 = geo.features.find((f) => f.properties.code === 'P4'),
    ring = p4.geometry.coordinates[0];
  await read({ ...p4, geometry: { type: 'Polygon', coordinates: [[ring[0], ring[2], ring[1], ring[3], ring[0]]] } });
  await expect(page.locator('.slip-problems').first()).toContainText('Outline 1 (P4): The outline crosses itself at');
  await expect(page.locator('.slip-problems').first()).toContainText('longitude 152.6');
  await read('no file of ours');
  await expect(page.locator('.slip-problems').first()).toContainText('This is not GeoJSON');
  const outlines = async () =>
    JSON.stringify((await (await page.request.get(demo.url + '/setup/plan.geojson')).json()).features);
  expect(await outlines()).toBe(JSON.stringify(geo.features));
  // A new pond from a file, and the known one as it was.
  await read({
    type: 'FeatureCollection',
    features: [
      {
        type: 'Feature',
        properties: { code: 'p9' },
        geometry: { type: 'Polygon', coordinates: [ring.map(([x, y]) => [x + 0.004, y])] },
      },
    ],
  });
  await expect(page.locator('[role=status]').first()).toContainText('Read in: P9 0.45 ha');
  await expect(page.locator('#pick')).toContainText('P9');
});

test('equipment stands in the book, and a pond without fish is laid up and taken back', async ({
  as,
  ownDemo: demo,
}) => {
  const page = await as('Manager', demo);
  await page.goto(demo.url + '/ponds/S1/slip/equipment');
  await page.locator('[name=LinerThickness]').fill('750');
  await page.locator('[name=LinerLaid]').fill('2025-08-01');
  await page.locator('[name=LinerLife]').fill('4');
  await page.locator('[name=PumpFlow]').fill('20 L/s');
  await page.getByRole('button', { name: 'Save the equipment' }).click();
  await expect(page.locator('main')).toContainText('750 µm, laid 1 Aug 2025');
  await expect(page.locator('main')).toContainText('72.0 m³/h');
  await expect(page.locator('main')).toContainText('0 of 4 cycles used');
  for (const [code, said] of [
    ['P4', 'fish stand in this pond'],
    ['S1', ''],
  ]) {
    await page.goto(demo.url + `/ponds/${code}/slip/archive`);
    await page.locator('[name=Reason]').fill('rested for a year');
    await send(page);
    if (said) await expect(page.locator('.slip-problems')).toContainText(said);
    else await expect(page).toHaveURL(/S1\/log/);
  }
  await page.goto(demo.url + '/ponds');
  await expect(page.locator('main')).toContainText('S1: rested for a year');
  await page.goto(demo.url + '/ponds/S1/slip/archive');
  await page.locator('[name=Archived]').selectOption('use');
  await send(page);
  await page.goto(demo.url + '/ponds');
  await expect(page.locator('table')).toContainText('S1');
});
