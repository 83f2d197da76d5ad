<script lang="ts">
	import type { Severity } from '$core/messages/severity.ts';

	/** How much a finding matters, as a roof tile: whole, half or only its outline. */
	const { severity, label }: { severity: Severity; label?: string } = $props();
</script>

<svg
	width="13"
	height="10"
	viewBox="0 0 13 10"
	class={severity}
	role={label === undefined ? undefined : 'img'}
	aria-label={label}
	aria-hidden={label === undefined ? 'true' : undefined}
>
	<path class="tile" d="M3.5 1 H12 L9.5 9 H1 Z" />
	{#if severity === 'warning'}<path class="half" d="M2.25 5 H10.75 L9.5 9 H1 Z" />{/if}
</svg>

<style>
	svg {
		flex: none;
	}
	.tile {
		fill: none;
		stroke: currentColor;
		stroke-width: 1.3;
	}
	.half {
		fill: currentColor;
	}
	.error {
		color: var(--fault);
	}
	.error .tile {
		fill: currentColor;
	}
	.warning {
		color: var(--warn);
	}
	.hint {
		color: var(--ink-2);
	}
</style>
