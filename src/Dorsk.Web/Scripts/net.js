// The tally at the net. The farm's card says what is expected and how long air lasts; baskets stay on the phone until the farm has them.
import { outbox } from './outbox.js';
import { el, store, pad, padKey, typed } from './dom.js';

const fields = [
  ['gross', 'With the basket'],
  ['tare', 'Empty basket'],
  ['count', 'Fish, if counted'],
  ['oxygen', 'Oxygen there'],
];
const minute = 60e3;

export function net() {
  return {
    init() {
      const root = this.$el;
      this.part = (name) => root.querySelector('.' + name);
      this.card = JSON.parse(root.querySelector('.card').textContent);
      this.address = root.dataset.address;
      const sheet = document.querySelector('.n-sheet');
      this.sheet = sheet;
      this.outbox = outbox;
      this.quiet = outbox.onChange(() => this.changed());
      const key = `dorsk-net-${this.card.net}`;
      this.state = store.get(key, { fate: 'OnIce', size: '', values: {}, crowd: 0, crowdTo: null, pull: 0 });
      this.save = () => store.set(key, this.state);
      this.field = 'gross';
      this.sure = [];
      this.taken(this.card);
      const made = pad(
        this.card.sign,
        [
          ['delete', 'rub'],
          ['clear', 'clear'],
          ['next', 'next'],
        ],
        (k) => this.press(k),
      );
      this.part('r-pad').replaceChildren(...made.cells);
      this.part('r-keep').addEventListener('click', () => this.keep());
      this.part('r-list').addEventListener('click', () => {
        this.part('r-box').hidden = !this.part('r-box').hidden;
        this.show();
      });
      this.keys = (e) => {
        const k = padKey(e, this.card.sign);
        if (!k) return;
        this.press(k);
        e.preventDefault();
      };
      document.addEventListener('keydown', this.keys);
      this.clock = setInterval(() => this.load(), 15e3);
      this.show();
    },
    destroy() {
      document.removeEventListener('keydown', this.keys);
      this.quiet();
      clearInterval(this.clock);
    },

    // What the farm last told: the other phone's baskets are in it.
    taken(card) {
      this.card = card;
      this.cardAt = Date.now();
      if (card.crowdMin != null) this.state.crowdTo = this.cardAt + card.crowdMin * minute;
      else if (card.crowdHeld) this.state.crowdTo = -1;
      if (card.pull > this.state.pull) this.state.pull = card.pull;
      this.save();
    },
    changed() {
      const now = this.outbox.waiting().length;
      if (this.had > now) this.load();
      this.had = now;
      this.show();
    },
    async load() {
      try {
        const answer = await fetch(`${this.address}&handler=Card`);
        if (answer.ok) this.taken(await answer.json());
        const sheet = await fetch(`${this.address}&handler=Part`);
        if (sheet.ok && !this.sheet.contains(document.activeElement)) this.sheet.innerHTML = await sheet.text();
      } catch {
        /* no signal: the last card stands */
      }
      this.show();
    },

    number(text) {
      const n = Number(String(text ?? '').replace(this.card.sign, '.'));
      return !text || Number.isNaN(n) ? null : n;
    },
    print(n) {
      return (Math.round(n * 10) / 10).toString().replace('.', this.card.sign);
    },
    get kept() {
      return this.outbox.waiting().filter((e) => e.kind === 'net' && e.values.net === String(this.card.net));
    },
    // Kilograms or pounds of the farm, of baskets that only this phone has.
    get own() {
      const baskets = this.kept.filter((e) => e.values.what === 'basket' && e.values.fate !== 'Returned');
      return {
        kg: baskets.reduce((sum, e) => sum + (this.number(e.values.gross) ?? 0) - (this.number(e.values.tare) ?? 0), 0),
        baskets: baskets.length,
      };
    },
    tare() {
      return this.state.values.tare ?? this.card.tare;
    },

    press(key) {
      const v = this.state.values;
      if (key === 'next') {
        if (this.field === 'oxygen') return this.keep();
        const order = ['gross', 'tare', 'count'];
        this.field = order[(order.indexOf(this.field) + 1) % order.length];
        return this.show();
      }
      const text = this.field === 'tare' && !this.fresh ? '' : (v[this.field] ?? '');
      this.fresh = true;
      v[this.field] =
        key === 'clear'
          ? ''
          : this.field === 'count' && key === this.card.sign
            ? text
            : typed(text, key, this.card.sign);
      this.sure = [];
      this.save();
      this.show();
    },

    // What the card can say at once: nothing, a question, or a refusal.
    doubt() {
      const gross = this.number(this.state.values.gross),
        tare = this.number(this.tare()) ?? 0;
      if (gross == null) return null;
      if (gross > this.card.mostGross)
        return {
          no: true,
          text: `${this.print(gross)} is above ${this.print(this.card.mostGross)} ${this.card.unit}.`,
        };
      if (tare >= gross)
        return {
          no: true,
          text: `The empty basket (${this.print(tare)}) weighs as much as the full one. Weigh it empty once more.`,
        };
      const usual = this.card.usual[this.state.fate],
        net = gross - tare;
      if (usual && (net < usual.low || net > usual.high) && !this.sure.includes('Gross'))
        return {
          field: 'Gross',
          text: `${this.print(net)} ${this.card.unit} without the basket; those before weighed ${this.print(usual.low)} to ${this.print(usual.high)}. Is it so?`,
        };
      return null;
    },

    keep() {
      if (this.field === 'oxygen') return this.read();
      const v = this.state.values;
      if (this.number(v.gross) == null) return this.say('Type the weight with the basket first.');
      if (this.doubt()) {
        this.show();
        return this.part('n-form').querySelector('.doubt')?.focus();
      }
      this.put({
        what: 'basket',
        pull: String(this.state.pull),
        fate: this.state.fate,
        gross: v.gross,
        tare: this.tare() || '0',
        count: v.count || '',
        class: this.state.size,
      });
      this.state.values = { tare: v.tare };
      this.field = 'gross';
      this.sure = [];
      this.save();
      this.say('');
    },
    put(values) {
      this.outbox.keep({
        kind: 'net',
        pond: this.card.pond,
        values: { net: String(this.card.net), ...values },
        behaviour: '',
        sure: this.sure,
      });
    },
    read() {
      const mgL = this.number(this.state.values.oxygen);
      if (mgL == null) return this.say('Type the oxygen in the net first.');
      const row = this.card.air[this.state.crowd];
      this.put({
        what: 'read',
        pull: String(this.state.pull),
        oxygen: this.state.values.oxygen,
        crowd: row?.crowd ?? '',
      });
      if (row) {
        // The lower step: never more time than there is.
        const minutes = row.minutes[Math.min(row.minutes.length - 1, Math.floor(mgL / this.card.airStep))];
        this.state.crowdTo = minutes == null ? -1 : Date.now() + minutes * minute;
      }
      delete this.state.values.oxygen;
      this.field = 'gross';
      this.save();
      this.say('');
    },
    say(text) {
      this.said = text;
      this.show();
    },

    show() {
      this.head();
      this.tally();
      this.air();
      this.form();
      this.more();
      this.part('r-keep').textContent = this.field === 'oxygen' ? 'Save oxygen' : 'Save basket';
      if (!this.part('r-box').hidden) this.box();
    },
    head() {
      const { kept, asks, shut } = this.outbox.counts();
      this.part('r-out').textContent = kept ? '' : 'all sent';
      this.part('r-list').textContent = `kept on this phone: ${kept}`;
      this.part('r-list').hidden = !kept;
      const says = [
        shut && 'The farm wants you to sign in again; what is kept here stays.',
        asks && `${asks} ${asks === 1 ? 'entry has' : 'entries have'} a question: see “kept”.`,
        this.said,
      ];
      this.part('r-say').replaceChildren(...says.filter(Boolean).map((s) => el('span', {}, s)));
    },
    tally() {
      const c = this.card,
        own = this.own,
        kg = c.kg + own.kg,
        whole = (n) => Math.round(n).toLocaleString('en').replaceAll(',', '\u202f');
      const bar = el('span', { class: 'n-bar', 'aria-hidden': 'true' }, el('i', {}));
      bar.firstChild.style.width = `${Math.min(100, (100 * kg) / Math.max(1, c.high))}%`;
      const notIced = c.notIcedMin == null ? null : Math.floor(c.notIcedMin + (Date.now() - this.cardAt) / minute);
      this.part('n-tally').replaceChildren(
        el('p', { class: 'n-sum' }, el('b', {}, this.print(kg)), ` of ${whole(c.low)} to ${whole(c.high)} ${c.unit}`),
        bar,
        el(
          'p',
          { class: 'note' },
          `${c.baskets + own.baskets} baskets, pull ${this.state.pull}`,
          c.fish > 0 ? `, about ${whole(c.fish + own.kg * c.fishPerUnit)} fish` : '',
        ),
        notIced != null &&
          el(
            'p',
            { class: notIced >= c.iceWithinMin ? 'st st-ActNow' : 'note' },
            `oldest basket not on ice: ${notIced} min${notIced >= c.iceWithinMin ? ', ice it now' : ''}`,
          ),
      );
    },
    air() {
      const to = this.state.crowdTo,
        p = this.part('n-air');
      const left = to == null || to === -1 ? null : Math.floor((to - Date.now()) / minute);
      const level =
        left == null
          ? ''
          : left < this.card.crowdActMin
            ? 'ActNow'
            : left < this.card.crowdWatchMin
              ? 'Watch'
              : 'Steady';
      p.className = 'n-air' + (level ? ` st st-${level}` : '');
      p.setAttribute('role', level === 'ActNow' ? 'alert' : 'status');
      p.textContent =
        to == null
          ? 'Air in the net: not read'
          : to === -1
            ? 'Air in the net: the pump holds it'
            : left <= 0
              ? 'Air in the net is used up: open the net or give it water now'
              : `Air in the net: ${left} min until the act level`;
      if (level === 'ActNow' && !this.rang) navigator.vibrate?.([400, 200, 400]);
      this.rang = level === 'ActNow';
    },
    choice(key, word, isOn, pick) {
      const b = el('button', { type: 'button', class: 'n-chip', 'aria-pressed': isOn ? 'true' : 'false' }, word);
      b.addEventListener('click', pick);
      return b;
    },
    form() {
      const s = this.state;
      const pick = (set) => () => {
        set();
        this.sure = [];
        this.save();
        this.show();
      };
      const parts = [];
      if (this.field === 'oxygen')
        parts.push(
          el(
            'div',
            { class: 'n-chips', role: 'group', 'aria-label': 'Fish in the net' },
            ...this.card.air.map((a, i) =>
              this.choice(
                i,
                a.word,
                s.crowd === i,
                pick(() => (s.crowd = i)),
              ),
            ),
          ),
        );
      else {
        parts.push(
          el(
            'div',
            { class: 'n-chips', role: 'group', 'aria-label': 'Fish go' },
            ...this.card.fates.map((f) =>
              this.choice(
                f.key,
                f.word,
                s.fate === f.key,
                pick(() => (s.fate = f.key)),
              ),
            ),
          ),
        );
        if (this.card.classes.length && s.fate !== 'Dead')
          parts.push(
            el(
              'div',
              { class: 'n-chips', role: 'group', 'aria-label': 'Size' },
              this.choice(
                '',
                'not sorted',
                s.size === '',
                pick(() => (s.size = '')),
              ),
              ...this.card.classes.map((k) =>
                this.choice(
                  k.key,
                  k.word,
                  s.size === k.key,
                  pick(() => (s.size = k.key)),
                ),
              ),
            ),
          );
      }
      parts.push(this.big(), this.rest());
      this.part('n-form').replaceChildren(...parts);
    },
    value(field) {
      return (field === 'tare' ? this.tare() : this.state.values[field]) ?? '';
    },
    unit(field) {
      return field === 'count' ? '' : field === 'oxygen' ? this.card.oxygenUnit : this.card.unit;
    },
    big() {
      const doubt = this.field === 'oxygen' ? null : this.doubt();
      const notes = [];
      if (doubt) {
        const ask = el('div', { class: 'doubt' + (doubt.no ? ' no' : ''), tabindex: '-1', role: 'alert' }, doubt.text);
        if (!doubt.no) {
          const yes = el('button', { type: 'button', class: 'btn line' }, 'yes, save it');
          yes.addEventListener('click', () => {
            this.sure.push(doubt.field);
            this.keep();
          });
          ask.append(yes);
        }
        notes.push(ask);
      }
      return el(
        'div',
        { class: 'r-active' },
        el('p', { class: 'l' }, fields.find(([k]) => k === this.field)[1]),
        el(
          'p',
          { class: 'fig' },
          el('span', { class: 'n' }, this.value(this.field) || '\u200b'),
          el('span', { class: 'caret', 'aria-hidden': 'true' }),
          el('span', { class: 'u' }, this.unit(this.field)),
        ),
        ...notes,
      );
    },
    rest() {
      return el(
        'div',
        { class: 'r-rest n-rest' },
        ...fields
          .filter(([k]) => k !== this.field)
          .map(([k, label]) => {
            const b = el(
              'button',
              { type: 'button' },
              el('span', { class: 'l' }, label),
              el('span', { class: 'v' }, this.value(k) || '–', el('span', { class: 'u' }, this.unit(k))),
            );
            b.addEventListener('click', () => {
              this.field = k;
              this.fresh = false;
              this.show();
            });
            return b;
          }),
      );
    },
    more() {
      const act = (word, values) => {
        const b = el('button', { type: 'button', class: 'btn line' }, word);
        b.addEventListener('click', () => {
          this.put({ pull: String(this.state.pull), ...values() });
          this.save();
          this.show();
        });
        return b;
      };
      const missed = el(
        'select',
        { 'aria-label': 'Fish got away' },
        el('option', { value: '' }, 'no fish got away'),
        ...this.card.missed.map((m) => el('option', { value: m, selected: this.state.missed === m }, m)),
      );
      missed.addEventListener('change', () => (this.state.missed = missed.value));
      this.part('n-more').replaceChildren(
        act('All on ice', () => {
          this.card.notIcedMin = null;
          return { what: 'iced' };
        }),
        act(`Pull ${this.state.pull} is over`, () => {
          const values = { what: 'over', missed: missed.value };
          this.state.pull += 1;
          this.state.missed = '';
          this.state.crowdTo = null;
          return { ...values, pull: String(this.state.pull - 1) };
        }),
        missed,
      );
    },
    box() {
      this.part('r-box').replaceChildren(
        el('h2', {}, 'Kept on this phone'),
        ...this.outbox
          .waiting()
          .filter((e) => e.by === this.card.by && e.kind !== 'form')
          .map((e) => {
            const row = el('div', { class: 'kept' }, el('p', {}, el('b', {}, e.pond), ' ', this.words(e)));
            if (e.words) row.append(el('p', { class: 'asked' }, e.words));
            if (e.asks?.length) {
              const yes = el('button', { type: 'button', class: 'btn line' }, 'yes, it is meant');
              yes.addEventListener('click', () => this.outbox.mean(e.id));
              row.append(yes);
            }
            if (e.words && e.kind === 'net') {
              const back = el('button', { type: 'button', class: 'btn quiet' }, 'type it again');
              back.addEventListener('click', () => {
                this.outbox.drop(e.id);
                const { gross, tare, count, oxygen } = e.values;
                this.state.values = { gross, tare, count, oxygen };
                this.state.fate = e.values.fate ?? this.state.fate;
                this.field = e.values.what === 'read' ? 'oxygen' : 'gross';
                this.part('r-box').hidden = true;
                this.show();
              });
              row.append(back);
            }
            return row;
          }),
      );
    },
    words(e) {
      const v = e.values;
      if (e.kind !== 'net') return 'from the round';
      if (v.what === 'basket')
        return `${v.gross} ${this.card.unit}, ${this.card.fates.find((f) => f.key === v.fate)?.word ?? ''}`;
      return { read: `oxygen ${v.oxygen}`, iced: 'all on ice', over: `pull ${v.pull} is over` }[v.what] ?? '';
    },
  };
}
