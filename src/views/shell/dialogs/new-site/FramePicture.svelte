<script lang="ts">
	import { besideFrame, readingOrder, stackedFrame } from '$core/starter/frame.ts';
	import { dropAt, type StarterDrop } from '$core/starter/drop.ts';
	import {
		moveStarterRegion,
		type StarterPlace,
		type StarterRegion
	} from '$core/starter/regions.ts';
	import type { Rectangle } from '$core/view-models/rectangle.ts';
	import { drag } from '../../controls/drag.ts';

	/** The frame of a new site as a small picture, at a wide and at a narrow page: its regions are dragged to where they belong. */
	interface Props {
		regions: readonly StarterRegion[];
		move: (name: string, drop: StarterDrop) => void;
	}
	const { regions, move }: Props = $props();

	let wide: HTMLElement;
	let dragged = $state<{ name: string; drop: StarterDrop | undefined }>();

	/** As it would be if one let go now. */
	const drawn = $derived(
		dragged?.drop
			? moveStarterRegion(regions, dragged.name, dragged.drop.place, dragged.drop.before)
			: regions
	);
	const frame = $derived(besideFrame(drawn));
	const stack = $derived(stackedFrame(drawn));
	const areas = $derived(frame.rows.map((row) => `"${row.join(' ')}"`).join(' '));
	const columns = $derived(
		['1.3fr '.repeat(frame.left), '2.2fr', ' 1.3fr'.repeat(frame.right)].join('').trim()
	);
	const rows = $derived(
		frame.rows.map((_, index) => (index === frame.filling ? '1fr' : '22px')).join(' ')
	);

	const keys: Readonly<Record<string, StarterPlace>> = {
		ArrowUp: 'top',
		ArrowDown: 'bottom',
		ArrowLeft: 'left',
		ArrowRight: 'right',
		Enter: 'middle'
	};

	function onKey(event: KeyboardEvent, region: StarterRegion): void {
		const place = keys[event.key];
		if (!place) return;
		event.preventDefault();
		move(region.name, { place, before: undefined });
	}

	function start(event: PointerEvent, region: StarterRegion): void {
		const box = wide.getBoundingClientRect();
		const tiles = new Map<string, Rectangle>();
		for (const tile of wide.querySelectorAll<HTMLElement>('[data-region]')) {
			const { x, y, width, height } = tile.getBoundingClientRect();
			tiles.set(tile.dataset['region'] ?? '', { x: x - box.x, y: y - box.y, width, height });
		}
		dragged = { name: region.name, drop: undefined };
		drag(event, {
			move({ clientX, clientY }) {
				const point = { x: clientX - box.x, y: clientY - box.y };
				dragged = { name: region.name, drop: dropAt(regions, tiles, point, region.name) };
			},
			end(dropped) {
				const drop = dragged?.drop;
				dragged = undefined;
				if (dropped && drop) move(region.name, drop);
			}
		});
	}
</script>

<div class="two">
	<div
		class="wide"
		role="group"
		aria-label="The frame on a wide page"
		bind:this={wide}
		style:grid-template-areas={areas}
		style:grid-template-columns={columns}
		style:grid-template-rows={rows}
	>
		{#each readingOrder(drawn) as region (region.name)}
			<button
				type="button"
				class:slot={region.element === 'main'}
				class:dragged={dragged?.name === region.name}
				data-region={region.name}
				style:grid-area={region.name}
				title={region.element === 'main'
					? 'Pages stand here'
					: `Drag ${region.name}, or press an arrow key`}
				onpointerdown={(event) => start(event, region)}
				onkeydown={(event) => onKey(event, region)}
			>
				<span class="mono">{region.name}</span>
				<span class="small">{region.element}</span>
			</button>
		{/each}
	</div>
	<div
		class="narrow"
		role="img"
		aria-label="On a narrow page, from the top: {stack.rows.flat().join(', ')}"
	>
		{#each stack.rows.flat() as name, index (name)}
			<span class="mono" class:slot={index === stack.filling}>{name}</span>
		{/each}
	</div>
</div>

<style>
	.two {
		display: grid;
		grid-template-columns: minmax(0, 1fr) 92px;
		gap: 16px;
		height: 190px;
	}
	.wide,
	.narrow {
		display: grid;
		gap: 2px;
		padding: 3px;
		background: var(--sunk);
		border: 1px solid var(--rule);
		border-top-width: 3px;
		min-height: 0;
	}
	.narrow {
		display: flex;
		flex-direction: column;
	}
	button,
	.narrow span {
		min-width: 0;
		min-height: 0;
		padding: 1px 6px;
		background: var(--sheet);
		border: 1px solid var(--hair);
		overflow: hidden;
		text-overflow: ellipsis;
		white-space: nowrap;
		font-size: var(--text-small);
		text-align: start;
	}
	button {
		display: flex;
		flex-wrap: wrap;
		gap: 0 8px;
		align-content: start;
		cursor: grab;
		touch-action: none;
	}
	button:hover {
		border-color: var(--cedar);
	}
	.slot {
		background: var(--cedar-wash);
	}
	button.slot {
		cursor: default;
	}
	.narrow .slot {
		flex: 1;
	}
	.dragged {
		border: 1px solid var(--cedar);
		cursor: grabbing;
	}
</style>
