// The night board: asks again when the log has moved; timers that are typed or dragged are tried on the server and drawn beside those set.
import { onMoved } from './live.js';

const width = 702;

export function board() {
  return {
    init() {
      this.rows = this.$el.querySelector('.board-rows');
      this.line = Number(this.$el.dataset.line);
      this.stop = onMoved((line) => {
        if (line > this.line && !this.busy()) this.refresh(line);
      });
      this.minute = setInterval(() => {
        if (!this.busy() && !document.hidden) this.refresh(this.line);
      }, 60000);
      this.rows.addEventListener('input', (e) => {
        const form = e.target.closest('.nb-timers');
        if (form) {
          this.stale();
          this.timer = setTimeout(() => this.tryOut(form), 350);
        }
      });
      this.rows.addEventListener('pointerdown', (e) => this.grab(e));
    },
    destroy() {
      this.stop();
      clearInterval(this.minute);
      clearTimeout(this.timer);
    },
    // Somebody who tries timers or reads a why is not interrupted.
    busy() {
      return (
        this.trying ||
        (this.rows.contains(document.activeElement) && document.activeElement.matches('input')) ||
        this.rows.querySelector('details[open]')
      );
    },
    // An answer on its way belongs to older timers: it must not wipe out what was typed or dragged since.
    stale() {
      clearTimeout(this.timer);
      this.turn = (this.turn ?? 0) + 1;
    },
    async refresh(line) {
      const query = new URLSearchParams(location.search);
      query.set('handler', 'Part');
      try {
        const answer = await fetch('/oxygen?' + query);
        if (answer.ok) {
          this.rows.innerHTML = await answer.text();
          this.line = line;
        }
      } catch {
        /* no network: the next look comes */
      }
    },
    async tryOut(form) {
      const query = new URLSearchParams(new FormData(form));
      query.delete('__RequestVerificationToken');
      query.set('handler', 'Row');
      this.stale();
      const turn = this.turn,
        focus = document.activeElement?.name,
        at = document.activeElement?.selectionStart;
      try {
        const answer = await fetch('/oxygen?' + query);
        if (!answer.ok || turn !== this.turn) return;
        const row = form.closest('.nb-row'),
          html = new DOMParser().parseFromString(await answer.text(), 'text/html').querySelector('.nb-row');
        row.replaceWith(html);
        this.trying = true;
        const again = focus && html.querySelector(`[name="${CSS.escape(focus)}"]`);
        if (again) {
          again.focus();
          if (at !== null) again.setSelectionRange(at, at);
        }
      } catch {
        /* no network: the plain form still sets timers */
      }
    },
    // A bar is taken by its end, or by its middle and moved whole; a quarter of an hour at a time.
    grab(e) {
      const bar = e.target.closest('.ns-bar[data-aerator]'),
        form = bar?.closest('.nb-row').querySelector('.nb-timers');
      if (!form) return;
      e.preventDefault();
      this.stale();
      const strip = bar.ownerSVGElement,
        box = strip.getBoundingClientRect(),
        from = Number(bar.getAttribute('x')),
        to = from + Number(bar.getAttribute('width'));
      const px = (x) => ((x - box.left) / box.width) * width,
        begun = px(e.clientX);
      const part = Math.abs(begun - from) < 12 ? 'on' : Math.abs(begun - to) < 12 ? 'off' : 'both';
      const hour = (x) => {
        const m = Math.round((Math.min(Math.max(x, 0), width) / width) * 96) * 15 + 720;
        return `${String(Math.floor(m / 60) % 24).padStart(2, '0')}:${String(m % 60).padStart(2, '0')}`;
      };
      const move = (m) => {
        const by = px(m.clientX) - begun,
          a = part === 'off' ? from : from + by,
          b = part === 'on' ? to : to + by;
        if (b - a < width / 96) return;
        bar.setAttribute('x', a);
        bar.setAttribute('width', b - a);
        if (part !== 'off') form.elements[bar.dataset.aerator + '-on'].value = hour(a);
        if (part !== 'on') form.elements[bar.dataset.aerator + '-off'].value = hour(b);
      };
      const drop = () => {
        window.removeEventListener('pointermove', move);
        window.removeEventListener('pointerup', drop);
        this.tryOut(form);
      };
      window.addEventListener('pointermove', move);
      window.addEventListener('pointerup', drop);
    },
  };
}
