/** px that a font is large where nothing is said: what em means in a media query (Media Queries 4, section 1.3). */
const em = 16;

/** A width in a query: before it what compares, such as `min-width:` or `width >=`. */
const widthIn =
	/(?:(min|max)-width\s*:|width\s*(<=|>=|<|>))\s*([\d.]+)(px|r?em)|([\d.]+)(px|r?em)\s*(<=|>=|<|>)\s*(?=width)/g;

/** The widths of the screen at which media queries of a document begin to hold, or hold no more, whole px. */
export function mediaEdges(document: Document): number[] {
	const queries = [...document.styleSheets].flatMap((sheet) => [
		sheet.media.mediaText,
		...queriesIn(sheet)
	]);
	const edges = queries.flatMap(edgesIn).filter((edge) => edge > 0);
	return [...new Set(edges)].sort((a, b) => a - b);
}

/** The widths in one query at which it changes, whole px: the first at which it is another. */
export function edgesIn(query: string): number[] {
	return [...query.matchAll(widthIn)].map(
		([, bound, sign, size, unit, before, unitBefore, behind]) => {
			const number = Number(size ?? before) * ((unit ?? unitBefore) === 'px' ? 1 : em);
			// "at most" and "more than" change just above the width that they name.
			const isAbove =
				bound === 'max' || sign === '<=' || sign === '>' || behind === '>=' || behind === '<';
			return isAbove ? Math.floor(number) + 1 : Math.ceil(number);
		}
	);
}

function queriesIn(sheet: CSSStyleSheet): string[] {
	try {
		return [...sheet.cssRules].flatMap(inRule);
	} catch {
		// A sheet from elsewhere is not shown here, and cannot be read.
		return [];
	}
}

function inRule(rule: CSSRule): string[] {
	const inside =
		'cssRules' in rule && rule.cssRules instanceof Object
			? [...iterable(rule.cssRules)].flatMap(inRule)
			: [];
	if ('styleSheet' in rule && isSheet(rule.styleSheet)) inside.push(...queriesIn(rule.styleSheet));
	return 'media' in rule && isMedia(rule.media) ? [rule.media.mediaText, ...inside] : inside;
}

// Rules of a frame are of its own realm, so `instanceof` would not know them.
function iterable(value: object): Iterable<CSSRule> {
	return Symbol.iterator in value && isRules(value) ? value : [];
}

function isRules(value: object): value is CSSRuleList {
	return 'item' in value;
}

function isMedia(value: unknown): value is MediaList {
	return typeof value === 'object' && value !== null && 'mediaText' in value;
}

function isSheet(value: unknown): value is CSSStyleSheet {
	return typeof value === 'object' && value !== null && 'cssRules' in value;
}
