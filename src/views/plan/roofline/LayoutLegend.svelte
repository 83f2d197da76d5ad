<script lang="ts">
	import type { RooflineLayout } from '$core/view-models/roofline.ts';
	import { hot } from '$store/ways/hot.svelte.ts';
	import LayerMark from '$views/shell/marks/LayerMark.svelte';
	import { choice } from '../choice.svelte.ts';
	import { menu } from '../../commands/menu.svelte.ts';

	interface Props {
		layouts: readonly RooflineLayout[];
		routeCount: number;
		/** A page's mark is dragged: each name is a place to drop it. */
		dragging: boolean;
		point: (layout: string | undefined) => void;
	}
	const { layouts, routeCount, dragging, point }: Props = $props();

	function choose(name: string): void {
		choice.pickLayer({ kind: 'layout', name });
	}
</script>

<ul aria-label="Layouts">
	{#each layouts as layout (layout.name)}
		<li
			class:lit={hot.trace?.kind === 'layout' && hot.trace.layer === layout.name}
			class:target={dragging}
			data-drop={dragging ? layout.name : undefined}
			onpointerenter={() => point(layout.name)}
			onpointerleave={() => point(undefined)}
		>
			<button
				class="layout-name"
				aria-pressed={choice.subject.kind === 'layer' && choice.subject.layer.name === layout.name}
				title="{layout.name} stands at {layout.at}: what it says of itself"
				onclick={() => choose(layout.name)}
				oncontextmenu={(event) => {
					event.preventDefault();
					choose(layout.name);
					menu.openAt(event.clientX, event.clientY);
				}}
			>
				<LayerMark mark={layout.mark} />
				<span class="mono">{layout.name}</span>
				<span class="small at">{layout.at}</span>
			</button>
			<span class="small covers">
				{#if layout.onRequest}<span
						class="asked"
						title="opt-in: only pages that ask for it by name sit under it">opt-in,</span
					>{/if}
				{layout.covers} of {routeCount}
			</span>
		</li>
	{/each}
	<!-- It has its place from the start, so that nothing moves when a drag begins. -->
	<li class="bare" class:target={dragging} data-drop={dragging ? 'none' : undefined}>
		<span class="small">nothing: let it be bare</span>
	</li>
</ul>

<style>
	ul {
		padding: 6px 12px 6px 10px;
		max-height: 30%;
		overflow-y: auto;
		flex: none;
	}
	li {
		display: flex;
		align-items: center;
		height: 24px;
		padding-right: 5px;
		border-radius: var(--radius);
	}
	.layout-name {
		min-width: 0;
		overflow: hidden;
		white-space: nowrap;
		display: flex;
		align-items: center;
		gap: 9px;
		padding: 2px 4px;
		border-radius: var(--radius);
	}
	.layout-name[aria-pressed='true'] {
		color: var(--cedar);
	}
	.covers {
		margin-left: auto;
		flex: none;
	}
	@container roof (max-width: 250px) {
		.at {
			display: none;
		}
	}
	@container roof (max-width: 190px) {
		.asked {
			display: none;
		}
	}
	.lit {
		background: var(--cedar-wash);
	}
	.bare:not(.target) {
		visibility: hidden;
	}
	.target {
		outline: 1px dashed var(--cedar);
		outline-offset: -2px;
	}
</style>
