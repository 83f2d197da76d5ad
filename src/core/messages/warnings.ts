/** Warnings by their code: the site can be delivered, but the author should look. */
export const warnings = {
	'night-alone': (token: string) =>
		`The token ${token} is set only for the night, so by day it has no value.`,
	'stand-in-length': (kind: string, piece: string, layer: string) =>
		kind === 'short'
			? `The short stand-in of ${piece} (${layer}) is no shorter than what it stands in for.`
			: `The long stand-in of ${piece} (${layer}) is no longer than what it stands in for.`,
	'element-open': (name: string) =>
		`Nothing ends this <${name}>: what follows in the region stands in it.`,
	'columns-unspanned': (box: string, columns: number) =>
		`Nothing in ${box} says how many of the ${columns} columns it takes, so each takes all of them, and they lie one below the other: write "arrange columns ${columns} each 1".`,
	'offset-uneven': (box: string, offset: number) =>
		`${box} leaves ${offset === 1 ? 'a column' : `${offset} columns`} free, which columns of sizes of their own can do only where what stands before it is known: this does nothing. An empty piece before it would keep them free.`,
	'nav-no-start': (from: string) =>
		`There is no single page at ${from} that the links could begin with: "with-start" does nothing.`,
	'gaps-too-wide': (box: string, gaps: number, each: number, all: number, screen: number) =>
		`The ${gaps} gaps of ${each} px in ${box} take ${all} px, and it is shown on screens from ${screen} px on.`,
	'end-tag-stray': (name: string) =>
		`</${name}> ends nothing here: no <${name}> of this piece is open.`,
	'seen-by-none': (roles: string, layer: string) =>
		`This is for ${roles}, but ${layer} lets in no one of that kind, so it is never seen.`,
	'data-no-copy': (name: string, file: string) =>
		`There is no copy of ${name} yet, so its values are empty: ask for it in Material, or put one at ${file}.`,
	'copy-shape': (path: string, why: string, shape: string) =>
		`The copy of ${path} does not keep to ${shape}: ${why}.`,
	'data-fresh-file': (name: string) =>
		`${name} is a file of the site, which is always as it is: "fresh" says something only of a URL.`,
	'value-not-given': (path: string, is: string) =>
		`What the source gives at the moment ${is} for {${path}}, so nothing shows there.`,
	'pages-not-given': (path: string, why: string) =>
		`What the source gives at the moment makes no page of some of ${path}: ${why}`,
	'condition-never': (path: string) =>
		`{${path}} has no value on any page, so what this condition holds is never shown.`,
	'more-warnings': (count: number) => `${count} more warnings are not listed.`,
	'region-not-arranged': (region: string, box: string, where: string) =>
		`${region} in ${box} stands in no area, so it is not shown${where}.`,
	'piece-not-arranged': (
		piece: string,
		layer: string,
		region: string,
		layout: string,
		where: string
	) =>
		`${piece} of ${layer} lands in ${region}, which ${layout} arranges in areas, but stands in none of them, so it is not shown${where}.`,
	'shrink-grows': (from: string, to: string) =>
		`This goes from ${from} to ${to}, which is no less, so nothing shrinks.`,
	'track-overrun': (box: string, height: string, rows: string) =>
		`${box} is ${height} tall, but its row is ${rows}, so it covers what follows.`,
	'area-no-piece': (area: string, region: string) =>
		`No piece in ${region} is named ${area}; the area stays empty until one is.`,
	'arranges-nothing': (what: string) => `${what} holds no piece, so there is nothing to arrange.`,
	'setting-idle': (kind: string, why: string) => `"${kind}" does nothing here: ${why}.`,
	'label-idle': (region: string) =>
		`The name of ${region} is not read: a div has no role. Say "as nav" or "as section".`,
	'size-absurd': (text: string) => `"${text}" is wider than any screen.`,
	'style-of-box': (property: string, box: string, advice: string) =>
		`"${property}" changes the box of ${box}, and what is computed of boxes does not know it: ${advice}.`,
	'sheet-moves-box': (property: string, box: string, layout: string, advice: string) =>
		`"${property}" changes the box of ${box}, and what is computed of boxes does not know it: ${advice}, and write "sheets paint" in ${layout}, so that its boxes lie as settings say.`,
	// Markup against the rules of HTML
	'markup-link-empty': (element: string) => `This <${element}> leads somewhere, but has no words.`,
	'markup-heading-empty': (element: string) => `This <${element}> has no words.`,
	'markup-no-words': (element: string) =>
		`This <${element}> does not say what it does: it has no words.`,
	'markup-focus-hidden': (element: string) =>
		`This <${element}> can be reached by keyboard, but is hidden from those who listen.`,
	'markup-misplaced': (element: string, _: string, around: string) =>
		around === ''
			? `<${element}> cannot stand here.`
			: `<${element}> cannot stand here: HTML says where it may, and that is about <${around}>.`,
	'markup-incomplete': (element: string, _: string, missing: string) =>
		missing === ''
			? `Something is missing in <${element}>: ${element === 'fieldset' ? 'a legend that comes first' : 'what HTML wants in it'}.`
			: `There is no <${missing}> in this <${element}>.`,
	'markup-attribute-missing': (element: string, attribute: string) =>
		`<${element}> does not say its ${attribute}.`,
	'markup-attribute-value': (element: string, attribute: string, value: string) =>
		`${attribute} cannot be ${value === '' ? 'this' : `"${value}"`}${element === '' ? '' : ` on <${element}>`}.`,
	'markup-attribute-twice': (element: string, word: string) =>
		`${word} is said twice on this <${element}>.`,
	'markup-autoplay': (element: string) => `This <${element}> plays by itself.`,
	'markup-element-unknown': (element: string) => `HTML knows no <${element}>.`,
	'markup-name-idle': (element: string, attribute: string) =>
		`${attribute} does nothing here: a <${element}> without a role has no name.`,
	'markup-name-twice': (element: string, word: string) =>
		element === 'label'
			? 'This label is for more than one field.'
			: `There is another field named ${word} in this form.`,
	'markup-role-abstract': (element: string) =>
		`The role of this <${element}> stands for others, and is none itself.`,
	'markup-role-unknown': (role: string) => `There is no role "${role}".`,
	'markup-aria-unknown': (attribute: string) => `There is no attribute ${attribute}.`,
	'markup-aria-value': (attribute: string, value: string) => `${attribute} cannot be "${value}".`,
	'markup-tabindex': (element: string, number: string) =>
		`This <${element}> is the first that one reaches by keyboard, because of tabindex ${number}: 0 leaves it where it stands.`,
	'markup-alt-words': (alt: string) => `"${alt}" does not say what the picture shows.`,
	'markup-address-empty': (href: string) => `${href} leads to nobody.`,
	'id-twice': (id: string, other: string) =>
		other === ''
			? `The id ${id} stands twice on this page.`
			: `The id ${id} stands on this page already: ${other} brings it.`,
	'reference-nowhere': (attribute: string, id: string) =>
		`${attribute} names ${id}, and nothing on the page has that id.`,
	'label-missing': (element: string, placeholder: string) =>
		placeholder === ''
			? `This <${element}> has no label.`
			: `This <${element}> has no label: its placeholder "${placeholder}" is gone once one types.`,
	'style-file-missing': (file: string) => `There is no file ${file} in the site for this style.`,
	'style-import': () =>
		'An import does nothing in a style: a layer names the sheet that it would bring, as in sheet "css/site.css".',
	'print-hidden': (selector: string) =>
		`On paper "${selector}" hides the content of the page itself.`,
	'hover-only': (selector: string) =>
		`What "${selector}" shows never shows for the keyboard: no rule does the same for what has the focus.`,
	'focus-unseen': () =>
		'This takes away what shows where the keyboard is, and no rule shows it in another way.',
	'contrast-shown': (element: string, is: number, needs: number) =>
		`The text of this <${element}> has a contrast of ${is} as it is shown, and needs ${needs}.`,
	'scroller-no-keyboard': (element: string) =>
		`What is in this <${element}> scrolls, and nobody gets there by keyboard.`,
	'shown-wrong': (element: string, help: string) =>
		`As it is shown, something is wrong with this <${element}>: ${help}.`,
	'document-file-missing': (file: string) =>
		`There is no file ${file} in the site, so pages go without it.`,
	'file-missing': (file: string) => `There is no file ${file} in the site.`,
	'markup-character-unknown': () => 'HTML knows no character of this name.',

	// Structure and arrangement
	'layout-unused': (layout: string, why: string) =>
		`No page sits under the layout ${layout}: ${why}.`,
	'fixed-too-wide': (box: string, what: string, width: string, screen: number) =>
		`The ${what} of ${box} is ${width}, but it is shown on screens from ${screen} px on.`,

	// What does not fit
	'drawer-too-narrow': (box: string, by: number) =>
		`What is in ${box} is ${by} px wider than the drawer, so that it has to be scrolled to the side.`,
	'text-cut': (box: string, by: number) =>
		`Text in ${box} is cut off by ${by} px: what it stands in hides what sticks out of it.`,
	'content-cut': (box: string, by: number) =>
		`What is in ${box} needs up to ${by} px more height than ${box} has, and lies over what follows.`,
	'behind-shows': (region: string, behind: string) =>
		`${region} is scrolled over ${behind} and has no background, so that ${behind} shows between its words.`,
	'stuck-bare': (region: string) =>
		`${region} keeps to an edge and has no background, so what is scrolled shows through it.`,
	'scroller-flat': (box: string, px: number) =>
		`${box} scrolls by itself and is ${px} px high, so next to nothing of it is seen. Give what is around it a height, such as "height screen".`,
	'page-scrolls-sideways': (box: string, by: number) =>
		`The page scrolls sideways: ${box} reaches up to ${by} px beyond the edge of the screen.`,
	'region-too-narrow': (box: string, region: string, needs: number, by: number) =>
		box === region
			? `${region} is too narrow for what is in it: it needs ${needs} px, and up to ${by} px stick out.`
			: `${region} is too narrow for ${box}, which needs ${needs} px: up to ${by} px stick out.`,
	'foot-floats': (region: string, by: number) =>
		`Where a page is short, ${region} ends up to ${by} px above the lower edge of the screen.`,
	'height-typed': (box: string, height: string, by: number) =>
		`${box} is ${height} tall, but what is around it takes more than that leaves: each short page scrolls by ${by} px. Without numbers, the layout says "height screen" and the row of ${box} is 1fr.`,
	'stuck-covers': (boxes: string, px: number, screen: number) =>
		`What sticks takes ${px} px of a screen that is ${screen} px high, which is more than a third: ${boxes}.`,
	covered: (box: string, other: string, by: number) =>
		`${box} lies over ${other} by up to ${by} px, and nothing says that it should.`,
	'order-differs': (later: string, earlier: string) =>
		`${later} is drawn before ${earlier}, but read after it.`,
	'target-small': (what: string, width: number, height: number) =>
		`${what} is ${width} by ${height} px: whoever points at it needs 24 by 24.`,

	// Reading
	'heading-twice': (heading: string, layout: string) =>
		layout === ''
			? `This page has a heading of the first level already ("${heading}"): one says what it is about.`
			: `${layout} has a heading of the first level ("${heading}"), and pages that it covers have their own: that one says what a page is about.`,
	'landmark-unnamed': (element: string, count: number) =>
		`There are ${count} ${element} landmarks on the page, and this one has no name that tells it from the others.`,
	'main-missing': () =>
		'No region of this page is its main part, so whoever hears it cannot go there at once.',
	'main-twice': () => 'This is a second main part, and a page has one.',
	'skip-missing': (layout: string, links: number) =>
		`In front of what lands in ${layout} there are ${links} links, and none that leads past them.`,
	'title-missing': (page: string) =>
		`${page} has no title, so tabs, bookmarks and lists of links call it by its address.`,
	'title-twice': (title: string, other: string) => `"${title}" is the title of ${other} too.`,
	'lang-missing': () =>
		'The site does not say its language, so it is read aloud as English: write lang and the language.',
	'moved-shadowed': (old: string, route: string, what: string) =>
		`Nothing redirects from ${old} to ${route}: ${what} is there today.`,
	'moved-circle': (old: string, route: string) =>
		`${old} is said to have moved to ${route}, and ${route} to ${old}: that would lead in a circle, so each shows its own page.`,
	'moved-twice': (old: string, route: string, other: string) =>
		`Nothing redirects from ${old} to ${route}: ${other} says first that it moved there.`,
	'link-nowhere': (url: string) => `This link leads to ${url}, where there is no page and no file.`,
	'anchor-nowhere': (id: string, page: string) =>
		`This link leads to #${id}, but nothing on ${page} has that id.`,
	'image-no-alt': (file: string) =>
		`The picture ${file} has no alt: say what it shows, or alt="" where it shows nothing that matters.`,
	'contrast-low': (ink: string, ground: string, ratio: number, least: number, opacity: number) =>
		`${ink}${opacity < 100 ? `, seen through to ${opacity} %,` : ''} on ${ground} has a contrast of ${ratio} to 1; text needs ${least} to 1.`,

	// Style
	'style-leaks': (selector: string, layer: string, others: string) =>
		`The global rule "${selector}" of ${layer} reaches what ${others} wrote.`,
	'class-clash': (name: string, layer: string, others: string) =>
		`${layer} styles the class ${name} everywhere, and ${others} has a class of that name too.`,
	'override-lost-heading': (region: string, layer: string, lost: string) =>
		`This takes the place of what ${layer} has in ${region}, and with it ${lost}.`,

	// People and data
	'link-to-denied': (url: string, role: string, place: string) =>
		`${role} sees this link, but is not let in to ${url} (${place}).`,
	'year-fixed': (year: string) =>
		`${year} stands here as text, and is wrong when the year is over.`,

	'nav-empty': (from: string) =>
		`There are no routes below ${from}, so this list of links is empty.`
} satisfies Record<string, (...details: never[]) => string>;
