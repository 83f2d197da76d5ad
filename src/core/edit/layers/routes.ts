import { counted, listWords } from '../../messages/wording.ts';
import { isWithin, type Pattern } from '../../model/pattern.ts';
import { layerPattern, markupsOf, type Piece, type Route, layersOf } from '../../model/site.ts';
import { piecesIn } from '../../resolve/content/pieces.ts';
import type { ResolvedSite } from '../../resolve/site.ts';
import { findRoute } from '../find.ts';
import { checkPattern } from './layouts.ts';
import { carryMoved } from './moved.ts';
import type { Surgery } from '../surgery.ts';
import { CommandRefused } from '../proposal.ts';

/** Writes a route with a title and a first piece, behind its nearest neighbour in the tree. */
export function addRoute(
	resolved: ResolvedSite,
	surgery: Surgery,
	text: string,
	title: string
): void {
	const pattern = checkPattern(text);
	const { routes, layouts } = resolved.site;
	const behind = neighbour(routes, pattern) ?? layouts.at(-1);
	if (!behind) throw new CommandRefused('The site has nothing that the route could stand behind.');
	surgery.insertAfter(behind.span, routeLines(pattern.text, title));
}

/** A route as it begins: with a title, and a heading that says the same. */
export function routeLines(pattern: string, title: string): string[] {
	const quoted = title.replaceAll('\\', '\\\\').replaceAll('"', '\\"').replaceAll('{', '\\{');
	const heading = title.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('{', '\\{');
	return [
		`route ${pattern} {`,
		`  title "${quoted}"`,
		'  piece body """',
		`    <h1>${heading}</h1>`,
		'  """',
		'}'
	];
}

/** The last route of the nearest branch that the pattern lies in. */
function neighbour(routes: readonly Route[], pattern: Pattern): Route | undefined {
	for (let length = pattern.segments.length - 1; length > 0; length--) {
		const above =
			'/' +
			pattern.key
				.split('/')
				.slice(1, length + 1)
				.join('/');
		const inBranch = routes.filter(
			({ pattern: { key } }) => key === above || key.startsWith(above + '/')
		);
		const last = inBranch.at(-1);
		if (last) return last;
	}
	return routes.at(-1);
}

/** Gives a route another pattern. What lies below it moves along, and links to it are changed. */
export function moveRoute(
	resolved: ResolvedSite,
	surgery: Surgery,
	from: string,
	to: string,
	leaveBehind: boolean
): string[] {
	const route = findRoute(resolved, from);
	const target = checkPattern(to);
	if (from === '/')
		throw new CommandRefused('The route / is the top of the tree and stays where it is.');
	if (isWithin(target, route.pattern) && target.key !== route.pattern.key) {
		throw new CommandRefused(`${from} cannot lie below itself.`);
	}
	const moves = (pattern: Pattern): boolean => isWithin(pattern, route.pattern);
	const moved = (pattern: Pattern): string => {
		const rest = pattern.text.split('/').slice(route.pattern.segments.length + 1);
		return [target.text === '/' ? '' : target.text, ...rest].join('/') || '/';
	};
	const below: string[] = [];
	const [left, lost]: [string[], string[]] = [[], []];
	let links = 0;
	for (const layer of layersOf(resolved.site)) {
		const span = layer.kind === 'route' ? layer.patternSpan : layer.atSpan;
		const pattern = layerPattern(layer);
		if (moves(pattern)) {
			surgery.replace(span, moved(pattern));
			if (layer.kind === 'route') {
				const gone = carryMoved(surgery, layer, checkPattern(moved(pattern)), leaveBehind);
				lost.push(...gone);
				if (leaveBehind && gone.length === 0) left.push(pattern.text);
			}
			if (layer !== route) below.push(layer.kind === 'layout' ? layer.name.text : pattern.text);
		}
		for (const piece of piecesIn(layer)) links += moveLinks(piece, surgery, from, to, moves, moved);
	}
	const consequences: string[] = [];
	if (below.length > 0) consequences.push(`${below.join(', ')} would move along.`);
	if (links > 0) consequences.push(`${counted(links, 'link')} would be changed.`);
	if (left.length > 0) consequences.push(`${listWords(left)} would redirect to what moved.`);
	if (lost.length > 0)
		consequences.push(`Nothing would redirect from ${listWords(lost)}: it has other parameters.`);
	return consequences;
}

function moveLinks(
	piece: Piece,
	surgery: Surgery,
	from: string,
	to: string,
	moves: (pattern: Pattern) => boolean,
	moved: (pattern: Pattern) => string
): number {
	if (piece.kind === 'nav') {
		if (moves(piece.from)) surgery.replace(piece.fromSpan, moved(piece.from));
		return 0;
	}
	if (from.includes(':') || to.includes(':') || from.includes('*')) return 0;
	let count = 0;
	for (const { span } of markupsOf(piece)) {
		const text = surgery.textOf(span);
		for (const match of text.matchAll(/(\b(?:href|action)\s*=\s*["']?)(\/[^"'\s>?#{]*)/g)) {
			const [, lead = '', path = ''] = match;
			if (path !== from && !path.startsWith(from + '/')) continue;
			const start = span.from + match.index + lead.length;
			// Below the top there is nothing between the slash and what follows.
			const by = to === '/' && path !== from ? '' : to;
			surgery.replace({ file: span.file, from: start, to: start + from.length }, by);
			count++;
		}
	}
	return count;
}

/** Removes a route; what lies below it stays. */
export function removeRoute(resolved: ResolvedSite, surgery: Surgery, pattern: string): string[] {
	const route = findRoute(resolved, pattern);
	surgery.remove(route.span);
	const linking = layersOf(resolved.site).filter(
		(layer) =>
			layer !== route &&
			piecesIn(layer).some(
				(piece) =>
					piece.kind === 'markup' &&
					new RegExp(`href\\s*=\\s*["']?${escapeRegExp(pattern)}["'\\s>?#]`).test(
						surgery.textOf(piece.markup.span)
					)
			)
	);
	return linking.length > 0
		? [
				`Links to ${pattern} in ${linking.length === 1 ? 'one place' : `${linking.length} places`} would lead nowhere.`
			]
		: [];
}

function escapeRegExp(text: string): string {
	return text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');
}
