<script lang="ts">
	import PlanView from '$views/plan/PlanView.svelte';
</script>

<svelte:head><title>Plan · Long Eave</title></svelte:head>

<PlanView />
