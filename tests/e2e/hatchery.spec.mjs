// The hatchery: a plan back to nests and jobs; a lot from its eggs to its first feed in fast time; fry counted by displaced water, stocked at dawn, harvested and counted.
import { test, expect, fill, send, enter, signIn, days } from './app.mjs';

test('a plan goes back from fingerlings to nests, troughs and days, and its days are jobs', async ({
  page,
  ownDemo: demo,
}) => {
  await signIn(page, 'Manager', demo.url);
  await page.goto(demo.url + '/hatchery/plan');
  await page.getByRole('link', { name: 'Plan back from fingerlings' }).click();
  await fill(page, { Species: 'channel_catfish', Wanted: '20000', On: '2027-03-20', Length: '5 cm', Water: '27 C' });
  // Answers stand while it is typed.
  await expect(page.locator('form.slip')).toContainText('Nests');
  await fill(page, { Wanted: 'many' });
  await send(page);
  await expect(page.locator('main').getByRole('alert').first()).toBeVisible();
  await expect(page.getByLabel('Fingerlings wanted')).toHaveValue('many');
  await fill(page, { Wanted: '20000' });
  await send(page);
  await page.waitForURL(/hatchery\/plan/);
  const plan = page.locator('main');
  await expect(plan).toContainText(/20.000 channel catfish/i);
  await expect(plan).toContainText('Nests');
  await expect(plan).toContainText('troughs');
  await page.goto(demo.url + '/jobs');
  await expect(page.locator('main')).toContainText('Hatchery: eggs taken, last day that serves');
});

test('a lot from its eggs to its first feed, counted, stocked at dawn, harvested, its chain shown', async ({
  page,
}) => {
  test.setTimeout(300_000);
  // Each part of the story is the same data file, opened at a later hour.
  const story = days();
  let { url } = await story.on('2027-01-21T17:40+10:00');
  await signIn(page, 'Manager', url);
  await enter(page, url + '/slip/eggs', {
    Species: 'silver_perch',
    Vessel: 'H4',
    From: 'red tags',
    Basis: 'ByVolume',
    Water: '1.5 L',
    Sample: '0.01 L',
    Counts: '251 243 262',
    Trough: '24.6 C',
    FromC: '25 C',
    Hour: '17:30',
    Treatment: 'live food',
  });
  await page.goto(url + '/hatchery');
  await expect(page.locator('main')).toContainText(/37.800 eggs/);
  const lot = await page.locator('.hatch-lot h3 a').last().getAttribute('href');
  const id = lot.split('/').at(-1);
  await page.goto(url + lot);
  await expect(page.locator('main')).toContainText('Hatching');

  ({ url } = await story.on('2027-01-23T09:00+10:00'));
  await signIn(page, 'Manager', url);
  await enter(page, `${url}/slip/lot-look?Lot=${id}`, {
    Lot: id,
    Temp: '24.8 C',
    Oxygen: '7',
    Seen: 'SacFry',
    Hour: '08:30',
  });
  await enter(page, `${url}/slip/lot-count?Lot=${id}`, {
    Lot: id,
    Stage: 'Larvae',
    Basis: 'ByVolume',
    Water: '0.9 L',
    Sample: '0.01 L',
    Counts: '301 288 310',
    Hour: '08:50',
  });
  await page.goto(url + lot);
  await expect(page.locator('main')).toContainText(/26.970 larvae/);
  await expect(page.locator('main')).toContainText(/eggs to larvae[\s\S]*71 %/);

  ({ url } = await story.on('2027-01-27T05:20+10:00'));
  await signIn(page, 'Night watch', url);
  // The bell rings on the phone of the night watch: from the job to the meal.
  await enter(page, `${url}/slip/lot-look?Lot=${id}`, {
    Lot: id,
    Temp: '24.7 C',
    Behaviour: 'SwimUp',
    Seen: 'SwimUp',
    Hour: '05:00',
  });
  await page.goto(url + '/hatchery');
  await page
    .getByRole('link', { name: `Lot ${id}: feed the fry` })
    .first()
    .click();
  await fill(page, { Feed: 'liquid feed', Grams: '4 g', Score: '3', Where: 'all round the edge', Hour: '05:10' });
  await send(page);
  await page.waitForURL(/\/hatchery(?!\/)/);
  await page.goto(url + lot);
  await expect(page.locator('main')).toContainText('fed 05:10');

  await signIn(page, 'Manager', url);
  await enter(
    page,
    url + '/ponds/P6/slip/stock',
    {
      HatchLot: id,
      Species: 'silver_perch',
      Origin: 'own lot',
      Count: '20000',
      Basis: 'ByVolume',
      MeanWeight: '0.01 g',
      NotReadyReason: 'rotifers rise today',
      Hour: '05:15',
    },
    { asked: 'perhaps' },
  );
  await page.goto(url + '/hatchery');
  await expect(page.locator('main')).toContainText('kept in ponds');
  await page.goto(url + '/hatchery/fry/P6');
  await expect(page.locator('main')).toContainText('Morning and afternoon');

  ({ url } = await story.on('2027-03-08T07:00+10:00'));
  await signIn(page, 'Manager', url);
  await page.goto(url + '/hatchery');
  await expect(page.locator('main')).toContainText('P6: harvest the fry before they eat each other');
  await enter(
    page,
    url + '/ponds/P6/slip/harvest',
    { Count: '13000', Mass: '13 kg', To: 'MovedOff', Final: true, DifferenceReason: 'died as fry', Hour: '06:30' },
    { asked: 'perhaps' },
  );
  await page.goto(url + lot);
  await expect(page.locator('main')).toContainText(/stocked to harvested[\s\S]*65 %/);
  await expect(page.locator('main')).toContainText('whole: eggs to harvested');
  await story.stop();
});
