// A sheet taken in by the keyboard: Enter goes to the next cell, up and down to the next row, Ctrl and Enter saves. What is typed stays on this
// machine until it is in, so that a lost connection or a closed window takes nothing.
import { store } from './dom.js';

const fields = 'input:not([type=hidden]), select';

export function dayEntry() {
  return {
    init() {
      const form = this.$el;
      const draft = `dorsk-sheet-${document.documentElement.dataset.by}-${form.dataset.day}`;
      // The whole sheet is in: nothing of it is kept any more.
      if (form.tagName !== 'FORM') return store.set(draft, {});
      const cells = () => [...form.querySelectorAll(fields)];
      // With what was typed goes the number of its row: sent twice it is entered once.
      const ids = () => [...form.querySelectorAll('input[name$="-id"]')];
      // The farm's answer to a sheet carries what is left of it: that is the draft now.
      const answered = document.querySelector('main [role=status], .day-entry .wrong');
      const before = answered ? {} : store.get(draft, {});
      for (const cell of [...cells(), ...ids()]) if (cell.name in before) cell.value = before[cell.name];
      const keep = () => {
        const typed = cells().filter((c) => c.closest('table, fieldset') && c.value);
        const head = cells().filter((c) => ['writer', 'dawn', 'late'].includes(c.name));
        store.set(
          draft,
          typed.length ? Object.fromEntries([...head, ...typed, ...ids()].map((c) => [c.name, c.value])) : {},
        );
      };
      if (answered) keep();
      form.addEventListener('input', keep);
      form.addEventListener('keydown', (e) => this.key(e, cells()));
      cells()
        .find((c) => c.closest('table'))
        ?.focus();
    },
    key(e, cells) {
      if (!e.target.matches(fields)) return;
      if (e.key === 'Enter') {
        e.preventDefault();
        if (e.ctrlKey || e.metaKey) return this.$el.requestSubmit();
        return cells[cells.indexOf(e.target) + (e.shiftKey ? -1 : 1)]?.focus();
      }
      const step = { ArrowUp: -1, ArrowDown: 1 }[e.key];
      // In a list of choices the arrows choose.
      if (!step || e.target.matches('select') || !e.target.closest('table')) return;
      e.preventDefault();
      const column = e.target.name.split('-').at(-1);
      const same = cells.filter((c) => c.closest('table') && c.name.split('-').at(-1) === column);
      same[same.indexOf(e.target) + step]?.focus();
    },
  };
}
