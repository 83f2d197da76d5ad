import { jumpWidths, sweepFrom, sweepTo } from '../../../src/core/geometry/widths/jumps.ts';
import { judgeSwept, shownPage, type Judged } from './judge.ts';

/** Where boxes jump while the screen gets wider, as it is worked out and as the browser does it. */

/** px; what moves or grows by more than this while the screen gets wider by one, jumps. */
const flow = 8;

export async function judgeJumps(
	subject: Judged
): Promise<{ computed: number[]; browser: number[] }> {
	const { sweep } = await judgeSwept(subject, []);
	return { computed: jumpWidths(sweep), browser: await jumpsShown(subject) };
}

async function jumpsShown(subject: Judged): Promise<number[]> {
	const all = Array.from({ length: sweepTo - sweepFrom + 1 }, (_, index) => sweepFrom + index);
	const shown = await shownPage(subject, all);
	// Regions and wrappers; pieces stand in a region, and have its name in front of their own.
	const frames = shown.map(
		(boxes) =>
			new Map(boxes.filter(({ key }) => /^[^./]+\/[^/]+$/.test(key)).map((box) => [box.key, box]))
	);
	return all.slice(1).filter((_, index) => {
		const [before, now] = [frames[index], frames[index + 1]];
		if (!before || !now || before.size !== now.size) return true;
		return [...now].some(([key, box]) => {
			const old = before.get(key);
			return !old || Math.abs(old.x - box.x) > flow || Math.abs(old.width - box.width) > flow;
		});
	});
}
