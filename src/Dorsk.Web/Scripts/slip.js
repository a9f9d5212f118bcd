import { slipKeep } from './slip-keep.js';

// A new farm has the clock of the machine it is begun on, until somebody says otherwise.
function byTheClock(form) {
  const [zone, country] = ['Zone', 'Country'].map((name) => form.querySelector(`select[name=${name}]`));
  if (!zone || !country || zone.value) return;
  const mine = Intl.DateTimeFormat().resolvedOptions().timeZone;
  if (![...zone.options].some((o) => o.value === mine)) return;
  zone.value = mine;
  country.value = '';
}

// While a slip is typed, the server reads it and says what it understood and worked out; nothing is entered by this.
export function slip() {
  return {
    timer: null,
    init() {
      // The entry's id stays with its place in the history: gone back to and sent again, the same slip is the same entry.
      const id = this.$el.querySelector('[name=EntryId]');
      if (history.state?.entry) id.value = history.state.entry;
      else history.replaceState({ ...history.state, entry: id.value }, '');
      byTheClock(this.$el);
      slipKeep(this.$el);
      this.onInput = () => {
        clearTimeout(this.timer);
        this.timer = setTimeout(() => this.ask(), 300);
      };
      this.$el.addEventListener('input', this.onInput);
      // On a phone the keyboard's key goes on to the next line; sending is the button's business.
      this.$el.addEventListener('keydown', (e) => {
        if (e.key !== 'Enter' || !e.target.matches('input[inputmode]') || !matchMedia('(pointer: coarse)').matches)
          return;
        e.preventDefault();
        const lines = [...this.$el.querySelectorAll('input:not([type=hidden]), select, .slip-do button')].filter((l) =>
          l.checkVisibility(),
        );
        lines[lines.indexOf(e.target) + 1]?.focus();
      });
      const first = this.$el.querySelector('[aria-invalid="true"]') ?? this.$el.querySelector('.slip-problems');
      first?.focus();
    },
    destroy() {
      this.$el.removeEventListener('input', this.onInput);
      clearTimeout(this.timer);
    },
    async ask() {
      const body = new FormData(this.$el);
      let said;
      try {
        const answer = await fetch(this.$el.dataset.live, { method: 'POST', body });
        if (!answer.ok) return; // the plain form still works; its own answer will say what is wrong
        said = await answer.json();
      } catch {
        return;
      } // no network: the figures simply stay as they were until the form is sent
      for (const place of this.$el.querySelectorAll('[data-echo]'))
        place.textContent = said.echoes[place.dataset.echo] ?? '';
      const lines = this.$el.querySelector('[data-computed-lines]');
      lines.replaceChildren(
        ...said.computed.map((c) => {
          const row = document.createElement('div');
          row.className = 'computed';
          const label = document.createElement('span');
          label.textContent = c.label;
          const value = document.createElement('b');
          value.textContent = c.text;
          row.append(label, value);
          return row;
        }),
      );
    },
  };
}
