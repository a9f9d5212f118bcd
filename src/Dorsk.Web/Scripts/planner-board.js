// The board of the plan editor: metres on an SVG, north up; tells what the pointer takes hold of.
const NS = 'http://www.w3.org/2000/svg';

export function board(svg, { landmarks, signs }, on) {
  const layer = svg.querySelector('g');
  let x = 0,
    y = 0,
    w = 200,
    hold = null;
  const make = (name, attrs, text) => {
    const e = document.createElementNS(NS, name);
    for (const k in attrs) e.setAttribute(k, attrs[k]);
    if (text !== undefined) e.textContent = text;
    layer.append(e);
    return e;
  };
  const px = () => w / Math.max(1, svg.clientWidth);
  const height = () => (w * svg.clientHeight) / Math.max(1, svg.clientWidth);
  const at = (e) => {
    const r = svg.getBoundingClientRect();
    return [x + (e.clientX - r.left) * px(), -(y + (e.clientY - r.top) * px())];
  };
  const ring = (cs) => cs.map((c, i) => (i ? 'L' : 'M') + c[0] + ' ' + -c[1]).join('');
  const self = {
    svg,
    sides: [],
    middle: () => [Math.round(x + w / 2), Math.round(-(y + height() / 2))],
    centre: (p) => [
      p.corners.reduce((a, c) => a + c[0], 0) / p.corners.length,
      p.corners.reduce((a, c) => a + c[1], 0) / p.corners.length,
    ],
    fit() {
      const all = on.state().ponds.flatMap((p) => p.corners.map((c) => [c, p.r]));
      if (!all.length) {
        w = 200;
        x = -50;
        y = -75;
        return;
      }
      const [l, r, b, t] = [
        Math.min(...all.map(([c, k]) => c[0] - k)),
        Math.max(...all.map(([c, k]) => c[0] + k)),
        Math.min(...all.map(([c, k]) => c[1] - k)),
        Math.max(...all.map(([c, k]) => c[1] + k)),
      ];
      const shape = Math.max(0.2, svg.clientHeight / Math.max(1, svg.clientWidth));
      w = Math.max(40, 1.12 * Math.max(r - l, (t - b) / shape));
      x = (l + r) / 2 - w / 2;
      y = -(t + b) / 2 - (w * shape) / 2;
    },
    zoom(k) {
      const [mx, my] = [x + w / 2, y + height() / 2];
      w = Math.min(20000, Math.max(15, w * k));
      x = mx - w / 2;
      y = my - height() / 2;
      self.paint();
    },
    destroy() {
      sized.disconnect();
      for (const [n, f] of events) svg.removeEventListener(n, f);
    },
    paint() {
      const s = on.state(),
        u = px(),
        h = height(),
        size = 12 * u;
      svg.setAttribute('viewBox', `${x} ${y} ${w} ${h}`);
      layer.replaceChildren();
      // The grid counts in the farm's own unit.
      const unitM = Number(svg.dataset.unitM);
      const units = [1, 2, 5, 10, 20, 50, 100, 200, 500, 1000, 2000, 5000].find((n) => (n * unitM) / u >= 14) ?? 5000;
      const step = units * unitM;
      for (const [k, cls] of [
        [step, 'grid'],
        [step * 5, 'grid-5'],
      ]) {
        let d = '';
        for (let gx = Math.ceil(x / k) * k; gx < x + w; gx += k) d += `M${gx} ${y}V${y + h}`;
        for (let gy = Math.ceil(y / k) * k; gy < y + h; gy += k) d += `M${x} ${gy}H${x + w}`;
        make('path', { d, class: cls, 'stroke-width': 0.7 });
      }
      for (const l of landmarks) make('path', { d: ring(l.points), class: 'land', 'stroke-width': 4 });
      s.ponds.forEach((p, i) => {
        const cls = 'pond-o' + (i === s.pick ? ' on' : ''),
          width = i === s.pick ? 2.5 : 1.2,
          [cx, cy] = self.centre(p);
        if (p.r) make('circle', { cx, cy: -cy, r: p.r, class: cls, 'stroke-width': width, 'data-pond': i });
        else make('path', { d: ring(p.corners) + 'Z', class: cls, 'stroke-width': width, 'data-pond': i });
        const small = p.r && p.r < 14 * u;
        make(
          'text',
          {
            x: small ? cx + p.r + 4 * u : cx,
            y: -cy + size / 3,
            'font-size': size * 1.2,
            'text-anchor': small ? 'start' : 'middle',
            'font-weight': 700,
            'pointer-events': 'none',
          },
          p.code || 'new',
        );
        p.marks.forEach((m, k) => {
          make('path', {
            d: signs[m.kind],
            transform: `translate(${m.at[0]} ${-m.at[1]}) scale(${u * 1.3})`,
            class: 'mk' + (i === s.pick && k === s.mark ? ' on' : ''),
            'stroke-width': 1.6,
          });
          make('circle', { cx: m.at[0], cy: -m.at[1], r: 14 * u, class: 'grab', 'data-pond': i, 'data-mark': k });
        });
      });
      const p = s.ponds[s.pick],
        corners = s.draw ? [...s.draw, s.cross] : p && !p.r ? p.corners : [];
      if (s.draw) {
        make('path', { d: corners.length > 1 ? ring(corners) : 'M0 0', class: 'line', 'stroke-width': 2 });
        make('path', {
          d: `M${s.cross[0] - 12 * u} ${-s.cross[1]}h${24 * u}M${s.cross[0]} ${-s.cross[1] - 12 * u}v${24 * u}`,
          class: 'cross',
          'stroke-width': 1.6,
        });
      }
      corners.forEach((c, i) => {
        const next = corners[(i + 1) % corners.length];
        if (self.sides[i])
          make(
            'text',
            {
              x: (c[0] + next[0]) / 2,
              y: -(c[1] + next[1]) / 2,
              'font-size': size,
              'text-anchor': 'middle',
              class: 'side',
              'pointer-events': 'none',
            },
            self.sides[i],
          );
        if (s.draw && i === corners.length - 1) return;
        make('circle', {
          cx: c[0],
          cy: -c[1],
          r: 5 * u,
          class: 'knob' + (i === s.corner ? ' on' : ''),
          'stroke-width': 1.5,
        });
        if (!s.draw)
          make('circle', { cx: c[0], cy: -c[1], r: 20 * u, class: 'grab', 'data-pond': s.pick, 'data-corner': i });
      });
      make('path', {
        d: `M${x + w - 20 * u} ${y + 36 * u}v${-24 * u}m${-5 * u} ${7 * u}l${5 * u} ${-8 * u}l${5 * u} ${8 * u}`,
        class: 'line',
        'stroke-width': 1.4,
      });
      make('text', { x: x + w - 36 * u, y: y + 34 * u, 'font-size': size }, 'N');
      make('path', {
        d: `M${x + 14 * u} ${y + h - 12 * u}v${-6 * u}h${step * 5}v${6 * u}`,
        class: 'line',
        'stroke-width': 1.4,
      });
      make(
        'text',
        { x: x + 14 * u, y: y + h - 22 * u, 'font-size': size },
        `${units * 5} ${svg.dataset.unit}; grid ${units} ${svg.dataset.unit}`,
      );
    },
  };
  const hit = (e) => {
    const d = e.target.dataset;
    return d?.pond === undefined
      ? null
      : {
          pond: Number(d.pond),
          corner: d.corner === undefined ? undefined : Number(d.corner),
          mark: d.mark === undefined ? undefined : Number(d.mark),
        };
  };
  const events = [
    [
      'pointerdown',
      (e) => {
        svg.focus();
        svg.setPointerCapture(e.pointerId);
        const found = on.state().draw ? null : hit(e);
        hold = { found, from: at(e), start: [e.clientX, e.clientY], moved: false };
        if (found) on.take(found);
      },
    ],
    [
      'pointermove',
      (e) => {
        if (!hold) {
          if (on.state().draw) {
            on.state().cross = at(e).map(Math.round);
            self.paint();
          }
          return;
        }
        if (Math.hypot(e.clientX - hold.start[0], e.clientY - hold.start[1]) > 4) hold.moved = true;
        if (hold.found) hold.from = on.drag(hold.found, at(e), hold.from);
        else if (hold.moved) {
          const to = at(e);
          x -= to[0] - hold.from[0];
          y += to[1] - hold.from[1];
          self.paint();
        }
      },
    ],
    [
      'pointerup',
      (e) => {
        const h = hold;
        hold = null;
        if (!h) return;
        if (h.found) on.drop();
        else if (!h.moved) on.click(at(e));
      },
    ],
    [
      'pointercancel',
      () => {
        hold = null;
      },
    ],
    ['keydown', (e) => on.keys(e)],
  ];
  for (const [n, f] of events) svg.addEventListener(n, f);
  const sized = new ResizeObserver(() => {
    if (svg.clientWidth) self.paint();
  });
  sized.observe(svg);
  return self;
}
