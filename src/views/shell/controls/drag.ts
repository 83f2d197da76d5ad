/** The pointer must move this far (px) before a press becomes a drag. */
const threshold = 4;

/**
 * A drag that begins with a press: `move` is called from the moment it is one, `end` once, with whether
 * it was dropped. Escape gives it up, and so does leaving the window. Frames would keep what the pointer does over
 * them to themselves: as long as one drags, it goes through them (`app.css`).
 */
export function drag(
	event: PointerEvent,
	{ move, end }: { move: (event: PointerEvent) => void; end: (dropped: boolean) => void }
): void {
	if (event.button !== 0) return;
	const from = { x: event.clientX, y: event.clientY };
	let begun = false;
	const { dataset } = document.documentElement;
	dataset['dragging'] = '';
	const finish = (dropped: boolean): void => {
		delete dataset['dragging'];
		removeEventListener('blur', onCancel);
		removeEventListener('pointermove', onMove);
		removeEventListener('pointerup', onUp);
		removeEventListener('pointercancel', onCancel);
		removeEventListener('keydown', onKey, true);
		end(dropped && begun);
	};
	const onMove = (next: PointerEvent): void => {
		begun ||= Math.hypot(next.clientX - from.x, next.clientY - from.y) >= threshold;
		if (begun) move(next);
	};
	const onUp = (): void => {
		if (begun) passOverClick();
		finish(true);
	};
	const onCancel = (): void => finish(false);
	const onKey = (key: KeyboardEvent): void => {
		if (key.key !== 'Escape') return;
		key.preventDefault();
		// It gives up the drag, and not the dialog in which one drags.
		key.stopPropagation();
		finish(false);
	};
	addEventListener('blur', onCancel);
	addEventListener('pointermove', onMove);
	addEventListener('pointerup', onUp);
	addEventListener('pointercancel', onCancel);
	addEventListener('keydown', onKey, true);
}

/** The click that ends a drag is none: what lies below both ends of it would take it for one. */
function passOverClick(): void {
	const passOver = (click: Event): void => {
		click.preventDefault();
		click.stopPropagation();
	};
	addEventListener('click', passOver, true);
	// It follows the release at once, before any timer.
	setTimeout(() => removeEventListener('click', passOver, true), 0);
}
