import type { PagePaint, Paint } from '../author-styles/paint.ts';
import type { Miniature, Shape } from './miniature.ts';

/** A small drawing in the colours that the styles of the page give it, by day or by night. */
export function paintedMiniature(
	miniature: Miniature,
	paint: PagePaint,
	night: boolean
): Miniature {
	const when = { width: miniature.width, night };
	const page = paint.of(undefined, undefined, when);
	const inks = new Map<string, Paint>();
	const shapes = miniature.shapes.map((shape): Shape => {
		if (shape.kind === 'content') {
			return {
				...shape,
				paint: { ground: undefined, ink: inks.get(shape.region ?? '')?.ink ?? page.ink }
			};
		}
		const own = paint.of(shape.layout, shape.region, when);
		inks.set(shape.region, own);
		return { ...shape, paint: own };
	});
	const [first] = shapes;
	const root =
		first?.kind === 'region' ? paint.of(first.layout, undefined, when).ground : undefined;
	return { ...miniature, shapes, ground: root ?? page.ground };
}
