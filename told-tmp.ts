import { openBrowser } from './scripts/lib/browser.ts';
import { judgeSite, judgeTold } from './tests/judge/told/judge-told.ts';
import { cp, mkdtemp } from 'node:fs/promises';
const main = async () => {
const { browser, close } = await openBrowser();
if (process.argv[2] === 'sites') {
 for (const path of process.argv.slice(3)) {
 const at = await mkdtemp('/tmp/told-'); await cp(path, at, {recursive:true});
 const page = await browser.newPage();
 const r = await judgeSite(page, at); console.log(path, r.looks, r.shown, 'missed', r.missed.length, 'invented', r.invented.length, r.missed.slice(0,6), r.invented.slice(0,6)); }
} else {
 const r = await judgeTold(browser, Number(process.argv[2]), Number(process.argv[3]));
 console.log(r.looks, r.shown, 'missed', r.missed.length, r.missed.slice(0,8), 'invented', r.invented.length, r.invented.slice(0,8)); console.log(r.smallest);
}
await close(); }; void main();
