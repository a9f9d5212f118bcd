// What the phone pages share: elements, a store that never throws, the number pad.
export const el = (tag, attributes = {}, ...inside) => {
  const e = document.createElement(tag);
  for (const [k, v] of Object.entries(attributes))
    if (v === true) e.setAttribute(k, '');
    else if (v !== false && v != null) e.setAttribute(k, v);
  e.append(...inside.filter((i) => i != null && i !== false));
  return e;
};
export const store = {
  get: (k, other) => {
    try {
      return JSON.parse(localStorage.getItem(k)) ?? other;
    } catch {
      return other;
    }
  },
  // Where the store is full or shut the page goes on without it.
  set: (k, v) => {
    try {
      localStorage.setItem(k, JSON.stringify(v));
    } catch {
      return false;
    }
    return true;
  },
};

// Three columns of digits with a column of words beside them; the last word is the way on.
export function pad(sign, words, press) {
  const button = (label, key, more = '') => {
    const b = el('button', { type: 'button', class: 'pad ' + more }, label);
    b.addEventListener('click', () => press(key));
    return b;
  };
  const digits = [
    ['1', '2', '3'],
    ['4', '5', '6'],
    ['7', '8', '9'],
    [sign, '0', ''],
  ];
  const side = words.map(([label, key], i) => button(label, key, i === words.length - 1 ? 'word go' : 'word'));
  const cells = digits.flatMap((row, i) => [
    ...row.map((d) => (d ? button(d, d) : el('span', { class: 'pad' }))),
    ...(side[i] ? [side[i]] : []),
  ]);
  return { cells, next: side.at(-1) };
}

// The key of a keyboard that stands for one of the pad; null where it is for somebody else.
export function padKey(e, sign) {
  if ((e.ctrlKey || e.metaKey || e.altKey || e.target.closest('button, a, input, select')) && !/^[0-9.,]$/.test(e.key))
    return null;
  if (/^[0-9]$/.test(e.key)) return e.key;
  if (e.key === '.' || e.key === ',') return sign;
  return { Backspace: 'rub', Enter: 'next' }[e.key] ?? null;
}

// The text of a figure after a key.
export const typed = (text, key, sign) => {
  if (key === 'rub') return text.slice(0, -1);
  if (key === sign) return text.includes(key) ? text : (text || '0') + key;
  return text.length < 7 ? (text === '0' ? key : text + key) : text;
};
