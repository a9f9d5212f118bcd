// The end of a walk: what was found and what to do, what was not reached. The farm's own answer where it is there, else what the card can say.
import { el } from './dom.js';

const grave = ['Watch', 'ActNow'];
const calm = ['', 'calm', 'feeding'];

// What stands about one stop: null where nobody was there.
export function foundAt(stop, outbox, judge) {
  const waiting = outbox.waiting().findLast((e) => e.pond === stop.code && !e.kind);
  const said = outbox.saidOf(stop.code);
  const entry = waiting ?? said;
  if (!entry) return null;
  const found = [];
  let [status, todo] = ['Steady', ''];
  const worse = (level, first) => {
    if (level === 'ActNow' || status === 'Steady') [status, todo] = [level, first];
  };
  if (entry === said && said.status) {
    if (grave.includes(said.status)) {
      found.push(said.words);
      [status, todo] = [said.status, said.todo ?? ''];
    }
  } else {
    for (const f of stop.fields) {
      const level = judge(f, entry.values?.[f.key] ?? '');
      if (!grave.includes(level?.[0])) continue;
      found.push(`${f.label} ${entry.values[f.key]} ${f.unit}: ${level[1].toLowerCase()}`);
      worse(level[0], f.first);
    }
  }
  if (Number(entry.values?.dead) > 0) found.push(`${entry.values.dead} dead`);
  if (!calm.includes(entry.behaviour ?? '')) {
    found.push(`fish: ${entry.behaviour}`);
    if (entry.behaviour === 'gasping') worse('ActNow', stop.fields.find((f) => f.first)?.first ?? '');
    else worse('Watch', '');
  }
  if (waiting?.words) found.push(waiting.words);
  return { stop, status, found, todo, kept: !!waiting };
}

// The list of it, the gravest first; `go` leads to a stop.
export function roundEnd(stops, outbox, judge, mark, go) {
  const seen = stops.map((s) => foundAt(s, outbox, judge));
  const missed = stops.filter((s, i) => s.stocked && !seen[i]);
  const rank = { ActNow: 0, Watch: 1 };
  const things = seen
    .filter((f) => f?.found.length)
    .sort((a, b) => (rank[a.status] ?? 2) - (rank[b.status] ?? 2) || stops.indexOf(a.stop) - stops.indexOf(b.stop));
  const quiet = seen.filter((f) => f && !f.found.length).map((f) => f.stop.code);
  const to = (stop, ...words) => {
    const b = el('button', { type: 'button', class: 'btn line' }, ...words);
    b.addEventListener('click', () => go(stops.indexOf(stop)));
    return b;
  };
  return [
    el('h2', { tabindex: '-1' }, 'End of the round'),
    missed.length
      ? el(
          'div',
          { class: 'r-missed' },
          el('p', {}, el('b', {}, 'Not visited: '), missed.map((s) => s.code).join(', ')),
          el('p', {}, ...missed.slice(0, 6).map((s) => to(s, 'Go to ', s.code))),
        )
      : null,
    things.length
      ? el(
          'ol',
          { class: 'r-found', 'aria-label': 'Found' },
          ...things.map((f) =>
            el(
              'li',
              {},
              el(
                'p',
                {},
                el('b', { class: 'st st-' + f.status }, mark(f.status), f.stop.code),
                ' ',
                f.found.join('; '),
              ),
              f.todo ? el('p', {}, el('b', {}, 'Do: '), f.todo) : null,
              f.kept
                ? el('p', { class: 'note' }, 'Not sent yet: judged by the levels this phone carries, not by the farm.')
                : null,
            ),
          ),
        )
      : null,
    quiet.length ? el('p', {}, el('b', {}, 'Nothing found: '), quiet.join(', ')) : null,
    el('p', { class: 'r-out-links' }, el('a', { class: 'btn', href: '/' }, 'To Today')),
  ].filter(Boolean);
}
