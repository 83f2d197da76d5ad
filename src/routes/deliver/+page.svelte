<script lang="ts">
	import DeliverView from '$views/deliver/DeliverView.svelte';
</script>

<svelte:head><title>Deliver · Long Eave</title></svelte:head>

<DeliverView />
