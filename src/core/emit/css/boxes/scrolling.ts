import type { Layout } from '../../../model/site.ts';
import type { SettingsAt } from '../../../model/setting.ts';
import { bandPlaces, settingsAt } from '../../../resolve/bands.ts';
import { declare } from '../../../box-styles/declare.ts';
import type { Box } from '../../../box-styles/frame.ts';
import { type Surroundings } from '../../../box-styles/surroundings.ts';
import { shadowRange } from '../../../settings/member/shadow.ts';
import { shrinkOf } from '../../../settings/member/stick.ts';
import { bandedCss, type BandedRule } from './banded.ts';
import { isZero } from '../../../size/sums.ts';
import { group, rule } from '../css-text.ts';
import type { Printed } from './printed.ts';

/** Where the visitor has not asked for less motion (Media Queries 5, section 12.1). */
export const whereMotion = '@media (prefers-reduced-motion: no-preference)';

const whereLessMotion = '@media (prefers-reduced-motion: reduce)';

/**
 * What changes as one scrolls (Scroll-driven Animations 1): heads that shrink, shadows that come.
 * Where a browser has none of it, or its visitor has asked for less motion, a head that shrinks is small from the
 * start: what is in it can be reached wherever one is. No shadow comes.
 */
export function scrollingCss(
	selector: string,
	box: Box,
	layout: Layout,
	surroundings: Surroundings
): string[] {
	const { bands } = surroundings;
	const places = bandPlaces(bands);
	const frames = new Keyframes(`shrink-${layout.name.text}-${box.name}`);
	const moving = places.map((place) => animation(settingsAt(box.settings, bands, place), frames));
	if (moving.every((declarations) => declarations.size === 0)) return [];
	const still = places.map((place) => atRest(box, place, surroundings));
	const plain = places.map((place) => heightOf(declare(box, place, surroundings).height));
	const asRule = (list: readonly Printed[], under?: readonly Printed[]): BandedRule => ({
		selector,
		bands: list,
		layout,
		...(under && { under })
	});
	const small = bandedCss([asRule(still, plain)], bands);
	return [
		group(whereMotion, [
			group('@supports (animation-timeline: scroll())', [
				...bandedCss([asRule(moving)], bands),
				...frames.rules
			])
		]),
		group('@supports not (animation-timeline: scroll())', small),
		group(whereLessMotion, small)
	].filter((text) => text !== '');
}

/** The keyframes that a box needs, each written once. */
class Keyframes {
	private readonly names = new Map<string, string>();

	constructor(private readonly prefix: string) {}

	nameFor(end: readonly string[]): string {
		const text = end.join('\n');
		const known = this.names.get(text);
		if (known !== undefined) return known;
		const name = this.names.size === 0 ? this.prefix : `${this.prefix}-${this.names.size + 1}`;
		this.names.set(text, name);
		return name;
	}

	get rules(): string[] {
		return [...this.names].map(([text, name]) => group(`@keyframes ${name}`, [rule('to', [text])]));
	}
}

function animation(settings: SettingsAt, frames: Keyframes): Printed {
	if (settings.show?.kind === 'hidden' || settings.show?.kind === 'drawer') return new Map();
	const parts: { animation: string; range: string }[] = [];
	const shrink = shrinkOf(settings);
	if (shrink) {
		const name = frames.nameFor(shrunk(shrink, settings.overlap));
		parts.push({
			animation: `${name} linear both`,
			range: `0 calc(${shrink.from} - ${shrink.to})`
		});
	}
	if (settings.shadow === 'scrolled') {
		parts.push({ animation: 'shadow-scrolled linear both', range: `0 ${shadowRange}px` });
	}
	if (parts.length === 0) return new Map();
	return new Map([
		['animation', parts.map((part) => part.animation).join(', ')],
		['animation-timeline', parts.map(() => 'scroll()').join(', ')],
		['animation-range', parts.map((part) => part.range).join(', ')]
	]);
}

/** What the box loses in height it gets below it, so that nothing else on the page moves. */
function shrunk({ from, to }: { from: string; to: string }, overlap = '0'): string[] {
	const less = isZero(overlap) ? '' : ` - ${overlap}`;
	return [`height: ${to};`, `margin-block-end: calc(${from} - ${to}${less});`];
}

/** How tall a box is where nothing shrinks: as tall as it would be at last. */
function atRest(box: Box, place: number, surroundings: Surroundings): Printed {
	const shrink = shrinkOf(settingsAt(box.settings, surroundings.bands, place));
	const { height, position } = declare(box, place, surroundings);
	return heightOf(shrink && position === 'sticky' ? shrink.to : height);
}

function heightOf(height: string | undefined): Printed {
	return new Map(height === undefined ? [] : [['height', height]]);
}
