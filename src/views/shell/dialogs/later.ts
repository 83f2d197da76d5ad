import type { Component } from 'svelte';

/** What brings the code of a window, once it is asked for. */
type Later = () => Promise<{ readonly default: Component }>;

/** Windows that few ask for, by what they are about: their code comes when they are, or once nobody does anything. */
export const later = {
	arrange: () => import('./arrange/ArrangeDialog.svelte'),
	bringIn: () => import('./bring-in/BringInDialog.svelte'),
	folder: () => import('./folder/FolderDialog.svelte'),
	newSite: () => import('./new-site/NewSite.svelte'),
	states: () => import('./states/StatesDialog.svelte'),
	picture: () => import('$views/plan/pictures/PictureDialog.svelte')
} as const satisfies Readonly<Record<string, Later>>;
