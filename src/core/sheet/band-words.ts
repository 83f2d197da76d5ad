import type { PlacedBox } from '../geometry/page-layout.ts';
import type { Layout } from '../model/site.ts';
import { bandAt, settingsAt, type Bands } from '../resolve/bands.ts';
import type { ResolvedPage } from '../resolve/page.ts';
import { slotOf } from '../resolve/structure.ts';
import type { Column } from './columns.ts';

/** How a region stands on a screen, against the slot of its layout. */
type Standing = 'away' | 'drawer' | 'beside' | 'above' | 'below' | 'there';

/**
 * What the screens disagree on, a few words for each region that does not stand alike on all of them:
 * "menu: drawer until wide, then beside main". Boxes come in the order of the columns.
 */
export function bandWords(
	page: ResolvedPage,
	bands: Bands,
	columns: readonly Column[],
	boxes: readonly (readonly PlacedBox[])[]
): string[] {
	return page.chain.flatMap((layout) => {
		const slot = slotOf(layout)?.name.text;
		return layout.regions.flatMap((region) => {
			const name = region.name.text;
			if (name === slot) return [];
			const standings = columns.map((column, index): Standing => {
				const { show } = settingsAt(region.settings, bands, bandAt(bands, column.width));
				if (show?.kind === 'drawer') return 'drawer';
				return standingOf(layout, name, slot, boxes[index] ?? []);
			});
			const words = standingWords(standings, columns, slot);
			return words === undefined ? [] : [`${name}: ${words}`];
		});
	});
}

function standingOf(
	layout: Layout,
	region: string,
	slot: string | undefined,
	boxes: readonly PlacedBox[]
): Standing {
	const find = (wanted: string | undefined): PlacedBox | undefined =>
		boxes.find(
			({ name }) =>
				name.kind === 'region' && name.layout === layout.name.text && name.region === wanted
		);
	const [box, main] = [find(region), find(slot)];
	if (!box) return 'away';
	if (!main) return 'there';
	if (box.x + box.width <= main.x + 1 || main.x + main.width <= box.x + 1) return 'beside';
	if (box.y + box.height <= main.y + 1) return 'above';
	return main.y + main.height <= box.y + 1 ? 'below' : 'there';
}

/** Undefined where it stands alike on all screens. */
function standingWords(
	standings: readonly Standing[],
	columns: readonly Column[],
	slot: string | undefined
): string | undefined {
	const turns = standings.flatMap((standing, index) =>
		standing === standings[index - 1] ? [] : [{ standing, column: columns[index] }]
	);
	const [first, second, ...others] = turns;
	if (!first || !second) return undefined;
	const name = ({ column }: { column: Column | undefined }): string =>
		column === undefined ? '' : column.name || `${column.width} px`;
	if (others.length === 0 && first.standing === 'away') {
		return `from ${name(second)} on, ${wordFor(second.standing, slot)}`;
	}
	return turns
		.map((turn, index) => {
			const next = turns[index + 1];
			const word = wordFor(turn.standing, slot);
			return `${index === 0 ? '' : 'then '}${word}${next ? ` until ${name(next)}` : ''}`;
		})
		.join(', ');
}

function wordFor(standing: Standing, slot: string | undefined): string {
	switch (standing) {
		case 'away':
			return 'not shown';
		case 'there':
			return 'in place';
		case 'drawer':
			return 'drawer';
		default:
			return `${standing} ${slot ?? 'the rest'}`;
	}
}
