/** Arrows on a finding choose the one above or below it in its list. */
export function onArrow(event: KeyboardEvent & { readonly currentTarget: HTMLElement }): void {
	const by = event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0;
	const list = event.currentTarget.closest('.list');
	if (by === 0 || !list) return;
	const all = [...list.querySelectorAll<HTMLElement>('[data-finding]')];
	const next = all[all.indexOf(event.currentTarget) + by];
	if (!next) return;
	event.preventDefault();
	next.focus();
	next.click();
}
