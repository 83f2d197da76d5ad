<script lang="ts">
	import FindingsView from '$views/findings/FindingsView.svelte';
</script>

<FindingsView />
