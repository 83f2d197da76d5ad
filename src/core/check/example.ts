/** A site in which something is found exactly once, and the same one mended; what every site has may be left out. */
export interface Example {
	readonly wrong: string;
	readonly mended: string;
	/** Other files of both sites, by their paths. */
	readonly files?: Readonly<Record<string, string>>;
}

/** A frame for examples that are about something else. */
export const plainFrame =
	'layout frame at / {\n  description "Seed that is lent."\n  region main as main { slot }\n}';

/** The same with a page in it. */
export function plainPage(markup: string, more = ''): string {
	return `${plainFrame}\nroute / {\n  title "Home"\n  piece text """${markup}"""${more === '' ? '' : `\n  ${more}`}\n}`;
}

/** An example as a whole site. */
export function wholeExample(text: string): string {
	if (/^site /m.test(text)) return text;
	return `site "Seed library" { lang en; bands { narrow 0; wide 1000 } }\n${text}`;
}

/** A site whose only layout says something more. */
export function plainLayout(inner: string): string {
	return `layout frame at / {\n  description "Seed that is lent."\n  ${inner}\n  region main as main { slot }\n}\nroute / {\n  title "Home"\n  piece text """<h1>Seed</h1>"""\n}`;
}

/** The same with the site's own words. */
export function plainSite(words: string, more: string): string {
	return `site "Seed library" { lang en; bands { narrow 0; wide 1000 }; ${words} }\n${more}`;
}
