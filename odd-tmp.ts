import { run } from './src/cli/main.ts';
import { soundSite } from './src/core/check/site.ts';
import { readSiteFiles } from './src/core/source/read.ts';
import { readSitePath } from './src/cli/site-path.ts';
const main = async () => { try { const s = soundSite(readSiteFiles(await readSitePath('/tmp/odd'))); console.log(s.problems.map(p=>p.code)); } catch (e) { console.log((e as Error).stack); } }; void main(); void run;
