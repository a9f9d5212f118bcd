// Hears that the log has moved: one stream a browser, shared by all its pages, since a browser opens only a few to one farm.
// The page that leads tells the others; when it goes, the next to miss it leads. Without streams the pages look every half minute.
const channel = 'BroadcastChannel' in window ? new BroadcastChannel('dorsk-live') : null;
const listeners = new Set();
let source = null,
  started = false,
  lastTold = performance.now();

const tell = (line) => {
  lastTold = performance.now();
  for (const heard of listeners) heard(Number(line));
};

function lead() {
  if (source) return;
  source = new EventSource('/live');
  source.onmessage = (e) => {
    tell(e.data);
    channel?.postMessage({ line: e.data });
  };
}

function start() {
  started = true;
  channel?.addEventListener('message', (e) => {
    if (e.data.line !== undefined && !source) tell(e.data.line);
    if (e.data.who && source) channel.postMessage({ here: true });
    if (e.data.here) lastTold = performance.now();
  });
  channel?.postMessage({ who: true });
  // The leader is told of at least every 15 s; silence for 40 s means that it is gone.
  setTimeout(() => {
    if (!channel || performance.now() - lastTold > 250) lead();
  }, 300);
  setInterval(() => {
    if (!source && performance.now() - lastTold > 40000) lead();
  }, 10000);
}

export function onMoved(heard) {
  listeners.add(heard);
  if (!started) start();
  return () => listeners.delete(heard);
}

// How long nothing has come from the farm, ms.
export const silentFor = () => performance.now() - lastTold;
