import { starterText, readStarterRegions } from '../src/core/source/starter.ts';
import { checkSite } from '../src/core/check/site.ts';
import { readSiteFiles } from '../src/core/source/read.ts';
import { sentenceOf } from '../src/core/messages/problem.ts';
const say = (t: string) => console.log(checkSite(readSiteFiles({ texts: new Map([['s.eave', t]]), assets: new Map() })).problems.map((p) => p.code + ': ' + sentenceOf(p)));
say(starterText('x', readStarterRegions('head, menu, content, side, foot'.split(', '))));
for (const v of ['show drawer', 'show drawer left', 'show drawer left 200px', 'width', 'size', 'shrink 40px', 'aspect', 'show', 'pad var(--guter)', 'span', 'label'])
say(`site "T" {}\nlayout x at / { region main as main { slot }; region r as div { ${v} } }\nroute / { piece a """<p>x</p>""" }`);
