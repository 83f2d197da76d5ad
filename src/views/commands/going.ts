import { goto } from '$app/navigation';
import type { Findable } from '$core/view-models/words/findable.ts';
import { store } from '$store/site.svelte.ts';
import { choice } from '../plan/choice.svelte.ts';
import { openView } from './commands.ts';

/** Goes to what was found: to the view and the page where it is, and chooses it there. */
export async function goTo(found: Findable): Promise<void> {
	switch (found.kind) {
		case 'data':
		case 'part':
		case 'token':
		case 'file':
			await openView('/material');
			await goto(`#${found.kind} ${found.name}`);
			return;
		case 'page':
			await openView('/plan');
			await store.goTo({ page: found.name, address: undefined });
			return;
		case 'layout':
			await openView('/plan');
			await showUnder(found.name);
			choice.pickLayer({ kind: 'layout', name: found.name });
			return;
		case 'region': {
			const { layout, region } = found.region;
			await openView('/plan');
			await showUnder(layout);
			if (found.says.startsWith('wrapper')) choice.pickBox({ layout, box: region });
			else choice.wanted = { kind: 'layout', layer: layout, region, piece: undefined };
			return;
		}
		case 'piece': {
			const { layer } = found.piece.holder;
			await openView('/plan');
			await store.goTo({ page: found.page, address: undefined });
			choice.wanted = { kind: layer.kind, layer: layer.name, region: undefined, piece: found.name };
		}
	}
}

/** Shows a page that sits under a layout, unless the one that is shown does. */
async function showUnder(layout: string): Promise<void> {
	if (store.page?.chain.includes(layout)) return;
	const row = store.roofline.rows.find(({ chain }) => chain.includes(layout));
	if (row) await store.goTo({ page: row.page, address: undefined });
}
