import { listWords } from '../messages/wording.ts';
import { settingsLike } from '../settings/list.ts';
import type { AuthorDeclaration, AuthorRule } from './author-rules.ts';

/** What an author would write in place of a property that changes a box of the frame. */
type Advice = readonly [property: RegExp, advice: string, idle?: RegExp];

const zero = String.raw`[-+]?0(\.0+)?([a-z]+|%)?`;
const zeros = new RegExp(`^${zero}( ${zero})*$`);
const nothing = /^(auto|none|normal|initial|unset|revert|revert-layer|visible|static)$/;

/** Properties that no setting says; with the values by which they change nothing. */
const otherAdvice: readonly Advice[] = [
	[/^(display|grid|flex|columns|column-(count|width)|float|place-|justify-|align-)/, 'say it with arrange', /^(flow-root|stretch|start)$/],
	[/^box-sizing$/, 'leave it: the sizes of boxes count with their padding and border', /^border-box$/],
	[/^(transform|translate|rotate|scale|zoom)$/, 'give it to something inside', /^(1|100%)$/],
	[/^(container|container-type)$/, 'say "measure by space" of the layout, or give it to something inside'],
	[/^contain$/, 'give it to something inside', /^(layout|style|paint)( (layout|style|paint))*$/],
	[/^(writing-mode|content-visibility)$/, 'give it to something inside', /^(horizontal-tb)$/]
]; // prettier-ignore

/** Values by which a property that a setting says changes nothing. */
const idle: readonly (readonly [property: RegExp, value: RegExp])[] = [
	[/^(width|inline-size|max-(width|inline-size))$/, /^100%$/],
	[/^min-/, zeros],
	[/^margin/, new RegExp(`^(${zero}|auto)( (${zero}|auto))*$`)],
	[/^position$/, /^relative$/],
	[/^(top|right|bottom|left|inset)/, zeros],
	[/^order$/, /^0$/],
	[/^border.*style$/, /^(none|hidden)( (none|hidden))*$/],
	[/^border/, new RegExp(`^(none|hidden|${zero})( (none|hidden|${zero}|[a-z]+))*$`)]
];

/** A property that changes a box of the frame, and what to do in place of it. */
export interface Moving extends AuthorDeclaration {
	/** The end of a sentence. */
	readonly advice: string;
	/** It takes away what a setting gave the box, so it does nothing where there is no such setting. */
	readonly takesAway: boolean;
}

/** What in a rule changes a box that it names. */
export function movingIn({ declarations }: AuthorRule): Moving[] {
	return declarations.flatMap((declaration): Moving[] => {
		const { property, value } = declaration;
		if (/^padding/.test(property) && zeros.test(value)) {
			return [{ ...declaration, advice: adviceFor(property) ?? '', takesAway: true }];
		}
		const advice = isIdle(property, value) ? undefined : adviceFor(property);
		return advice === undefined ? [] : [{ ...declaration, advice, takesAway: false }];
	});
}

function adviceFor(property: string): string | undefined {
	const settings =
		property.startsWith('overflow-') && !/^overflow-[xy]$/.test(property)
			? []
			: settingsLike(property);
	if (settings.length > 0) return `say it with ${listWords(settings, 'or')}`;
	return otherAdvice.find(([pattern]) => pattern.test(property))?.[1];
}

function isIdle(property: string, value: string): boolean {
	if (nothing.test(value)) return true;
	const own = otherAdvice.find(([pattern]) => pattern.test(property))?.[2];
	return (
		own?.test(value) === true ||
		idle.some(([pattern, still]) => pattern.test(property) && still.test(value))
	);
}

/** A box that a style makes itself takes room, unless it is out of the flow. */
export function madeBox({ declarations }: AuthorRule): AuthorDeclaration | undefined {
	const said = (name: string): AuthorDeclaration | undefined =>
		declarations.find(({ property }) => property === name);
	const content = said('content');
	const away = /^(absolute|fixed)$/.test(said('position')?.value ?? '');
	return content && !/^(none|normal)$/.test(content.value) && !away ? content : undefined;
}

/** Sizes in rem are worked out with the size of text that a page has where nothing is said. */
export function rootTextSize({ declarations }: AuthorRule): AuthorDeclaration | undefined {
	return declarations.find(
		({ property, value }) =>
			(property === 'font-size' && !/^(100%|16px|1rem|medium)$/.test(value)) ||
			(property === 'font' && !/(^|\s)(100%|16px|1rem|medium)([\s/])/.test(value))
	);
}
