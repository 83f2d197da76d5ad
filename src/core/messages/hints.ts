/** Hints by their code: nothing is wrong, but it might be better, or is not needed. */
export const hints = {
	'allow-idle': (code: string, where: string) =>
		`Nothing in ${where} is ${code} any more, so there is nothing to ignore.`,

	// Markup against the rules of HTML
	'markup-old': (element: string, attribute: string) =>
		attribute === '' || attribute === element
			? `<${element}> is one that HTML has given up.`
			: `${attribute} on <${element}> is one that HTML has given up.`,
	'markup-type-implied': (element: string) => `This <${element}> does not say its type.`,
	'markup-end-left-out': (element: string) =>
		`This <${element}> ends before what is written in it: that cannot stand in a <${element}>.`,
	'markup-style-inline': (element: string) => `This <${element}> has a style of its own.`,
	'markup-said-already': (element: string, attribute: string) =>
		`${attribute} says what this <${element}> says by itself.`,
	'markup-native-better': (element: string, _: string, better: string) =>
		`HTML has an element for what this <${element}> is${better === '' ? '' : `: <${better}>`}.`,
	'markup-phone-breaks': () => 'This telephone number can be torn in two at the end of a line.',
	'outside-landmarks': (element: string) =>
		`This <${element}> stands in no landmark, so those who go from one to the next pass it by.`,
	'form-no-button': () => 'This form has no button that sends it.',
	'markup-link-words': (words: string) => `"${words}" does not say where this link leads.`,
	'markup-table-heads': () => 'This table has no heads.',
	'markup-head-scope': (element: string) =>
		`This <${element}> does not say whether it is for a row or a column.`,

	'sheet-held': (property: string, box: string, layout: string, advice: string) =>
		`"${property}" does nothing to ${box}, since ${layout} says "sheets paint": ${advice}.`,
	'value-repeated': (value: string, count: number) =>
		`${value} stands in the sheets ${count} times: a token would say it once.`,

	// Structure
	'adjust-idle': (layer: string, box: string, setting: string, layout: string) =>
		`${layer} says of ${box} what ${layout} says already: this "${setting}" changes nothing.`,
	'region-shadowed': (region: string, inner: string, outer: string) =>
		`${inner} and ${outer} both have a region ${region}; this lands in that of ${inner}, the nearest.`,
	'region-empty': (region: string) => `Nothing stands in ${region} on any page.`,
	'roles-idle': () =>
		'There are roles, but every page lets in everyone, and everything is for all.',
	'row-not-full': (
		box: string,
		columns: number,
		row: string,
		next: string,
		takes: number,
		left: number
	) =>
		`${next} takes ${takes} of the ${columns} columns of ${box}, but beside ${row} ${left === 1 ? 'one is' : `${left} are`} free: it begins a row of its own, and they stay empty.`,
	'strip-gap': (box: string, gap: string, band: string) =>
		`The gap of ${gap} does nothing while ${box} is a strip${band === '' ? '' : `, at ${band}`}: a strip takes the gap that the box says itself.`,
	'each-idle': (box: string, each: number) =>
		`Everything in ${box} says itself how many columns it takes: "each ${each}" does nothing.`,
	'rows-more': (box: string, columns: number, said: number, rows: number) =>
		`What is in ${box} fills ${rows} rows of ${columns} columns, and ${said === 1 ? 'one is' : `${said} are`} said: those beyond are as tall as what is in them, not as tall as the others.`,
	'contain-and-max': (box: string, meant: string) =>
		`What is in ${box} stands off the middle: "contain ${meant}" centres it and keeps it as narrow.`,
	'part-unused': (part: string) => `No page uses the part ${part}.`,
	'data-unused': (name: string) => `Nothing uses the data ${name}.`,
	'band-unused': (band: string, from: number) =>
		`Nothing changes where ${band} begins, at ${from} px: nothing is said for it.`,
	'menu-hidden': (menu: string, band: string) =>
		`${menu} is hidden at ${band}, and nothing else of the layout leads where it does.`,
	'moved-open': (old: string) =>
		`Which addresses like ${old} there were is not known, so a delivery of files has no redirect for them: a server does, by the configuration for nginx or by "serve".`,
	'link-moved': (old: string, now: string) =>
		`This link is written to lead to ${old}, which is ${now} now; delivered, it leads there.`,
	'not-found-missing': () =>
		'There is no state not-found: whoever follows an old link sees what the server has.',
	'order-styled': (words: string) =>
		`"${words}" draws in another order than the keyboard goes, which is that of the text.`,
	'token-unused': (token: string) => `Nothing uses the token ${token}.`,
	'document-elsewhere': (url: string) =>
		`Pages depend on ${url}, which lies elsewhere: here they are drawn without it.`,
	'asset-unused': (file: string) =>
		`Nothing names the file ${file}, and it is delivered all the same.`,

	// What does not fit
	'measure-too-long': (box: string, characters: number) =>
		`Lines in ${box} get up to ${characters} characters long; beyond 90 the eye loses the next one.`,
	'measure-too-short': (box: string, characters: number) =>
		`Lines in ${box} have room for ${characters} characters only; below 20 nearly each word is a line.`,
	'head-jumps': (box: string, one: string, other: string) =>
		`${box} keeps to the edge and changes from ${one} to ${other}, though what is in it fits into the smaller.`,
	'gap-uneven': (box: string, gaps: string) =>
		`What lies beside each other in ${box} is ${gaps} px apart.`,

	// Reading
	'lang-differs': (is: string, said: string, tag: string) =>
		`Nearly all that is written looks like ${is}, as far as can be guessed, and the site says ${said}: write lang ${tag}, if it is.`,
	'lang-differs-here': (layer: string, is: string, said: string, tag: string) =>
		`What ${layer} writes looks like ${is}, as far as can be guessed, and the site says ${said}: what is in another language says so, with lang="${tag}".`,
	'contrast-picture': (ink: string) =>
		`${ink} stands on a picture, with no colour beneath it: nobody knows whether it can be read, least of all until the picture is there.`,
	'heading-skips': (level: number, before: number, other: string) =>
		`This heading of level ${level} follows one of level ${before}${other === '' ? '' : ` that ${other} brings`}: a level between them is missing.`,
	'description-missing': (page: string) =>
		`${page} has no description, so search engines show some words of it.`,
	'image-no-size': (file: string) =>
		`The picture ${file} does not say its width and height, so what follows jumps when it has loaded.`,

	// Style
	'style-unused': (selector: string, isBeyond: boolean) =>
		isBeyond
			? `"${selector}" matches nothing of the layer that says it, and stops where another begins: "style global" reaches what pages bring.`
			: `"${selector}" matches nothing on any page.`,
	'value-not-token': (value: string, token: string) =>
		`${value} is what ${token} says: written out, it stays when ${token} changes.`,

	// People and data
	'page-unreachable': (page: string) => `No link of any page leads to ${page}.`
} satisfies Record<string, (...details: never[]) => string>;
