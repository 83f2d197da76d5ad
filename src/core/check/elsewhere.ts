import { Allowances } from './allowances.ts';
import type { ElsewhereCheck } from './check.ts';
import { shownFaults } from './html/shown-faults.ts';
import { plainFrame, plainLayout, plainPage } from './example.ts';

/** What is found without a check of its own, and can be shown by an example as checks are. */

const home = `route / { title "Home"; piece text """<h1>Seed</h1>""" }`;
const frame = (name: string, more = ''): string =>
	`layout ${name} at / ${more}{ description "Seed that is lent."; region main as main { slot } }`;

/** A page in so many layouts, each in the one before. */
const nested = (count: number): string =>
	[
		plainFrame,
		...Array.from({ length: count }, (_, index) => {
			const around = index === 0 ? 'frame' : `n${index - 1}`;
			return `layout n${index} at / on-request { under ${around}; region r${index} as div { slot } }`;
		}),
		`route / { title "Home"; under n${count - 1}; piece text """<h1>Seed</h1>""" }`
	].join('\n');

const chains: ElsewhereCheck = {
	of: 'elsewhere',
	codes: ['covers-twice', 'under-unknown', 'under-out-of-scope', 'under-cycle', 'under-too-deep'],
	what: 'Of each layout and page it is clear what it sits under.',
	why: 'Else nobody can say which frame a page has.',
	examples: {
		'covers-twice': {
			wrong: `${plainFrame}\n${frame('other')}\n${home}`,
			mended: `${plainFrame}\n${frame('other', 'on-request ')}\n${plainPage('x', 'under other').split('\n').slice(4).join('\n')}`
		},
		'under-unknown': {
			wrong: plainPage('<h1>Seed</h1>', 'under board'),
			mended: plainPage('<h1>Seed</h1>', 'under frame')
		},
		'under-out-of-scope': {
			wrong: `${plainFrame}\nlayout shelf at /shelf { region body as div { slot } }\nroute /shelf { title "Shelf" }\nroute / { title "Home"; under shelf; piece text """<h1>Seed</h1>""" }`,
			mended: `${plainFrame}\nlayout shelf at /shelf { region body as div { slot } }\nroute /shelf { title "Shelf" }\n${home}`
		},
		'under-too-deep': { wrong: nested(60), mended: nested(20) },
		'under-cycle': {
			wrong: `${plainFrame}\nlayout one at / on-request { under two; region a as div { slot } }\nlayout two at / on-request { under one; region b as div { slot } }\n${home}`,
			mended: `${plainFrame}\nlayout one at / on-request { under two; region a as div { slot } }\nlayout two at / on-request { region b as div { slot } }\n${home}`
		}
	}
};

const slots: ElsewhereCheck = {
	of: 'elsewhere',
	codes: ['layout-no-slot', 'layout-two-slots'],
	what: 'Each layout has exactly one slot.',
	why: 'What sits under the layout lands there: without it the pages are gone.',
	examples: {
		'layout-no-slot': {
			wrong: `layout frame at / { description "Seed that is lent."; region main as main { piece text """<h1>Seed</h1>""" } }\n${home}`,
			mended: `${plainFrame}\n${home}`
		},
		'layout-two-slots': {
			wrong: plainLayout('region side as aside { slot }'),
			mended: plainLayout('region side as aside { piece hours """<p>Two to six.</p>""" }')
		}
	}
};

const names: ElsewhereCheck = {
	of: 'elsewhere',
	codes: ['route-twice', 'piece-twice', 'region-twice', 'band-order', 'data-missing'],
	what: 'Names mean one thing each, and what they name is there.',
	why: 'Of two things of one name it is not clear which is meant.',
	examples: {
		'route-twice': { wrong: `${plainFrame}\n${home}\n${home}`, mended: `${plainFrame}\n${home}` },
		'piece-twice': {
			wrong: plainPage('<h1>Seed</h1>', 'piece text """<p>More</p>"""'),
			mended: plainPage('<h1>Seed</h1>', 'piece more """<p>More</p>"""')
		},
		'region-twice': {
			wrong: plainLayout('region main as div { }'),
			mended: plainLayout('region side as div { }')
		},
		'band-order': {
			wrong: `site "Seed library" { lang en; bands { narrow 0; wide 1000; medium 600 } }\n${plainFrame}\n${home}`,
			mended: `site "Seed library" { lang en; bands { narrow 0; medium 600; wide 1000 } }\n${plainFrame}\n${home}`
		},
		'data-missing': {
			wrong: `data kinds from "kinds.json"\n${plainFrame}\n${home}`,
			mended: `data kinds from "list.json"\n${plainFrame}\n${home}`,
			files: { 'list.json': '[]' }
		}
	}
};

const areas: ElsewhereCheck = {
	of: 'elsewhere',
	codes: ['areas-not-rectangle', 'areas-uneven'],
	what: 'Each area is one rectangle, and all rows have as many columns.',
	why: 'Browsers leave out all of such an arrangement.',
	examples: {
		'areas-not-rectangle': {
			wrong: plainLayout('arrange areas { "main main" auto; "main ." auto }'),
			mended: plainLayout('arrange areas { "main main" auto; "main main" auto }')
		},
		'areas-uneven': {
			wrong: plainLayout('arrange areas { "main main" auto; "main" auto }'),
			mended: plainLayout('arrange areas { "main main" auto; "main main" auto }')
		}
	}
};

const setAside: ElsewhereCheck = {
	of: 'elsewhere',
	codes: ['allow-idle'],
	what: 'What is ignored is still there.',
	why: 'The next finding of that kind would be ignored too, and nobody would know of it.',
	isSafe: () => true,
	examples: {
		'allow-idle': {
			wrong: plainPage('<h1>Seed</h1>', 'allow heading-twice "two poems"'),
			mended: plainPage('<h1>Seed</h1>')
		}
	},
	mend({ span: { file, from } }, { site }) {
		const idle = Allowances.of(site).all.find(
			({ allowance: { code } }) => code.span.file === file && code.span.from === from
		);
		return idle && { kind: 'tell-again', code: idle.allowance.code.text, in: idle.in };
	}
};

export const foundElsewhere: readonly ElsewhereCheck[] = [
	chains,
	slots,
	names,
	areas,
	setAside,
	shownFaults
];
