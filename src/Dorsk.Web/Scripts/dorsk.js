// What the browser runs: Alpine's CSP build, the slips, the charts.
import Alpine from '@alpinejs/csp';
import { slip } from './slip.js';
import { sheet } from './sheet.js';
import { accRun } from './acc.js';
import { board } from './board.js';
import { bench } from './bench.js';
import { plan } from './plan.js';
import { planner } from './planner.js';
import { weigh, weighed } from './weigh.js';
import { season } from './season.js';
import { round } from './round.js';
import { drawCharts } from './charts.js';
import { whyCards } from './why.js';

Alpine.data('slip', slip);
Alpine.data('sheet', sheet);
Alpine.data('accRun', accRun);
Alpine.data('board', board);
Alpine.data('bench', bench);
Alpine.data('plan', plan);
Alpine.data('planner', planner);
Alpine.data('weigh', weigh);
Alpine.data('season', season);
Alpine.data('round', round);
Alpine.start();
drawCharts();
whyCards();
weighed();
