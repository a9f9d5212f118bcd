// Weight from stocking to the target weight: so far solid, ahead dashed, samples with their 95 % bars, the likely day in a band.
import { plot, rect, ruleY, ruleX, lineY, areaY, dot, text } from '@observablehq/plot';
import { token } from '../tokens.js';
import { figure } from '../figure.js';

export function growth(d, width) {
  const at = (s) => new Date(s);
  const day = (rows) => rows.map((p) => ({ ...p, t: at(p.t) }));
  const plan = day(d.plan),
    line = day(d.line),
    ahead = day(d.ahead),
    samples = day(d.samples);
  const end = ahead.at(-1).t;
  const top =
    1.08 * Math.max(d.target, ...line.map((p) => p.hi), ...samples.map((p) => p.hi), ...ahead.map((p) => p.v));
  const months = (t) =>
    t.toLocaleDateString('en', { month: 'short', timeZone: 'UTC' }) +
    (t.getUTCMonth() === 0 ? `\n${t.getUTCFullYear()}` : '');
  return plot({
    className: 'plot-own',
    width,
    height: width < 500 ? 260 : 340,
    marginLeft: 44,
    marginRight: 14,
    marginTop: 22,
    marginBottom: 58,
    ariaLabel: 'Average weight so far and ahead, with samples',
    x: { type: 'utc', domain: [line[0].t, end], label: null, ticks: width < 500 ? 5 : 'month', tickFormat: months },
    y: { domain: [0, top], label: null, ticks: 6, tickFormat: (v) => figure(v), grid: false, clamp: true },
    marks: [
      d.likely &&
        rect([{}], {
          x1: at(d.earliest ?? d.today),
          x2: d.latest && at(d.latest) < end ? at(d.latest) : end,
          y1: 0,
          y2: d.target,
          fill: token('--sedge-2'),
          fillOpacity: 0.8,
        }),
      areaY(line, { x: 't', y1: 'lo', y2: 'hi', fill: token('--water'), fillOpacity: 0.9 }),
      areaY(ahead, { x: 't', y1: 'lo', y2: (p) => Math.min(p.hi, top), fill: token('--water-2'), fillOpacity: 0.85 }),
      ruleY([d.target], { stroke: token('--sedge'), strokeWidth: 1.6 }),
      text([{}], {
        x: () => line[0].t,
        y: () => d.target,
        text: () => `target ${figure(d.target)} ${d.unit}`,
        dx: 4,
        dy: -8,
        textAnchor: 'start',
        fill: token('--ink'),
        fontSize: 13,
        fontWeight: 700,
      }),
      lineY(
        plan.filter((p) => p.v <= top && p.t <= end),
        { x: 't', y: 'v', stroke: token('--ink-2'), strokeWidth: 1.3, strokeDasharray: '1.5 3' },
      ),
      lineY(line, { x: 't', y: 'v', stroke: token('--deep'), strokeWidth: 2.2 }),
      lineY(ahead, {
        x: 't',
        y: (p) => Math.min(p.v, top),
        stroke: token('--deep'),
        strokeWidth: 1.8,
        strokeDasharray: '5 3',
      }),
      ruleX(samples, { x: 't', y1: 'lo', y2: 'hi', stroke: token('--ink'), strokeWidth: 1.5 }),
      dot(samples, { x: 't', y: 'v', r: 3.4, fill: token('--paper'), stroke: token('--deep'), strokeWidth: 1.8 }),
      ruleX([at(d.today)], { y1: 0, y2: top, stroke: token('--ink'), strokeWidth: 1.5 }),
      text([{}], {
        x: () => at(d.today),
        y: () => top,
        text: () => 'today',
        dy: -9,
        fill: token('--ink'),
        fontSize: 12,
        fontWeight: 700,
      }),
      text([{}], {
        x: () => line[0].t,
        y: () => top,
        text: () => d.unit,
        dx: -10,
        dy: -9,
        textAnchor: 'end',
        fill: token('--ink-2'),
        fontSize: 12,
      }),
      text(width < 500 ? [] : d.water.slice(1), {
        x: (w) => new Date(at(w.t).getTime() + 0),
        y: () => 0,
        text: (w) => w.v + d.waterUnit,
        dy: 44,
        textAnchor: 'start',
        dx: 2,
        fill: token('--ink-2'),
        fontSize: 12,
      }),
      d.likely &&
        text([{}], {
          x: () => at(d.likely),
          y: () => top * 0.05,
          text: () =>
            at(d.likely).toLocaleDateString('en-GB', { day: 'numeric', month: 'short', timeZone: 'UTC' }) + ' likely',
          fill: token('--ink'),
          fontSize: 12,
          fontWeight: 700,
        }),
    ],
  });
}
