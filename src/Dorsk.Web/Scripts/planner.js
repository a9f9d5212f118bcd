// The plan editor. It only moves points by whole metres; lengths, areas and what a drawing means are worked out by the server.
import { board } from './planner-board.js';

export function planner() {
  // The drawing itself stays outside Alpine: it is drawn by hand, not bound.
  let s,
    past = [],
    view,
    timer;
  const copy = (x) => JSON.parse(JSON.stringify(x));
  return {
    title: '',
    told: '',
    wrong: '',
    picked: false,
    hasCorners: false,
    drawing: false,
    isNew: false,
    noUndo: true,
    dirty: false,
    refused: false,
    problems: [],
    init() {
      const data = JSON.parse(this.$el.querySelector('.drawing').textContent);
      s = { ponds: data.ponds, pick: -1, corner: -1, mark: -1, draw: null, cross: [0, 0] };
      this.root = this.$el;
      view = board(this.$el.querySelector('svg'), data, {
        state: () => s,
        keys: (e) => this.keys(e),
        take: (hit) => this.take(hit),
        drag: (hit, to, from) => this.drag(hit, to, from),
        drop: () => this.change(),
        click: (at) => this.click(at),
      });
      this.list();
      for (const field of this.$el.querySelectorAll('[data-new]'))
        field.addEventListener('input', () => {
          const p = this.fresh();
          if (p) p[field.dataset.new] = field.value;
        });
      this.leave = (e) => {
        if (this.dirty) e.preventDefault();
      };
      addEventListener('beforeunload', this.leave);
      // Hidden until now: the board has its size in the next frame.
      requestAnimationFrame(() => {
        view.fit();
        this.show();
      });
    },
    destroy() {
      removeEventListener('beforeunload', this.leave);
      clearTimeout(timer);
      view.destroy();
    },
    fresh() {
      return s.ponds.find((p) => !p.id);
    },
    list() {
      const pick = this.root.querySelector('#pick');
      pick.replaceChildren(new Option('none', ''), ...s.ponds.map((p, i) => new Option(p.code || 'new pond', i)));
      pick.value = s.pick < 0 ? '' : s.pick;
    },
    // Before a change the drawing as it was is put by.
    note() {
      past.push(copy(s));
      if (past.length > 200) past.shift();
      this.noUndo = false;
      this.dirty = true;
    },
    undo() {
      if (!past.length) return;
      s = past.pop();
      this.noUndo = past.length === 0;
      this.dirty = past.length > 0;
      this.list();
      this.change();
    },
    change() {
      this.show();
      clearTimeout(timer);
      timer = setTimeout(() => this.measure(), 120);
    },
    show() {
      const p = s.ponds[s.pick];
      this.drawing = !!s.draw;
      this.picked = !!p && !s.draw;
      this.hasCorners = !!p && !s.draw && !p.r;
      this.isNew = !!this.fresh();
      const at = s.draw
        ? s.cross
        : p && s.mark >= 0
          ? p.marks[s.mark].at
          : p && s.corner >= 0
            ? p.corners[s.corner]
            : null;
      const place = at ? `${at[0]} east, ${at[1]} north` : '';
      this.title = s.draw
        ? `Drawing, ${s.draw.length} corners.`
        : !p
          ? 'Nothing chosen.'
          : s.mark >= 0
            ? `${p.code} ${p.marks[s.mark].kind.toLowerCase()}.`
            : s.corner >= 0
              ? `${p.code || 'New pond'}, corner ${s.corner + 1}.`
              : `${p.code || 'New pond'}.`;
      this.told =
        place || (s.draw || p ? '' : 'Click a pond or choose it from the list; drag it, its corners or its marks.');
      view.paint();
    },
    async measure() {
      // The cross counts as the next corner as soon as it has left the last one.
      const p = s.ponds[s.pick],
        last = s.draw?.at(-1),
        ahead = !!last && String(last) !== String(s.cross);
      const corners = s.draw ? [...s.draw, ...(ahead ? [s.cross] : [])] : p && !p.r ? p.corners : null;
      view.sides = [];
      this.wrong = '';
      if (!corners || corners.length < 2) return view.paint();
      const turn = (this.turn = (this.turn ?? 0) + 1);
      try {
        const answer = await fetch(
          '?' + new URLSearchParams({ handler: 'Measure', corners: corners.map((c) => c.join(' ')).join(';') }),
        );
        if (!answer.ok || turn !== this.turn) return;
        const m = await answer.json();
        view.sides = m.sides;
        this.wrong = m.problem ?? '';
        const place = this.told.split(' · ')[0];
        this.told = [
          place,
          m.area && `area ${m.area}`,
          m.bank && `bank ${m.bank}`,
          ahead && `last side ${m.sides[s.draw.length - 1]}`,
        ]
          .filter(Boolean)
          .join(' · ');
        view.paint();
      } catch {
        this.wrong = 'No answer from the farm’s machine: lengths are not worked out.';
      }
    },
    pickNamed(e) {
      this.choose(e.target.value === '' ? -1 : Number(e.target.value));
      view.svg.focus();
    },
    choose(i, corner = -1, mark = -1) {
      Object.assign(s, { pick: i, corner, mark });
      this.root.querySelector('#pick').value = i < 0 ? '' : i;
      this.change();
    },
    draw() {
      this.note();
      Object.assign(s, { pick: -1, corner: -1, mark: -1, draw: [], cross: view.middle() });
      view.svg.focus();
      this.change();
    },
    put(at) {
      const first = s.draw[0];
      if (first && s.draw.length > 2 && first[0] === at[0] && first[1] === at[1]) return this.close();
      this.note();
      s.draw.push([...at]);
      s.cross = [...at];
      this.change();
    },
    close() {
      if (!s.draw || s.draw.length < 3) {
        this.wrong = 'Three corners at least. Enter or a click sets one.';
        return;
      }
      this.note();
      // One new pond at a time: its description stands below the drawing.
      const field = (n) => this.root.querySelector(`[data-new=${n}]`).value;
      s.ponds = s.ponds.filter((p) => p.id);
      s.ponds.push({
        id: 0,
        code: field('code'),
        kind: field('kind'),
        use: field('use'),
        depth: field('depth'),
        slope: field('slope'),
        r: 0,
        corners: s.draw,
        marks: [],
      });
      s.draw = null;
      this.list();
      this.choose(s.ponds.length - 1);
    },
    nextCorner() {
      const p = s.ponds[s.pick];
      if (p && !p.r) {
        this.choose(s.pick, (s.corner + 1) % p.corners.length);
        view.svg.focus();
      }
    },
    addCorner() {
      const p = s.ponds[s.pick],
        i = Math.max(0, s.corner),
        a = p.corners[i],
        b = p.corners[(i + 1) % p.corners.length];
      this.note();
      p.corners.splice(i + 1, 0, [Math.round((a[0] + b[0]) / 2), Math.round((a[1] + b[1]) / 2)]);
      this.choose(s.pick, i + 1);
      view.svg.focus();
    },
    dropCorner() {
      const p = s.ponds[s.pick];
      if (s.mark >= 0) {
        this.note();
        p.marks.splice(s.mark, 1);
        return this.choose(s.pick);
      }
      if (s.corner < 0 || p.corners.length < 4) {
        this.wrong = s.corner < 0 ? 'Choose a corner first.' : 'Three corners must stay.';
        return;
      }
      this.note();
      p.corners.splice(s.corner, 1);
      this.choose(s.pick, s.corner % p.corners.length);
    },
    turnLeft() {
      this.turnBy(5);
    },
    turnRight() {
      this.turnBy(-5);
    },
    turnBy(deg) {
      const p = s.ponds[s.pick],
        [mx, my] = view.centre(p),
        [sin, cos] = [Math.sin((deg * Math.PI) / 180), Math.cos((deg * Math.PI) / 180)];
      const about = (c) => [mx + (c[0] - mx) * cos - (c[1] - my) * sin, my + (c[0] - mx) * sin + (c[1] - my) * cos];
      this.note();
      p.corners = p.corners.map(about);
      for (const m of p.marks) m.at = about(m.at);
      this.change();
    },
    addMark(e) {
      const p = s.ponds[s.pick],
        kind = e.target.value;
      e.target.value = '';
      if (!kind) return;
      this.note();
      const c = view.centre(p);
      p.marks.push({ kind, code: '', at: [Math.round(c[0]), Math.round(c[1])] });
      this.choose(s.pick, -1, p.marks.length - 1);
      view.svg.focus();
    },
    // What the pointer or the arrow keys have hold of goes by whole metres.
    move(dx, dy) {
      const p = s.ponds[s.pick],
        by = (c) => {
          c[0] += dx;
          c[1] += dy;
        };
      if (s.draw) return by(s.cross);
      if (!p) return;
      if (s.mark >= 0) by(p.marks[s.mark].at);
      else if (s.corner >= 0) {
        const c = p.corners[s.corner];
        c[0] = Math.round(c[0] + dx);
        c[1] = Math.round(c[1] + dy);
      } else {
        p.corners.forEach(by);
        p.marks.forEach((m) => by(m.at));
      }
    },
    take(hit) {
      this.choose(hit.pond, hit.corner ?? -1, hit.mark ?? -1);
      this.held = false;
    },
    drag(hit, to, from) {
      const [dx, dy] = [Math.round(to[0] - from[0]), Math.round(to[1] - from[1])];
      if (!dx && !dy) return from;
      if (!this.held) {
        this.note();
        this.held = true;
      }
      this.move(dx, dy);
      this.show();
      return [from[0] + dx, from[1] + dy];
    },
    click(at) {
      if (s.draw) this.put(at.map(Math.round));
      else this.choose(-1);
    },
    keys(e) {
      const by = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, 1], ArrowDown: [0, -1] }[e.key];
      if ((e.ctrlKey || e.metaKey) && e.key.toLowerCase() === 'z') this.undo();
      else if (e.ctrlKey || e.metaKey || e.altKey) return;
      else if (by) {
        const k = e.shiftKey ? 10 : 1;
        if (!s.draw && s.pick >= 0) this.note();
        this.move(by[0] * k, by[1] * k);
        this.change();
      } else if (e.key === 'Enter' && s.draw) this.put(s.cross);
      else if (e.key === 'c' || e.key === 'C') {
        if (s.draw) this.close();
        else this.nextCorner();
      } else if ((e.key === 'Delete' || e.key === 'Backspace') && s.pick >= 0) this.dropCorner();
      else if (e.key === 'Backspace' && s.draw?.length) {
        this.note();
        s.draw.pop();
        this.change();
      } else if (e.key === 'Escape') {
        s.draw = null;
        this.choose(-1);
      } else if (e.key === '+') this.zoomIn();
      else if (e.key === '-') this.zoomOut();
      else return;
      e.preventDefault();
    },
    zoomIn() {
      view.zoom(0.7);
    },
    zoomOut() {
      view.zoom(1 / 0.7);
    },
    async keep() {
      this.problems = [];
      this.refused = false;
      const body = new FormData(this.root.querySelector('.token'));
      body.set('plan', JSON.stringify(s.ponds));
      try {
        const answer = await fetch('?handler=Draw', { method: 'POST', body });
        this.problems = answer.ok
          ? (await answer.json()).problems.map((p) => (p.code ? p.code + ': ' : '') + p.text)
          : [`The plan was not kept (${answer.status}). Nothing is lost here; try again.`];
      } catch {
        this.problems = ['No answer from the farm’s machine. The drawing stands here still; try again.'];
      }
      this.refused = this.problems.length > 0;
      if (!this.refused) {
        this.dirty = false;
        location.reload();
      }
    },
  };
}
