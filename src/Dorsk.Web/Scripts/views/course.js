// One value over the days: mornings filled, afternoons open, its band behind; or years over each other, the last one in ink.
import { plot, rectY, ruleY, lineY, areaY, dot, text } from '@observablehq/plot';
import { token } from '../tokens.js';
import { figure } from '../figure.js';

export function course(d, width) {
  const day = (rows) => rows.map((p) => ({ ...p, t: new Date(p.t) }));
  const dawn = day(d.dawn),
    noon = day(d.noon),
    probe = d.probe.map(([t, v, lo, hi]) => ({ t: new Date(t), v, lo, hi })),
    all = d.fine ? probe : [...dawn, ...noon, ...probe];
  // Over hours, what people read stands at its own hour; over months, mornings and afternoons of the days.
  const hand = d.hand.map((p) => ({ t: new Date(p.t), v: p.v })),
    byHour = hand.length > 0 || d.fine;
  const values = [...all.map((p) => p.v), ...probe.flatMap((p) => [p.lo, p.hi])];
  const least = Math.min(...values, d.low ?? Infinity),
    most = Math.max(...values, d.high ?? -Infinity);
  const room = (most - least || 1) * 0.08;
  const [bottom, top] = [least >= 0 ? Math.max(0, least - room) : least - room, most + room];
  const first = new Date(Math.min(...all.map((p) => p.t))),
    last = new Date(Math.max(...all.map((p) => p.t)));
  if (first >= last) first.setUTCDate(first.getUTCDate() - 2);
  const years = [...new Set([...dawn, ...noon].map((p) => p.y))].sort(),
    newest = years.at(-1);
  const inkOf = (y) => token(y === newest ? '--deep' : y === newest - 1 ? '--pool' : '--rule-2');
  const line = (rows) =>
    years.map((y) =>
      lineY(
        rows.filter((p) => p.y === y),
        { x: 't', y: 'v', stroke: inkOf(y), strokeWidth: y === newest ? 2 : 1.3 },
      ),
    );
  return plot({
    className: 'plot-own',
    width,
    height: width < 500 ? 260 : 340,
    marginLeft: 48,
    marginRight: d.years ? 46 : 14,
    marginTop: 22,
    marginBottom: 40,
    ariaLabel: 'Mornings and afternoons of the value over the days',
    x: {
      type: 'utc',
      domain: [first, last],
      label: null,
      ticks: width < 500 ? 4 : 8,
      ...(d.years ? { tickFormat: (t) => t.toLocaleDateString('en', { month: 'short', timeZone: 'UTC' }) } : {}),
    },
    y: { domain: [bottom, top], label: null, ticks: 6, tickFormat: (v) => figure(v), clamp: true },
    marks: [
      d.low == null && d.high == null
        ? null
        : rectY([{}], {
            x1: () => first,
            x2: () => last,
            y1: () => d.low ?? bottom,
            y2: () => d.high ?? top,
            fill: token('--sedge-2'),
            fillOpacity: 0.7,
          }),
      ...[d.low, d.high]
        .filter((v) => v != null)
        .map((v) => ruleY([v], { stroke: token('--sedge'), strokeWidth: 1.2 })),
      areaY(probe, { x: 't', y1: 'lo', y2: 'hi', fill: token('--water-2'), fillOpacity: 0.9 }),
      lineY(probe, { x: 't', y: 'v', stroke: token('--pool'), strokeWidth: 1.4 }),
      ...(d.years
        ? line(dawn.length ? dawn : noon)
        : [
            byHour || probe.length ? null : lineY(dawn, { x: 't', y: 'v', stroke: token('--deep'), strokeWidth: 1 }),
            byHour
              ? null
              : dot(noon, {
                  x: 't',
                  y: 'v',
                  r: 3,
                  fill: token('--paper'),
                  stroke: token('--watch-edge'),
                  strokeWidth: 1.5,
                }),
            dot(byHour ? hand : dawn, { x: 't', y: 'v', r: 3, fill: token('--deep') }),
          ]),
      !d.years
        ? null
        : text(years.map((y) => (dawn.length ? dawn : noon).filter((p) => p.y === y).at(-1)).filter(Boolean), {
            x: 't',
            y: 'v',
            text: (p) => String(p.y),
            dx: 6,
            textAnchor: 'start',
            fill: token('--ink'),
            fontSize: 12,
            fontWeight: 700,
          }),
      text([{}], {
        x: () => first,
        y: () => top,
        text: () => d.unit,
        dx: -10,
        dy: -9,
        textAnchor: 'end',
        fill: token('--ink-2'),
        fontSize: 12,
      }),
    ],
  });
}
