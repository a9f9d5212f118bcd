import { readFileSync } from 'node:fs';

// Metric words on a page as a person reads it. mg/L stands beside ppm in leaflets of both systems; sunlight is said in W/m² everywhere.
const metric =
  /(?<![A-Za-z0-9\/])(?:[0-9][0-9.,]*[\s\u2009]*)?(?:kg|kilograms?|hectares?|ha|metres?|cm|mm|m²|m³|°C|litres?|tonnes?|kW\/ha|W\/m³|g\/m³|kg\/ha|kPa|km)(?![A-Za-z0-9²³])/g;
const grams = /(?<![A-Za-z0-9])[0-9][0-9.,]*[\s\u2009]*(?:g|m|L|t)(?![A-Za-z0-9\/])/g;

// What stands behind a why, in a field that shows what may be typed, or names a unit on purpose.
const read = (html) =>
  html
    .replace(/<(script|style|template|head)[\s\S]*?<\/\1>/g, ' ')
    .replace(/<div class="why-card[\s\S]*?<\/div>/g, ' ')
    .replace(/<[^>]+data-both-units[^>]*>[\s\S]*?<\/[a-z]+>/g, ' ')
    .replace(/<[^>]+>/g, ' ')
    .replace(/&#x2009;|&thinsp;/g, '\u2009')
    .replace(/&#xB2;|&#178;/gi, '²')
    .replace(/&#xB3;|&#179;/gi, '³')
    .replace(/&#xB0;|&#176;/gi, '°')
    .replace(/&[a-z#0-9]+;/gi, ' ')
    .replace(/\s+/g, ' ');

/** Metric words of a page with what stands around them; feed kinds of the demo carry their size in the name. */
export function metricWords(html) {
  const text = read(html)
    .replace(/(Starter|Grower|Crumble) \d mm/gi, '$1')
    .replace(/(starter|grower|crumble) \d+ kg delivered/gi, '$1');
  return [...text.matchAll(metric), ...text.matchAll(grams)].map(
    (m) => `…${text.slice(Math.max(0, m.index - 40), m.index + 30)}…`,
  );
}

const ruledOut = new RegExp(
  `\\b(${readFileSync('docs/words.md', 'utf8')
    .split('## Not on screen')[1]
    .split('\n')
    .filter((l) => l.startsWith('| ') && !l.startsWith('| not |'))
    .map((l) => l.split('|')[1].trim().replace(/[()]/g, '\\$&'))
    .join('|')})\\b`,
  'gi',
);

/** Words of a page that docs/words.md rules out, with what stands around them. */
export function ruledOutWords(html) {
  const text = read(html);
  return [...text.matchAll(ruledOut)].map((m) => `…${text.slice(Math.max(0, m.index - 40), m.index + 40)}…`);
}

// Figures of sentences that are the same for every farm, kinds of machines of a published table, and examples of messages between machines.
const fixed =
  /fish a square metre|0\.75-1\.5 kW|under 1\.5 m|5-10 kW|at least 0\.2 mg\/L lower, 0\.8 in all|about 8\.3|[12]\.5:1|0\.3 % of the biomass|2\.1 SDs|0\.1 mg\/L|pen meter pH 0\.1|(commas|tabs) between, 1\.5|about 1\.2 kg of oxygen|at 0\.15 m\/s|W\^0\.82|1\.2 where it has none|"(value|currentA)": [0-9.]+|swing (over|up to) 1\.5/g;

/** Figures with a point and one or two decimals, with what stands around them; sources and methods behind a why cite what they cite. */
export function pointFigures(html) {
  // An alarm that rang before the farm changed its sign keeps its words.
  const text = read(html.replace(/<p class="rings[\s\S]*?<\/p>/g, ' ')).replace(fixed, ' ');
  return [...text.matchAll(/(?<![\d.:])\d{1,4}\.\d{1,2}(?![\d.:])/g)].map(
    (m) => `…${text.slice(Math.max(0, m.index - 40), m.index + 30)}…`,
  );
}
