import type { DrawingWay } from '$core/sheet/svg.ts';

/** px: how wide a drawing beside a finding is, at most. */
const widest = 300;
const most = 0.5;

/** How the page of a finding is drawn, at a width of the screen, px. */
export function drawingWay(width: number, room = widest): DrawingWay {
	return { scale: Math.min(most, room / width), depth: 1200, fold: 800 };
}
