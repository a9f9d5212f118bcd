// Zoom and move of the farm plan: the window on the drawing changes, the labels of that zoom are shown. Everything shown was laid out by the server.
const zooms = [1, 2, 4];

export function plan() {
  return {
    step: 0,
    x: 0,
    y: 0,
    get atMost() {
      return this.step === zooms.length - 1;
    },
    get atLeast() {
      return this.step === 0;
    },
    get moved() {
      return this.step > 0;
    },
    init() {
      this.svg = this.$el.querySelector('svg.plan');
      this.full = this.svg.viewBox.baseVal;
      [this.w, this.h] = [this.full.width, this.full.height];
      this.svg.tabIndex = 0;
      // On a phone the whole farm would be too small to read.
      if (innerWidth < 720) {
        this.step = 1;
        this.show();
      }
      this.down = (e) => {
        if (this.step) {
          this.from = [e.clientX, e.clientY];
          this.svg.setPointerCapture(e.pointerId);
        }
      };
      this.drag = (e) => {
        if (!this.from) return;
        const px = this.w / zooms[this.step] / this.svg.clientWidth;
        this.x -= (e.clientX - this.from[0]) * px;
        this.y -= (e.clientY - this.from[1]) * px;
        this.from = [e.clientX, e.clientY];
        this.show();
      };
      this.up = () => {
        this.from = null;
      };
      this.keys = (e) => {
        const by = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[e.key];
        if (e.key === '+') this.zoomIn();
        else if (e.key === '-') this.zoomOut();
        else if (!by || !this.step) return;
        if (by) {
          this.x += (by[0] * this.w) / zooms[this.step] / 6;
          this.y += (by[1] * this.h) / zooms[this.step] / 6;
          this.show();
        }
        e.preventDefault();
      };
      for (const [name, f] of [
        ['pointerdown', this.down],
        ['pointermove', this.drag],
        ['pointerup', this.up],
        ['pointercancel', this.up],
        ['keydown', this.keys],
      ])
        this.svg.addEventListener(name, f);
    },
    zoomIn() {
      this.zoom(Math.min(this.step + 1, zooms.length - 1));
    },
    zoomOut() {
      this.zoom(Math.max(this.step - 1, 0));
    },
    zoom(step) {
      // The middle of the window stays in the middle.
      const middle = [this.x + this.w / zooms[this.step] / 2, this.y + this.h / zooms[this.step] / 2];
      this.step = step;
      [this.x, this.y] = [middle[0] - this.w / zooms[step] / 2, middle[1] - this.h / zooms[step] / 2];
      this.show();
    },
    show() {
      const [w, h] = [this.w / zooms[this.step], this.h / zooms[this.step]];
      this.x = Math.max(0, Math.min(this.w - w, this.x));
      this.y = Math.max(0, Math.min(this.h - h, this.y));
      this.svg.setAttribute('viewBox', `${this.x} ${this.y} ${w} ${h}`);
      this.svg.dataset.zoom = zooms[this.step];
    },
  };
}
