import type { SettingsAt } from '../model/setting.ts';
import { arrangementAt, bandPlaces, settingsAt, type Bands } from '../resolve/bands.ts';
import type { Declarations } from './declarations.ts';
import type { Box } from './frame.ts';
import { declareInside, insideOf } from './inside.ts';
import { declareAnyMember, declareLanded, declareMember, type Around } from './member.ts';
import {
	edgeOf,
	isCutOff,
	keptBefore,
	keptHeight,
	scrolls,
	shrinkOf,
	sumOf,
	withUnit,
	type Edge
} from './stick.ts';

/** Whether something keeps to an edge, in any band. */
export interface Edges {
	readonly top: boolean;
	readonly bottom: boolean;
}

/** What a box is declared from: the site's bands, and what keeps to an edge around its layout and in it. */
export interface Ground {
	readonly bands: Bands;
	/** Layouts further out have something stuck to the edge. */
	readonly outside: Edges;
	/** What lands in the layout's slot has; only for that a slot hands on what is kept before it. */
	readonly inside: Edges;
	/** Names of regions into which other layers put something that its neighbours overlap, in any band. */
	readonly overlapped: ReadonlySet<string>;
}

/** A box in one band, with its settings there and those of what is around it. */
interface Placed {
	readonly box: Box;
	readonly band: number;
	readonly settings: SettingsAt;
	readonly around: Around | undefined;
	readonly ground: Ground;
}

/** Everything that CSS has to say about a box in one band. */
export function declare(box: Box, band: number, ground: Ground): Declarations {
	const settings = settingsAt(box.settings, ground.bands, band);
	const around = box.parent && aroundAt(box.parent, band, ground.bands);
	const placed: Placed = { box, band, settings, around, ground };
	if (box.kind === 'opener') return new Map(around ? declareAnyMember(around.inside) : []);
	if (settings.show?.kind === 'hidden') return new Map([['display', 'none']]);
	const inside = insideOf(settings, arrangementAt(box.arrangements, ground.bands, band));
	if (settings.show?.kind === 'drawer') {
		return new Map([
			...declareInside(inside, settings),
			...declarePadding(settings),
			...declareDrawer(settings.show)
		]);
	}
	const member = around ? declareMember(box, settings, around) : [];
	if (member.some(([property, value]) => property === 'display' && value === 'none')) {
		return new Map(member);
	}
	return new Map([
		...declareInside(inside, settings),
		...declareStuck(placed),
		...member,
		...declareExtent(placed),
		...declarePadding(settings),
		...declareScrolling(placed),
		...declareOverlap(placed),
		...declareGround(placed),
		...declareShadow(settings)
	]);
}

/** What a layout's root has besides, by the slot that it lands in. */
export function declareInSlot(host: Box, band: number, bands: Bands): Declarations {
	return new Map(declareLanded(aroundAt(host, band, bands).inside));
}

/** What everything that lands in a region has by the region's arrangement. */
export function declareInRegion(host: Box, band: number, bands: Bands): Declarations {
	return new Map(declareAnyMember(aroundAt(host, band, bands).inside));
}

function aroundAt(box: Box, band: number, bands: Bands): Around {
	const settings = settingsAt(box.settings, bands, band);
	const inside = insideOf(settings, arrangementAt(box.arrangements, bands, band));
	return { inside, settings };
}

function declareDrawer({
	side,
	size
}: Extract<SettingsAt['show'], { kind: 'drawer' }>): [string, string][] {
	const along = side === 'left' || side === 'right' ? 'inline' : 'block';
	const across = along === 'inline' ? 'block' : 'inline';
	const atStart = side === 'left' || side === 'top';
	return [
		['position', 'fixed'],
		[`inset-${across}`, '0'],
		[`inset-${along}`, atStart ? '0 auto' : 'auto 0'],
		along === 'inline' ? ['width', size] : ['height', size],
		along === 'inline' ? ['max-width', '100%'] : ['max-height', '100dvh'],
		['overflow', 'auto']
	];
}

function declareExtent({ box, band, settings, ground }: Placed): [string, string][] {
	const { width, height, min, max } = settings;
	const said: [string, string][] = [];
	const shrink = shrinkOf(settings);
	const screen = height === 'screen';
	const isShell = screen && scrollsInside(box, band, ground.bands);
	if (width !== undefined && width !== 'auto') said.push(['width', width]);
	if (shrink) said.push(['height', shrink.from]);
	else if (isShell) said.push(['height', '100dvh']);
	else if (height !== undefined && !screen && height !== 'auto') said.push(['height', height]);
	if (min && min.width !== 'auto') said.push(['min-width', min.width]);
	if (max && max.width !== 'none') said.push(['max-width', max.width]);
	const least = min?.height === 'auto' ? undefined : min?.height;
	if (screen && !isShell) {
		said.push(['min-height', least === undefined ? '100dvh' : `max(100dvh, ${withUnit(least)})`]);
	} else if (least !== undefined) {
		said.push(['min-height', least]);
	}
	if (max?.height !== undefined && max.height !== 'none') said.push(['max-height', max.height]);
	return said;
}

/** A layout as tall as the screen whose regions scroll by themselves is no taller than the screen. */
function scrollsInside(box: Box, band: number, bands: Bands): boolean {
	return box.members.some((member) => {
		const settings = settingsAt(member.settings, bands, band);
		const { scroll, show } = settings;
		if (show?.kind === 'drawer' || show?.kind === 'hidden') return false;
		const bounded = hasBoundedHeight(settings) || edgeOf(settings) !== undefined;
		return (scroll === 'own' && !bounded) || scrollsInside(member, band, bands);
	});
}

/** Whether something is said that keeps a box from growing with its content; `auto` and `none` are not. */
function hasBoundedHeight({ height, max }: SettingsAt): boolean {
	const isSet = height !== undefined && height !== 'auto';
	return isSet || (max?.height !== undefined && max.height !== 'none');
}

function declarePadding({ pad, contain }: SettingsAt): [string, string][] {
	const [top = '0', end = top, bottom = top, start = end] = pad ?? [];
	const said: [string, string][] = [];
	if (!isZero(top) || !isZero(bottom)) said.push(['padding-block', pair(top, bottom)]);
	const [from, to] = [contained(start, contain), contained(end, contain)];
	if (!isZero(from) || !isZero(to)) said.push(['padding-inline', pair(from, to)]);
	return said;
}

/** Padding that leaves the content no more than its measure, and never less than the padding itself. */
function contained(padding: string, measure: string | undefined): string {
	if (measure === undefined || measure === 'none') return padding;
	return `max(${withUnit(padding)}, (100% - ${withUnit(measure)}) / 2)`;
}

function declareScrolling(placed: Placed): [string, string][] {
	const { settings, box } = placed;
	if (settings.scroll !== 'own') return [];
	const said: [string, string][] = [['overflow', 'auto']];
	const edge = edgeOf(settings);
	if (edge && !hasBoundedHeight(settings) && box.kind !== 'layout') {
		const offset = stuckAt(placed, edge);
		said.push(['max-height', offset === '0' ? '100dvh' : `calc(100dvh - ${offset})`]);
	}
	return said;
}

/** What lies under its neighbours stays over the background of the box that holds them. */
function declareGround({ box, band, ground }: Placed): [string, string][] {
	const overlaps = box.contents.some(({ settings }) => {
		const { overlap, show } = settingsAt(settings, ground.bands, band);
		return overlap !== undefined && !isZero(overlap) && show?.kind !== 'hidden';
	});
	const brought = box.kind === 'region' && ground.overlapped.has(box.name);
	return overlaps || brought ? [['isolation', 'isolate']] : [];
}

/** A shadow that comes with scrolling is an animation, and written where those are. */
function declareShadow({ shadow }: SettingsAt): [string, string][] {
	return shadow === 'always' ? [['box-shadow', 'var(--shadow)']] : [];
}

function declareOverlap({ settings }: Placed): [string, string][] {
	const { overlap } = settings;
	if (overlap === undefined || isZero(overlap)) return [];
	const margin = /^[\d.]+[a-z]+$/.test(overlap) ? `-${overlap}` : `calc(-1 * (${overlap}))`;
	// What is stuck stays over what follows, overlapped or not.
	if (edgeOf(settings)) return [['margin-block-end', margin]];
	return [
		['margin-block-end', margin],
		['position', 'relative'],
		['z-index', 'var(--under)']
	];
}

function declareStuck(placed: Placed): [string, string][] {
	const { box, band, settings, around, ground } = placed;
	const said: [string, string][] = [];
	for (const edge of ['top', 'bottom'] as const) {
		if (box.kind === 'layout' && ground.outside[edge] && sticksInside(box, edge, ground.bands)) {
			said.push([`--${edge}-outside`, `var(--${edge}-inside, 0px)`]);
		}
		if (box.kind !== 'region' || !box.holdsSlot || !ground.inside[edge]) continue;
		const handsOn = keepsAny(box, edge, band, ground.bands);
		const cuts = scrolls(settings) || isCutOff(box, ground.bands, band);
		if (cuts && (handsOn || ground.outside[edge])) said.push([`--${edge}-inside`, '0px']);
		else if (handsOn) said.push([`--${edge}-inside`, stuckAt(placed, edge)]);
	}
	const edge = edgeOf(settings);
	if (!edge || !around) return said;
	said.push(
		['position', 'sticky'],
		[`inset-block-${edge === 'top' ? 'start' : 'end'}`, stuckAt(placed, edge)]
	);
	said.push(['z-index', 'var(--stuck)']);
	// A box stretched over its whole row could not move in it.
	const sideways = ['areas', 'columns', 'row'].includes(around.inside.kind);
	if (sideways) said.push(['align-self', edge === 'top' ? 'start' : 'end']);
	return said;
}

/** How far from the edge a box sticks: what already keeps to that edge, there and further out. */
function stuckAt({ box, band, ground }: Placed, edge: Edge): string {
	if (box.kind === 'piece' && box.parent) return pieceStuckAt(box.parent, band, ground, edge);
	const heights = keptBefore(box, edge, ground.bands, band).flatMap((one) => {
		const height = keptHeight(settingsAt(one.settings, ground.bands, band));
		return height === undefined ? [] : [height];
	});
	const reached = ground.outside[edge] && !isCutOff(box, ground.bands, band);
	const outside = reached ? [`var(--${edge}-outside)`] : [];
	return sumOf([...outside, ...heights]);
}

/** A piece sticks where its region would; what lands in a slot starts from what the slot hands on. */
function pieceStuckAt(region: Box, band: number, ground: Ground, edge: Edge): string {
	const own = settingsAt(region.settings, ground.bands, band);
	if (!region.holdsSlot && (scrolls(own) || isCutOff(region, ground.bands, band))) return '0';
	const kept = keepsAny(region, edge, band, ground.bands);
	if (kept && !region.holdsSlot) {
		const settings = settingsAt(region.settings, ground.bands, band);
		return stuckAt({ box: region, band, settings, around: undefined, ground }, edge);
	}
	return kept || ground.outside[edge] ? `var(--${edge}-inside, 0px)` : '0';
}

function keepsAny(box: Box, edge: Edge, band: number, bands: Bands): boolean {
	return keptBefore(box, edge, bands, band).length > 0;
}

/** Whether a box or anything in it that stands on every page keeps to an edge, in any band. */
export function sticksInside(box: Box, edge: Edge, bands: Bands): boolean {
	const own = bandPlaces(bands).some(
		(band) => edgeOf(settingsAt(box.settings, bands, band)) === edge
	);
	return own || box.members.some((member) => sticksInside(member, edge, bands));
}

function isZero(size: string): boolean {
	return /^0[a-z%]*$/.test(size);
}

function pair(one: string, other: string): string {
	return one === other ? one : `${one} ${other}`;
}
