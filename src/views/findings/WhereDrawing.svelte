<script lang="ts">
	import type { BoxPlace } from '$core/check/subject/occurrence.ts';
	import { store } from '$store/site.svelte.ts';
	import { drawingWay } from './drawing-way.ts';
	import SvgDrawing from '$views/sheet/SvgDrawing.svelte';

	/** The page as a small drawing, with the region that a finding is about. */
	interface Props {
		page: string;
		box: BoxPlace | undefined;
		/** px of the screen */
		width: number;
	}
	const { page, box, width }: Props = $props();
	let drawing = $state('');
	/** px: it stands by itself, with nothing beside it. */
	const roomFor = 460;

	$effect(() => {
		void store.site;
		const columns = [{ name: '', width }];
		const command = { columns, screen: { height: 800, scrollbar: 0 }, ...store.seeing };
		const ringed = box?.region;
		void store.core.sheet
			.drawings([page], command, {
				...drawingWay(width, roomFor),
				...(ringed !== undefined && { ringed })
			})
			.then(([drawn]) => (drawing = drawn?.drawings[0] ?? ''));
	});
</script>

<figure>
	<SvgDrawing svg={drawing} />
	<figcaption class="small">
		{page} at {width} px{box?.region === undefined ? '' : `: ${box.region} of ${box.layout}`}
	</figcaption>
</figure>

<style>
	figure {
		margin: 8px 0;
	}
	figure :global(svg) {
		display: block;
	}
</style>
