<script lang="ts">
	import type { Component } from 'svelte';
	import { store } from '$store/site.svelte.ts';
	import { later } from './later.ts';

	/** A window whose code comes when it is asked for first. */
	interface Props {
		of: keyof typeof later;
		isAsked: boolean;
		/** It cannot be had: what asks for it is taken back, so that it can be asked for again. */
		giveUp: () => void;
	}
	const { of, isAsked, giveUp }: Props = $props();

	let Made = $state.raw<Component | undefined>();

	$effect(() => {
		if (!isAsked || Made) return;
		later[of]().then(
			(code) => (Made = code.default),
			(failure: unknown) => {
				giveUp();
				store.sayFailure('The window could not be loaded', failure);
			}
		);
	});
</script>

{#if Made}<Made />{/if}
