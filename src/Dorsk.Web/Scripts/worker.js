// Keeps pages, styles and scripts for where there is no signal. Pages come from the farm whenever it answers; what is kept belongs to the person
// who is signed in and is gone when somebody else is, or nobody.
const lib = 'dorsk-lib-' + VERSION,
  pages = 'dorsk-pages',
  listAt = '/~pages',
  patience = 8000,
  fresh = 10 * 60e3;
let turn = 0;

const list = async () => {
  const kept = await caches.match(listAt);
  return kept ? kept.json() : null;
};
const forget = () => {
  turn++;
  return caches.delete(pages);
};

self.addEventListener('install', (e) => {
  self.skipWaiting();
  e.waitUntil(caches.open(lib).then((c) => c.addAll(FILES.map((f) => '/lib/' + f))));
});
self.addEventListener('activate', (e) =>
  e.waitUntil(
    (async () => {
      for (const name of await caches.keys())
        if (name.startsWith('dorsk-lib-') && name !== lib) await caches.delete(name);
      await self.clients.claim();
    })(),
  ),
);
self.addEventListener('message', (e) => {
  if (e.data?.keep) e.waitUntil(keepPages());
});
self.addEventListener('fetch', (e) => {
  const url = new URL(e.request.url);
  if (url.origin !== location.origin) return;
  if (url.pathname.startsWith('/lib/') && url.pathname !== '/lib/worker.js') e.respondWith(file(e.request));
  else if (e.request.mode === 'navigate' && e.request.method === 'GET') e.respondWith(page(e, url));
  else if (e.request.mode === 'navigate') e.respondWith(sent(e.request, url));
});

// Files carry their hash in the address: the very one, else the farm's, else the one this version came with.
async function file(request) {
  const cache = await caches.open(lib);
  const kept = await cache.match(request);
  if (kept) return kept;
  try {
    const answer = await fetch(request);
    if (answer.ok) await cache.put(request, answer.clone());
    return answer;
  } catch {
    return (await cache.match(request, { ignoreSearch: true })) ?? Response.error();
  }
}

async function page(event, url) {
  const started = turn;
  const kept = await caches.match(url.pathname, { cacheName: pages });
  const asked = fetch(event.request);
  asked.catch(() => {}); // it may fail after the kept page was shown
  try {
    const slow = new Promise((_, late) => kept && setTimeout(() => late(new Error('slow')), patience));
    const answer = await Promise.race([asked, slow]);
    event.waitUntil(belongs(answer.clone(), url, started));
    return answer;
  } catch {
    return kept ? asKept(kept) : nothing();
  }
}

// A page that was opened renews the one that is kept; a page of somebody else throws all kept ones away.
async function belongs(answer, url, started) {
  const person = answer.headers.get('Dorsk-Person');
  if (person === null) return;
  const said = await list();
  if (said && said.person !== person) return forget();
  if (said && !url.search && said.pages.some((p) => p.address === url.pathname))
    await put(url.pathname, answer, person, started);
}

async function put(address, answer, person, started) {
  if (answer.ok && !answer.redirected && answer.headers.get('Dorsk-Person') === person && started === turn)
    await (await caches.open(pages)).put(address, answer);
}

async function keepPages() {
  // Counted from before the farm is asked: its answer may come after somebody has signed out.
  const started = turn;
  let said;
  try {
    const answer = await fetch('/signal/pages', { cache: 'no-store' });
    if (answer.status === 401) return forget();
    if (!answer.ok) return;
    said = await answer.json();
  } catch {
    return; // no signal: what is kept stays
  }
  const before = await list();
  if (started !== turn) return;
  // Somebody else's: it goes, and their own is fetched.
  if (before && before.person !== said.person) {
    await forget();
    return keepPages();
  }
  if (before && before.build === said.build && Date.now() - before.at < fresh) return;
  // The list first: where the signal goes half way, what has come is kept already.
  await note({ ...said, at: Date.now() - fresh }, started);
  for (const { address } of said.pages)
    await put(address, await fetch(address, { headers: { Accept: 'text/html' } }), said.person, started);
  await note({ ...said, at: Date.now(), whole: true }, started);
}

async function note(said, started) {
  if (started === turn)
    await (
      await caches.open(pages)
    ).put(listAt, new Response(JSON.stringify(said), { headers: { 'Content-Type': 'application/json' } }));
}

async function sent(request, url) {
  const leaves = url.pathname === '/sign-out';
  if (leaves) await forget();
  try {
    const answer = await fetch(request);
    // Whatever began before the farm had heard of it.
    if (leaves) await forget();
    return answer;
  } catch {
    return nothing(
      leaves
        ? 'The pages kept on this phone are gone. The farm itself has you signed in until you sign out with signal.'
        : 'It was not sent. Go back: what you typed still stands in its fields.',
    );
  }
}

const headers = (kept) => ({
  'Content-Type': 'text/html; charset=utf-8',
  'Content-Security-Policy': kept?.headers.get('Content-Security-Policy') ?? "default-src 'self'",
});

async function asKept(kept) {
  const html = await kept.text();
  return new Response(html.replace('<html ', '<html data-kept="yes" '), { headers: headers(kept) });
}

const safe = (text) => text.replace(/[&<>"]/g, (c) => `&#${c.charCodeAt(0)};`);
async function nothing(words = 'This page is not kept on this phone. These are:') {
  const said = await list();
  const links = (said?.pages ?? []).map((p) => `<li><a href="${safe(p.address)}">${safe(p.title)}</a></li>`).join('');
  return new Response(
    `<!doctype html><html lang="en"><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1">` +
      `<title>No signal · Dorsk</title><link rel="stylesheet" href="/lib/dorsk.css"><main id="main"><div class="lede"><h1>No signal</h1></div>` +
      `<p>${safe(words)}</p><ul class="kept-pages">${links}</ul></main></html>`,
    { status: 503, headers: headers() },
  );
}
