// One outbox for every page: round, net day, slips, notes. An entry waits here until the farm has answered. Each has an id of its own, so that
// sending twice enters once, and a place of its own in the store, so that two pages do not write over each other.
const place = 'dorsk-kept:',
  sent = 'dorsk-sent',
  done = 'dorsk-sent-list',
  clock = 'dorsk-clock';
const read = (key, other) => {
  try {
    return JSON.parse(localStorage.getItem(key)) ?? other;
  } catch {
    return other;
  }
};
const write = (key, value) => {
  try {
    localStorage.setItem(key, JSON.stringify(value));
    return true;
  } catch {
    return false;
  }
};
const remove = (key) => {
  try {
    localStorage.removeItem(key);
  } catch {
    /* a browser without a store keeps nothing that could be removed */
  }
};

// randomUUID is not there on plain HTTP; getRandomValues is. Version 4, variant 1.
export function newId(random = crypto) {
  const b = random.getRandomValues(new Uint8Array(16));
  b[6] = (b[6] & 0x0f) | 0x40;
  b[8] = (b[8] & 0x3f) | 0x80;
  const h = [...b].map((x) => x.toString(16).padStart(2, '0')).join('');
  return `${h.slice(0, 8)}-${h.slice(8, 12)}-${h.slice(12, 16)}-${h.slice(16, 20)}-${h.slice(20)}`;
}

const page = document.documentElement.dataset;
if (page.now && !('kept' in page)) write(clock, Number(page.now) - Date.now());

// How far the farm's clock is before this phone's, ms, as it was when the farm was last reached.
export const clockOff = () => read(clock, 0);
export const farmNow = () => Date.now() + clockOff();

// What the farm says when it can be reached: who is signed in, a token, its clock. Null without signal.
export async function signal() {
  try {
    const answer = await fetch('/signal', { cache: 'no-store', signal: AbortSignal.timeout(8000) });
    if (!answer.ok) return null;
    const said = await answer.json();
    write(clock, said.now - Date.now());
    return said;
  } catch {
    return null;
  }
}

class Outbox {
  constructor() {
    Object.assign(this, { by: page.by ?? '', heard: new Set(), unsaved: new Map(), next: new Map(), shut: false });
    this.line = Promise.resolve();
    // What an earlier version kept in one list.
    for (const e of read('dorsk-outbox', [])) if (write(place + e.id, e)) remove('dorsk-outbox');
    // Only entries: pages of two windows that answer each other's every mark in the store would never rest.
    addEventListener('storage', (e) => {
      if (e.key === null || e.key.startsWith(place)) this.changed();
    });
  }
  onChange(heard) {
    this.heard.add(heard);
    return () => this.heard.delete(heard);
  }
  changed() {
    for (const heard of this.heard) heard();
  }
  waiting() {
    const stored = [];
    try {
      for (let i = 0; i < localStorage.length; i++)
        if (localStorage.key(i).startsWith(place)) stored.push(read(localStorage.key(i), null));
    } catch {
      /* a browser without a store: what is kept stands in the page only */
    }
    const all = [...stored.filter((e) => e && !this.unsaved.has(e.id)), ...this.unsaved.values()];
    return all.sort((a, b) => a.turn - b.turn || a.at - b.at);
  }
  get(id) {
    return this.waiting().find((e) => e.id === id);
  }
  // Where the store is full the entry stays in the page, and that is said.
  put(entry) {
    if (write(place + entry.id, entry)) this.unsaved.delete(entry.id);
    else this.unsaved.set(entry.id, entry);
    this.changed();
  }
  add(entry) {
    const turn = 1 + Math.max(0, ...this.waiting().map((e) => e.turn ?? 0));
    const made = { id: newId(), turn, at: Date.now(), by: this.by, meant: [], ...entry, words: '', asks: [] };
    this.put(made);
    return made;
  }
  keep(entry) {
    this.add(entry);
    this.send();
  }
  drop(id) {
    this.unsaved.delete(id);
    remove(place + id);
    this.changed();
  }
  mean(id) {
    const e = this.get(id);
    this.put({ ...e, meant: [...e.meant, ...e.asks], words: '', asks: [] });
    return this.send();
  }
  counts() {
    const all = this.waiting();
    return {
      kept: all.length,
      asks: all.filter((e) => e.words && e.by === this.by).length,
      other: all.filter((e) => e.by !== this.by).length,
      unsaved: this.unsaved.size,
      shut: this.shut,
    };
  }
  sentBefore() {
    return read(done, []).filter((e) => e.by === this.by);
  }
  stateOf(pond) {
    if (this.waiting().some((e) => e.pond === pond && !e.kind)) return 'kept';
    return this.saidOf(pond) ? 'sent' : '';
  }
  // What the farm answered to the stop at a pond on this walk; null where there was none.
  saidOf(pond) {
    const said = read(sent, {})[pond];
    return said?.by === this.by && Date.now() - said.at < 4 * 3600e3 ? said : null;
  }
  mine() {
    return this.waiting().filter((e) => e.by === this.by && !e.words);
  }
  // One after the other, in the order in which they were kept.
  send() {
    this.line = this.line.then(() => this.sendAll()).catch(() => {});
    return this.line;
  }
  // Keeps an entry and tries at once. Answers where the page goes when it stands in the log, and what the farm has against it.
  async deliver(entry) {
    const { id } = this.add(entry);
    await this.send();
    const left = this.get(id);
    return { id, next: left ? null : this.next.get(id), words: left?.words ?? '', shut: this.shut };
  }
  async sendAll() {
    if (!this.mine().length) return;
    const said = await signal();
    if (said) {
      this.shut = said.by !== this.by;
      const tried = new Set();
      for (let e; !this.shut && (e = this.mine().find((m) => !tried.has(m.id)));) {
        const run = e.kind === 'form' ? [e] : this.run(e, tried);
        for (const one of run) tried.add(one.id);
        if (!(await (e.kind === 'form' ? this.sendForm(e, said.token) : this.sendStops(run, said.token)))) break;
      }
    }
    this.changed();
  }
  // Stops of the round and lines at the net that follow each other go together.
  run(first, tried) {
    const rest = this.mine().filter((m) => !tried.has(m.id));
    const from = rest.findIndex((m) => m.id === first.id);
    const end = rest.findIndex((m, i) => i > from && m.kind === 'form');
    return rest.slice(from, end < 0 ? from + 100 : Math.min(end, from + 100));
  }
  async sendStops(run, token) {
    const answer = await post(
      '/round?handler=Keep',
      token,
      JSON.stringify({
        phoneNow: Date.now(),
        stops: run.map(({ id, kind, pond, at, values, behaviour, sure, meant }) => ({
          id,
          kind,
          pond,
          at,
          values,
          behaviour,
          sure,
          meant,
        })),
      }),
      { 'Content-Type': 'application/json' },
    );
    this.shut = [400, 401, 403].includes(answer?.status);
    if (!answer?.ok) return false;
    const { receipts } = await answer.json();
    for (const r of receipts) this.take(r.id, r);
    return true;
  }
  async sendForm(e, token) {
    const body = new URLSearchParams(e.fields);
    if (e.now) body.set('WaitedS', String((Date.now() - e.at) / 1000));
    for (const m of e.meant) body.append('Meant', m);
    const answer = await post(`${e.to}${e.to.includes('?') ? '&' : '?'}handler=Keep`, token, body);
    if (!answer || answer.status >= 500) return false;
    this.shut = [400, 401].includes(answer.status);
    if (this.shut) return false;
    const said =
      answer.ok && !answer.redirected
        ? await answer.json()
        : { kept: false, asks: [], words: 'The farm does not take this here any more: look at what it belongs to.' };
    this.take(e.id, said);
    return true;
  }
  take(id, { kept, words, asks, next, status, do: todo }) {
    const e = this.get(id);
    if (!e) return;
    if (!kept) return this.put({ ...e, words: words || 'The farm did not take it.', asks: asks ?? [] });
    if (!e.kind) {
      const { values, behaviour } = e;
      write(sent, {
        ...read(sent, {}),
        [e.pond]: { at: Date.now(), by: e.by, status, words, todo, values, behaviour },
      });
    }
    write(done, [{ title: e.title ?? e.pond, at: e.at, by: e.by }, ...read(done, [])].slice(0, 20));
    this.next.set(id, next ?? '/');
    this.drop(id);
  }
}

async function post(to, token, body, headers = {}) {
  try {
    return await fetch(to, {
      method: 'POST',
      headers: { ...headers, RequestVerificationToken: token },
      body,
      signal: AbortSignal.timeout(20000),
    });
  } catch {
    return null; // no signal: what is kept stays kept, and is sent when there is
  }
}

export const outbox = new Outbox();
