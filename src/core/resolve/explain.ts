import * as z from 'zod';
import { layerName, type Page } from '../model/site.ts';
import type { Span } from '../model/span.ts';
import { adjustWords, landingAdjusts } from './adjust.ts';
import { landedIn, leavesOf } from './boxes/runs.ts';
import { writtenIn } from './content/pieces.ts';
import type { Landed, ResolvedRegion } from './page.ts';
import type { ResolvedSite } from './site.ts';

const placeSchema = z.object({
	file: z.string(),
	/** Offsets in UTF-16 units; `to` is exclusive. */
	from: z.number().int(),
	to: z.number().int()
});

/** What `long-eave explain --json` prints: a page's chain, regions and owners. */
export const explanationSchema = z.object({
	page: z.string(),
	addresses: z.array(z.string()),
	/** Layouts, outermost first. */
	chain: z.array(z.object({ layout: z.string(), at: z.string(), place: placeSchema })),
	regions: z.array(
		z.object({
			layout: z.string(),
			region: z.string(),
			element: z.string(),
			slot: z.boolean(),
			locked: z.boolean(),
			required: z.boolean(),
			/** What each layer did, from the region's own layout inward. */
			steps: z.array(
				z.object({
					layer: z.string(),
					action: z.enum(['gave', 'passed', 'before', 'after', 'instead', 'emptied', 'content']),
					pieces: z.array(z.string())
				})
			),
			/** What layers further in say of it anew, for their own pages. */
			adjusts: z.array(
				z.object({ layer: z.string(), says: z.array(z.string()), place: placeSchema })
			),
			/** Boxes around some pieces, and how those lie in them: of all that a layer brings, or of a wrapper by its name. */
			groups: z.array(
				z.object({
					group: z.string().optional(),
					owner: z.string(),
					arranges: z.array(z.string()),
					place: placeSchema
				})
			),
			/** What the page shows in it, in order. */
			lands: z.array(
				z.discriminatedUnion('kind', [
					z.object({
						kind: z.literal('piece'),
						piece: z.string(),
						owner: z.string(),
						place: placeSchema,
						/** The wrapper of pieces that it stands in. */
						group: z.string().optional()
					}),
					z.object({ kind: z.literal('layout'), layout: z.string(), place: placeSchema })
				])
			)
		})
	),
	/** The pieces of a page that sits under nothing. */
	bare: z.array(z.object({ piece: z.string(), place: placeSchema }))
});

export type Explanation = z.infer<typeof explanationSchema>;

/** Says where everything on a page comes from. */
export function explain(page: Page, resolved: ResolvedSite): Explanation {
	const { chain, regions, bare, written } = resolved.page(page);
	const { structure } = resolved;
	const adjusts = [...written, page].flatMap((layer) =>
		landingAdjusts(layer, structure.chainOf(layer)).map((one) => ({ ...one, layer }))
	);
	return {
		page: layerName(page),
		addresses: resolved.instances(page).map((instance) => instance.address),
		chain: chain.map((layout) => ({
			layout: layout.name.text,
			at: layout.at.text,
			place: place(layout.span)
		})),
		regions: regions.map((region) => ({
			...explainRegion(region),
			adjusts: adjusts
				.filter(
					({ layout, box }) =>
						layout.name.text === region.layout.name.text &&
						box.name.text === region.region.name.text
				)
				.map(({ layer, adjust }) => ({
					layer: layerName(layer),
					says: adjustWords(adjust),
					place: place(adjust.span)
				}))
		})),
		bare: leavesOf(bare).flatMap((one) =>
			one.kind === 'piece' ? [{ piece: one.piece.name.text, place: place(one.piece.span) }] : []
		)
	};
}

function explainRegion({
	layout,
	region,
	steps,
	landed
}: ResolvedRegion): Omit<Explanation['regions'][number], 'adjusts'> {
	return {
		layout: layout.name.text,
		region: region.name.text,
		element: region.element.text,
		slot: region.slot,
		locked: region.locked,
		required: region.required,
		steps: steps.map((step) => ({
			layer: layerName(step.layer),
			action: step.action,
			pieces: writtenIn(step.pieces).map((piece) => piece.name.text)
		})),
		groups: explainGroups(landed),
		lands: landed.flatMap((one) => explainLanded(one))
	};
}

function explainGroups(landed: readonly Landed[]): Explanation['regions'][number]['groups'] {
	return landed.flatMap((one) => {
		if (one.kind === 'layout' || one.piece.kind !== 'group') return [];
		const { piece, owner } = one;
		const own = {
			...(!piece.isWhole && { group: piece.name.text }),
			owner: layerName(owner),
			arranges: piece.arrangements.map(
				({ kind, band }) => `${kind}${band ? ` @${band.text}` : ''}`
			),
			place: place(piece.span)
		};
		return [own, ...explainGroups(landedIn(one))];
	});
}

function explainLanded(landed: Landed, group?: string): Explanation['regions'][number]['lands'] {
	if (landed.kind === 'layout') {
		return [{ kind: 'layout', layout: landed.layout.name.text, place: place(landed.layout.span) }];
	}
	const { piece, owner } = landed;
	if (piece.kind === 'group') {
		const name = piece.isWhole ? group : piece.name.text;
		return landedIn(landed).flatMap((one) => explainLanded(one, name));
	}
	return [
		{
			kind: 'piece',
			piece: piece.name.text,
			owner: layerName(owner),
			place: place(piece.span),
			...(group !== undefined && { group })
		}
	];
}

function place({ file, from, to }: Span): { file: string; from: number; to: number } {
	return { file, from, to };
}

/** The same as lines of text, for people. */
export function explanationText(explanation: Explanation): string {
	const { page, addresses, chain, regions, bare } = explanation;
	const under = chain.map((one) => `${one.layout} (at ${one.at})`).join(', then ');
	const lines = [`${page} sits under ${under || 'nothing'}`];
	if (addresses.length > 1) lines.push(`delivered as ${addresses.join(', ')}`);
	for (const { piece } of bare) lines.push('', `content: ${piece}`);
	for (const region of regions) {
		const marks = (['slot', 'locked', 'required'] as const).filter((mark) => region[mark]);
		lines.push('', `${region.layout}.${region.region} (${[region.element, ...marks].join(', ')})`);
		for (const { layer, action, pieces } of region.steps) {
			if (action === 'passed') continue;
			lines.push(`  ${layer} ${action}${pieces.length > 0 ? `: ${pieces.join(', ')}` : ''}`);
		}
		for (const { layer, says } of region.adjusts) {
			lines.push(`  ${layer} adjusts: ${says.join(', ')}`);
		}
		for (const { owner, group = 'what it brings', arranges } of region.groups) {
			const how = arranges.length === 0 ? 'one below the other' : arranges.join(', ');
			lines.push(`  ${owner} arranges ${group}: ${how}`);
		}
		const lands = region.lands.map((one) =>
			one.kind === 'layout'
				? `the layout ${one.layout}`
				: `${one.piece} from ${one.owner}${one.group === undefined ? '' : ` in ${one.group}`}`
		);
		lines.push(`  lands as: ${lands.join(', ') || 'nothing'}`);
	}
	return lines.join('\n');
}
