import { packSource } from '../../src/core/emit/delivery.ts';
import { encodeUtf8 } from '../../src/core/lib/utf8.ts';
import { generatedSite } from './generated-site.ts';

/** Sites that are large in one way each, as zips. */

const frame = (name: string): string[] => [
	`site "${name}" { bands { narrow 0; wide 1000 } }`,
	'layout frame at / { region main as main { slot } }'
];

const words =
	'seed sown under glass in the last week of March and planted out when the nights are mild ';

/** One page with a piece of so many characters, in paragraphs as people write them. */
export function longPiece(characters: number): Uint8Array {
	const paragraph = `<p>${words.repeat(6)}</p>\n`;
	const markup = paragraph.repeat(Math.ceil(characters / paragraph.length));
	return site([...frame('Long'), `route / { title "Long"; piece body """\n${markup}\n""" }`]);
}

/** One layout with so many regions. */
export function manyRegions(count: number): Uint8Array {
	const regions = Array.from(
		{ length: count },
		(_, at) => `region r${at} as div { piece p """<p>Region ${at}</p>""" }`
	);
	return site([
		'site "Regions" { bands { narrow 0; wide 1000 } }',
		`layout frame at / { region main as main { slot }; ${regions.join('\n')} }`,
		'route / { title "Many"; piece body """<h1>Many</h1>""" }'
	]);
}

/** A page with so many other files beside it. */
export function manyFiles(count: number): Uint8Array {
	const files = Array.from({ length: count }, (_, at): [string, Uint8Array] => [
		`images/i${at}.png`,
		Uint8Array.of(0x89, 0x50, 0x4e, 0x47, at & 255, at >> 8)
	]);
	const text = [
		...frame('Files'),
		'route / { title "Files"; piece body """<img src="images/i7.png" alt="">""" }'
	];
	return packSource({ texts: new Map([['site.eave', text.join('\n')]]), assets: new Map(files) });
}

export function manyRoutes(count: number): Uint8Array {
	return packSource({ texts: generatedSite(count, 40), assets: new Map() });
}

function site(lines: readonly string[]): Uint8Array {
	return encodeUtf8(lines.join('\n'));
}
