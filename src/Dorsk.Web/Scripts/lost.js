// Says on every page when nothing comes from the farm any more: then no alarm reaches it either.
import { onMoved, silentFor } from './live.js';

const longest = 50000;

export const lost = () => ({
  here: true,
  since: '',
  init() {
    onMoved(() => {
      this.here = true;
    });
    setInterval(() => this.look(), 5000);
  },
  look() {
    if (silentFor() < longest) {
      this.here = true;
      return;
    }
    if (this.here)
      this.since = new Date(Date.now() - silentFor()).toLocaleTimeString([], {
        hour: '2-digit',
        minute: '2-digit',
        hour12: false,
      });
    this.here = false;
  },
});
