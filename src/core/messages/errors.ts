/** Errors by their code: while one stands, the site cannot be delivered. */
export const errors = {
	// Reading: the shape of the text
	'unexpected-text': (text: string) => `${text} cannot stand here.`,
	'semicolon-missing': (word: string) =>
		`A ; is missing before ${word}, or it stands in a line of its own.`,
	'missing-brace': (what: string) => `${what} is not closed: a } is missing.`,
	'stray-brace': () => 'This } closes nothing.',
	'unclosed-text': () => 'This text is not closed: a " is missing at the end of the line.',
	'unclosed-block': () => 'This block is not closed: a line with """ is missing.',
	'unclosed-parenthesis': () => 'This parenthesis is not closed.',
	'line-too-long': (length: number, most: number) =>
		`This line is ${length} characters long; lines may have ${most} at most.`,

	'nested-too-deep': (most: number) =>
		`This stands inside more than ${most} others; that is deeper than can be read.`,
	'more-errors': (count: number) =>
		`${count} more errors are not listed; fix the first ones and look again.`,
	'work-failed': (what: string, why: string) =>
		`${what} could not be worked out (${why}). The rest of the site goes on without it.`,

	// Reading: statements
	'said-with-colon': (word: string, rest: string) =>
		`"${word}" has no colon here: write ${word}${rest}.`,
	'number-too-large': (what: string, most: number) => `${what} is ${most} at most.`,
	'too-many': (what: string, most: number) => `${what}: there can be ${most} at most.`,
	'open-and-locked': (region: string) =>
		`${region} is said to be open and locked; it can be only one of them.`,
	'listed-twice': (what: string, name: string) => `${what} ${name} is listed twice.`,
	'unknown-statement': (word: string, where: string, known: string, isMeant = false) =>
		`"${word}" is nothing that ${where} can say. ${isMeant ? `Is ${known} meant?` : `It can say ${known}.`}`,
	'name-missing': (what: string) => `${what} needs a name here.`,
	'name-invalid': (name: string) =>
		`"${name}" cannot be a name: names are small letters, digits and hyphens, and start with a letter.`,
	'block-missing': (what: string) => `${what} needs a block { … }.`,
	'block-unwanted': (what: string) => `${what} takes no block.`,
	'markup-missing': (what: string) => `${what} needs a block of text between """ here.`,
	'text-missing': (what: string) => `${what} needs text in "…" here.`,
	'value-missing': (what: string) => `${what} needs a value here.`,
	'value-form': (what: string, form: string, example: string) =>
		`${what} needs ${form}, such as ${example}.`,
	'number-missing': (what: string) => `${what} needs a whole number here.`,
	'word-missing': (word: string, what: string) => `${what} needs the word "${word}" here.`,
	'route-missing': (what: string) => `${what} needs a route here, such as / or /catalogue.`,
	'moved-parameters': (address: string, route: string) =>
		`${address} needs the parameters of ${route}, and no others: they say which page an old address leads to.`,
	'route-invalid': (text: string, why: string) => `${text} is not a route: ${why}.`,
	'choice-invalid': (word: string, what: string, choices: string) =>
		`"${word}" is not a ${what}. It is one of ${choices}.`,
	'said-twice': (what: string) => `${what} is said twice here.`,
	'element-invalid': (name: string) => `"${name}" is not an HTML element that can be a region.`,

	'too-many-sizes': (what: string, most: number) => `${what} has ${most} sizes at most.`,
	'count-zero': (what: string) => `${what} needs a number above zero here.`,
	'site-address-invalid': (text: string) =>
		`${text} is no address of a site: it starts with https:// and has no ? or #, such as https://seeds.example/lib/.`,
	'aspect-invalid': (text: string) =>
		`${text} is no ratio: write width / height, such as 16 / 9, or auto.`,
	'shrink-invalid': () => 'What shrinks needs two heights, such as 128px to 56px.',
	'fill-share-invalid': () => 'The share to fill needs a number above zero.',

	// Reading: expressions in text
	'expression-unclosed': () => 'This { is not closed. To write a brace itself, write \\{.',
	'expression-invalid': (text: string) =>
		`{${text}} is not a path. A path is names with dots between, such as {site.name}.`,
	'tag-invalid': (text: string, form: string) => `{${text}} cannot be read: ${form}.`,
	'tag-unclosed': (text: string) =>
		`{${text}} is not closed: {end} is missing. What follows shows as if the tag were not there.`,
	'tag-stray': (word: string) =>
		word === 'end'
			? '{end} closes nothing here: no list, condition or part that wraps something is open.'
			: '{else} belongs to nothing here: it stands in a {for …} or {if …}.',
	'tag-crossed': (text: string, tag: string) =>
		`{${text}} and <${tag}> cross each other: what is opened between a tag and its {end} is closed there too.`,
	'tag-not-here': (text: string) =>
		`{${text}} cannot stand here: lists, conditions and parts stand between elements, and lists and conditions in values of attributes too.`,
	'content-outside': () => '{content} stands only in a part: it is what the part wraps.',
	'place-outside': (text: string) =>
		`{${text}} stands only in the frame of a layout, and {slot} in a head, too.`,
	'content-twice': (part: string) =>
		`The part ${part} has {content} twice; what it wraps can be there once.`,
	'loop-name-taken': (name: string) =>
		`"${name}" has a meaning of its own, so it cannot be a name here.`,
	'loop-not-list': (path: string, is: string) =>
		`{${path}} is ${is}, and no list, so nothing can be repeated for its members.`,
	'format-unknown': (word: string, known: string) =>
		`There is no format "${word}". There is ${known}.`,
	'format-value': (path: string, value: string, format: string) =>
		`{${path}} is "${value}", which is no ${format}.`,
	'text-too-long': (count: number, most: number) =>
		`The lists in this text come to ${count} repetitions; ${most} at most are shown.`,

	// Parts
	'parameter-invalid': (text: string) =>
		`"${text}" is no parameter: write a name, such as title, or one with what it can be, such as tone = plain | ripe.`,
	'part-twice': (name: string, place: string) =>
		`There are two parts named ${name}; the other is at ${place}.`,
	'part-unknown': (name: string, known: string) => `There is no part ${name}. There is ${known}.`,
	'part-cycle': (names: string) => `A part cannot use itself, and these do: ${names}.`,
	'parameter-unknown': (name: string, part: string, known: string) =>
		`The part ${part} has no parameter ${name}. It has ${known}.`,
	'parameter-missing': (name: string, part: string) => `The part ${part} needs ${name}="…" here.`,
	'parameter-value': (value: string, name: string, part: string, known: string) =>
		`"${value}" is nothing that ${name} of ${part} can be. It can be ${known}.`,

	'expression-no-text': (path: string, is: string) =>
		`{${path}} is ${is}, which is no text that could be shown.`,
	'expression-unknown': (path: string, known: string) =>
		`{${path}} leads nowhere. Here is ${known}.`,
	'expression-no-value': (path: string, where: string) =>
		`{${path}} has no value ${where}. Where that may be, write {${path} ?? "…"} or {if ${path}} … {end}.`,
	'expression-place': (path: string) =>
		`{${path}} cannot stand here: expressions stand in text and in the values of attributes.`,

	'markup-too-deep': (most: number) =>
		`This markup has elements more than ${most} deep inside each other, so it is not shown.`,

	// The site as a whole
	'no-site': () => 'The site has no name: a declaration site "Name" { } is missing.',
	'no-route': () => 'The site has no route, so there is no page to show.',
	'site-twice': (place: string) => `The site is described twice; the other place is ${place}.`,
	'layout-twice': (name: string, place: string) =>
		`There are two layouts named ${name}; the other is at ${place}.`,
	'route-twice': (route: string, place: string) =>
		`The route ${route} is given twice; the other is at ${place}.`,
	'state-twice': (state: string, at: string, place: string) =>
		`The state ${state} at ${at} is given twice; the other is at ${place}.`,
	'data-twice': (name: string, place: string) =>
		`There are two data sources named ${name}; the other is at ${place}.`,
	'frame-arranged': (layout: string, word: string) =>
		`The layout ${layout} has a frame of its own markup, whose boxes lie as its sheets say: "${word}" has no effect there. Say it in a sheet, or take the frame out and arrange regions.`,
	'frame-style': (layout: string) =>
		`The layout ${layout} has a frame of its own markup, and a style in it would have no end where other layers begin. Write style global, or a sheet.`,
	'frame-no-place': (region: string, layout: string) =>
		`The frame of ${layout} has no place for ${region}. Write {region ${region}}{end} in it where that is.`,
	'frame-place-repeated': (region: string) =>
		`The place of ${region} stands in a list, which would repeat it. A region is once on a page.`,
	'frame-place-inside': (region: string) =>
		`This place stands in the default of ${region}. A default is markup; places stand in the frame itself.`,
	'adjust-in-frame': (box: string, layout: string) =>
		`${box} is a place in the frame of ${layout}, which is its own markup: its box lies as the sheets of the page say. Say it in a sheet of these pages.`,
	'attributes-invalid': (element: string) =>
		`These are no attributes of ${element}: they are written as in its tag, such as class="wide" data-page="{page.address}".`,
	'region-twice': (name: string, layout: string) =>
		`The layout ${layout} has two regions named ${name}.`,
	'piece-twice': (name: string, where: string) => `There are two pieces named ${name} in ${where}.`,
	'band-twice': (name: string) => `There are two bands named ${name}.`,
	'band-order': (name: string, before: string) =>
		`The band ${name} must start at a greater width than ${before}, the band before it.`,
	'band-night': (name: string) =>
		`No band can be called ${name}: @${name} is what tokens are where visitors prefer dark colours.`,
	'night-size': (token: string) =>
		`The value of ${token} for the night is a size. Sizes are the same by day and by night.`,
	'band-first': (name: string) => `The first band, ${name}, must start at 0.`,
	'band-unknown': (name: string, known: string) => `There is no band ${name}. There is ${known}.`,

	// Chains
	'covers-twice': (one: string, other: string, route: string) =>
		`The layouts ${one} and ${other} both cover ${route}. At one route only one layout covers; give one of them another route, or write on-request.`,
	'under-unknown': (name: string, known: string) =>
		`There is no layout named ${name} to sit under. There is ${known}.`,
	'under-out-of-scope': (layer: string, place: string, name: string, branch: string) =>
		`${layer} (at ${place}) cannot sit under ${name}: that layout can be picked only at ${branch} and below.`,
	'under-too-deep': (layer: string, most: number) =>
		`${layer} is the ${most}th in a row of layouts in each other: no more than ${most - 1} can be.`,
	'under-cycle': (names: string) => `These layouts sit under each other in a circle: ${names}.`,
	'layout-no-slot': (name: string, what: string) => `The layout ${name} has no slot, so ${what}.`,
	'layout-two-slots': (name: string, one: string, other: string) =>
		`The layout ${name} has two slots, in ${one} and in ${other}. Exactly one region can have the slot.`,

	// Roles
	'role-unknown': (role: string, known: string) =>
		`There is no role ${role}. The site has ${known}.`,

	'admit-wider': (layer: string, role: string, outer: string, place: string) =>
		`${layer} lets in ${role}, but the ${outer} around it does not (${place}): what lies further in can only narrow who is let in.`,

	// Fills
	'fill-no-region': (region: string, layer: string, known: string) =>
		`${layer} fills ${region}, but no layout above it has a region of that name. There is ${known}.`,
	'fill-no-layout': (layout: string, layer: string) =>
		`${layer} fills a region of ${layout}, but does not sit under a layout of that name.`,
	'fill-locked': (region: string, layout: string, layer: string) =>
		`${layer} fills ${region}, but the layout ${layout} has locked it.`,
	'adjust-no-box': (box: string, layer: string, known: string) =>
		`${layer} adjusts ${box}, but no layout above it has a region or wrapper of that name. There is ${known}.`,
	'adjust-no-layout': (layout: string, layer: string) =>
		`${layer} adjusts a region of ${layout}, but does not sit under a layout of that name.`,
	'adjust-locked': (box: string, layout: string, layer: string) =>
		`${layer} adjusts ${box}, but the layout ${layout} has locked it.`,
	'adjust-shrink': (layer: string, box: string) =>
		`${layer} cannot change how ${box} shrinks: that is one movement for all pages of its layout. Set "shrink" there.`,
	'fill-slot': (region: string, layout: string, kind: string) =>
		`${region} is the slot of ${layout}: it can be filled before and after, not ${kind}.`,
	'fill-nothing': (region: string) =>
		`This fill of ${region} has no piece. To take away what is there, write: fill ${region} empty.`,
	'fill-empty-pieces': (region: string) =>
		`"fill ${region} empty" takes away what is there and brings no pieces.`,
	'required-unfilled-for': (region: string, layout: string, page: string, role: string) =>
		`For ${role} the page ${page} leaves ${region} empty, but the layout ${layout} requires content there.`,
	'required-unfilled': (region: string, layout: string, page: string) =>
		`The page ${page} leaves ${region} empty, but the layout ${layout} requires content there.`,

	// Arrangement
	'area-unknown': (area: string, box: string) =>
		`The area ${area} is neither a region nor a wrapper in ${box}.`,
	'areas-not-rectangle': (area: string) => `The area ${area} is not one rectangle.`,
	'areas-uneven': (row: number, cells: number, expected: number) =>
		`Row ${row} has ${cells} columns where the first row has ${expected}.`,
	'areas-empty': () => 'This arrangement has no rows.',
	'slot-not-arranged': (region: string, layout: string) =>
		`The region ${region} holds the slot of ${layout} but stands in no area, so the pages do not show.`,

	'slot-in-areas': (region: string, layout: string) =>
		`${region} holds the slot of ${layout}, so what lands in it has no areas of its own: arrange it as a row, a stack or columns.`,
	'slot-hidden': (box: string, layout: string) =>
		`${box} holds the slot of ${layout}: hidden or as a drawer it would take the pages away.`,
	'show-not-here': (box: string, way: string, ways: string) =>
		`${box} cannot be shown as ${way}; it can be ${ways}.`,
	'drawer-no-place': (region: string, layout: string) =>
		`${region} is a drawer, but no other region of ${layout} is there for the button that opens it.`,
	'span-too-wide': (box: string, span: number, offset: number, columns: number) =>
		`${box} takes ${span} columns${offset > 0 ? ` after ${offset} left free` : ''}, but there are ${columns}.`,

	// Sizes
	'size-invalid': (text: string, kind: string, why: string) =>
		`"${text}" cannot be a size for ${kind}: ${why}.`,
	'colour-invalid': (text: string) =>
		`"${text}" is no colour of CSS: write one such as #f4f1ea, white or var(--paper), or "none".`,
	'size-negative': (text: string) => `"${text}" is below zero, and no size can be.`,
	'share-of-nothing': (text: string, kind: string) =>
		`"${text}" is a share, but nothing says what of: ${kind} needs a length such as 24px here.`,
	'tracks-invalid': (text: string, why: string) =>
		`"${text}" cannot be read as sizes of columns or rows: ${why}.`,
	'margin-auto': () =>
		'Only the sides of a margin can be auto: above and below, nothing says how much is left.',
	'columns-open': (text: string) =>
		`"${text}" leaves open how many columns there are: members that fill them in order need a number that is known, so write each column, or repeat(3, …).`,
	'token-unknown': (name: string, known: string) =>
		`There is no token ${name}.${known === '' ? ' This site has no tokens.' : ` There is ${known}.`}`,
	'token-not-here': (name: string, band: string) =>
		`The token ${name} has no value at ${band}: it is set for wider bands only.`,

	// Data and pages
	'data-missing': (file: string) => `There is no file ${file} in the site.`,
	'data-not-json': (file: string, why: string) => `The file ${file} is not JSON: ${why}.`,
	'data-url': (text: string) =>
		`${text} is no address of shared data: write a file, or a URL such as https://stock.example/bins.`,
	'fresh-invalid': (text: string) =>
		`"${text}" does not say how old a copy may be: write seconds such as 60s, always, notice or build.`,
	'shape-missing': (file: string) =>
		`There is no file ${file} in the site, so nothing says the shape.`,
	'shape-invalid': (file: string, why: string) => `The file ${file} is no JSON Schema: ${why}.`,
	'data-shape': (path: string, why: string, shape: string) =>
		`${path} does not keep to ${shape}: ${why}.`,
	'each-unknown': (path: string, known: string) => `There is no ${path}. There is ${known}.`,
	'each-not-list': (path: string) => `${path} is not a list, so it cannot give one page for each.`,
	'each-field': (field: string, path: string, index: number) =>
		`Member ${index} of ${path} has no text or number named ${field}.`,
	'each-same': (value: string, path: string, field: string) =>
		`Two members of ${path} have the ${field} "${value}", so two pages would have one address.`,
	'address-value': (value: string, why: string) =>
		`"${value.slice(0, 60)}" cannot be a part of an address: ${why}.`,
	'address-twice': (address: string, one: string, other: string) =>
		`${one} and ${other} both have a page at ${address}, so one of them would never be seen.`,
	'path-twice': (path: string, one: string, other: string) =>
		`${one} and ${other} would both be written to ${path}.`,
	'path-in-file': (path: string, file: string, one: string, other: string) =>
		`${one} would be written to ${path}, but ${file} is a file of its own: ${other}.`,
	'pages-no-parameter': (route: string) =>
		`${route} has no parameter, so it is one page and can have neither each nor samples.`,
	'pages-two-parameters': (route: string) =>
		`${route} has more than one parameter; each and samples give values for one.`,

	// Styles
	// Set aside
	'reason-missing': (code: string) =>
		`The reason for ignoring ${code} has to stand here in "…", for whoever reads it next.`,
	'allow-unknown': (code: string, near: string) =>
		`There is no finding ${code} that could be ignored${near === '' ? '' : `; perhaps ${near} is meant`}.`,
	'allow-error': (code: string) =>
		`${code} is an error: the page cannot be right while it stands, so it cannot be ignored.`,

	'style-invalid': (why: string) => `This style cannot be read as CSS: ${why}.`
} satisfies Record<string, (...details: never[]) => string>;
