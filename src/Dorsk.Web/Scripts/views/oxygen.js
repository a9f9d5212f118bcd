// Oxygen over three nights, noon to noon: measured solid, forecast dashed with its band, act and watch levels, timers and feedings below.
import { plot, rect, ruleY, ruleX, lineY, areaY, dot, text } from '@observablehq/plot';
import { token } from '../tokens.js';
import { figure } from '../figure.js';

// A half-round scoop: feed has a shape of its own.
const scoop = {
  draw(context, size) {
    const r = Math.sqrt(size / Math.PI) * 1.2;
    context.arc(0, -r / 2, r, 0, Math.PI);
    context.closePath();
  },
};

export function oxygen(d, width) {
  const at = (s) => new Date(s);
  const measured = d.measured.map((p) => ({ t: at(p.t), v: p.v }));
  const hand = d.hand.map((p) => ({ t: at(p.t), v: p.v }));
  const ahead = (d.forecast ?? []).map((p) => ({ ...p, t: at(p.t) }));
  const top = Math.max(10, ...measured.map((p) => p.v + 1), ...ahead.map((p) => p.hi));
  const lanes = [...new Set(d.runs.map((r) => r.a))].sort();
  const floor = -0.9 - 0.55 * lanes.length - 0.9;
  const lane = (a) => -1.0 - 0.55 * lanes.indexOf(a);
  const low = ahead
    .filter((p) => p.t <= at(d.nights[0].sunrise).getTime() + 72e5)
    .reduce((m, p) => (!m || p.v < m.v ? p : m), null);
  const hours = (t, o) => (t.toISOString().slice(11, 16) === '12:00' ? 'noon' : t.toISOString().slice(11, 16));
  return plot({
    className: 'plot-own',
    width,
    height: width < 500 ? 250 : 320,
    marginLeft: 34,
    marginRight: 12,
    marginTop: 16,
    marginBottom: 24,
    ariaLabel: 'Oxygen over the last two nights and the forecast for tonight',
    x: { type: 'utc', domain: [at(d.from), at(d.to)], label: null, ticks: width < 500 ? 4 : 12, tickFormat: hours },
    y: { domain: [floor, top], label: null, ticks: [0, 5, 10, 15, 20].filter((v) => v <= top) },
    marks: [
      rect([{}], { x1: at(d.from), x2: at(d.to), y1: 0, y2: top, fill: token('--sh-day') }),
      rect(d.nights, { x1: (n) => at(n.sunset), x2: (n) => at(n.sunrise), y1: 0, y2: top, fill: token('--sh-twi') }),
      rect(d.nights, { x1: (n) => at(n.dusk), x2: (n) => at(n.dawn), y1: 0, y2: top, fill: token('--sh-nig') }),
      areaY(ahead, { x: 't', y1: (p) => p.lo, y2: (p) => p.hi, fill: token('--water-2'), fillOpacity: 0.85 }),
      d.act == null ? null : ruleY([d.act], { stroke: token('--act'), strokeWidth: 1.6 }),
      d.watch == null ? null : ruleY([d.watch], { stroke: token('--watch-edge'), strokeDasharray: '1 3' }),
      lineY(ahead, { x: 't', y: 'v', stroke: token('--deep'), strokeWidth: 1.8, strokeDasharray: '5 3' }),
      lineY(measured, { x: 't', y: 'v', stroke: token('--deep'), strokeWidth: 2.2 }),
      dot(hand, { x: 't', y: 'v', r: 2.6, fill: token('--paper'), stroke: token('--deep'), strokeWidth: 1.4 }),
      ruleX([at(d.now)], { y1: 0, y2: top, stroke: token('--ink'), strokeWidth: 1.5 }),
      text([{}], {
        x: () => at(d.now),
        y: () => top,
        text: () => 'now',
        dy: -8,
        fill: token('--ink'),
        fontSize: 12,
        fontWeight: 700,
      }),
      low &&
        text([low], {
          x: 't',
          y: 'v',
          text: (p) => figure(p.v, 1),
          dy: 14,
          fill: token('--ink'),
          fontSize: 13,
          fontWeight: 700,
        }),
      low && dot([low], { x: 't', y: 'v', r: 3.5, fill: token('--ink') }),
      d.act == null
        ? null
        : text([{}], {
            x: () => at(d.from),
            y: () => d.act,
            text: () => `act ${figure(d.act, 1)}`,
            dx: 4,
            dy: 8,
            textAnchor: 'start',
            fill: token('--ink'),
            fontSize: 12,
          }),
      rect(d.runs, {
        x1: (r) => at(r.t1),
        x2: (r) => at(r.t2),
        y1: (r) => lane(r.a) - 0.19,
        y2: (r) => lane(r.a) + 0.19,
        fill: token('--sedge'),
      }),
      text(lanes, {
        x: () => at(d.from),
        y: (a) => lane(a),
        text: (a) => a,
        dx: -8,
        textAnchor: 'end',
        fill: token('--ink-2'),
        fontSize: 12,
      }),
      dot(d.fed, {
        x: (f) => at(f.t),
        y: () => floor + 0.5,
        r: 4,
        symbol: scoop,
        fill: token('--ink-2'),
        title: (f) => `fed ${f.v}`,
      }),
    ],
  });
}
