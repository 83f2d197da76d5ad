<script lang="ts">
	/** What belongs into a kind of material of which there is none yet, with the one way to begin. */
	interface Props {
		says: string;
		act: string;
		run: () => void;
	}
	const { says, act, run }: Props = $props();
</script>

<div class="empty">
	<p>{says}</p>
	<button class="primary" onclick={run}>{act}</button>
</div>

<style>
	.empty {
		padding: 28px 16px;
		max-width: 64ch;
	}
	p {
		margin-bottom: 14px;
	}
</style>
