<script lang="ts">
	import AccessView from '$views/access/AccessView.svelte';
</script>

<AccessView />
