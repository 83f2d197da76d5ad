import { escapeHtml } from './escape.ts';

/** What a page says that only leads on, from an address at which another page was once. */
export interface LeadingOn {
	/** The URL of the page, as it works from there. */
	readonly to: string;
	/** Its whole URL, where the site says where it will be. */
	readonly canonical: string | undefined;
	readonly title: string;
	readonly lang: string;
}

/**
 * A page for servers that know nothing of redirects: it leads on at once (HTML, section 4.2.5.3, "refresh"), names
 * the other as the one to be kept, and has a link for who is not led.
 */
export function leadPage({ to, canonical, title, lang }: LeadingOn): string {
	const [url, words] = [escapeHtml(to), escapeHtml(title)];
	return [
		'<!DOCTYPE html>',
		`<html lang="${escapeHtml(lang)}">`,
		'  <head>',
		'    <meta charset="utf-8">',
		'    <meta name="viewport" content="width=device-width, initial-scale=1">',
		`    <title>${words}</title>`,
		`    <link rel="canonical" href="${escapeHtml(canonical ?? to)}">`,
		`    <meta http-equiv="refresh" content="0; url=${url}">`,
		'  </head>',
		'  <body>',
		`    <p><a href="${url}">${words}</a></p>`,
		'  </body>',
		'</html>',
		''
	].join('\n');
}
