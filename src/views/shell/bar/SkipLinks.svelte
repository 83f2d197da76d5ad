<script lang="ts">
	import { page } from '$app/state';

	/** The first that Tab leads to: past the bar to the routes, the stage and the inspector, or to the view that is open. */
	const inPlan = [
		['To the routes', '[role=listbox][aria-label^="Routes"]'],
		['To the page', 'section[aria-label="Page"]'],
		['To the inspector', 'aside[aria-label="Inspector"]']
	] as const;
	const elsewhere = [['To this view', 'main']] as const;
	const places = $derived(page.url.pathname === '/plan' ? inPlan : elsewhere);

	let first: HTMLElement | undefined = $state();
	/** Something was focused or pressed since the application was loaded: Tab goes on from there. */
	let isBegun = false;

	// What is drawn while a site opens moves the place from which browsers let Tab go on.
	function onTab(event: KeyboardEvent): void {
		if (event.key !== 'Tab' || event.shiftKey || isBegun) return;
		if (document.activeElement !== document.body) return;
		event.preventDefault();
		first?.querySelector('button')?.focus();
	}

	const focusable =
		'a[href], button:not(:disabled), input:not(:disabled, [hidden]), select, textarea, [tabindex="0"]';

	/** The place itself where it takes the focus, else the first in it that does. */
	function goTo(selector: string): void {
		const place = document.querySelector<HTMLElement>(selector);
		if (place?.matches('[tabindex="0"]')) place.focus();
		else place?.querySelector<HTMLElement>(focusable)?.focus();
	}
</script>

<svelte:window
	onkeydown={onTab}
	onfocusin={({ target }) => (isBegun ||= target !== document.body)}
	onpointerdown={() => (isBegun = true)}
/>

<div class="skip" bind:this={first}>
	{#each places as [label, selector] (label)}
		<button type="button" onclick={() => goTo(selector)}>{label}</button>
	{/each}
</div>

<style>
	.skip {
		position: absolute;
		z-index: 70;
		left: 8px;
		top: 8px;
	}
	button {
		position: absolute;
		left: -10000px;
		padding: 6px 14px;
		white-space: nowrap;
		background: var(--sheet);
		border: 1px solid var(--cedar);
		border-radius: var(--radius);
		color: var(--cedar);
		font-weight: 500;
	}
	button:focus {
		left: 0;
	}
</style>
