import { plainPage } from '../example.ts';
import { error, type Problem } from '../../messages/problem.ts';
import { Memory } from '../../lib/memory.ts';
import { documentTexts, markupsOf, type Layer, type Part } from '../../model/site.ts';
import type { Template } from '../../model/template.ts';
import { nestBlocks } from '../../resolve/markup/blocks.ts';
import { compileMarkup } from '../../resolve/markup/compile.ts';
import { partBook } from '../../resolve/content/parts.ts';
import { piecesIn } from '../../resolve/content/pieces.ts';
import type { LayerCheck } from '../check.ts';

const known = new Memory<Layer, readonly Problem[]>();

export const markup: LayerCheck = {
	of: 'layer',
	codes: [
		'expression-place',
		'markup-too-deep',
		'tag-unclosed',
		'tag-stray',
		'tag-crossed',
		'tag-not-here',
		'content-outside',
		'place-outside',
		'said-twice',
		'nested-too-deep'
	],
	what: 'Markup can be written as it is, with values where they may stand.',
	why: 'A value in a place where it would run, or break the markup, is a way in.',
	examples: {
		'expression-place': {
			wrong: plainPage('<h1>Seed</h1><script>{site.name}</script>'),
			mended: plainPage('<h1>Seed</h1><p>{site.name}</p>')
		},
		'markup-too-deep': {
			wrong: plainPage(`<h1>Seed</h1>${'<b>'.repeat(300)}x`),
			mended: plainPage('<h1>Seed</h1><b>x</b>')
		},
		'tag-unclosed': {
			wrong: plainPage('<h1>Seed</h1>{if site.name}<p>a</p>'),
			mended: plainPage('<h1>Seed</h1>{if site.name}<p>a</p>{end}')
		},
		'tag-stray': {
			wrong: plainPage('<h1>Seed</h1><p>a</p>{end}'),
			mended: plainPage('<h1>Seed</h1><p>a</p>')
		},
		'tag-crossed': {
			wrong: plainPage('<h1>Seed</h1><b>{if site.name}a</b>{end}'),
			mended: plainPage('<h1>Seed</h1><b>{if site.name}a{end}</b>')
		},
		'tag-not-here': {
			wrong: plainPage('<h1>Seed</h1><p {if site.name}class="a"{end}>a</p>'),
			mended: plainPage('<h1>Seed</h1><p class="{if site.name}a{end}">a</p>')
		},
		'content-outside': {
			wrong: plainPage('<h1>Seed</h1>{content}'),
			mended: plainPage('<h1>Seed</h1>')
		},
		'place-outside': {
			wrong: plainPage('<h1>Seed</h1>{slot}'),
			mended: plainPage('<h1>Seed</h1>')
		},
		'said-twice': {
			wrong: plainPage('<h1>Seed</h1>{if site.name}a{else}b{else}c{end}'),
			mended: plainPage('<h1>Seed</h1>{if site.name}a{else}b{end}')
		},
		'nested-too-deep': {
			wrong: plainPage(`<h1>Seed</h1>${'{if site.name}'.repeat(17)}x${'{end}'.repeat(17)}`),
			mended: plainPage('<h1>Seed</h1>{if site.name}x{end}')
		}
	},
	find: (layer, { site }) => known.get(layer, [site.parts], () => problemsIn(layer, site.parts))
};

function problemsIn(layer: Layer, parts: readonly Part[]): readonly Problem[] {
	const texts = [layer.title, layer.description].filter((one) => one !== undefined);
	return [
		...texts.flatMap((text) => textProblems(text, parts)),
		...piecesIn(layer)
			.flatMap(markupsOf)
			.flatMap((markup) => [...markupProblems(markup, parts), ...placesIn(markup)]),
		...documentTexts(layer).flatMap((markup) => markupProblems(markup, parts)),
		...[...layer.document.attributes.map(({ markup }) => markup)].flatMap(placesIn)
	];
}

function markupProblems(markup: Template, parts: readonly Part[]): Problem[] {
	return [...compileMarkup(markup, parts).problems, ...contentIn(markup)];
}

/** Places of regions, where no region can be. */
function placesIn({ parts }: Template): Problem[] {
	return parts.flatMap((one) =>
		typeof one !== 'string' && (one.kind === 'region' || one.kind === 'slot')
			? [error('place-outside', one.span, one.text)]
			: []
	);
}

/** Titles and descriptions are text: neither parts nor what they wrap can stand in them. */
function textProblems(text: Template, parts: readonly Part[]): Problem[] {
	const uses = text.parts.flatMap((one) =>
		typeof one !== 'string' && one.kind === 'use' ? [error('tag-not-here', one.span, one.text)] : []
	);
	return [
		...nestBlocks(text, partBook(parts)).problems,
		...uses,
		...contentIn(text),
		...placesIn(text)
	];
}

function contentIn({ parts }: Template): Problem[] {
	return parts.flatMap((one) =>
		typeof one !== 'string' && one.kind === 'content' ? [error('content-outside', one.span)] : []
	);
}
