// Seconds that run out: what is to come at an hour says how long it still is. The server says the seconds; no clock of this machine is asked.
export function tills() {
  const began = performance.now();
  const marks = document.querySelectorAll('[data-till]');
  const show = () => {
    for (const mark of marks) {
      const left = Math.round(Number(mark.dataset.till) - (performance.now() - began) / 1000);
      mark.textContent = left <= 0 ? 'now' : `in ${Math.floor(left / 60)}:${String(left % 60).padStart(2, '0')}`;
    }
  };
  if (marks.length === 0) return;
  show();
  setInterval(show, 1000);
}
