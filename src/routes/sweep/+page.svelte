<script lang="ts">
	import SweepView from '$views/sweep/SweepView.svelte';
</script>

<SweepView />
