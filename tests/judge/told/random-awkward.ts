import fc from 'fast-check';

/** Random sites with content as people write it who do not think of small screens: wide, tall, stiff, shifted, cut. */

export interface AwkwardSite {
	readonly frame: Frame;
	readonly head: readonly Piece[];
	readonly side: readonly Piece[];
	readonly main: readonly Piece[];
	readonly second: readonly Piece[];
}

interface Frame {
	readonly arrange: 'areas' | 'stack' | 'row' | 'columns';
	readonly aside: number;
	readonly pad: number;
	readonly wide: number;
	/** px; undefined where it is as high as its content. */
	readonly headHeight: number | undefined;
	/** px; the row of areas that the head stands in, where it is not as high as the head. */
	readonly headRow: number | undefined;
	readonly screen: 'none' | 'fill' | 'scroll';
	readonly contain: number | undefined;
	readonly mirrored: boolean;
	/** px; the side is a drawer of that width on narrow screens. */
	readonly drawer: number | undefined;
}

interface Piece {
	readonly html: string;
	readonly css: string;
	readonly hasBox: boolean;
}

const words = 'seed lent in spring and brought back in autumn by all who had some of it'.split(' ');
const text = (count: number): string =>
	Array.from({ length: count }, (_, index) => words[index % words.length]).join(' ');
const picture = (width: number, height: number): string =>
	`data:image/svg+xml,${encodeURIComponent(`<svg xmlns='http://www.w3.org/2000/svg' width='${width}' height='${height}'/>`)}`;

/** Content by the number that makes it its own. */
const contents: readonly ((n: number) => { html: string; css?: string })[] = [
	(n) => ({ html: `<p>${text(8 + (n % 60))}</p>` }),
	(n) => ({ html: `<h2>${text(3)}</h2><ul><li>${text(2 + (n % 9))}</li><li>${text(4)}</li></ul>` }),
	(n) => ({ html: `<p class="t">${text(6)}</p>`, css: `.t { width: ${300 + (n % 900)}px }` }),
	(n) => ({ html: `<p class="t">${text(4 + (n % 16))}</p>`, css: '.t { white-space: nowrap }' }),
	(n) => ({ html: `<div class="t"><p>${text(6)}</p></div>`, css: `.t { margin-right: -${n % 60}px }` }),
	(n) => ({ html: `<div class="t"><p>${text(6)}</p></div>`, css: `.t { margin: 0 -${n % 40}px }` }),
	(n) => ({ html: `<pre>${text(5 + (n % 14))}&#10;${text(3)}</pre>` }),
	(n) => ({ html: `<img src="${picture(200 + (n % 1200), 80)}" alt="A pod">` }),
	(n) => ({ html: `<div class="t"><p>${text(3)}</p></div>`, css: `.t { height: ${30 + (n % 120)}px }` }),
	(n) => ({ html: `<table><tr>${`<td>${words[n % 16]}</td>`.repeat(3 + (n % 9))}</tr></table>` }),
	(n) => ({ html: `<p>${'seedlending'.repeat(1 + (n % 8))}</p>` }),
	(n) => ({ html: `<p class="t">${text(9)}</p>`, css: `.t { overflow: hidden; white-space: nowrap; width: ${200 + (n % 300)}px }` }),
	(n) => ({ html: `<p class="t">${text(9)}</p>`, css: `.t { overflow: ${n % 2 ? 'clip' : 'hidden'}; white-space: nowrap${n % 3 ? '' : '; text-overflow: ellipsis'} }` }),
	(n) => ({ html: `<div class="t"><p>${text(12 + (n % 30))}</p></div>`, css: `.t { overflow: hidden; height: ${30 + (n % 90)}px }` }),
	(n) => ({ html: `<div class="t"><b>${text(2)}</b><b>${text(2 + (n % 3))}</b><b>${text(3)}</b></div>`, css: '.t { display: flex; gap: 16px } .t > b { flex: none }' }),
	(n) => ({ html: `<div class="t"><p>${text(3)}</p><p>${text(3)}</p></div>`, css: `.t { display: grid; grid-template-columns: ${120 + (n % 300)}px ${200 + (n % 200)}px }` }),
	(n) => ({ html: `<form><input size="${10 + (n % 70)}" aria-label="Kind"> <button>Look for it</button></form>` }),
	(n) => ({ html: `<div class="t"><p class="u">${text(2)}</p></div>`, css: `.t { position: relative; height: 40px } .u { position: absolute; right: -${n % 50}px }` }),
	(n) => ({ html: `<p class="t">${text(4)}</p>`, css: `.t { width: 100vw${n % 2 ? '; margin-left: -16px' : ''} }` }),
	(n) => ({ html: `<details${n % 2 ? ' open' : ''}><summary>${text(3)}</summary><p>${text(20)}</p></details>` }),
	(n) => ({ html: `<div class="t"><p>${text(30)}</p></div>`, css: `.t { max-height: ${60 + (n % 60)}px; overflow: auto }` }),
	(n) => ({ html: `<p class="t">${text(5)}</p><p>${text(20)}</p>`, css: `.t { float: right; width: ${100 + (n % 300)}px }` })
]; // prettier-ignore

const piece: fc.Arbitrary<Piece> = fc
	.tuple(fc.nat(contents.length - 1), fc.nat(2000), fc.boolean())
	.map(([which, n, hasBox]) => {
		const { html, css = '' } = contents[which]?.(n) ?? { html: '' };
		return { html, css, hasBox };
	});

const pieces = (most: number): fc.Arbitrary<readonly Piece[]> =>
	fc.array(piece, { minLength: 1, maxLength: most });

export const awkwardSites: fc.Arbitrary<AwkwardSite> = fc.record({
	frame: fc.record({
		arrange: fc.constantFrom<Frame['arrange']>('areas', 'stack', 'row', 'columns'),
		aside: fc.integer({ min: 120, max: 300 }),
		pad: fc.constantFrom(0, 12, 16, 24),
		wide: fc.integer({ min: 500, max: 1100 }),
		headHeight: fc.option(fc.integer({ min: 40, max: 120 }), { nil: undefined }),
		headRow: fc.option(fc.integer({ min: 30, max: 90 }), { nil: undefined }),
		screen: fc.constantFrom<Frame['screen']>('none', 'none', 'fill', 'scroll'),
		contain: fc.option(fc.integer({ min: 400, max: 1200 }), { nil: undefined }),
		mirrored: fc.boolean(),
		drawer: fc.option(fc.integer({ min: 160, max: 320 }), { nil: undefined })
	}),
	head: pieces(1),
	side: pieces(2),
	main: pieces(3),
	second: pieces(2)
});

const arrangements: Readonly<Record<Frame['arrange'], (frame: Frame) => string>> = {
	areas: ({ aside, headRow }) =>
		`arrange areas { "head" ${headRow === undefined ? 'auto' : `${headRow}px`}; "main" auto; "side" auto }
  arrange areas @wide { "head head" auto; "side main" auto; columns ${aside}px 1fr }`,
	stack: () => 'arrange stack { gap 12px }',
	row: () => 'arrange stack { }\n  arrange row @wide { gap 16px; wrap }',
	columns: () => 'arrange columns 12 { gap 16px }'
};

/** The site as text. Each content has a style with a class of its own. */
export function awkwardText({ frame, head, side, main, second }: AwkwardSite): string {
	let count = 0;
	const written = (list: readonly Piece[]): string =>
		list
			.map(({ html, css, hasBox }) => {
				const number = ++count;
				const own = (text: string): string => text.replaceAll(/\bu\b(?=[" ])/g, `u${number}`).replaceAll(/class="t"/g, `class="t${number}"`); // prettier-ignore
				const style = css.replaceAll('.t', `.t${number}`).replaceAll('.u', `.u${number}`);
				const said = style === '' ? '' : `style """${style}"""; `;
				return `piece p${number}${hasBox ? ' { pad 0 }' : ''} """${own(html)}"""; ${said}`;
			})
			.join('\n    ');
	const { arrange, pad, wide, headHeight, screen, contain, mirrored, drawer } = frame;
	const slides =
		drawer === undefined ? '' : `show drawer left ${drawer}px "Side"; show in-place @wide; `;
	const span = (wideSpan: number): string => arrange === 'columns' ? `span 12; span ${wideSpan} @wide; ` : ''; // prettier-ignore
	const grow = arrange === 'row' ? 'size fill @wide; ' : '';
	const scroll = screen === 'scroll' ? 'scroll own; ' : '';
	const lines = [
		`site "Lent" { ${mirrored ? 'dir rtl; ' : ''}bands { narrow 0; wide ${wide} } }`,
		`layout frame at / {`,
		screen === 'none' ? '' : '  height screen',
		`  ${arrangements[arrange](frame)}`,
		`  region head as header { ${span(12)}pad 0 ${pad}px; ${headHeight === undefined ? '' : `height ${headHeight}px; `}\n    ${written(head)} }`,
		`  region side as aside { ${span(3)}${grow}${slides}pad ${pad}px;\n    ${written(side)} }`,
		`  region main as main { ${span(9)}${grow}${scroll}pad ${pad}px; ${contain === undefined ? '' : `contain ${contain}px; `}slot }`,
		'}',
		`route / { title "Lent"; ${written(main)} }`,
		`route /more { title "More"; ${written(second)} }`
	];
	return lines.filter((line) => line !== '').join('\n');
}
