// Hears that the log has moved: one stream a browser, shared by all its pages, since a browser opens only a few to one farm.
// The page that leads tells the others; when it goes, the next to miss it leads. Without streams the pages look every half minute.
const channel = 'BroadcastChannel' in window ? new BroadcastChannel('dorsk-live') : null;

export function onMoved(heard) {
  let source = null, lastTold = performance.now(), gone = false;
  const tell = line => { lastTold = performance.now(); heard(Number(line)); };
  const lead = () => {
    if (source || gone) return;
    source = new EventSource('/live');
    source.onmessage = e => { tell(e.data); channel?.postMessage({ line: e.data }); };
  };
  const listen = e => { if (e.data.line !== undefined && !source) tell(e.data.line); if (e.data.who && source) channel.postMessage({ here: true }); if (e.data.here) lastTold = performance.now(); };
  channel?.addEventListener('message', listen);
  channel?.postMessage({ who: true });
  // The leader is told of at least every 15 s; silence for 40 s means that it is gone.
  const first = setTimeout(() => { if (!channel || performance.now() - lastTold > 250) lead(); }, 300);
  const look = setInterval(() => { if (!source && performance.now() - lastTold > 40000) lead(); }, 10000);
  return () => { gone = true; clearTimeout(first); clearInterval(look); source?.close(); channel?.removeEventListener('message', listen); };
}
