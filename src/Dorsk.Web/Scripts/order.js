// Things in an order, typed as codes: with scripts they are dragged too, or moved by a button. The typed line stays what is sent.
import { el } from './dom.js';

function orderOf(field) {
  const all = field.dataset.order.split(' ');
  const typed = field.value.split(/[\s,]+/).filter(Boolean);
  const known = typed.map((t) => all.find((c) => c.toLowerCase() === t.toLowerCase())).filter(Boolean);
  return [...new Set([...known, ...all])];
}

function list(field) {
  const rows = el('ol', { class: 'order-list', 'aria-label': 'In this order; drag, or move by the buttons' });
  const write = () => {
    field.value = [...rows.children].map((r) => r.dataset.code).join(' ');
    field.dispatchEvent(new Event('input', { bubbles: true }));
  };
  const move = (row, by) => {
    const other = by < 0 ? row.previousElementSibling : row.nextElementSibling;
    if (!other) return;
    by < 0 ? other.before(row) : other.after(row);
    write();
  };
  const button = (row, by, word, sign) => {
    const b = el('button', { type: 'button', class: 'btn line', 'aria-label': `${row.dataset.code} ${word}` }, sign);
    b.addEventListener('click', () => {
      move(row, by);
      b.focus();
    });
    return b;
  };
  // The row follows the finger: it changes places with the one whose middle is passed. The list holds the pointer: a row that is put
  // elsewhere would lose it.
  const drag = (row, start) => {
    start.preventDefault();
    rows.setPointerCapture(start.pointerId);
    row.classList.add('dragged');
    const follow = (e) => {
      const next = [...rows.children].find((r) => {
        const { top, height } = r.getBoundingClientRect();
        return r !== row && e.clientY < top + height / 2;
      });
      if ((next ?? null) === row.nextElementSibling) return;
      next ? next.before(row) : rows.append(row);
    };
    const end = () => {
      row.classList.remove('dragged');
      rows.removeEventListener('pointermove', follow);
      write();
    };
    rows.addEventListener('pointermove', follow);
    rows.addEventListener('lostpointercapture', end, { once: true });
  };
  const fill = () =>
    rows.replaceChildren(
      ...orderOf(field).map((code) => {
        const row = el('li', { 'data-code': code });
        const grip = el('span', { class: 'order-grip', 'aria-hidden': 'true' }, '⠿');
        row.append(grip, el('b', {}, code), button(row, -1, 'earlier', '↑'), button(row, 1, 'later', '↓'));
        // A finger takes the grip: elsewhere it moves the page.
        row.addEventListener('pointerdown', (e) => {
          if (e.target === grip || (e.pointerType === 'mouse' && !e.target.closest('button'))) drag(row, e);
        });
        return row;
      }),
    );
  field.addEventListener('change', fill);
  fill();
  return rows;
}

export function orders() {
  for (const field of document.querySelectorAll('input[data-order]')) field.closest('.field').after(list(field));
}
