// The page of what this phone keeps: entries that wait, entries that the farm did not take with what it said, pages for where there is no signal.
import { outbox } from './outbox.js';
import { keepsPages } from './keeping.js';
import { el } from './dom.js';

const hour = (at) =>
  new Date(at).toLocaleString('en-GB', { weekday: 'short', hour: '2-digit', minute: '2-digit', hour12: false });
const skipped = ['EntryId', 'Meant', 'form', '__RequestVerificationToken', 'Day', 'Hour'];
const contents = (e) =>
  (e.kind === 'form' ? e.fields.filter(([k]) => !skipped.includes(k)) : Object.entries(e.values ?? {}))
    .filter(([, v]) => v)
    .map(([k, v]) => `${e.labels?.[k] ?? k} ${e.shown?.[k] ?? v}`)
    .concat(e.behaviour || [])
    .join(', ');
const mendAt = (e) =>
  e.kind === 'form' ? `${e.to}#mend=${e.id}` : e.kind === 'net' ? `/harvest/${e.pond}/net` : '/round#kept';
const button = (text, kind, press) => {
  const b = el('button', { type: 'button', class: 'btn ' + kind }, text);
  b.addEventListener('click', press);
  return b;
};

function row(e, by) {
  if (e.by !== by)
    return el('li', {}, el('p', {}, el('b', {}, `an entry of ${e.by}`), ' waits until they sign in on this phone'));
  const drop = button('Delete it', 'quiet', () => {
    if (drop.dataset.sure) return outbox.drop(e.id);
    drop.dataset.sure = 'yes';
    drop.textContent = 'Delete it for good';
  });
  return el(
    'li',
    {},
    el('p', {}, el('b', {}, e.title ?? e.pond), ` ${hour(e.at)}: ${contents(e)}`),
    e.words ? el('p', { class: 'wrong' }, e.words) : el('p', { class: 'note' }, 'waits for a signal'),
    el(
      'p',
      { class: 'do' },
      ...(e.asks?.length ? [button('Yes, it is meant', '', () => outbox.mean(e.id))] : []),
      el('a', { class: 'btn line', href: mendAt(e) }, e.words ? 'Mend it' : 'Open it'),
      drop,
    ),
  );
}

export const kept = () => ({
  init() {
    const root = this.$el,
      by = root.dataset.by;
    const show = () => {
      const all = outbox.waiting(),
        before = outbox.sentBefore();
      const { asks, shut } = outbox.counts();
      root.querySelector('.kept-state').textContent = shut
        ? 'The farm wants you to sign in again; what is kept here stays.'
        : all.length
          ? `${all.length} ${all.length === 1 ? 'entry waits' : 'entries wait'}${asks ? `, ${asks} to look at` : ''}.`
          : 'Everything is sent.';
      root
        .querySelector('.kept-list')
        .replaceChildren(
          el('ul', { class: 'kept-rows' }, ...all.map((e) => row(e, by))),
          ...(before.length
            ? [el('p', { class: 'note' }, `✓ sent: ${before.map((e) => `${e.title} ${hour(e.at)}`).join(', ')}`)]
            : []),
        );
    };
    outbox.onChange(show);
    show();
    this.pages(root);
  },
  async pages(root) {
    const list = keepsPages() && (await caches.match('/~pages'));
    root.querySelector('.kept-how').hidden = !!list;
    if (!list) return;
    const { pages, at } = await list.json();
    root.querySelector('.kept-when').textContent = `as they stood ${hour(at)}, by this phone's clock`;
    root
      .querySelector('.kept-pages')
      .replaceChildren(...pages.map((p) => el('li', {}, el('a', { href: p.address }, p.title))));
  },
});
