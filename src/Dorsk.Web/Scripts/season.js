// The season: a day that is typed or dragged is worked out by the server; the address keeps the moved days.
export function season() {
  return {
    init() {
      this.view = this.$el.querySelector('#season-view');
      if (!this.view) return;
      // On a narrow screen it opens at today.
      const scroll = this.view.querySelector('.season-scroll'),
        now = this.view.querySelector('.rb-now');
      if (scroll && now && scroll.scrollWidth > scroll.clientWidth + 40)
        scroll.scrollLeft =
          now.getBoundingClientRect().left - scroll.getBoundingClientRect().left - scroll.clientWidth / 2;
      this.changed = (e) => {
        if (e.target.matches('.days input[type=date]') && e.target.value) {
          this.stale = true;
          this.later(300);
        }
      };
      this.view.addEventListener('change', this.changed);
      this.down = (e) => this.grab(e);
      this.view.addEventListener('pointerdown', this.down);
    },
    destroy() {
      clearTimeout(this.timer);
      this.view?.removeEventListener('change', this.changed);
      this.view?.removeEventListener('pointerdown', this.down);
    },
    later(ms) {
      clearTimeout(this.timer);
      this.timer = setTimeout(() => this.ask(), ms);
    },
    // Only days that differ from the plans go into the address.
    query() {
      const query = new URLSearchParams({ from: this.view.querySelector('.days [name=from]').value });
      for (const field of this.view.querySelectorAll('.days input[type=date]'))
        if (field.value && field.value !== field.dataset.on) query.set(field.name, field.value);
      return query;
    },
    async ask() {
      // One question at a time; while a drag goes on the last place is asked next.
      if (this.asking) {
        this.again = true;
        return;
      }
      this.asking = true;
      this.stale = false;
      const query = this.query();
      history.replaceState(null, '', '/season?' + query);
      query.set('handler', 'Part');
      try {
        const answer = await fetch('/season?' + query);
        const html = answer.ok ? await answer.text() : null;
        // What was dragged or typed while the answer was on its way must not be wiped out by it.
        if (html && !this.again && !this.stale) this.show(html);
      } catch {
        /* no network: the plain form still works */
      }
      this.asking = false;
      if (this.again) {
        this.again = false;
        this.ask();
      }
    },
    show(html) {
      const focus = document.activeElement?.id,
        left = this.view.querySelector('.season-scroll')?.scrollLeft;
      this.view.innerHTML = html;
      if (left) this.view.querySelector('.season-scroll').scrollLeft = left;
      if (focus) document.getElementById(focus)?.focus();
      this.mark?.();
    },
    grab(e) {
      const key = e.target.closest('[data-move]')?.dataset.move;
      if (!key || e.button > 0) return;
      e.preventDefault();
      const sheet = () => this.view.querySelector('.rb-sheet'),
        field = () => this.view.querySelector(`.days input[name="${CSS.escape(key)}"]`);
      if (!field()) return;
      const day = (x) => {
        const s = sheet(),
          box = s.querySelector('.rb-head svg').getBoundingClientRect(),
          at = new Date(s.dataset.from + 'T00:00Z');
        at.setUTCDate(at.getUTCDate() + Math.round(((x - box.left) / box.width) * Number(s.dataset.days)));
        const iso = at.toISOString().slice(0, 10);
        return iso < s.dataset.today ? s.dataset.today : iso;
      };
      // What is dragged stays marked over every answer that comes meanwhile.
      this.mark = () => {
        const row = this.view.querySelector(`[data-move="${CSS.escape(key)}"]`);
        row?.classList.add('held');
      };
      this.mark();
      const move = (m) => {
        if (field() && field().value !== day(m.clientX)) {
          field().value = day(m.clientX);
          this.ask();
        }
      };
      const up = () => {
        removeEventListener('pointermove', move);
        removeEventListener('pointerup', up);
        removeEventListener('pointercancel', up);
        this.mark = null;
        this.later(0);
      };
      addEventListener('pointermove', move);
      addEventListener('pointerup', up);
      addEventListener('pointercancel', up);
    },
  };
}
