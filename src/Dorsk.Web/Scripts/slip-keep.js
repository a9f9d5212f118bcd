// A slip goes through the outbox: kept first, then sent. Where the farm answers at once nothing is seen of it; without signal it stays kept,
// and the slip is empty for the next.
import { outbox, newId, farmNow } from './outbox.js';
import { el } from './dom.js';

const hidden = ['__RequestVerificationToken', 'EntryId', 'Meant'];
const field = (form, name) => form.querySelector(`[name="${name}"]`);

// Day and hour of the farm now, on its own clock face: the phone may stand in another zone.
function faceNow(form) {
  const face = new Date(farmNow() + Number(form.dataset.zoneMs)).toISOString();
  return { Day: face.slice(0, 10), Hour: face.slice(11, 16) };
}

function contents(form, submitter) {
  const fields = [...new FormData(form)].filter(
    ([k, v]) => typeof v === 'string' && k !== '__RequestVerificationToken',
  );
  if (submitter?.name) fields.push([submitter.name, submitter.value]);
  const labels = {};
  for (const [k] of fields) {
    const label = form.querySelector(`label[for="f-${k}"]`);
    if (label && !hidden.includes(k)) labels[k] = label.textContent.trim().toLowerCase();
  }
  const shown = {};
  for (const s of form.querySelectorAll('select')) shown[s.name] = s.selectedOptions[0]?.textContent.trim();
  return { fields, labels, shown };
}

function mending(form) {
  const e = outbox.get(location.hash.replace('#mend=', ''));
  if (!e) return;
  for (const box of form.querySelectorAll('input[type=checkbox]')) box.checked = false;
  for (const [name, value] of e.fields) {
    const place = field(form, name);
    if (!place || place.type === 'file') continue;
    if (place.type === 'checkbox') place.checked = true;
    else place.value = value;
    place.closest('details')?.setAttribute('open', '');
    // Its hour is its own: it no longer follows the clock.
    place.dispatchEvent(new Event('input'));
  }
  if (e.words) says(form, 'slip-problems', el('b', {}, 'Not entered yet. '), e.words);
}

function says(form, kind, ...words) {
  form.querySelector('.slip-kept')?.remove();
  const box = el('div', { class: 'slip-kept ' + kind, role: 'status', tabindex: '-1' }, el('p', {}, ...words));
  form.querySelector('.slip-head').after(box);
  box.scrollIntoView({ block: 'nearest' });
  box.focus();
}

// While nobody has typed another hour, the slip shows the farm's hour as it is now.
function follow(form) {
  const [day, hour] = ['Day', 'Hour'].map((n) => field(form, n));
  if (!hour || !day || form.dataset.now !== `${day.value} ${hour.value}`) return () => false;
  let on = 'kept' in document.documentElement.dataset;
  let touched = false;
  for (const place of [day, hour])
    place.addEventListener('input', () => {
      touched = true;
    });
  const tick = () => {
    if (!on || touched) return;
    const now = faceNow(form);
    day.value = now.Day;
    hour.value = now.Hour;
    day.dispatchEvent(new Event('change', { bubbles: true }));
  };
  tick();
  setInterval(tick, 10e3);
  return (start) => {
    if (start) [on, touched] = [true, false];
    tick();
    return on && !touched;
  };
}

export function slipKeep(form) {
  const isNow = follow(form);
  const kept = 'kept' in document.documentElement.dataset;
  // The next entry: a number of its own, and no question is answered yet.
  const renew = () => {
    for (const meant of form.querySelectorAll('[name=Meant]')) meant.remove();
    field(form, 'EntryId').value = newId();
    history.replaceState({ ...history.state, entry: field(form, 'EntryId').value }, '');
  };
  // A page that the phone kept carries the number and the questions of when it was fetched: both are old.
  if (kept) {
    renew();
    for (const [name, value] of new URLSearchParams(location.search)) {
      const place = field(form, name);
      if (place && place.type !== 'hidden') place.value = value;
    }
  }
  // The farm's own page of what is wrong is here, with all that was typed: only now it need not be kept any more.
  else if (outbox.get(field(form, 'EntryId').value)?.words) outbox.drop(field(form, 'EntryId').value);
  mending(form);
  // Who has gone on to another page meanwhile is not fetched back; what was refused waits on the page of what is kept.
  let left = false;
  addEventListener('beforeunload', () => {
    left = true;
  });
  form.addEventListener('submit', async (e) => {
    e.preventDefault();
    if (form.inert) return;
    const { fields, labels, shown } = contents(form, e.submitter);
    const id = field(form, 'EntryId').value;
    const to = location.pathname + (form.dataset.query ?? '');
    const now = isNow();
    const entry = {
      id,
      kind: 'form',
      to,
      title: form.dataset.title,
      pond: form.dataset.pond,
      now,
      fields,
      labels,
      shown,
    };
    // Until the answer is there nothing is typed into it: what was judged and what is shown are the same.
    form.inert = true;
    const { next, words, shut } = await outbox.deliver(entry);
    form.inert = false;
    if (left) return;
    if (next) return location.assign(next);
    if (words && !kept) {
      if (e.submitter?.name)
        form.append(el('input', { type: 'hidden', name: e.submitter.name, value: e.submitter.value }));
      return form.submit();
    }
    if (words)
      return says(
        form,
        'slip-problems',
        el('b', {}, 'Not entered yet. '),
        words,
        ' ',
        el('a', { href: '/kept' }, 'Kept on this phone'),
      );
    if (shut) return location.assign('/sign-in?back=/kept');
    form.reset();
    renew();
    isNow(true);
    says(
      form,
      'ok',
      el('b', {}, 'No signal: kept on this phone'),
      `, sent when there is: ${form.dataset.title}. `,
      el('a', { href: '/kept' }, 'See what is kept'),
    );
  });
}
