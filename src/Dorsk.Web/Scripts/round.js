// The walk. The card says the fields and their limits; what is typed is kept in local storage until the farm has answered with a receipt.
import { outbox, clockOff, farmNow } from './outbox.js';
import { el, store, pad, padKey, typed } from './dom.js';
import { roundEnd } from './round-end.js';

const day = 24 * 3600e3;
const marks = {
  ActNow: 'M7 1 13.5 12.5H.5Z',
  Watch: 'M7 .8 13.2 7 7 13.2.8 7Z',
  Steady: 'M1.8 7a5.2 5.2 0 1 1 10.4 0a5.2 5.2 0 1 1 -10.4 0Z',
};
function svgEl(tag, attributes) {
  const e = document.createElementNS('http://www.w3.org/2000/svg', tag);
  for (const [k, v] of Object.entries(attributes)) e.setAttribute(k, v);
  return e;
}
function mark(status) {
  const svg = svgEl('svg', {
    class: 'mk-' + status,
    viewBox: '0 0 14 14',
    width: 14,
    height: 14,
    'aria-hidden': 'true',
  });
  svg.append(svgEl('path', { d: marks[status] ?? marks.Steady }));
  return svg;
}

// The staff gauge of oxygen, 0 to 15, with the act level across it.
function staff(level, act) {
  const y = (v) => 104 - (Math.max(0, Math.min(15, v)) / 15) * 100,
    svg = svgEl('svg', { class: 'r-staff', width: 34, height: 108, viewBox: '0 0 34 108', 'aria-hidden': 'true' });
  svg.append(svgEl('rect', { class: 'staff-body', x: 8, y: 4, width: 18, height: 100 }));
  if (level != null)
    svg.append(svgEl('rect', { class: 'staff-water', x: 8.5, y: y(level), width: 17, height: 104 - y(level) }));
  for (let i = 1; i < 15; i++)
    svg.append(
      svgEl('line', {
        class: level != null && i < level ? 'tk-wet' : 'tk',
        x1: 8.5,
        x2: i % 5 ? 15 : 25.5,
        y1: y(i),
        y2: y(i),
      }),
    );
  svg.append(svgEl('line', { class: 'lim-act', x1: 4, x2: 30, y1: y(act), y2: y(act) }));
  return svg;
}

export function round() {
  return {
    init() {
      const root = this.$el;
      this.part = (name) => root.querySelector('.r-' + name);
      this.card = JSON.parse(root.querySelector('.card').textContent);
      this.outbox = outbox;
      this.quiet = outbox.onChange(() => this.show());
      this.at = Math.min(store.get('dorsk-round-at', 0), this.card.stops.length - 1);
      // What is half typed belongs to who typed it.
      this.draftsAt = 'dorsk-round-drafts-' + this.card.by;
      this.drafts = store.get(this.draftsAt, {});
      this.field = 0;
      this.part('back').addEventListener('click', () => this.go(this.ended ? this.at : this.at - 1));
      this.part('keep').addEventListener('click', () => this.keep());
      this.part('list').addEventListener('click', () => {
        this.part('box').hidden = !this.part('box').hidden;
        this.show();
      });
      this.keys = (e) => this.key(e);
      document.addEventListener('keydown', this.keys);
      this.clock = setInterval(() => this.show(), 20e3);
      this.pad();
      this.go(Math.max(0, this.at));
      if (location.hash === '#kept') this.part('box').hidden = false;
      this.show();
    },
    destroy() {
      document.removeEventListener('keydown', this.keys);
      this.quiet();
      clearInterval(this.clock);
    },

    get stop() {
      return this.card.stops[this.at];
    },
    get draft() {
      return (this.drafts[this.stop.code] ??= { values: {}, sure: [], behaviour: '' });
    },
    get active() {
      return this.ended ? null : this.stop.fields[this.field];
    },
    number(text) {
      const n = Number(String(text).replace(this.card.sign, '.'));
      return text === '' || Number.isNaN(n) ? null : n;
    },

    pad() {
      const words = [
        ['delete', 'rub'],
        ["can't read it", 'skip'],
        ['next', 'next'],
      ];
      const made = pad(this.card.sign, words, (key) => this.press(key));
      this.nextButton = made.next;
      this.part('pad').replaceChildren(...made.cells);
    },
    key(e) {
      const key = padKey(e, this.card.sign);
      if (!key) return;
      this.press(key);
      e.preventDefault();
    },
    press(key) {
      const d = this.draft,
        f = this.active;
      if (!f) return;
      let text = d.values[f.key] ?? '';
      if (key === 'next') return this.next();
      if (key === 'skip') {
        delete d.values[f.key];
        d.sure = d.sure.filter((s) => s !== f.key);
        this.save();
        return this.next();
      }
      if (key === this.card.sign && f.key === 'dead') return;
      text = typed(text, key, this.card.sign);
      d.values[f.key] = text;
      d.sure = d.sure.filter((s) => s !== f.key);
      this.save();
      this.show();
    },
    next() {
      if (this.field + 1 < this.stop.fields.length) {
        this.field++;
        this.show();
      } else this.keep();
    },
    save() {
      store.set(this.draftsAt, this.drafts);
      store.set('dorsk-round-at', this.at);
    },
    go(to) {
      this.ended = false;
      this.at = Math.max(0, Math.min(this.card.stops.length - 1, to));
      this.field = 0;
      this.save();
      this.show();
      // Once it is laid out: a page that has just come is not yet.
      requestAnimationFrame(() =>
        this.part('walk').querySelector('[aria-current]')?.scrollIntoView({ inline: 'center', block: 'nearest' }),
      );
    },

    // What the card can say at once about a value: nothing, a question, or a refusal.
    doubt(f) {
      const text = this.draft.values[f.key] ?? '',
        n = this.number(text);
      if (text === '') return null;
      if (n == null) return { no: true, text: `“${text}” is no number.` };
      const range = `${this.print(f.low)} to ${this.print(f.high)} ${f.unit}`.trim();
      const tenth = n > 10 && n / 10 >= f.usualLow && n / 10 <= f.usualHigh ? ` Or ${this.print(n / 10)}?` : '';
      if (n < f.low || n > f.high)
        return { no: true, text: `${text} is outside what can be entered, ${range}.${tenth}` };
      if (n < f.usualLow || n > f.usualHigh)
        return {
          text: `${text} ${f.unit} is unusual: mostly ${this.print(f.usualLow)} to ${this.print(f.usualHigh)}.${tenth} Sure?`,
        };
      return null;
    },
    print(n) {
      return (Math.round(n * 10) / 10).toString().replace('.', this.card.sign);
    },
    level(f, text = this.draft.values[f.key] ?? '') {
      const n = this.number(text);
      return n == null || f.act == null
        ? null
        : n < f.act
          ? ['ActNow', `Act now: under ${this.print(f.act)}`]
          : n < f.watch
            ? ['Watch', `Watch: under ${this.print(f.watch)}`]
            : ['Steady', `above ${this.print(f.watch)}`];
    },

    keep() {
      const d = this.draft;
      for (const [i, f] of this.stop.fields.entries()) {
        const doubt = this.doubt(f);
        if (doubt && (doubt.no || !d.sure.includes(f.key))) {
          this.field = i;
          this.show();
          this.part('stop').querySelector('.doubt')?.focus();
          return;
        }
      }
      const values = Object.fromEntries(Object.entries(d.values).filter(([, v]) => v !== ''));
      if (Object.keys(values).length || d.behaviour) {
        this.outbox.keep({ pond: this.stop.code, values, behaviour: d.behaviour, sure: d.sure });
        delete this.drafts[this.stop.code];
        this.save();
      }
      if (this.at + 1 < this.card.stops.length) this.go(this.at + 1);
      else this.end();
    },
    end() {
      this.ended = true;
      this.show();
      this.part('stop').querySelector('h2').focus();
    },

    show() {
      this.head();
      this.walk();
      this.ended ? this.ending() : this.fields();
      this.part('pad').hidden = this.part('keep').hidden = this.ended;
      const doubtful = this.active && this.doubt(this.active);
      this.nextButton.textContent =
        this.field + 1 < this.stop.fields.length
          ? `next: ${this.stop.fields[this.field + 1].label.toLowerCase()}`
          : 'enter';
      this.nextButton.disabled = !!doubtful;
      const before = this.ended ? this.stop : this.card.stops[this.at - 1];
      this.part('back').textContent = before ? 'back ' + before.code : 'back';
      this.part('back').disabled = !before;
      this.part('keep').textContent =
        this.at + 1 < this.card.stops.length
          ? `Save, walk on to ${this.card.stops[this.at + 1].code}`
          : 'Save, end of the round';
      if (!this.part('box').hidden) this.box();
    },
    head() {
      const { kept, asks, other, shut } = this.outbox.counts();
      this.part('out').textContent = kept ? '' : 'all sent';
      this.part('list').textContent = `kept on this phone: ${kept}`;
      this.part('list').hidden = !kept;
      const old = farmNow() - new Date(this.card.issuedAt) > day,
        off = Math.abs(clockOff());
      const says = [
        shut && 'The farm wants you to sign in again; what is kept here stays.',
        asks && `${asks} ${asks === 1 ? 'entry has' : 'entries have'} a question: see “kept”.`,
        other && `${other} kept by somebody else wait until they sign in on this phone.`,
        old && 'This card is more than a day old: load the page again where there is signal.',
        off > 300e3 &&
          `This phone's clock is ${off > 2 * day ? Math.round(off / day) + ' days' : Math.round(off / 60e3) + ' min'} off the farm's: hours are written by the farm's clock.`,
      ];
      this.part('say').replaceChildren(...says.filter(Boolean).map((s) => el('span', {}, s)));
    },
    walk() {
      this.part('walk').replaceChildren(
        ...this.card.stops.map((s, i) => {
          const state = this.outbox.stateOf(s.code);
          const b = el(
            'button',
            { type: 'button', 'aria-current': i === this.at && !this.ended ? 'step' : null },
            el('span', { class: 'done', 'aria-hidden': 'true' }, state === 'sent' ? '✓' : state === 'kept' ? '▯' : ''),
            s.code,
            el(
              'span',
              { class: 'visually-hidden' },
              state === 'sent' ? ', sent' : state === 'kept' ? ', kept on this phone' : '',
            ),
          );
          b.addEventListener('click', () => this.go(i));
          return el('li', {}, b);
        }),
      );
    },
    ending() {
      const list = roundEnd(
        this.card.stops,
        this.outbox,
        (f, text) => this.level(f, text),
        mark,
        (i) => this.go(i),
      );
      const held = this.part('stop').contains(document.activeElement) && document.activeElement.tagName === 'H2';
      this.part('stop').replaceChildren(...list);
      if (held) list[0].focus();
    },
    // All that is due here, in one line until it is unfolded.
    due(s) {
      if (!s.due.length) return null;
      const list = el(
        'details',
        { class: 'r-due', open: this.dueOpen },
        el('summary', {}, el('b', {}, `${s.due.length} due: `), s.due.join(' · ')),
        el('ul', {}, ...s.due.map((d) => el('li', {}, d))),
      );
      list.addEventListener('toggle', () => (this.dueOpen = list.open));
      return list;
    },
    fields() {
      const s = this.stop,
        d = this.draft;
      const head = el(
        'div',
        { class: 'r-pond' },
        el('b', { class: 'name' }, s.code),
        el(
          'span',
          {},
          s.stocked ? el('span', { class: 'st st-' + s.status }, mark(s.status), s.word) : null,
          el('span', { class: 'note' }, s.fish),
          el('span', { class: 'note' }, `stop ${this.at + 1} of ${this.card.stops.length}`),
        ),
      );
      const active = this.active,
        rest = s.fields.filter((f) => f !== active);
      const words =
        s.stocked &&
        el(
          'div',
          { class: 'r-behave', role: 'group', 'aria-label': 'Behaviour' },
          ...this.card.behaviour.map((w) => {
            const b = el('button', { type: 'button', 'aria-pressed': d.behaviour === w ? 'true' : 'false' }, w);
            b.addEventListener('click', () => {
              d.behaviour = d.behaviour === w ? '' : w;
              this.save();
              this.show();
            });
            return b;
          }),
        );
      const small = el(
        'div',
        { class: 'r-rest' },
        ...rest.map((f) => {
          const b = el(
            'button',
            { type: 'button' },
            el('span', { class: 'l' }, f.label, el('span', { class: 'was' }, f.last ? `${f.last} ${f.lastAt}` : '')),
            el('span', { class: 'v' }, d.values[f.key] ?? '–', el('span', { class: 'u' }, f.unit)),
          );
          b.addEventListener('click', () => {
            this.field = s.fields.indexOf(f);
            this.show();
          });
          return b;
        }),
      );
      const held = s.caution ? el('p', { class: 'r-caution' }, s.caution) : null;
      const parts = [head, held, this.big(active), this.due(s), small, words];
      this.part('stop').replaceChildren(...parts.filter(Boolean));
    },
    big(f) {
      const d = this.draft,
        text = d.values[f.key] ?? '',
        doubt = this.doubt(f),
        level = doubt ? null : this.level(f);
      const fig = el(
        'p',
        { class: 'fig' },
        el('span', { class: 'n' }, text || '\u200b'),
        el('span', { class: 'caret', 'aria-hidden': 'true' }),
        el('span', { class: 'u' }, f.unit),
      );
      const notes = [
        f.last && el('p', { class: 'note' }, `last ${f.last} ${f.unit}, ${f.lastAt}`),
        level && el('p', { class: 'st st-' + level[0] }, mark(level[0]), level[1]),
      ];
      if (doubt) {
        const ask = el('div', { class: 'doubt' + (doubt.no ? ' no' : ''), tabindex: '-1', role: 'alert' }, doubt.text);
        if (!doubt.no) {
          const yes = el(
            'button',
            { type: 'button', class: 'btn line' },
            d.sure.includes(f.key) ? 'yes, it is so ✓' : 'yes, it is so',
          );
          yes.addEventListener('click', () => {
            if (!d.sure.includes(f.key)) d.sure.push(f.key);
            this.save();
            this.field + 1 < this.stop.fields.length ? (this.field++, this.show()) : this.show();
          });
          ask.append(yes);
        }
        notes.push(ask);
      }
      if (f.key === 'dead') {
        const step = (by, label) => {
          const b = el('button', { type: 'button', class: 'pm', 'aria-label': label }, by > 0 ? '+' : '−');
          b.addEventListener('click', () => {
            d.values.dead = String(Math.max(0, (this.number(text) ?? 0) + by));
            this.save();
            this.show();
          });
          return b;
        };
        fig.prepend(step(-1, 'one less'));
        fig.append(step(1, 'one more'));
      }
      return el(
        'div',
        { class: 'r-active' },
        f.act != null && staff(this.number(text), f.act),
        el('p', { class: 'l' }, f.label),
        fig,
        ...notes.filter(Boolean),
      );
    },
    box() {
      this.part('box').replaceChildren(
        el('h2', {}, 'Kept on this phone'),
        el('p', {}, el('a', { href: '/kept' }, 'All that is kept')),
        ...this.outbox
          .waiting()
          .filter((e) => e.by === this.card.by && e.kind !== 'form')
          .map((e) => {
            const row = el(
              'div',
              { class: 'kept' },
              el(
                'p',
                {},
                el('b', {}, e.pond),
                ' ',
                Object.entries(e.values)
                  .map(([k, v]) => `${k} ${v}`)
                  .join(', '),
              ),
            );
            if (e.words) row.append(el('p', { class: 'asked' }, e.words));
            if (e.asks?.length) {
              const yes = el('button', { type: 'button', class: 'btn line' }, 'yes, it is meant');
              yes.addEventListener('click', () => this.outbox.mean(e.id));
              row.append(yes);
            }
            if (e.words && e.kind === 'net') row.append(el('a', { href: `/harvest/${e.pond}/net` }, 'to the net day'));
            else if (e.words) {
              const back = el('button', { type: 'button', class: 'btn quiet' }, 'type it again');
              back.addEventListener('click', () => {
                this.outbox.drop(e.id);
                this.drafts[e.pond] = { values: e.values, sure: [], behaviour: e.behaviour };
                this.part('box').hidden = true;
                this.go(this.card.stops.findIndex((s) => s.code === e.pond));
              });
              row.append(back);
            }
            return row;
          }),
      );
    },
  };
}
