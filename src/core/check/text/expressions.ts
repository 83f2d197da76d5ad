import { plainFrame, plainPage } from '../example.ts';
import { Memory } from '../../lib/memory.ts';
import type { Problem } from '../../messages/problem.ts';
import { documentTexts, markupsOf, type Layer, type Site } from '../../model/site.ts';
import type { PageInstance } from '../../resolve/instance.ts';
import { piecesIn } from '../../resolve/content/pieces.ts';
import type { LayerCheck } from '../check.ts';
import { knownIn } from './known.ts';
import { TextWalk } from './walk.ts';

/** What was found in a layer, for as long as the site's data and parts are the same. */
const knownProblems = new Memory<Layer, readonly Problem[]>();

export const expressions: LayerCheck = {
	of: 'layer',
	codes: [
		'expression-unknown',
		'expression-no-value',
		'expression-no-text',
		'format-value',
		'loop-not-list',
		'condition-never',
		'value-not-given',
		'text-too-long',
		'part-unknown',
		'parameter-unknown',
		'parameter-missing',
		'parameter-value'
	],
	what: 'Every value in a text is there and has a text, and every part is given what it needs.',
	why: 'A page would have a hole where the value should be.',
	examples: {
		'expression-unknown': {
			wrong: plainPage('<h1>{nothing.here}</h1>'),
			mended: plainPage('<h1>{site.name}</h1>')
		},
		'expression-no-value': {
			wrong: `data list from "list.json"\n${plainFrame}\nroute /:slug { each data.list by slug; title "{item.colour}"; piece text """<h1>Seed</h1>""" }`,
			mended: `data list from "list.json"\n${plainFrame}\nroute /:slug { each data.list by slug; title "{item.colour ?? \\"Seed\\"}"; piece text """<h1>Seed</h1>""" }`,
			files: { 'list.json': '[{"slug": "kale", "no": {}}, {"slug": "bean"}]' }
		},
		'expression-no-text': {
			wrong: `data list from "list.json"\n${plainFrame}\nroute / { title "Home"; piece text """<h1>Seed</h1><p>{data.list}</p>""" }`,
			mended: `data list from "list.json"\n${plainFrame}\nroute / { title "Home"; piece text """<h1>Seed</h1><p>{data.list.0.slug}</p>""" }`,
			files: { 'list.json': '[{"slug": "kale", "no": {}}, {"slug": "bean"}]' }
		},
		'format-value': {
			wrong: `data list from "list.json"\n${plainFrame}\nroute / { title "Home"; piece text """<h1>Seed</h1><p>{data.list.0.slug as date}</p>""" }`,
			mended: `data list from "list.json"\n${plainFrame}\nroute / { title "Home"; piece text """<h1>Seed</h1><p>{data.list.0.slug}</p>""" }`,
			files: { 'list.json': '[{"slug": "kale", "no": {}}, {"slug": "bean"}]' }
		},
		'loop-not-list': {
			wrong: `data list from "list.json"\n${plainFrame}\nroute / { title "Home"; piece text """<h1>Seed</h1>{for x in data.list.0.slug}<p>{x}</p>{end}""" }`,
			mended: `data list from "list.json"\n${plainFrame}\nroute / { title "Home"; piece text """<h1>Seed</h1>{for x in data.list}<p>{x.slug}</p>{end}""" }`,
			files: { 'list.json': '[{"slug": "kale", "no": {}}, {"slug": "bean"}]' }
		},
		'condition-never': {
			wrong: `data list from "list.json"\n${plainFrame}\nroute / { title "Home"; piece text """<h1>Seed</h1>{if data.list.0.colour}<p>Red</p>{end}""" }`,
			mended: `data list from "list.json"\n${plainFrame}\nroute / { title "Home"; piece text """<h1>Seed</h1>{if data.list.0.slug}<p>Red</p>{end}""" }`,
			files: { 'list.json': '[{"slug": "kale", "no": {}}, {"slug": "bean"}]' }
		},
		'value-not-given': {
			wrong: `data bins from "https://stock.example/bins"\n${plainPage('<h1>Seed</h1><p>{data.bins.first}</p>')}`,
			mended: `data bins from "https://stock.example/bins"\n${plainPage('<h1>Seed</h1><p>{data.bins.first ?? "none"}</p>')}`,
			files: { 'copies/bins.json': '{}' }
		},
		'text-too-long': {
			wrong: `data list from "list.json"\n${plainFrame}\nroute / { title "Home"; piece text """<h1>Seed</h1>{for x in data.list}{for y in data.list}{y}{end}{end}""" }`,
			mended: `data list from "list.json"\n${plainFrame}\nroute / { title "Home"; piece text """<h1>Seed</h1>{for x in data.list}{x}{end}""" }`,
			files: { 'list.json': JSON.stringify(Array.from({ length: 200 }, (_, at) => at)) }
		},
		'part-unknown': {
			wrong: `part card(title, tone = plain | ripe) """<p class="{tone}">{title}</p>"""\n${plainPage('<h1>Seed</h1>{use cart title="Kale"}{use card title="Bean"}')}`,
			mended: `part card(title, tone = plain | ripe) """<p class="{tone}">{title}</p>"""\n${plainPage('<h1>Seed</h1>{use card title="Kale"}')}`
		},
		'parameter-unknown': {
			wrong: `part card(title, tone = plain | ripe) """<p class="{tone}">{title}</p>"""\n${plainPage('<h1>Seed</h1>{use card title="Kale" size="2"}')}`,
			mended: `part card(title, tone = plain | ripe) """<p class="{tone}">{title}</p>"""\n${plainPage('<h1>Seed</h1>{use card title="Kale"}')}`
		},
		'parameter-missing': {
			wrong: `part card(title, tone = plain | ripe) """<p class="{tone}">{title}</p>"""\n${plainPage('<h1>Seed</h1>{use card}')}`,
			mended: `part card(title, tone = plain | ripe) """<p class="{tone}">{title}</p>"""\n${plainPage('<h1>Seed</h1>{use card title="Kale"}')}`
		},
		'parameter-value': {
			wrong: `part card(title, tone = plain | ripe) """<p class="{tone}">{title}</p>"""\n${plainPage('<h1>Seed</h1>{use card title="Kale" tone="wild"}')}`,
			mended: `part card(title, tone = plain | ripe) """<p class="{tone}">{title}</p>"""\n${plainPage('<h1>Seed</h1>{use card title="Kale" tone="ripe"}')}`
		}
	},
	find(layer, { site, instances }) {
		return knownProblems.get(layer, [site.values, site.data.length, site.parts], () =>
			findProblems(layer, layer.kind === 'layout' ? [] : instances(layer), site)
		);
	}
};

/** The title of a page alone may not name the page's title. */
function findProblems(layer: Layer, pages: readonly PageInstance[], site: Site): Problem[] {
	const walk = new TextWalk(site);
	const known = knownIn(layer, pages, site, true);
	if (layer.title) {
		const isPage = layer.kind !== 'layout';
		walk.template(layer.title, isPage ? knownIn(layer, pages, site, false) : known);
	}
	if (layer.description) walk.template(layer.description, known);
	for (const template of documentTexts(layer)) walk.template(template, known);
	for (const piece of piecesIn(layer)) {
		for (const template of markupsOf(piece)) walk.template(template, known);
	}
	return walk.problems;
}
