<script lang="ts">
	import { goto } from '$app/navigation';
	import { page as address } from '$app/state';
	import { tour as steps } from '$core/view-models/words/tour.ts';
	import { placeQuery, readPlace } from '$store/address.ts';
	import { beginning } from '$store/ways/beginning.svelte.ts';
	import { tour } from '$store/ways/tour.svelte.ts';

	/**
	 * A step of the tour, between the bar and the view, so that it covers nothing; what it speaks of
	 * is outlined in the view itself.
	 */
	const step = $derived(tour.step);
	let heading: HTMLElement | undefined = $state();

	// Its view is opened when a step is come to; who goes elsewhere meanwhile is let go.
	$effect(() => {
		const view = step?.view;
		if (!tour.shown || !view) return;
		void tour.at;
		const query = placeQuery(readPlace(new URL(location.href)));
		if (location.pathname !== view) void goto(`${view}?${query}`, { keepFocus: true });
	});

	// What it speaks of is outlined as long as it is there.
	$effect(() => {
		const place = step?.place;
		void address.url.pathname;
		if (!tour.shown || place === undefined) return;
		let outlined: Element | null = null;
		const outline = (): void => {
			const found = document.querySelector(`[data-tour='${place}']`);
			if (found === outlined) return;
			outlined?.removeAttribute('data-toured');
			found?.setAttribute('data-toured', '');
			outlined = found;
		};
		outline();
		const watcher = new MutationObserver(outline);
		watcher.observe(document.body, { childList: true, subtree: true });
		return () => {
			watcher.disconnect();
			outlined?.removeAttribute('data-toured');
		};
	});

	function go(by: number): void {
		tour.goTo(tour.at + by);
		heading?.focus();
	}

	function begin(): void {
		tour.end();
		beginning.asked = true;
	}
</script>

{#if tour.shown && step}
	<section class="tour" aria-label="The tour">
		<div class="words">
			<h2 tabindex="-1" bind:this={heading}>
				<span class="mono">{tour.at + 1} of {steps.length}</span>
				{step.question}
			</h2>
			<p>{step.look}</p>
			<p><b>Try it:</b> {step.try}</p>
		</div>
		<div class="acts">
			{#if tour.isLast}
				<button class="primary" onclick={begin}>Begin a site of your own …</button>
			{:else}
				<button class="primary" onclick={() => go(1)}>Next question</button>
			{/if}
			<span>
				<button class="act" disabled={tour.at === 0} onclick={() => go(-1)}>Back</button>
				<button
					class="act"
					title="The tour goes on from here when you take it up again, beside ? in the bar"
					onclick={() => tour.leave()}>Leave the tour</button
				>
			</span>
		</div>
	</section>
{/if}

<style>
	.tour {
		display: flex;
		gap: 24px;
		justify-content: space-between;
		align-items: center;
		padding: 8px 16px 9px;
		background: var(--sunk);
		border-bottom: 1px solid var(--rule);
	}
	.words {
		max-width: 130ch;
	}
	h2 {
		font-size: 15px;
		font-weight: 650;
	}
	h2 .mono {
		margin-right: 8px;
		font-weight: 400;
		color: var(--ink-2);
	}
	.acts {
		display: grid;
		gap: 4px;
		justify-items: end;
		flex: none;
	}
	:global([data-toured]) {
		outline: 2px dashed var(--cedar) !important;
		outline-offset: -3px;
	}
</style>
