// While a sheet is checked, the page shows how far it has come and opens the findings when they are there.
export function sheet() {
  return {
    timer: null,
    init() {
      this.ask();
    },
    destroy() {
      clearTimeout(this.timer);
    },
    async ask() {
      try {
        const answer = await fetch(this.$el.dataset.state);
        if (!answer.ok) return location.reload();
        const { step, lines } = await answer.json();
        if (step !== 'Checking') return location.reload();
        this.$el.querySelector('[data-lines]').textContent = lines.toLocaleString('en');
      } catch {
        /* no network: asked again below */
      }
      this.timer = setTimeout(() => this.ask(), 400);
    },
  };
}
