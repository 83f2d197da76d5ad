<script lang="ts">
	import type { TermWord } from '$core/view-models/words/glossary.ts';

	/** A word of the glossary as a small drawing, in the way in which the views draw it. */
	const { word }: { word: TermWord } = $props();

	/** An eave over something: a short slope, then a line. */
	const eave = 'M6 14 L14 8 H66';
</script>

<svg width="76" height="44" viewBox="0 0 76 44" aria-hidden="true">
	{#if word === 'roofline'}
		<path class="first" d="M10 8 L16 3 V40 H10 Z" />
		<path class="second" d="M20 17 L26 12 V30 H20 Z" />
		<path class="line" d="M32 8 H68 M32 18 H60 M32 28 H64 M32 38 H56" />
	{:else if word === 'cross-section'}
		<path class="line" d={eave} />
		<path class="first" d="M10 16 H28 V24 H10 Z M48 16 H66 V24 H48 Z" />
		<path class="second" d="M29 26 H47 V34 H29 Z" />
		<path class="own" d="M10 37 H28 V42 H10 Z M29 37 H47 V42 H29 Z M48 37 H66 V42 H48 Z" />
	{:else if word === 'layer'}
		<path class="first" d="M8 8 H68 V15 H8 Z" />
		<path class="second" d="M16 19 H60 V26 H16 Z" />
		<path class="own" d="M24 30 H52 V37 H24 Z" />
	{:else if word === 'sits under'}
		<path class="first" d="M6 16 L14 8 H68 V13 H15 L10 16 Z" />
		<path class="own" d="M26 20 H52 V38 H26 Z" />
	{:else if word === 'bare'}
		<path class="first" d="M6 14 L12 8 H26 V13 H13 L10 14 Z M52 8 H68 V13 H52 Z" />
		<path class="dotted" d="M26 10.5 H52" />
		<path class="own" d="M30 20 H48 V38 H30 Z" />
	{:else if word === 'fill'}
		<path class="line" d="M8 6 H68 V40 H8 Z" />
		<path class="first" d="M14 11 H62 V19 H14 Z" />
		<path class="own" d="M14 23 H62 V35 H14 Z" />
	{:else if word === 'lands as'}
		<path class="first" d="M14 4 H30 V12 H14 Z" />
		<path class="own" d="M46 14 H62 V22 H46 Z" />
		<path class="line" d="M22 12 V30 M54 22 V30" />
		<path class="first" d="M8 30 H37 V40 H8 Z" />
		<path class="own" d="M39 30 H68 V40 H39 Z" />
	{:else if word === 'piece'}
		<path class="line" d="M8 6 H68 V40 H8 Z" />
		<path class="own" d="M13 11 H38 V35 H13 Z M42 11 H63 V21 H42 Z M42 25 H63 V35 H42 Z" />
	{:else if word === 'band'}
		<path class="line" d="M6 34 H70 M6 30 V38 M28 30 V38 M50 30 V38" />
		<path class="mark" d="M26 24 L32 18 H70 V21 H33 L30 24 Z" />
	{:else}
		<path class="first" d="M8 6 H68 V12 H8 Z M8 34 H68 V40 H8 Z M8 14 H22 V32 H8 Z" />
		<path class="dotted" d="M26 15 H67 V31 H26 Z" />
	{/if}
</svg>

<style>
	svg {
		flex: none;
	}
	.first {
		fill: var(--l1);
	}
	.second {
		fill: var(--l2);
	}
	.own {
		fill: var(--graphite);
	}
	.mark {
		fill: var(--cedar);
	}
	.line {
		fill: none;
		stroke: var(--rule);
		stroke-width: 1.4;
	}
	.dotted {
		fill: none;
		stroke: var(--l1);
		stroke-width: 1.6;
		stroke-dasharray: 2 3;
	}
</style>
