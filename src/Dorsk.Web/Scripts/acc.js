// An acclimation on the phone: the clock runs here, the books are looked at every few seconds, and what is tapped without signal waits and is sent when there is some.
import { newId } from './outbox.js';
const box = 'dorsk-acclimation',
  every = 5000;
const waiting = () => {
  try {
    return JSON.parse(localStorage.getItem(box)) ?? [];
  } catch {
    return [];
  }
};

export function accRun() {
  return {
    init() {
      this.live = this.$el.querySelector('.acc-live');
      this.note = this.$el.querySelector('.acc-kept');
      this.took = performance.now();
      this.submit = (e) => {
        e.preventDefault();
        this.tap(e.target, e.submitter);
      };
      this.live.addEventListener('submit', this.submit);
      // What was chosen and not saved yet is not looked over.
      this.live.addEventListener('input', (e) => e.target.form?.setAttribute('data-touched', ''));
      this.second = setInterval(() => this.clock(), 1000);
      this.look = setInterval(() => this.send(), every);
      this.online = () => this.send();
      window.addEventListener('online', this.online);
      this.send();
    },
    destroy() {
      clearInterval(this.second);
      clearInterval(this.look);
      window.removeEventListener('online', this.online);
    },
    tap(form, button) {
      const values = Object.fromEntries(new FormData(form, button));
      localStorage.setItem(
        box,
        JSON.stringify([
          ...waiting(),
          { to: form.action, at: Date.now(), values: { ...values, entry: newId(), part: 'true' } },
        ]),
      );
      // Without signal the form is free again at once; with it the answer replaces it.
      form.removeAttribute('data-touched');
      if (!navigator.onLine && !form.querySelector('.sign')) form.reset();
      this.send();
    },
    async send() {
      // Signal is waited for; asking without it only fills the console.
      if (!navigator.onLine) {
        this.tell();
        return;
      }
      if (this.busy) return;
      this.busy = true;
      try {
        let shown = false;
        for (let all = waiting(); all.length; all = waiting()) {
          const { to, at, values } = all[0];
          const answer = await fetch(to, {
            method: 'POST',
            body: new URLSearchParams({ ...values, ago: String((Date.now() - at) / 1000) }),
          });
          if (answer.status >= 500) break;
          localStorage.setItem(box, JSON.stringify(waiting().filter((w) => w.values.entry !== values.entry)));
          if (answer.ok && to.startsWith(location.origin + location.pathname)) {
            this.show(await answer.text());
            shown = true;
          }
        }
        // Somebody who types is not interrupted; the other phone is shown once they are done.
        if (!shown && !waiting().length && !this.typing()) {
          const answer = await fetch('?handler=Part');
          const html = await answer.text();
          // Looked at after the whole answer is here: a choice made while it came in stays.
          if (answer.ok && !waiting().length && !this.typing()) this.show(html);
        }
      } catch {
        /* no signal: what was tapped waits */
      } finally {
        this.busy = false;
      }
      this.tell();
    },
    typing() {
      return (
        [...this.live.querySelectorAll('input.form-control')].some((i) => i.value || i === document.activeElement) ||
        this.live.querySelector('.wrong[role=alert], form[data-touched]')
      );
    },
    // What somebody chose in one form while the answer to another came in.
    begun() {
      return [...this.live.querySelectorAll('form[data-touched]')].map((f) => [f.action, [...new FormData(f)]]);
    },
    putBack(begun) {
      for (const [action, fields] of begun)
        for (const [name, value] of fields)
          for (const f of this.live.querySelectorAll('form')) {
            const field = f.action === action && typeof value === 'string' ? f.elements.namedItem(name) : null;
            if (!field || field.type === 'hidden') continue;
            field.value = value;
            f.setAttribute('data-touched', '');
          }
    },
    show(html) {
      // What somebody unfolded or folded stays so, whatever comes in meanwhile.
      const name = (d) => d.querySelector('summary').firstElementChild?.textContent ?? d.textContent.slice(0, 40);
      const folds = new Map([...this.live.querySelectorAll('details:not(.why)')].map((d) => [name(d), d.open]));
      const begun = this.begun();
      this.live.innerHTML = html;
      this.putBack(begun);
      for (const d of this.live.querySelectorAll('details:not(.why)')) d.open ||= folds.get(name(d)) ?? false;
      this.took = performance.now();
      this.clock();
    },
    tell() {
      const n = waiting().length;
      this.note.hidden = !n;
      this.note.textContent = n ? `${n} kept on this phone, sent when there is signal` : '';
    },
    clock() {
      const step = this.live.querySelector('.acc-step');
      if (!step || step.dataset.timed !== 'yes' || step.dataset.held === 'yes') return;
      const left = Number(step.dataset.left) * 60 - (performance.now() - this.took) / 1000,
        s = Math.abs(Math.trunc(left));
      step.querySelector('.acc-time').textContent =
        (left < 0 ? '+' : '') +
        (s >= 3600
          ? `${Math.trunc(s / 3600)}:${String(Math.trunc(s / 60) % 60).padStart(2, '0')} h`
          : `${Math.trunc(s / 60)}:${String(s % 60).padStart(2, '0')}`);
      step.querySelector('.acc-clock').classList.toggle('late', left < 0);
    },
  };
}
