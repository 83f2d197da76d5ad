<script lang="ts">
	import { panes, type PaneName } from '$store/ways/panes.svelte.ts';

	/** What is left of a pane that is folded: its name, to bring it back. */
	const { pane, label, upright }: { pane: PaneName; label: string; upright: boolean } = $props();
</script>

<button
	class="folded cap"
	class:upright
	aria-expanded="false"
	title="Show {label}"
	onclick={() => panes.fold(pane, false)}>{label} <span aria-hidden="true">▸</span></button
>

<style>
	.folded {
		width: 100%;
		height: 26px;
		padding: 0 12px;
		text-align: left;
		background: var(--sheet);
	}
	.folded:hover {
		color: var(--cedar);
	}
	.upright {
		width: 26px;
		height: 100%;
		padding: 12px 0;
		writing-mode: vertical-rl;
	}
</style>
