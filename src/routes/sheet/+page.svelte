<script lang="ts">
	import SheetView from '$views/sheet/SheetView.svelte';
</script>

<SheetView />
