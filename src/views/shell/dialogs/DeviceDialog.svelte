<script lang="ts">
	import { Dialog } from '@skeletonlabs/skeleton-svelte';
	import type { QRCode } from 'qrcode';
	import { devices } from '$store/devices.svelte.ts';
	import { store } from '$store/site.svelte.ts';
	import { clampHeight, clampWidth } from '$store/address.ts';
	import { look } from '$store/ways/look.svelte.ts';
	import Question from './Question.svelte';

	/** The site on a phone or another browser: an address, and its picture for a camera. */
	interface Props {
		open: boolean;
		onClose: () => void;
	}
	const { open, onClose }: Props = $props();

	const address = $derived(devices.addresses[0]);
	const onlyHere = $derived(address !== undefined && /\/\/(127\.|localhost|\[::1\])/.test(address));
	let code = $state.raw<QRCode | undefined>();
	$effect(() => {
		const shown = address;
		if (shown === undefined) return;
		// Only who opens a device needs what draws for a camera; without it the address is there to be typed.
		import('qrcode').then(
			({ create }) => (code = create(shown, { errorCorrectionLevel: 'M' })),
			(failure: unknown) => console.error('The picture for a camera could not be loaded', failure)
		);
	});
	const path = $derived.by(() => {
		if (!code) return '';
		const { data, size } = code.modules;
		let drawn = '';
		for (const [at, dark] of data.entries()) {
			if (dark) drawn += `M${at % size} ${Math.floor(at / size)}h1v1h-1z`;
		}
		return drawn;
	});

	$effect(() => {
		if (open) void devices.open();
	});
</script>

<Question
	{open}
	title="Open on a device"
	says="The site is handed to this application’s server, which keeps it in memory for two hours after the last edit. Pages there follow each edit. Whoever has the address can see it."
	{onClose}
>
	{#if devices.fault}<p class="refused" role="alert">{devices.fault}</p>{/if}
	{#if address}
		<div class="two">
			{#if code}
				<svg
					viewBox="-2 -2 {code.modules.size + 4} {code.modules.size + 4}"
					role="img"
					aria-label="The address as a QR code"
				>
					<rect x="-2" y="-2" width="100%" height="100%" fill="white" />
					<path d={path} fill="black" />
				</svg>
			{/if}
			<div>
				<p><a class="mono" href={address} target="_blank" rel="noreferrer">{address}</a></p>
				<p class="small">
					{store.seenBy === undefined
						? 'It shows what whoever has not signed in gets.'
						: `It shows what ${store.seenBy} gets.`}
				</p>
				{#if onlyHere}
					<p class="small">
						Only this machine reaches it now. For a phone in the same network, start the application
						with <span class="mono">HOST=0.0.0.0 npm start</span>.
					</p>
				{/if}
				<p class="cap">{devices.list.length === 0 ? 'No device has it open yet' : 'Open on'}</p>
				<ul>
					{#each devices.list as device (device.id)}
						<li>
							<button
								class="field mono"
								title="Draw the stage at this size"
								onclick={() => {
									look.width = clampWidth(device.width);
									look.height = clampHeight(device.height);
									onClose();
								}}>{device.width} × {device.height}</button
							>
							<span class="small">{device.ratio}×, text {device.text} px</span>
						</li>
					{/each}
				</ul>
			</div>
		</div>
	{:else if devices.busy}
		<p>It is being handed over …</p>
	{/if}
	<div class="buttons">
		<Dialog.CloseTrigger class="primary">Done</Dialog.CloseTrigger>
		{#if devices.isOpen}
			<button
				class="act"
				onclick={() => {
					void devices.close();
					onClose();
				}}>Take it back</button
			>
		{/if}
	</div>
</Question>

<style>
	.two {
		display: grid;
		grid-template-columns: repeat(auto-fit, minmax(min(190px, 100%), 1fr));
		gap: 20px;
		align-items: start;
		margin: 8px 0 14px;
	}
	svg {
		width: 190px;
		max-width: 100%;
		border: 1px solid var(--hair);
		shape-rendering: crispEdges;
	}
	a {
		text-decoration: underline;
		text-underline-offset: 3px;
		overflow-wrap: anywhere;
	}
	p {
		margin: 0 0 6px;
	}
	li {
		display: flex;
		gap: 8px;
		align-items: baseline;
		margin: 3px 0;
	}
	.refused {
		color: var(--fault);
	}
</style>
