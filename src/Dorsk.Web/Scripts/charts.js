// Finds the charts of a page, draws each from the JSON beside it, and draws again when its width changes.
import { oxygen } from './views/oxygen.js';
import { growth } from './views/growth.js';
import { course } from './views/course.js';

const views = { oxygen, growth, course };

export function drawCharts() {
  for (const hold of document.querySelectorAll('[data-chart]')) {
    const data = JSON.parse(hold.querySelector('script').textContent);
    let width = 0;
    const draw = () => {
      if (hold.clientWidth === width) return;
      width = hold.clientWidth;
      const figure = views[hold.dataset.chart](data, width);
      // Plot brings its own <style>, which the page's policy refuses; its two rules stand in our stylesheet.
      for (const style of figure.querySelectorAll('style')) style.remove();
      // One picture with one name; the words and the table beside it tell the figures.
      figure.setAttribute('role', 'img');
      for (const part of figure.querySelectorAll('[aria-label]')) part.removeAttribute('aria-label');
      hold.querySelector('.drawn')?.remove();
      figure.classList.add('drawn');
      hold.append(figure);
    };
    new ResizeObserver(draw).observe(hold);
    draw();
  }
}
