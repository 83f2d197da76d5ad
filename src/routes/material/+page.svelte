<script lang="ts">
	import MaterialView from '$views/material/MaterialView.svelte';
</script>

<MaterialView />
