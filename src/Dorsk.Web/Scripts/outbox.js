// Entries wait here until the farm has answered. Each has an id of its own, so that sending twice enters once.
const box = 'dorsk-outbox',
  sent = 'dorsk-sent';
const read = (key, other) => {
  try {
    return JSON.parse(localStorage.getItem(key)) ?? other;
  } catch {
    return other;
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

export class Outbox {
  constructor(by, token, changed) {
    Object.assign(this, { by, token, changed, busy: false, shut: false });
  }
  waiting() {
    return read(box, []);
  }
  write(entries) {
    localStorage.setItem(box, JSON.stringify(entries));
    this.changed();
  }
  keep(entry) {
    this.write([
      ...this.waiting(),
      { ...entry, id: newId(), at: Date.now(), by: this.by, meant: [], words: '', asks: [] },
    ]);
    this.send();
  }
  drop(id) {
    this.write(this.waiting().filter((e) => e.id !== id));
  }
  mean(id) {
    this.write(
      this.waiting().map((e) => (e.id === id ? { ...e, meant: [...e.meant, ...e.asks], words: '', asks: [] } : e)),
    );
    this.send();
  }
  counts() {
    const all = this.waiting();
    return {
      kept: all.length,
      asks: all.filter((e) => e.words).length,
      other: all.filter((e) => e.by !== this.by).length,
      shut: this.shut,
    };
  }
  stateOf(pond) {
    if (this.waiting().some((e) => e.pond === pond && !e.kind)) return 'kept';
    const at = read(sent, {})[pond];
    return at && Date.now() - at < 4 * 3600e3 ? 'sent' : '';
  }
  async send() {
    const mine = this.waiting().filter((e) => e.by === this.by && !e.words);
    if (this.busy || !mine.length) return;
    this.busy = true;
    try {
      const answer = await fetch('/round?handler=Keep', {
        method: 'POST',
        headers: { 'Content-Type': 'application/json', RequestVerificationToken: this.token },
        body: JSON.stringify({
          phoneNow: Date.now(),
          stops: mine.map(({ id, kind, pond, at, values, behaviour, sure, meant }) => ({
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
      });
      this.shut = answer.status === 401 || answer.status === 403 || answer.status === 400;
      if (answer.ok) this.take((await answer.json()).receipts);
    } catch {
      /* no signal: what is kept stays kept, and is sent when there is */
    } finally {
      this.busy = false;
    }
    this.changed();
    if (!this.shut && this.waiting().some((e) => e.by === this.by && !e.words && !mine.some((m) => m.id === e.id)))
      this.send();
  }
  take(receipts) {
    const by = new Map(receipts.map((r) => [r.id, r]));
    const done = read(sent, {});
    for (const e of this.waiting()) if (by.get(e.id)?.kept && !e.kind) done[e.pond] = Date.now();
    localStorage.setItem(sent, JSON.stringify(done));
    this.write(
      this.waiting()
        .filter((e) => !by.get(e.id)?.kept)
        .map((e) => (by.has(e.id) ? { ...e, words: by.get(e.id).words, asks: by.get(e.id).asks } : e)),
    );
  }
}
