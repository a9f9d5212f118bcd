// A calculator works as it is typed in: the server reads the lines and sends its answer; the address keeps what was typed.
export function bench() {
  return {
    init() {
      this.form = this.$el.querySelector('form');
      this.out = this.$el.querySelector('.bench-out');
      this.typed = () => {
        clearTimeout(this.timer);
        this.timer = setTimeout(() => this.ask(), 250);
      };
      this.form.addEventListener('input', this.typed);
    },
    destroy() {
      this.form.removeEventListener('input', this.typed);
      clearTimeout(this.timer);
    },
    async ask() {
      const query = new URLSearchParams(new FormData(this.form));
      history.replaceState(null, '', '?' + query);
      query.set('handler', 'Part');
      const turn = (this.turn = (this.turn ?? 0) + 1);
      try {
        const answer = await fetch('?' + query);
        // An answer that was overtaken by more typing is not shown.
        if (answer.ok && turn === this.turn) this.show(await answer.text());
      } catch {
        /* no network: the plain form still works */
      }
    },
    // What was typed into a field of the answer itself, such as the name to keep a plan by, outlives it.
    show(html) {
      const typed = [...this.out.querySelectorAll('input[name]')].filter((e) => e.value !== e.defaultValue);
      const focused = this.out.contains(document.activeElement) ? document.activeElement.name : '';
      this.out.innerHTML = html;
      const find = (name) => this.out.querySelector(`input[name="${name}"]`);
      for (const old of typed) {
        const field = find(old.name);
        if (field) field.value = old.value;
      }
      if (focused) find(focused)?.focus();
    },
  };
}
