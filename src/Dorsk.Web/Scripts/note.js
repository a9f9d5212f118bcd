// Notes without signal are kept as text and read by the farm when they are sent; nothing of them is recorded before somebody has looked.
import { outbox, signal } from './outbox.js';
import { el } from './dom.js';

export const note = () => ({
  init() {
    const form = this.$el,
      text = form.querySelector('textarea');
    const mend = outbox.get(location.hash.replace('#mend=', ''));
    if (mend) text.value = mend.fields.find(([k]) => k === 'text')?.[1] ?? '';
    let asked = false;
    form.addEventListener('submit', async (e) => {
      if (asked || !text.value.trim()) return;
      e.preventDefault();
      if (await signal()) {
        asked = true;
        if (mend) outbox.drop(mend.id);
        form.requestSubmit(e.submitter);
        return;
      }
      const id = mend?.id;
      const made = outbox.add({
        ...(id && { id }),
        kind: 'form',
        to: '/notes',
        title: 'Notes',
        now: true,
        fields: [['text', text.value]],
      });
      outbox.put({ ...made, fields: [...made.fields, ['form', made.id]] });
      text.value = '';
      form
        .querySelector('.note-kept')
        .replaceChildren(
          el('b', {}, 'No signal: kept on this phone as text.'),
          ' When it is sent, it waits here to be looked at and recorded.',
        );
    });
  },
});
