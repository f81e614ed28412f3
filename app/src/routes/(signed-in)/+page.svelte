<svelte:head><title>Kelbrin</title></svelte:head>
