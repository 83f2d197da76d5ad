import { benchBrowser } from './bench/browser.ts';
for (const { what, measured } of await benchBrowser()) console.log(measured.median.toFixed(1), measured.p95.toFixed(1), measured.runs, what);
