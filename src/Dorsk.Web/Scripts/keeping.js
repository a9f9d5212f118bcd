// On every page: sends what is kept whenever there is a signal, shows its count in the head, and has the browser keep pages where it may.
import { outbox } from './outbox.js';
import { el } from './dom.js';

const page = document.documentElement.dataset;
// Only over HTTPS: this machine's own desk needs none, and a private window may have none.
export const keepsPages = () => location.protocol === 'https:' && !!navigator.serviceWorker;

function count() {
  const place = document.querySelector('.kept-count');
  if (!place) return;
  const { kept, asks, unsaved } = outbox.counts();
  place.hidden = !kept;
  place.textContent = `kept on this phone: ${kept}${asks ? `, ${asks} to look at` : ''}`;
  place.classList.toggle('asks', asks + unsaved > 0);
}

// What cannot be kept is said where it is typed, not found out on the way home.
async function trouble() {
  const says = document.querySelector('.kept-trouble');
  if (!says) return;
  let text = '';
  try {
    localStorage.setItem('dorsk-try', 'x');
    localStorage.removeItem('dorsk-try');
    const { usage, quota } = (await navigator.storage?.estimate?.()) ?? {};
    if (quota && quota - usage < 5e6)
      text =
        'The storage of this browser is nearly full: pages and entries may not be kept without signal. Free some space on the phone.';
  } catch {
    text =
      'This browser keeps nothing (its storage is full, or the window is private): without signal an entry lasts only as long as its page is open. Write it down too.';
  }
  if (outbox.counts().unsaved)
    text =
      'The storage of this phone is full. What is typed now stays only as long as this page is open: write it down too.';
  says.hidden = !text;
  says.replaceChildren(...(text ? [el('span', {}, text)] : []));
}

async function keepPages() {
  const work = await navigator.serviceWorker.register('/lib/worker.js', { scope: '/' });
  const ready = await navigator.serviceWorker.ready;
  work.update().catch(() => {}); // without signal the one that is there goes on
  (ready.active ?? work.active)?.postMessage({ keep: true });
  navigator.storage?.persist?.();
}

export function keeping() {
  if (!page.by) return;
  outbox.onChange(() => {
    count();
    trouble();
  });
  count();
  trouble();
  outbox.send();
  addEventListener('online', () => outbox.send());
  setInterval(() => outbox.send(), 15e3);
  // A private window may refuse it: the page goes on as over plain HTTP, and /kept says so.
  if (keepsPages()) keepPages().catch(() => {});
}
