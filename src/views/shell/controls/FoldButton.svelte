<script lang="ts">
	import { panes, type PaneName } from '$store/ways/panes.svelte.ts';

	const { pane, label }: { pane: PaneName; label: string } = $props();
</script>

<button
	class="fold small"
	aria-label="Fold {label}"
	title="Fold {label}"
	onclick={() => panes.fold(pane, true)}>–</button
>

<style>
	.fold {
		width: 20px;
		height: 20px;
		flex: none;
		border-radius: var(--radius);
	}
	.fold:hover {
		background: var(--cedar-wash);
		color: var(--cedar);
	}
</style>
