<script lang="ts">
	import { leftAt, type ScrollLane, type ScrollSpan } from '$core/scroll/scroll-view.ts';
	import { scrollActions } from '$core/scroll/states.ts';
	import { shadowRange } from '$core/settings/member/shadow.ts';
	import { store } from '$store/site.svelte.ts';
	import LayerMark from '$views/shell/marks/LayerMark.svelte';
	import type { Scrolling } from './scrolling.svelte.ts';

	/** What scrolling does on the page, box by box, and handles for how far the stage is scrolled. */
	const { scrolling, close }: { scrolling: Scrolling; close: () => void } = $props();

	const view = $derived(scrolling.view);
	const reach = $derived(view?.reach ?? 0);
	const left = $derived(view && leftAt(view, scrolling.px));
	const at = $derived(view ? view.lanes.filter((lane) => isAt(lane, 'sticks')) : []);
	const names = $derived(at.map(({ name }) => name).join(', '));

	function isAt({ spans }: ScrollLane, action: ScrollSpan['action']): boolean {
		const { px } = scrolling;
		return spans.some((span) => span.action === action && span.from <= px && span.to >= px);
	}

	function share(px: number): string {
		return `${reach === 0 ? 0 : (px / reach) * 100}%`;
	}

	function spanWords({ name }: ScrollLane, { action, from, to }: ScrollSpan): string {
		const until = to >= reach ? 'on' : `to ${to} px`;
		if (action === 'gets its shadow')
			return `${name} gets its shadow over the first ${shadowRange} px`;
		return `${name} ${action} from ${from} px ${until}`;
	}

	function classOf(action: ScrollSpan['action']): string {
		return action.replaceAll(' ', '-');
	}

	/** Shown as a line below what has a name. */
	function isThin(action: ScrollSpan['action']): boolean {
		return action !== 'sticks' && action !== 'is pushed away';
	}

	const thin = $derived(
		scrollActions.filter(
			(action) =>
				isThin(action) &&
				view?.lanes.some(({ spans }) => spans.some((one) => one.action === action))
		)
	);

	/** A handle follows the pointer while it is held. */
	function drag(event: PointerEvent & { currentTarget: HTMLElement }, second: boolean): void {
		if (event.buttons === 0) return;
		const track = event.currentTarget.closest('.tracks')?.getBoundingClientRect();
		if (track) scrolling.goTo(((event.clientX - track.left) / track.width) * reach, second);
	}

	function hold(event: PointerEvent & { currentTarget: HTMLElement }): void {
		event.currentTarget.setPointerCapture(event.pointerId);
	}

	/** A place of the strip is gone to by a click. */
	function go(event: MouseEvent & { currentTarget: HTMLElement }): void {
		const { left, width } = event.currentTarget.getBoundingClientRect();
		scrolling.goTo(((event.clientX - left) / width) * reach);
	}

	function onKey(event: KeyboardEvent, second: boolean): void {
		const now = second ? (scrolling.second ?? 0) : scrolling.px;
		const step = event.shiftKey ? 10 : 1;
		const screen = view?.height ?? 0;
		const to: Readonly<Record<string, number>> = {
			ArrowRight: now + step,
			ArrowDown: now + step,
			ArrowLeft: now - step,
			ArrowUp: now - step,
			PageDown: now + screen,
			PageUp: now - screen,
			Home: 0,
			End: reach
		};
		const px = to[event.key];
		if (px === undefined) return;
		scrolling.goTo(px, second);
		event.preventDefault();
		event.stopPropagation();
	}

	const scrollers = $derived(view?.scrollers ?? []);
	const chosen = $derived(JSON.stringify(scrolling.within));
</script>

<section class="strip" aria-label="Scrolling" data-reach={view?.reach}>
	<div class="line">
		{#if scrollers.length > 0}
			<select
				class="field"
				aria-label="What is scrolled"
				value={chosen ?? 'page'}
				onchange={(event) => {
					const { value } = event.currentTarget;
					scrolling.choose(scrollers.find(({ name }) => JSON.stringify(name) === value)?.name);
				}}
			>
				<option value="page">the page</option>
				{#each scrollers as { name, words } (JSON.stringify(name))}
					<option value={JSON.stringify(name)}>{words}, by itself</option>
				{/each}
			</select>
		{/if}
		<p class="small" aria-live="polite">
			{#if !view}
				What scrolling does here is being worked out …
			{:else if store.trial.printed}
				Paper does not scroll: this is how far the page goes on below.
			{:else if reach === 0}
				All of it is in sight at this width and height: nothing scrolls.
			{:else}
				scrolled <b class="mono">{scrolling.px} px</b> of {reach} px{names === ''
					? '; nothing is stuck here'
					: `; ${names} ${at.length === 1 ? 'sticks' : 'stick'}`}{left === undefined
					? ''
					: `; ${Math.round(left)} px, ${Math.round((left / view.height) * 100)} %, left for content`}
			{/if}
		</p>
		<span class="end">
			<span class="legend small" aria-hidden="true">
				{#each thin as action (action)}<span><i class={classOf(action)}></i>{action}</span>{/each}
			</span>
			<button
				class="act"
				aria-pressed={scrolling.second !== undefined}
				disabled={reach === 0}
				title="The page once more beside it, scrolled to another place"
				onclick={() => (scrolling.second = scrolling.second === undefined ? reach : undefined)}
				>Two places</button
			>
			<button class="act" aria-label="Close scrolling" onclick={close}>×</button>
		</span>
	</div>
	{#if view && reach > 0}
		<div class="body">
			<div class="names">
				{#each view.lanes as lane (lane.key)}
					<span class="mono"><LayerMark mark={lane.mark} /> {lane.name}</span>
				{:else}
					<span class="small">nothing sticks</span>
				{/each}
			</div>
			<!-- The handles have the keys; a click anywhere in between is for the pointer alone. -->
			<!-- svelte-ignore a11y_click_events_have_key_events, a11y_no_static_element_interactions -->
			<div class="tracks" onclick={go}>
				{#each view.lanes as lane (lane.key)}
					<div class="track">
						{#each lane.spans as span (span.action + span.from)}
							<span
								class="span {classOf(span.action)}"
								class:thin={isThin(span.action)}
								style:left={share(span.from)}
								style:width="max(2px, calc({share(span.to + 1)} - {share(span.from)}))"
								title={spanWords(lane, span)}
								>{#if !isThin(span.action)}<i>{span.action}</i>{/if}</span
							>
						{/each}
					</div>
				{:else}
					<div class="track"></div>
				{/each}
				{#each [{ px: scrolling.px, second: false, name: 'Scrolled to' }, ...(scrolling.second === undefined ? [] : [{ px: scrolling.second, second: true, name: 'Second place' }])] as { px, second, name } (name)}
					<span
						class="handle"
						class:second
						role="slider"
						tabindex="0"
						aria-label={name}
						aria-valuemin={0}
						aria-valuemax={reach}
						aria-valuenow={px}
						aria-valuetext="{px} px"
						title="Drag, or use the arrow keys: 1 px, with Shift 10 px; Page Up and Page Down go by screens"
						style:left={share(px)}
						onpointerdown={hold}
						onpointermove={(event) => drag(event, second)}
						onclick={(event) => event.stopPropagation()}
						onkeydown={(event) => onKey(event, second)}
					></span>
				{/each}
			</div>
		</div>
		<p class="hidden-words">
			{#each view.lanes as lane (lane.key)}
				{#each lane.spans as span (span.action + span.from)}{spanWords(lane, span)}.
				{/each}
			{/each}
		</p>
	{/if}
</section>

<style>
	.strip {
		flex: none;
		padding: 3px 12px 7px 16px;
		border-top: 1px solid var(--hair);
		background: var(--sheet);
	}
	.line {
		display: flex;
		align-items: center;
		gap: 10px;
		min-height: 25px;
		white-space: nowrap;
	}
	.line p {
		overflow: hidden;
		text-overflow: ellipsis;
	}
	.line .field {
		padding: 1px 5px;
		font-size: var(--text-small);
	}
	.end {
		margin-left: auto;
		display: flex;
		gap: 6px;
	}
	.act {
		font-size: var(--text-small);
	}
	.body {
		display: grid;
		grid-template-columns: 108px 1fr;
		max-height: 106px;
		overflow: hidden auto;
		padding-right: 8px;
	}
	.names span {
		display: flex;
		align-items: center;
		gap: 5px;
		height: 19px;
		overflow: hidden;
		white-space: nowrap;
		font-size: var(--text-small);
	}
	.tracks {
		position: relative;
		cursor: pointer;
	}
	.track {
		position: relative;
		height: 19px;
		border-bottom: 1px solid var(--hair);
	}
	.span {
		position: absolute;
		top: 1px;
		height: 12px;
		overflow: hidden;
		white-space: nowrap;
	}
	.span i {
		/* In a line of its own height: in that of the text around it, it would stand too low to be read. */
		display: block;
		padding-left: 5px;
		font: var(--text-small)/12px var(--sans);
		color: var(--ink);
	}
	.sticks {
		background: var(--cedar-wash);
		border-left: 2px solid var(--cedar);
	}
	.is-pushed-away {
		background: var(--sunk);
		border-left: 2px solid var(--rule);
	}
	/* What has no name in it is a thin line below, told apart by its pattern; the legend names it. */
	.thin {
		top: 14px;
		height: 3px;
	}
	.is-covered {
		background: repeating-linear-gradient(90deg, var(--ink-2) 0 2px, transparent 2px 5px);
	}
	.rides-up {
		background: var(--fine);
	}
	.shrinks {
		background: var(--warn);
	}
	.gets-its-shadow {
		background: linear-gradient(90deg, transparent, var(--ink));
	}
	.legend {
		display: flex;
		gap: 10px;
	}
	.legend span {
		display: flex;
		align-items: center;
		gap: 4px;
	}
	.legend i {
		width: 16px;
		height: 3px;
	}
	.line b {
		font-size: inherit;
	}
	.handle {
		position: absolute;
		top: -3px;
		bottom: -3px;
		width: 14px;
		margin-left: -7px;
		cursor: ew-resize;
		touch-action: none;
	}
	.handle::before {
		content: '';
		position: absolute;
		left: 6px;
		top: 0;
		bottom: 0;
		width: 2px;
		background: var(--cedar);
	}
	.handle::after {
		content: '';
		position: absolute;
		left: 2px;
		top: 0;
		width: 10px;
		height: 10px;
		border-radius: 5px;
		background: var(--cedar);
	}
	.second::before,
	.second::after {
		background: var(--ink);
	}
	.hidden-words {
		position: absolute;
		width: 1px;
		height: 1px;
		overflow: hidden;
		clip-path: inset(50%);
	}
</style>
