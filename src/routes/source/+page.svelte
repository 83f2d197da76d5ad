<script lang="ts">
	import SourceView from '$views/source/SourceView.svelte';
</script>

<svelte:head><title>Source · Long Eave</title></svelte:head>

<SourceView />
