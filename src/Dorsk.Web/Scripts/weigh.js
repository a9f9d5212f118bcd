// Weighing at the pond: each fish goes to the end of the list; the server says mean, range and whether it is enough. The list stays on this phone until it is kept.
const boxOf = (pond) => 'dorsk-weigh-' + pond;

// The growth page opens with its line once a sample is kept: only then is the list on the phone let go.
export function weighed() {
  const pond =
    new URLSearchParams(location.search).has('line') && location.pathname.match(/^\/ponds\/([^/]+)\/growth$/)?.[1];
  if (!pond) return;
  try {
    if (JSON.parse(localStorage.getItem(boxOf(pond)))?.sent) localStorage.removeItem(boxOf(pond));
  } catch {
    localStorage.removeItem(boxOf(pond));
  }
}

export function weigh() {
  return {
    init() {
      this.form = this.$el.querySelector('form');
      this.rows = this.form.querySelector('#Rows');
      this.out = this.$el.querySelector('.weigh-out');
      this.a = this.form.querySelector('#weigh-a');
      this.b = this.form.querySelector('#weigh-b');
      this.wrong = this.form.querySelector('#weigh-wrong');
      this.box = boxOf(this.$el.dataset.pond);
      this.form.querySelector('.weigh-in').hidden = false;
      // A filled form that came back from the server counts for more than what the phone remembers.
      if (!this.rows.value) this.recall();
      this.listeners = [
        [this.form.querySelector('.weigh-next'), 'click', () => this.next()],
        [this.form.querySelector('.weigh-back'), 'click', () => this.back()],
        [
          this.form,
          'change',
          () => {
            this.words();
            this.changed();
          },
        ],
        [
          this.form,
          'keydown',
          (e) => {
            if (e.key === 'Enter' && (e.target === this.a || e.target === this.b)) {
              e.preventDefault();
              if (e.target === this.a && this.casts()) this.b.focus();
              else this.next();
            }
          },
        ],
        [this.form, 'click', (e) => this.count(e.target)],
        [
          this.form,
          'submit',
          (e) => {
            if (!e.submitter?.formAction.includes('Running')) this.save(true);
          },
        ],
      ];
      for (const [el, type, does] of this.listeners) el.addEventListener(type, does);
      this.words();
      if (this.rows.value) this.ask();
    },
    destroy() {
      for (const [el, type, does] of this.listeners) el.removeEventListener(type, does);
    },
    casts() {
      return this.form.elements.Kind.value === 'casts';
    },
    words() {
      for (const l of this.form.querySelectorAll('[data-single]'))
        l.textContent = l.dataset[this.casts() ? 'casts' : 'single'];
    },
    next() {
      const [a, b] = [this.a.value.trim(), this.b.value.trim()];
      const problem = !a
        ? 'Type the figure first.'
        : this.casts() && !b
          ? 'Type the mass of the cast.'
          : /[\s;/]/.test(a + b)
            ? 'One figure, without blanks.'
            : '';
      this.wrong.hidden = !problem;
      this.wrong.textContent = problem;
      if (problem) return;
      this.rows.value = `${this.rows.value.trim()} ${b ? `${a}/${b}` : a}`.trim();
      this.a.value = this.b.value = '';
      this.a.focus();
      this.changed();
    },
    back() {
      this.rows.value = this.rows.value.trim().split(/\s+/).slice(0, -1).join(' ');
      this.changed();
      this.a.focus();
    },
    count(button) {
      const id = button.dataset?.more ?? button.dataset?.less;
      if (!id) return;
      const field = this.form.querySelector('#' + id),
        n = Number(field.value) || 0;
      field.value = Math.max(0, n + (button.dataset.more ? 1 : -1));
      this.changed();
    },
    // With its entry's id: sent again after a lost answer, it is the same sample.
    save(sent) {
      localStorage.setItem(
        this.box,
        JSON.stringify({
          sent,
          typed: Object.fromEntries(
            [...new FormData(this.form)].filter(
              ([k]) => ['Rows', 'Kind', 'Wanted', 'EntryId'].includes(k) || k.startsWith('m-'),
            ),
          ),
        }),
      );
    },
    changed() {
      this.save(false);
      this.ask();
    },
    recall() {
      try {
        for (const [k, v] of Object.entries(JSON.parse(localStorage.getItem(this.box))?.typed ?? {}))
          if (this.form.elements[k]) this.form.elements[k].value = v;
      } catch {
        localStorage.removeItem(this.box);
      }
    },
    async ask() {
      const kept = this.form.querySelector('.weigh-kept'),
        turn = (this.turn = (this.turn ?? 0) + 1);
      const body = new FormData(this.form);
      body.set('part', 'true');
      try {
        const answer = await fetch('?handler=Running', { method: 'POST', body });
        if (turn !== this.turn) return;
        if (answer.ok) this.out.innerHTML = await answer.text();
        kept.textContent = '';
      } catch {
        kept.textContent = 'No signal: the list is kept on this phone; the figures come when there is some.';
      }
    },
  };
}
